<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Journal;

use ZippyTray\Server\Store\Row;

/**
 * An entry of the journal as it stands in a list.
 */
final readonly class EntryRow
{
    /**
     * @param array{id: string, kind: string, number: int}|null $undoes
     * @param list<string>                                      $touched kinds of objects, see ObjectKind
     */
    private function __construct(
        public string $id,
        public int $number,
        public string $at,
        public string $kind,
        public string $about,
        public string $consequence,
        public int $count,
        public ?array $undoes,
        public ?string $undoneBy,
        public bool $undoable,
        public ?string $outgoing,
        public array $touched,
    ) {
    }

    public static function of(Row $row): self
    {
        $undoes = $row->stringOrNull('undoes');
        $undoneBy = $row->stringOrNull('undone_by');

        return new self(
            $row->string('id'),
            $row->int('number'),
            $row->string('done_at'),
            $row->string('kind'),
            $row->string('about'),
            $row->string('consequence'),
            null === $row->stringOrNull('things') ? $row->int('decided') : $row->int('things'),
            null === $undoes ? null : ['id' => $undoes, 'kind' => $row->string('undone_kind'), 'number' => $row->int('undone_number')],
            $undoneBy,
            null === $undoneBy && !\in_array($row->string('kind'), ['empty_bin', 'deliver'], true),
            $row->stringOrNull('outgoing'),
            array_values(array_filter(explode(',', $row->stringOrNull('touched') ?? ''))),
        );
    }
}
