<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Find;

use ZippyTray\Core\Find\Node\All;
use ZippyTray\Core\Find\Node\Any;
use ZippyTray\Core\Find\Node\Node;
use ZippyTray\Core\Find\Node\Not;
use ZippyTray\Core\Find\Node\Refined;
use ZippyTray\Core\Find\Period;
use ZippyTray\Core\Find\Refine;
use ZippyTray\Core\Find\Refinement;
use ZippyTray\Core\Find\Search;
use ZippyTray\Core\Label\LabelId;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Label\LabelRows;
use ZippyTray\Server\Store\StoredNow;
use ZippyTray\Server\Store\WhereNow;

/**
 * What is looked for in mail, as conditions for a query of c, a conversation: words hold for one of its messages, each by itself; days
 * are those of its latest message.
 */
final class MailSought
{
    private const FEW = [
        Refinement::From, Refinement::To, Refinement::With, Refinement::InList, Refinement::Label, Refinement::Stage, Refinement::Owed,
        Refinement::HasTask, Refinement::LargerThan, Refinement::FileKind, Refinement::FileName,
    ];

    /** Conversations with a message that matches. */
    private const MATCHING = 'c.id IN (SELECT o.id FROM (SELECT DISTINCT i.conversation FROM message_search s
        CROSS JOIN search_message i ON i.number = s.rowid WHERE message_search MATCH %s) d
        CROSS JOIN search_conversation o ON o.number = d.conversation)';

    /** @var array<string, string|int> */
    private array $with = [];

    private function __construct(private readonly Account $account, private readonly NamesHere $names, private readonly LabelRows $labels)
    {
    }

    public static function of(Search $search, Account $account, NamesHere $names, LabelRows $labels): Sought
    {
        if (null === $search->node) {
            return new Sought('', [], [], false);
        }
        $self = new self($account, $names, $labels);
        $words = $where = [];
        $isFew = false;
        foreach ($search->node instanceof All ? $search->node->of : [$search->node] as $one) {
            if (null !== Matches::of($one) || ($one instanceof Not && null !== Matches::of($one->of))) {
                $words[] = $one;
            } else {
                $where[] = $self->condition($one);
                $isFew = $isFew || ($one instanceof Refined && \in_array($one->what, self::FEW, true));
            }
        }
        $match = [] === $words ? null : Matches::of(new All($words));
        if (null === $match) {
            // Only words that must not be there.
            array_push($where, ...array_map($self->condition(...), $words));
        }

        return new Sought($match ?? '', $where, $self->with, $isFew);
    }

    private function condition(Node $node): string
    {
        $match = Matches::of($node);
        if (null !== $match) {
            return $this->matching($match);
        }

        return match (true) {
            $node instanceof All => '('.implode(' AND ', array_map($this->condition(...), $node->of)).')',
            $node instanceof Any => '('.implode(' OR ', array_map($this->condition(...), $node->of)).')',
            $node instanceof Not => 'NOT '.$this->condition($node->of),
            $node instanceof Refined => '('.$this->refined($node).')',
            default => throw new \LogicException('This cannot be looked for in mail.'),
        };
    }

    /** @param string $match an expression of full-text search */
    private function matching(string $match): string
    {
        return \sprintf(self::MATCHING, $this->parameter($match));
    }

    private function parameter(string|int $value): string
    {
        $name = 'p'.\count($this->with);
        $this->with[$name] = $value;

        return ':'.$name;
    }

    private function refined(Refined $node): string
    {
        $of = static fn (string $what): string => "EXISTS (SELECT 1 FROM conversation v WHERE v.id = c.id AND {$what})";

        return match ($node->what) {
            Refinement::From => $this->from($node->value),
            Refinement::To => $this->to($node->value),
            Refinement::With => $this->from($node->value).' OR '.$this->to($node->value),
            Refinement::Before, Refinement::After, Refinement::Since, Refinement::On => $this->days($node->what, $node->period),
            Refinement::Place => 'muted' === $node->value ? 'c.muted' : WhereNow::is(Place::from($node->value)),
            Refinement::InList => 'c.id IN (SELECT x.conversation_id FROM card x WHERE x.account_id = :account AND x.list_id = '
                .$this->parameter($node->value).')',
            Refinement::Label => $this->label($node->value),
            Refinement::Stage => "c.id IN (SELECT x.conversation_id FROM task_list l CROSS JOIN json_each(l.stages) g CROSS JOIN card x
                ON x.list_id = l.id AND x.stage = g.value ->> 'id' WHERE l.account_id = :account AND x.account_id = :account
                AND json_valid(l.stages) AND g.value ->> 'name' = {$this->parameter($node->value)})",
            Refinement::Attachment => $of('v.attachments > 0'),
            Refinement::FileKind => $this->matching('files : ('.implode(' OR ', array_map(
                static fn (string $end): string => '"'.$end.'"',
                Refine::KINDS[$node->value] ?? [],
            )).')'),
            Refinement::FileName => $this->matching('files : '.self::named($node->value)),
            Refinement::Asks => "c.id IN (SELECT n.conversation_id FROM message_findings f CROSS JOIN conversation_message n
                ON n.message_id = f.message_id WHERE json_array_length(f.findings -> '$.requests') > 0)",
            Refinement::HasTask => "c.id IN (SELECT n.conversation_id FROM task t, json_each(t.sources) j CROSS JOIN source_copy s
                ON s.id = j.value ->> '$.ref' CROSS JOIN conversation_message n ON n.message_id = s.message_id
                WHERE t.account_id = :account AND t.completed_at IS NULL AND j.value ->> '$.kind' = 'message')",
            Refinement::Owed => "c.id IN (SELECT o.conversation_id FROM owed o WHERE o.account_id = :account AND o.state = 'open')",
            Refinement::DecidedAs => $of('v.decided_as = '.$this->parameter($node->value)),
            Refinement::Undecided => WhereNow::is(Place::Tray),
            Refinement::LargerThan => 'c.id IN (SELECT n.conversation_id FROM message m
                CROSS JOIN conversation_message n ON n.message_id = m.id
                WHERE m.account_id = :account AND m.size > '.$this->parameter((int) $node->value).')',
            Refinement::Unread => $of('v.unread'),
            default => '0',
        };
    }

    private function from(string $name): string
    {
        $of = 'c.id IN (SELECT n.conversation_id FROM %s CROSS JOIN conversation_message n ON n.message_id = p.message_id WHERE %s)';
        if ('me' === $name) {
            return \sprintf($of, 'person_message p', 'p.account_id = :account AND p.own');
        }

        return \sprintf(
            $of,
            'json_each('.$this->parameter(json_encode($this->names->people($name), \JSON_THROW_ON_ERROR)).') e CROSS JOIN person_message p '
                .'ON p.account_id = :account AND p.email = e.value',
            'NOT p.own',
        );
    }

    /** Of those who are named at all, to whom it went. */
    private function to(string $name): string
    {
        if ('me' === $name) {
            return 'c.id IN (SELECT n.conversation_id FROM person_message p CROSS JOIN conversation_message n ON n.message_id = p.message_id
                WHERE p.account_id = :account AND NOT p.own)';
        }
        $plain = preg_split('/[^A-Za-z0-9]+/', $name, -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        $likes = array_map(fn (string $word): string => 'm.recipients || m.copied LIKE '.$this->parameter('%'.$word.'%'), $plain);

        return 'c.id IN (SELECT n.conversation_id FROM message_search s CROSS JOIN conversation_message n ON n.number = s.rowid
            CROSS JOIN message m ON m.id = n.message_id WHERE message_search MATCH '.$this->parameter('people : '.self::named($name))
            .([] === $likes ? '' : ' AND '.implode(' AND ', $likes)).')';
    }

    /** Words of a name, as beginnings. */
    private static function named(string $name): string
    {
        preg_match_all('/[\p{L}\p{N}\p{M}]+/u', $name, $m);
        $words = array_map(static fn (string $word): string => '"'.$word.'" *', $m[0]);

        return [] === $words ? '""' : '('.implode(' AND ', $words).')';
    }

    private function label(string $id): string
    {
        [$condition, $with] = $this->labels->bearing($this->account->id, new LabelId($id));

        return str_replace(':labels', $this->parameter($with['labels']), $condition);
    }

    private function days(Refinement $what, ?Period $period): string
    {
        if (null === $period) {
            return '0';
        }
        $zone = $this->account->timeZone();
        $midnight = TimeOfDay::parse('00:00');
        $at = fn (LocalDate $day): string => $this->parameter(StoredNow::of($day->at($midnight, $zone)));

        return match ($what) {
            Refinement::Before => 'c.latest_at < '.$at($period->from),
            Refinement::After => 'c.latest_at >= '.$at($period->to->plusDays(1)),
            Refinement::Since => 'c.latest_at >= '.$at($period->from),
            default => 'c.latest_at >= '.$at($period->from).' AND c.latest_at < '.$at($period->to->plusDays(1)),
        };
    }
}
