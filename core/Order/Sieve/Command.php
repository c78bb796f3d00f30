<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order\Sieve;

/**
 * A command or a test of a script (RFC 5228, 2.6 and 2.7).
 */
final readonly class Command
{
    /**
     * @param string                                      $name      in small letters
     * @param array<string, list<string>|int|string|true> $tags      by name, with the argument that belongs to each
     * @param list<list<string>|int>                      $arguments that belong to no tag: strings as lists
     * @param list<self>                                  $tests
     * @param list<self>                                  $block     the commands within its braces
     * @param int                                         $line      on which it stands, from 1
     * @param string                                      $comment   the last comment before it
     */
    public function __construct(
        public string $name,
        public array $tags = [],
        public array $arguments = [],
        public array $tests = [],
        public array $block = [],
        public int $line = 0,
        public string $comment = '',
    ) {
    }

    /** @return list<string> of the argument at that place; empty when it is none of strings */
    public function strings(int $at): array
    {
        $argument = $this->arguments[$at] ?? [];

        return \is_array($argument) ? $argument : [];
    }

    public function tag(string $name): string
    {
        $value = $this->tags[$name] ?? '';

        return \is_array($value) ? ($value[0] ?? '') : (true === $value ? $name : (string) $value);
    }

    public function has(string ...$tags): bool
    {
        return [] !== array_intersect($tags, array_keys($this->tags));
    }
}
