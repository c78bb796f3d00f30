<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use Psr\Log\LoggerInterface;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Read\Agenda\WeekFigures;

/**
 * Counts each week when it is over, and keeps what it came to.
 */
final readonly class KeepFigures implements Chore
{
    private const WEEKS = 12;

    public function __construct(private Accounts $accounts, private WeekFigures $figures, private LoggerInterface $logger)
    {
    }

    public function name(): string
    {
        return 'week-figures';
    }

    public function every(): int
    {
        return 3600;
    }

    public function do(\DateTimeImmutable $now): void
    {
        foreach ($this->accounts->all() as $account) {
            try {
                $today = LocalDate::of($now, $account->timeZone());
                $this->figures->keep($account, $account->profile->timeSettings()->week->startOf($today), self::WEEKS);
            } catch (\Throwable $problem) {
                $this->logger->error(
                    'The figures of a week cannot be counted.',
                    ['account' => $account->id->text, 'exception' => $problem],
                );
            }
        }
    }
}
