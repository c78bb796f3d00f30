<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\Task\ListId;

/**
 * What somebody's estimates are worth, by what they have taken so far. Of the kinds that a task belongs to the narrowest counts of which
 * enough is known: what begins with the same word in the same list, with the same word anywhere, in the same list, anything. What is done
 * at once, without a task, is a kind of its own: it says nothing about what somebody has thought about and estimated.
 */
final readonly class Experience
{
    /** So many of a kind are enough. */
    public const ENOUGH = 10;

    /** The newest count; what was long ago is somebody else's work by now. */
    private const NEWEST = 40;

    private const LEAST = 0.2;

    private const MOST = 5.0;

    /** A ratio that is no further from 1 is not worth a word. */
    private const NEAR = 0.1;

    /** @var array<string, list<float>> by kind, the logarithms of true to estimated, the newest first */
    private array $known;

    /** @param list<Lasted> $lasted the newest first */
    public function __construct(array $lasted)
    {
        $known = [];
        foreach ($lasted as $one) {
            if ($one->estimated <= 0 || $one->took <= 0) {
                continue;
            }
            $ratio = log(max(self::LEAST, min(self::MOST, $one->took / $one->estimated)));
            foreach (self::kinds($one->title, $one->listId) as $kind) {
                if (\count($known[$kind] ?? []) < self::NEWEST) {
                    $known[$kind][] = $ratio;
                }
            }
        }
        $this->known = $known;
    }

    /** Whether of nothing at all enough is known. */
    public function isEmpty(): bool
    {
        return [] === array_filter($this->known, static fn (array $ratios): bool => \count($ratios) >= self::ENOUGH);
    }

    /**
     * @param ListId|null $listId null: it is done at once
     *
     * @return float|null how many times as long as estimated such a thing takes; null as long as too little is known
     */
    public function ratio(string $title, ?ListId $listId): ?float
    {
        foreach (self::kinds($title, $listId) as $kind) {
            $ratios = $this->known[$kind] ?? [];
            if (\count($ratios) >= self::ENOUGH) {
                return round(exp(self::median($ratios)), 2);
            }
        }

        return null;
    }

    /** @return int minutes that such a thing takes, by experience where there is enough of it */
    public function minutes(string $title, ?ListId $listId, int $estimated): int
    {
        return max(1, (int) round($estimated * ($this->ratio($title, $listId) ?? 1.0)));
    }

    /** "usually 1.4 times that"; empty when too little is known, or the estimates are right. */
    public function text(string $title, ?ListId $listId): string
    {
        $ratio = $this->ratio($title, $listId);

        return null === $ratio || abs($ratio - 1) <= self::NEAR ? '' : \sprintf('usually %s times that', round($ratio, 1));
    }

    /** @return list<string> the narrowest first */
    private static function kinds(string $title, ?ListId $listId): array
    {
        $word = 1 === preg_match('/[\p{L}\d]+/u', mb_strtolower($title), $match) ? $match[0] : '';

        return null === $listId
            ? ["at once {$word}", 'at once *']
            : ["{$listId} {$word}", "* {$word}", "{$listId} *", '* *'];
    }

    /** @param list<float> $numbers at least one */
    private static function median(array $numbers): float
    {
        sort($numbers);
        $middle = intdiv(\count($numbers), 2);

        return 0 === \count($numbers) % 2 ? ($numbers[$middle - 1] + $numbers[$middle]) / 2 : $numbers[$middle];
    }
}
