<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use ZippyTray\Core\Task\Jot\Clause;
use ZippyTray\Core\Task\Jot\ReadJot;
use ZippyTray\Core\Task\Outline;
use ZippyTray\Core\Time\Field\Speaker;

/**
 * A line of a written list, with how its clauses are read where it has any.
 */
final readonly class OutlineView
{
    /**
     * @param list<self>   $under
     * @param list<Clause> $clauses
     */
    private function __construct(
        public string $title,
        public bool $done,
        public array $under,
        public string $notes,
        public bool $jotted,
        public array $clauses,
    ) {
    }

    /** @param list<string> $lists the names of the lists that there are */
    public static function of(Outline $outline, Speaker $speaker, array $lists): self
    {
        $isJotted = 1 === preg_match('/\S\s*;\s*\S/u', $outline->title);

        return new self(
            $outline->title,
            $outline->done,
            array_map(static fn (Outline $one): self => self::of($one, $speaker, $lists), $outline->under),
            $outline->notes,
            $isJotted,
            $isJotted ? ReadJot::of($outline->title, $speaker, $lists)->clauses : [],
        );
    }
}
