<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Find;

use ZippyTray\Core\Find\Node\All;
use ZippyTray\Core\Find\Node\Any;
use ZippyTray\Core\Find\Node\Node;
use ZippyTray\Core\Find\Node\Not;
use ZippyTray\Core\Find\Node\Refined;
use ZippyTray\Core\Find\Refinement;
use ZippyTray\Core\Find\Search;
use ZippyTray\Core\Find\Sort;
use ZippyTray\Core\Label\LabelId;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Label\LabelRows;

/**
 * What is looked for besides mail, as conditions for a query of s, a thing that can be found; days are those on which it was made, of an
 * event those on which it takes place.
 */
final class ThingSought
{
    /** @var array<string, string|int> */
    private array $with = [];

    private function __construct(
        private readonly Sort $sort,
        private readonly Account $account,
        private readonly NamesHere $names,
        private readonly LabelRows $labels,
        private readonly Moment $now,
    ) {
    }

    public static function of(Search $search, Sort $sort, Account $account, NamesHere $names, LabelRows $labels, Moment $now): Sought
    {
        $self = new self($sort, $account, $names, $labels, $now);
        $words = $where = [];
        foreach ($search->node instanceof All ? $search->node->of : array_filter([$search->node]) as $one) {
            null !== Matches::of($one, false) ? $words[] = $one : $where[] = $self->condition($one);
        }

        return new Sought([] === $words ? '' : Matches::of(new All($words), false) ?? '', $where, $self->with, false);
    }

    private function condition(Node $node): string
    {
        $match = Matches::of($node, false);
        if (null !== $match) {
            return 's.number IN (SELECT rowid FROM thing_search WHERE thing_search MATCH '.$this->parameter($match).')';
        }

        return match (true) {
            $node instanceof All => '('.implode(' AND ', array_map($this->condition(...), $node->of)).')',
            $node instanceof Any => '('.implode(' OR ', array_map($this->condition(...), $node->of)).')',
            $node instanceof Not => 'NOT '.$this->condition($node->of),
            $node instanceof Refined => '('.$this->refined($node).')',
            default => throw new \LogicException('This cannot be looked for.'),
        };
    }

    private function parameter(string|int $value): string
    {
        $name = 'p'.\count($this->with);
        $this->with[$name] = $value;

        return ':'.$name;
    }

    private function refined(Refined $node): string
    {
        $task = static fn (string $what): string => "EXISTS (SELECT 1 FROM task k WHERE k.id = s.id AND {$what})";
        $today = (string) $this->now->date();

        return match ($node->what) {
            Refinement::Before => 's.at < '.$this->day($node->period?->from),
            Refinement::After => 's.at >= '.$this->day($node->period?->to->plusDays(1)),
            Refinement::Since => 's.at >= '.$this->day($node->period?->from),
            Refinement::On => 's.at >= '.$this->day($node->period?->from).' AND s.at < '.$this->day($node->period?->to->plusDays(1)),
            Refinement::InList => match ($this->sort) {
                Sort::Note => 's.id = '.$this->parameter($node->value),
                Sort::Reference => 'EXISTS (SELECT 1 FROM reference r WHERE r.id = s.id AND r.list_id = '
                    .$this->parameter($node->value).')',
                default => $task('k.list_id = '.$this->parameter($node->value)),
            },
            Refinement::From => $task("EXISTS (SELECT 1 FROM json_each(k.sources) j CROSS JOIN source_copy o ON o.id = j.value ->> '$.ref'
                WHERE LOWER(o.sender ->> '$.email') IN (SELECT value FROM json_each({$this->parameter(json_encode(
                $this->names->people($node->value),
                \JSON_THROW_ON_ERROR,
            ))})))"),
            Refinement::Label => $task('EXISTS (SELECT 1 FROM json_each(k.labels) j WHERE j.value IN (SELECT value FROM json_each('
                .$this->parameter(json_encode(
                    $this->labels->shown($this->account->id)->shownAs(new LabelId($node->value)),
                    \JSON_THROW_ON_ERROR,
                )).')))'),
            Refinement::Stage => $task("k.stage IN (SELECT g.value ->> 'id' FROM task_list l, json_each(l.stages) g
                WHERE l.id = k.list_id AND json_valid(l.stages) AND g.value ->> 'name' = {$this->parameter($node->value)})"),
            Refinement::Attachment => $task("k.files <> '[]'"),
            Refinement::Due => $task('k.due_date >= '.$this->parameter((string) $node->period?->from).' AND k.due_date <= '
                .$this->parameter((string) $node->period?->to)),
            Refinement::DueBefore => $task('k.due_date < '.$this->parameter((string) $node->period?->from)),
            Refinement::DueAfter => $task('k.due_date > '.$this->parameter((string) $node->period?->to)),
            Refinement::Overdue => $task('k.completed_at IS NULL AND (k.due_date < '.$this->parameter($today).' OR (k.due_date = '
                .$this->parameter($today).' AND k.due_time < '.$this->parameter((string) $this->now->time()).'))'),
            Refinement::WithoutDate => $task('k.due_date IS NULL'),
            Refinement::Priority => $task('k.priority = '.$this->parameter($node->value)),
            Refinement::Repeats => $task('k.repeats IS NOT NULL'),
            Refinement::Done => $task('k.completed_at IS NOT NULL'),
            Refinement::Open => $task('k.completed_at IS NULL'),
            default => '0',
        };
    }

    /** Moments are kept in UTC, days of events as they are: the day decides. */
    private function day(?LocalDate $day): string
    {
        return $this->parameter((string) $day);
    }
}
