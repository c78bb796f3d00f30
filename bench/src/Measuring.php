<?php

declare(strict_types=1);

namespace ZippyTray\Bench;

use Symfony\Component\Console\Style\SymfonyStyle;

/**
 * Asks all folders in turn, and prints what it took.
 *
 * @phpstan-type Figures array{median: float, late: float, cpu: float, bytes: int}
 */
final readonly class Measuring
{
    public function __construct(private SymfonyStyle $style)
    {
    }

    /**
     * @param list<Part>   $parts
     * @param list<Folder> $folders the smallest first
     * @param Folder|null  $many    with many of everything
     *
     * @return array<string, array{
     *     folders: array<string, Figures>, bare: array<string, Figures>, growth: float, ratio: float
     * }> by the names of the parts
     */
    public function __invoke(array $parts, array $folders, ?Folder $many): array
    {
        $report = [];
        $rows = [];
        $this->style->progressStart(\count($parts));
        foreach ($parts as $part) {
            $asked = $part->isMany && null !== $many ? [$folders[0], $many] : $folders;
            $took = $bare = [];
            for ($round = -1; $round < $part->rounds; ++$round) {
                foreach ($asked as $folder) {
                    $one = ($part->ask)($folder);
                    $least = Asked::of(static fn (): array => $folder->bare->call(
                        'GET',
                        null === $part->bare ? '/empty' : str_replace(' ', '%20', ($part->bare)($folder)),
                    ));
                    // The first time fills caches.
                    if ($round >= 0) {
                        $took[$folder->label()][] = $one;
                        $bare[$folder->label()][] = $least;
                    }
                }
            }
            $figures = array_map(self::figures(...), $took);
            $least = array_map(self::figures(...), $bare);
            $first = reset($figures);
            $last = end($figures);
            $lastBare = end($least);
            if (false === $first || false === $last || false === $lastBare) {
                continue;
            }
            $report[$part->name] = [
                'folders' => $figures,
                'bare' => $least,
                'growth' => $last['cpu'] / max(0.01, $first['cpu']),
                'ratio' => $last['cpu'] / max(0.01, $lastBare['cpu']),
            ];
            foreach ($figures as $label => $one) {
                $isLast = $label === array_key_last($figures);
                $rows[] = [
                    $label === array_key_first($figures) ? $part->name : '',
                    $label,
                    ...array_map(self::number(...), [$one['median'], $one['late'], $one['cpu'], $least[$label]['cpu']]),
                    self::number($one['bytes'] / 1000),
                    $isLast ? self::number($report[$part->name]['growth']) : '',
                    $isLast ? self::number($report[$part->name]['ratio']) : '',
                ];
            }
            $this->style->progressAdvance();
        }
        $this->style->progressFinish();
        $this->style->table(['', 'messages', 'median ms', '95 % ms', 'cpu ms', 'bare cpu ms', 'kB', 'growth', 'of bare'], $rows);

        return $report;
    }

    /**
     * @param non-empty-list<Asked> $all
     *
     * @return Figures
     */
    private static function figures(array $all): array
    {
        $walls = array_map(static fn (Asked $one): float => $one->wall, $all);

        return [
            'median' => self::at($walls, 0.5),
            'late' => self::at($walls, 0.95),
            'cpu' => self::at(array_map(static fn (Asked $one): float => $one->cpu, $all), 0.5),
            'bytes' => $all[0]->bytes,
        ];
    }

    /** @param non-empty-list<float> $values */
    private static function at(array $values, float $share): float
    {
        sort($values);

        return $values[(int) min(\count($values) - 1, floor(\count($values) * $share))] ?? 0.0;
    }

    private static function number(float $value): string
    {
        return number_format($value, $value < 10 ? 2 : ($value < 100 ? 1 : 0), '.', '');
    }
}
