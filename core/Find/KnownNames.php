<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find;

/**
 * The names that a search can use.
 */
interface KnownNames
{
    /** @return array<string, string> names of lists by id */
    public function lists(): array;

    /** @return array<string, string> names of labels by id */
    public function labels(): array;

    /** @return list<string> names of stages, each once */
    public function stages(): array;

    /** Whether somebody is called so: each of the words begins one of their name or address. */
    public function isPerson(string $words): bool;
}
