<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find;

use ZippyTray\Core\Find\Node\All;
use ZippyTray\Core\Find\Node\Any;
use ZippyTray\Core\Find\Node\Node;
use ZippyTray\Core\Find\Node\Not;
use ZippyTray\Core\Find\Node\Refined;
use ZippyTray\Core\Find\Node\Word;

/**
 * What was typed to find something, as it was read.
 */
final readonly class Search
{
    /**
     * @param Node|null    $node    null: nothing was typed, or something of it cannot be read
     * @param list<Clause> $clauses in their order
     */
    public function __construct(public ?Node $node, public array $clauses)
    {
    }

    /** Something of it cannot be read; then nothing is found, rather than something else. */
    public function isUnread(): bool
    {
        return [] !== array_filter($this->clauses, static fn (Clause $clause): bool => null === $clause->what);
    }

    /** Whether something of that sort can be found by it. */
    public function canFind(Sort $sort): bool
    {
        return !$this->isUnread() && [] === array_filter(
            $this->clauses,
            static fn (Clause $clause): bool => null !== $clause->what && !\in_array($sort, $clause->what->asksOf(), true),
        );
    }

    /** @return list<string> words that what is found holds, to be marked where they stand */
    public function words(): array
    {
        return null === $this->node ? [] : self::wordsOf($this->node);
    }

    /** @return list<string> */
    private static function wordsOf(Node $node): array
    {
        return match (true) {
            $node instanceof Word => $node->words(),
            $node instanceof All, $node instanceof Any => array_merge(...array_map(self::wordsOf(...), $node->of)),
            $node instanceof Not, $node instanceof Refined => [],
            default => [],
        };
    }
}
