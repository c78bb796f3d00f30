<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\TimeSettings;

/**
 * What a morning brings, in a message to oneself: one a day, on working days.
 */
final class Digest
{
    /** Lines of one kind at the most. */
    private const MOST = 20;

    /** For so many hours after the person's morning has begun it is still worth writing. */
    private const HOURS = 3;

    /** @var list<string> tasks that are due today or over */
    private array $due = [];

    /** @var list<string> what comes back today */
    private array $back = [];

    /** @var list<string> answers that are owed today or overdue */
    private array $owed = [];

    /** @param string $address of the program, without a slash at its end */
    public function __construct(private readonly string $address)
    {
    }

    /** @param Moment $here now, in the person's own zone */
    public static function isTime(Moment $here, TimeSettings $settings): bool
    {
        $morning = Moment::at($here->date(), $settings->at(DayMark::Morning), $here->zone)->instant;

        return $settings->week->isWorkingDay($here->date())
            && $here->instant >= $morning
            && $here->instant < $morning->modify(\sprintf('+%d hours', self::HOURS));
    }

    /** The Message-ID (RFC 5322, 3.6.4) of the one of a day, without angle brackets: so there is only one, whoever writes it. */
    public static function header(LocalDate $today, AccountId $accountId, string $email): string
    {
        return \sprintf('digest.%s.%s@%s', $today, $accountId->text, substr((string) strrchr($email, '@'), 1));
    }

    public function due(string $title, bool $isOver, TaskId $taskId): void
    {
        $this->due[] = $this->line($title.($isOver ? ' (over)' : ''), '/tasks/'.$taskId);
    }

    public function back(TimeOfDay $time, string $subject, string $conversationId): void
    {
        $this->back[] = $this->line($time.' '.$subject, '/c/'.$conversationId);
    }

    /** @param string $what may be empty */
    public function owed(Address $by, string $what): void
    {
        $this->owed[] = $this->line(
            implode(': ', array_filter([$by->label(), $what], static fn (string $one): bool => '' !== $one)),
            '/owed',
        );
    }

    public function isEmpty(): bool
    {
        return [] === $this->due && [] === $this->back && [] === $this->owed;
    }

    public function letter(Address $to, LocalDate $today): Letter
    {
        return new Letter([$to], subject: $this->subject($today), text: $this->text(), automatic: true);
    }

    private function subject(LocalDate $today): string
    {
        $parts = array_filter([
            [] === $this->due ? '' : \sprintf('%d due', \count($this->due)),
            [] === $this->back ? '' : \sprintf('%d back', \count($this->back)),
            [] === $this->owed ? '' : \sprintf('%d owed', \count($this->owed)),
        ]);

        return $today->format('l j F').': '.([] === $parts ? 'nothing in particular' : implode(', ', $parts));
    }

    private function text(): string
    {
        $parts = [];
        foreach (['Due' => $this->due, 'Comes back' => $this->back, 'Owed to you' => $this->owed] as $name => $lines) {
            if ([] === $lines) {
                continue;
            }
            $shown = \array_slice($lines, 0, self::MOST);
            if (\count($lines) > self::MOST) {
                $shown[] = \sprintf('- and %d more', \count($lines) - self::MOST);
            }
            $parts[] = $name."\n".implode("\n", $shown);
        }

        return implode("\n\n", $parts)."\n";
    }

    private function line(string $text, string $path): string
    {
        return \sprintf("- %s\n  %s%s", $text, $this->address, $path);
    }
}
