<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use ZippyTray\Core\Colour;

/**
 * A list as it stands on something that belongs to it.
 */
final readonly class ListWord
{
    private function __construct(public string $id, public string $name, public Colour $colour)
    {
    }

    /**
     * @param array<mixed> $lists of objects with id, name and colour
     *
     * @return list<self> by name
     */
    public static function each(array $lists): array
    {
        $words = [];
        foreach ($lists as $list) {
            /** @var array{id: string, name: string, colour: string} $list */
            $words[] = new self($list['id'], $list['name'], Colour::tryFrom($list['colour']) ?? Colour::Slate);
        }

        usort($words, static fn (self $one, self $other): int => strnatcasecmp($one->name, $other->name));

        return $words;
    }
}
