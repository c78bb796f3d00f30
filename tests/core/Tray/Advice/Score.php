<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Advice;

/**
 * Counts what was found rightly, wrongly and not at all.
 */
final class Score
{
    /** @var array<string, array{right: int, wrong: int, missed: int}> */
    private array $counts = [];

    /**
     * @param list<string> $wanted any of them is right
     *
     * @return list<string> what was wrong
     */
    public function one(string $part, array $wanted, string $found): array
    {
        return \in_array($found, $wanted, true)
            ? $this->many($part, [$found], [$found])
            : $this->many($part, [implode(' or ', $wanted)], [$found]);
    }

    /**
     * @param list<string> $wanted
     * @param list<string> $found
     *
     * @return list<string> what was wrong
     */
    public function many(string $part, array $wanted, array $found): array
    {
        $this->counts[$part] ??= ['right' => 0, 'wrong' => 0, 'missed' => 0];
        $wrong = [];
        foreach ($wanted as $thing) {
            $at = array_search($thing, $found, true);
            if (false === $at) {
                ++$this->counts[$part]['missed'];
                $wrong[] = "{$part}: missed {$thing}";
            } else {
                ++$this->counts[$part]['right'];
                unset($found[$at]);
            }
        }
        $this->counts[$part]['wrong'] += \count($found);

        return [...$wrong, ...array_map(static fn (string $thing): string => "{$part}: wrongly {$thing}", array_values($found))];
    }

    public function precision(string $part): float
    {
        ['right' => $right, 'wrong' => $wrong] = $this->counts[$part];

        return $right / max(1, $right + $wrong);
    }

    public function recall(string $part): float
    {
        ['right' => $right, 'missed' => $missed] = $this->counts[$part];

        return $right / max(1, $right + $missed);
    }

    public function table(): string
    {
        $lines = [\sprintf('  %-10s %9s %9s %6s %6s %6s', '', 'precision', 'recall', 'right', 'wrong', 'missed')];
        foreach ($this->counts as $part => ['right' => $right, 'wrong' => $wrong, 'missed' => $missed]) {
            $lines[] = \sprintf(
                '  %-10s %8.1f%% %8.1f%% %6d %6d %6d',
                $part,
                100 * $this->precision($part),
                100 * $this->recall($part),
                $right,
                $wrong,
                $missed,
            );
        }

        return implode("\n", $lines)."\n";
    }
}
