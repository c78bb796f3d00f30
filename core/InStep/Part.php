<?php

declare(strict_types=1);

namespace ZippyTray\Core\InStep;

use ZippyTray\Core\Find\Period;
use ZippyTray\Core\Find\ReadPeriod;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\LocalDate;

/**
 * Which part of an inbox is to be decided: what came in since a day.
 */
final readonly class Part
{
    private const ALL = ['all', 'everything', 'all of it'];

    /** @param LocalDate|null $since in the person's zone; null: all of it */
    private function __construct(public ?LocalDate $since)
    {
    }

    /**
     * @param string $phrase when phrases of what has been, as where something is looked for: "last 14 days", "since monday", "march", "all"
     *
     * @throws Refused when it says no day, or one that is still to come
     */
    public static function read(string $phrase, Speaker $speaker): self
    {
        $said = trim((string) preg_replace('/\s+/u', ' ', mb_strtolower($phrase)));
        if (\in_array($said, self::ALL, true)) {
            return new self(null);
        }
        $said = (string) preg_replace('/^(?:since|after|from) /u', '', $said);
        $read = new ReadPeriod($speaker);
        $period = self::isCount($said) ? $read->read('last '.$said) : $read->read($said);
        $since = ($period ?? throw new Refused('Which days are that? As “last 14 days”, “since monday”, “march” or “all”.', 'part'))->from;
        if ($speaker->now->date()->isBefore($since)) {
            throw new Refused('That day is still to come.', 'part');
        }

        return new self($since);
    }

    /** @return \DateTimeImmutable|null its first moment; null: all of it */
    public function begins(\DateTimeZone $zone): ?\DateTimeImmutable
    {
        return null === $this->since ? null : new \DateTimeImmutable((string) $this->since, $zone);
    }

    /** As "since Tue 10 Nov 2026" reads. */
    public function text(): string
    {
        return null === $this->since ? '' : Period::day($this->since)->text();
    }

    /** "14 days" means the last ones. */
    private static function isCount(string $said): bool
    {
        return 1 === preg_match(
            '/^\S+(?: \S+)? (?:day|week|month|year)s?$/u',
            $said,
        ) && 1 !== preg_match('/^(?:last|past|this|next|previous) /', $said);
    }
}
