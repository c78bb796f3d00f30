<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Tray\Importance\Shown;

/**
 * What the person did with the last conversations from the same sender or of the same list.
 */
final readonly class Habit
{
    /** So many conversations are looked at. */
    public const LOOKED_AT = 12;

    /** From so many equal decisions on it is a habit. */
    private const ENOUGH = 3;

    /**
     * @param AdvisedDecision|null $decision what was decided each time; null when there is no habit
     * @param int                  $times    how many times in a row, back from the last
     * @param AdvisedDecision|null $mostly   what was decided about most of them; null when it was this and that
     * @param string               $text     what was done with most of them, as a sentence; empty when it was this and that
     * @param bool                 $matters  whether they mattered, as far as that shows it
     */
    private function __construct(
        public ?AdvisedDecision $decision,
        public int $times,
        public ?AdvisedDecision $mostly,
        public string $text,
        public bool $matters,
    ) {
    }

    public static function none(): self
    {
        return new self(null, 0, null, '', false);
    }

    /**
     * @param string                              $name who writes
     * @param bool                                $list whether it is a mailing list
     * @param list<array{AdvisedDecision, Shown}> $done what was done with each, the last one first
     */
    public static function of(string $name, bool $list, array $done): self
    {
        $done = \array_slice($done, 0, self::LOOKED_AT);
        [$last, $times] = [$done[0][0] ?? null, 0];
        foreach ($done as [$decision]) {
            if ($decision !== $last) {
                break;
            }
            ++$times;
        }
        $text = self::mostly($done, self::exactly(...)) ?? self::mostly($done, self::roughly(...));
        $text = null === $text ? '' : \sprintf('You %s.', \sprintf($text, $list ? 'of this list' : 'from '.str_replace('%', '', $name)));

        $mostly = AdvisedDecision::tryFrom(
            self::most(array_map(static fn (array $one): string => $one[0]->value, $done))[0],
        );

        $matters = array_sum(array_map(static fn (array $one): float => $one[1]->matters(), $done)) > \count($done) / 2;

        return $times < self::ENOUGH
            ? new self(null, 0, $mostly, $text, $matters)
            : new self($last, $times, $mostly, $text, $matters);
    }

    public function is(AdvisedDecision $decision): bool
    {
        return $this->decision === $decision;
    }

    /**
     * What was done with most of them, with a place for whose they are.
     *
     * @param list<array{AdvisedDecision, Shown}>                     $done
     * @param callable(AdvisedDecision, Shown): array{string, string} $said what was done, and how
     */
    private static function mostly(array $done, callable $said): ?string
    {
        [$most, $count] = self::most(array_map(static fn (array $one): string => implode('|', $said(...$one)), $done));
        if (0 === $count) {
            return null;
        }
        [$did, $how] = explode('|', $most);

        return \sprintf(
            '%s %s %%s%s',
            $did,
            $count === \count($done) ? 'the last '.$count : \sprintf('%d of the last %d', $count, \count($done)),
            $how,
        );
    }

    /**
     * @param list<string> $of
     *
     * @return array{string, int} the one that more than half of them are, and how many; empty and 0 when none is, or they are too few
     */
    private static function most(array $of): array
    {
        $times = array_count_values($of);
        arsort($times);
        $count = [] === $times ? 0 : max($times);

        return $count < self::ENOUGH || 2 * $count <= \count($of) ? ['', 0] : [(string) array_key_first($times), $count];
    }

    /** @return array{string, string} */
    private static function exactly(AdvisedDecision $decision, Shown $shown): array
    {
        return match ($shown) {
            Shown::Answered => ['answered', ' within a day'],
            Shown::Acted => [match ($decision) {
                AdvisedDecision::Task => 'made tasks of',
                AdvisedDecision::Delegate => 'handed over',
                default => 'did at once',
            }, ''],
            Shown::PutOff => ['put off', ''],
            Shown::Read => ['archived', ' after a look'],
            Shown::Unread => ['archived', ' without a look'],
            Shown::Dropped => [match ($decision) {
                AdvisedDecision::Block => 'blocked',
                AdvisedDecision::Archive => 'muted',
                default => 'deleted',
            }, ''],
        };
    }

    /** @return array{string, string} */
    private static function roughly(AdvisedDecision $decision, Shown $shown): array
    {
        return [match ($shown) {
            Shown::Answered, Shown::Acted => 'acted on',
            Shown::PutOff => 'put off',
            Shown::Read, Shown::Unread => 'archived',
            Shown::Dropped => 'got rid of',
        }, ''];
    }
}
