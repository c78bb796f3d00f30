<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use ZippyTray\Core\Mail\Text\SubjectLine;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\RequestForm;

/**
 * What a message has in common with others: from whom and on which list it comes, to whom it is written, what it asks, which words
 * its subject has. Each trait is a short text, the same for all messages that have it.
 */
final readonly class Traits
{
    /** Of a subject; what stands behind them says little more. */
    private const WORDS = 8;

    /** In characters: what is shorter is mostly grammar, what is longer mostly a number. */
    private const WORD = '/[\p{L}][\p{L}\p{M}\']{2,29}/u';

    /** @param list<string> $names each once */
    public function __construct(public array $names)
    {
    }

    /**
     * @param string $habitKey see HabitKey
     * @param int    $written  how often the person has written to the sender
     */
    public static function of(Gist $gist, Findings $findings, Person $person, string $habitKey, int $written): self
    {
        $email = strtolower($gist->from->email);
        $kind = $findings->kind->value;
        $strongest = $findings->strongest();
        $asks = match (true) {
            null === $strongest => 'tells',
            RequestForm::Likely === $strongest->form => 'may ask',
            default => 'asks',
        };
        $to = match (true) {
            $findings->copied => 'copied',
            1 === \count($gist->addressed()) && $person->isAmong($gist->to) => 'alone',
            default => 'among others',
        };
        $names = ['kind '.$kind, $asks, $to, 'kind '.$kind.' '.$asks, 'from '.$email, 'from '.$email.' '.$asks, 'from '.$email.' '.$to];
        $domain = strrchr($email, '@');
        if (false !== $domain) {
            $names[] = 'domain '.substr($domain, 1);
        }
        if (str_starts_with($habitKey, 'list ')) {
            array_push($names, $habitKey, $habitKey.' '.$asks);
        }
        if ($written > 0) {
            array_push($names, 'known', 'known '.$asks);
        }
        if ([] !== $findings->dates) {
            array_push($names, 'dated', 'dated '.$asks);
        }
        if ([] !== $gist->attachments) {
            $names[] = 'attached';
        }

        return new self(array_values(array_unique([...$names, ...self::words($gist->subject)])));
    }

    /** @return list<string> */
    private static function words(string $subject): array
    {
        preg_match_all(self::WORD, SubjectLine::base($subject), $m);

        return array_map(static fn (string $word): string => 'word '.$word, \array_slice(array_unique($m[0]), 0, self::WORDS));
    }
}
