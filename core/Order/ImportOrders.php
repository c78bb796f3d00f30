<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Order\Sieve\ReadRule;
use ZippyTray\Core\Order\Sieve\ReadSieve;
use ZippyTray\Core\Order\Sieve\SieveError;
use ZippyTray\Core\Post\KeepTemplates;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Stamp\StampHand;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Stamp\StepKind;

/**
 * Gives the standing orders of a Sieve script. They are at rest until the person puts them in force: a script of elsewhere is looked at
 * first.
 *
 * @phpstan-type Left array{line: int, what: string, why: string}
 */
final readonly class ImportOrders
{
    public function __construct(private KeepOrders $keep, private KeepTemplates $templates, private Ids $ids)
    {
    }

    /**
     * @return array{taken: list<array{line: int, name: string, mail: string, does: list<string>}>, left: list<Left>}
     *
     * @throws SieveError when it is no script; then nothing is taken
     */
    public function __invoke(AccountId $accountId, string $script, StampHand $hand): array
    {
        [$rules, $left] = ReadSieve::of($script);
        $taken = [];
        foreach ($rules as $rule) {
            $template = '' === $rule->answer ? null : $this->ids->next();
            try {
                $steps = null === $template ? $rule->steps : $this->answering($accountId, $rule, $template);
                $this->keep->keep(
                    $accountId,
                    new EntryId($this->ids->next()),
                    new OrderId($this->ids->next()),
                    $this->name($rule),
                    $rule->condition,
                    $steps,
                    false,
                    $rule->last,
                    false,
                    $hand,
                );
                $taken[] = [
                    'line' => $rule->line,
                    'name' => $this->name($rule),
                    'mail' => $rule->condition->text(),
                    'does' => array_map(static fn (StampStep $step): string => $step->text(), $steps),
                ];
            } catch (Refused $refused) {
                null === $template ?: $this->templates->delete($accountId, new EntryId($this->ids->next()), $template);
                $left[] = ['line' => $rule->line, 'what' => $this->name($rule), 'why' => $refused->getMessage()];
            }
        }
        usort($left, static fn (array $one, array $other): int => $one['line'] <=> $other['line']);

        return ['taken' => $taken, 'left' => $left];
    }

    /**
     * What it answers with becomes a template.
     *
     * @return list<StampStep>
     *
     * @throws Refused
     */
    private function answering(AccountId $accountId, ReadRule $rule, string $template): array
    {
        $name = mb_substr('Answer of “'.$this->name($rule), 0, 98).'”';
        $this->templates->add($accountId, new EntryId($this->ids->next()), $template, $name, '', $rule->answer, false);

        return array_map(static fn (StampStep $step): StampStep => StepKind::Answer === $step->do
            ? new StampStep(StepKind::Answer, template: $template, send: true)
            : $step, $rule->steps);
    }

    private function name(ReadRule $rule): string
    {
        return mb_substr(trim((string) preg_replace('/\s+/u', ' ', $rule->name)), 0, StandingOrder::NAME_LENGTH) ?: 'Line '.$rule->line;
    }
}
