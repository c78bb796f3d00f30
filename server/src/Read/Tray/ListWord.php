<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use ZippyTray\Core\Colour;
use ZippyTray\Server\Store\Row;

/**
 * A list as it stands on something that belongs to it.
 */
final readonly class ListWord
{
    /**
     * @param string|null $stage  the name of the stage that it stands at; null: it stands off the line
     * @param bool        $staged whether the list has stages
     */
    private function __construct(
        public string $id,
        public string $name,
        public Colour $colour,
        public ?string $stage,
        public bool $staged,
    ) {
    }

    /** What stands in a row as list_id, list_name, list_colour, list_stages (JSON) and stage. */
    public static function of(Row $row): self
    {
        return self::named(
            $row->string('list_id'),
            $row->string('list_name'),
            $row->string('list_colour'),
            $row->json('list_stages'),
            $row->stringOrNull('stage'),
        );
    }

    /** @param array<mixed> $stages of the list, as they are kept; one that is damaged is none */
    private static function named(string $id, string $name, string $colour, array $stages, ?string $at): self
    {
        $names = array_column(array_filter($stages, \is_array(...)), 'name', 'id');
        $stage = null === $at ? null : $names[$at] ?? null;

        return new self($id, $name, Colour::tryFrom($colour) ?? Colour::Slate, \is_string($stage) ? $stage : null, [] !== $names);
    }

    /**
     * @param array<mixed> $lists of objects with id, name, colour, stages and stage
     *
     * @return list<self> by name
     */
    public static function each(array $lists): array
    {
        $words = [];
        foreach ($lists as $list) {
            /** @var array{id: string, name: string, colour: string, stages: array<mixed>|null, stage: string|null} $list */
            $words[] = self::named($list['id'], $list['name'], $list['colour'], $list['stages'] ?? [], $list['stage']);
        }

        usort($words, static fn (self $one, self $other): int => strnatcasecmp($one->name, $other->name));

        return $words;
    }
}
