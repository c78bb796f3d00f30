<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find;

use ZippyTray\Core\Find\Node\All;
use ZippyTray\Core\Find\Node\Any;
use ZippyTray\Core\Find\Node\Node;
use ZippyTray\Core\Find\Node\Not;
use ZippyTray\Core\Find\Node\Word;

/**
 * Reads what somebody typed to find something: words, phrases in quotes, "not", "or", brackets, and refinements (see Refine). What
 * stands in quotes is never a refinement.
 */
final class ReadSearch
{
    /** Characters; what stands behind is not read. */
    public const LENGTH = 500;

    /** How deep brackets lie within each other. */
    private const DEPTH = 10;

    private int $at = 0;

    private int $depth = 0;

    /** @var list<Clause> */
    private array $clauses = [];

    /** @var list<Piece> */
    private array $pieces;

    private function __construct(string $typed, private Refine $refine)
    {
        $this->pieces = Piece::each(mb_substr(mb_scrub($typed), 0, self::LENGTH));
    }

    public static function of(string $typed, Refine $refine): Search
    {
        $read = new self($typed, $refine);
        $nodes = [];
        while (null !== $read->piece()) {
            $node = $read->any();
            if (null !== $node) {
                $nodes[] = $node;
            }
            // A bracket that closes nothing.
            ++$read->at;
        }
        $search = new Search(self::together($nodes), $read->clauses);

        return $search->isUnread() ? new Search(null, $read->clauses) : $search;
    }

    private function piece(int $ahead = 0): ?Piece
    {
        return $this->pieces[$this->at + $ahead] ?? null;
    }

    /** Alternatives, which reach to the end or to the bracket that closes. */
    private function any(): ?Node
    {
        $ways = [];
        do {
            $way = $this->all();
            if (null !== $way) {
                $ways[] = $way;
            }
        } while (true === $this->piece()?->is('or') && ++$this->at);

        return match (\count($ways)) {
            0 => null,
            1 => $ways[0],
            default => new Any($ways),
        };
    }

    private function all(): ?Node
    {
        $nodes = [];
        while (null !== ($piece = $this->piece()) && !$piece->is('or') && !$piece->isMark(')')) {
            $node = $this->one();
            if (null !== $node) {
                $nodes[] = $node;
            }
        }

        return self::together($nodes);
    }

    private function one(): ?Node
    {
        $begins = $this->piece()->from ?? 0;
        $not = false;
        while (true === $this->piece()?->is('not')) {
            $not = !$not;
            ++$this->at;
        }
        $piece = $this->piece();
        if (null === $piece || $piece->isMark(')')) {
            return null;
        }
        if ($piece->isMark('(')) {
            ++$this->at;
            $node = ++$this->depth > self::DEPTH ? null : $this->any();
            --$this->depth;
            if (true === $this->piece()?->isMark(')')) {
                ++$this->at;
            }
        } elseif ($piece->is('and')) {
            ++$this->at;

            return null;
        } else {
            $node = $this->refined($begins, $not) ?? $this->word();
        }

        return null === $node || !$not ? $node : new Not($node);
    }

    private function word(): ?Node
    {
        $piece = $this->piece();
        ++$this->at;
        $word = new Word($piece->text ?? '', true === $piece?->quoted);

        return [] === $word->words() ? null : $word;
    }

    private function refined(int $begins, bool $not): ?Node
    {
        if (true === $this->piece()?->quoted) {
            return null;
        }
        $ahead = [];
        for ($next = 0; null !== ($piece = $this->piece($next)) && !$piece->isMark('(') && !$piece->isMark(')'); ++$next) {
            if ($next > 0 && ($piece->is('or') || $piece->is('not'))) {
                break;
            }
            $ahead[] = $piece;
        }
        $found = ($this->refine)($ahead);
        if (null === $found) {
            return null;
        }
        $last = $this->piece($found->pieces - 1);
        $this->at += $found->pieces;
        $this->clauses[] = new Clause($found->node?->what, $begins, $last->to ?? $begins, $found->reading, $not);

        return $found->node;
    }

    /** @param list<Node> $nodes */
    private static function together(array $nodes): ?Node
    {
        return match (\count($nodes)) {
            0 => null,
            1 => $nodes[0],
            default => new All($nodes),
        };
    }
}
