<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Advice\Effort;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\RequestForm;
use ZippyTray\Core\Tray\HabitKey;

/**
 * What a message has in common with others: from whom and on which list it comes, to whom it is written, what it asks, which words
 * its subject has. Each trait is a short text, the same for all messages that have it.
 */
final readonly class Traits
{
    /** @param list<string> $names each once */
    public function __construct(public array $names)
    {
    }

    /**
     * @param bool            $known   whether the person has written to the sender before
     * @param AdvisedDecision $advised see Adviser::byRules()
     */
    public static function of(Findings $findings, bool $known, AdvisedDecision $advised): self
    {
        $head = $findings->head;
        $kind = $findings->kind->value;
        $strongest = $findings->strongest();
        $asks = match (true) {
            null === $strongest => 'tells',
            RequestForm::Likely === $strongest->form => 'may ask',
            default => 'asks',
        };
        $to = match (true) {
            $findings->copied => 'copied',
            $head->alone => 'alone',
            default => 'among others',
        };
        $from = self::from($findings);
        $names = [self::kind($findings), $asks, $to, 'kind '.$kind.' '.$asks, $from, $from.' '.$asks, $from.' '.$to];
        $names[] = 'advised '.$advised->value;
        if (null !== $strongest) {
            $names[] = $findings->minutes <= Effort::AT_ONCE ? 'little' : 'much';
        }
        $domain = strrchr($head->from, '@');
        if (false !== $domain) {
            $names[] = 'domain '.substr($domain, 1);
        }
        if (HabitKey::isList($head->key)) {
            array_push($names, $head->key, $head->key.' '.$asks);
        }
        if ($known) {
            array_push($names, 'known', 'known '.$asks);
        }
        if ([] !== $findings->dates) {
            array_push($names, 'dated', 'dated '.$asks);
        }
        if ($head->attached) {
            $names[] = 'attached';
        }

        return new self(array_values(array_unique([
            ...$names,
            ...array_map(static fn (string $word): string => 'word '.$word, $head->words),
        ])));
    }

    /** The trait that all messages of the same sender have. */
    public static function from(Findings $findings): string
    {
        return 'from '.$findings->head->from;
    }

    /** The trait that all messages of the same kind have. */
    public static function kind(Findings $findings): string
    {
        return 'kind '.$findings->kind->value;
    }
}
