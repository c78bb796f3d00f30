<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use ZippyTray\Core\Time\Due;

/**
 * One row of a query's result, read with the types that its columns have.
 */
final readonly class Row
{
    /** @param array<string, mixed> $columns */
    public function __construct(private array $columns)
    {
    }

    public function string(string $column): string
    {
        return $this->stringOrNull($column) ?? '';
    }

    public function stringOrNull(string $column): ?string
    {
        $value = $this->columns[$column] ?? null;

        return \is_scalar($value) ? (string) $value : null;
    }

    public function int(string $column): int
    {
        $value = $this->columns[$column] ?? null;

        return is_numeric($value) ? (int) $value : 0;
    }

    public function bool(string $column): bool
    {
        return 0 !== $this->int($column);
    }

    /** @return array<mixed> */
    public function json(string $column): array
    {
        $value = json_decode($this->string($column), true, 64, \JSON_THROW_ON_ERROR);

        return \is_array($value) ? $value : [];
    }

    /** @param 'due'|'start' $which of the columns {which}_date, {which}_time, {which}_zone */
    public function dueOrNull(string $which): ?Due
    {
        $date = $this->stringOrNull($which.'_date');

        return null === $date
            ? null
            : Due::fromState([
                'date' => $date,
                'time' => $this->stringOrNull($which.'_time'),
                'zone' => $this->stringOrNull($which.'_zone'),
            ]);
    }
}
