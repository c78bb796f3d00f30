<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Remind\LookOut;
use ZippyTray\Core\Remind\Rings;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Read\Coming\Days;
use ZippyTray\Server\Read\Coming\RingRow;
use ZippyTray\Server\Read\Coming\RingRows;
use ZippyTray\Server\Read\Task\Clocks;
use ZippyTray\Server\Store\Ports\FindingsStore;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;
use ZippyTray\Server\Store\WorkerSeen;

/**
 * What a page that is open has to know from time to time. Whether there is anything new is told by a mark, which costs
 * five small queries; the mark holds the next moment at which something changes by itself.
 *
 * @phpstan-import-type Running from Clocks
 */
final readonly class Heartbeat
{
    /** Seconds after which a look at the clock is noted, also when there was nothing to see. */
    private const NOTED = 60;

    /** Days; no two zones are further apart. */
    private const APART = 2;

    public function __construct(
        private Connection $connection,
        private Counts $counts,
        private RingRows $rings,
        private LookOut $lookOut,
        private Rings $looks,
        private FindingsStore $findings,
        private WorkerSeen $worker,
        private Clocks $clocks,
        private ProgramClock $clock,
    ) {
    }

    /**
     * @return array{
     *     journal: int, mail: int, post: int, unread: int, read: int, clock: string, settings: string
     * } what changes when somebody does something, or mail comes in
     */
    public function marks(Account $account): array
    {
        $number = fn (string $query, string ...$of): int => is_numeric($found = $this->connection->fetchOne($query, $of))
            ? (int) $found
            : 0;

        return [
            'journal' => $number('SELECT MAX(number) FROM journal_entry WHERE account_id = ?', $account->id->text),
            'mail' => $number('SELECT number FROM mail_mark WHERE account_id = ?', $account->id->text),
            'unread' => $this->findings->unread($account->id),
            // How many wait may be the same as before, though others do.
            'read' => $number('SELECT read FROM mail_mark WHERE account_id = ?', $account->id->text),
            // What has gone out does not change any more; that it went is in the journal, too.
            'post' => $number("SELECT TOTAL(revision) FROM outgoing WHERE account_id = ? AND state <> 'sent'", $account->id->text),
            'clock' => $this->clocks->runningId($account),
            'settings' => $account->fingerprint(),
        ];
    }

    /** @param string $seen an entity tag that was given before (RFC 9110, 8.8.3), or anything else */
    public function isCurrent(Account $account, string $seen): bool
    {
        if (1 !== preg_match('/-n(\d+)"$/D', $seen, $m)
            || (int) $m[1] <= $this->clock->now()->getTimestamp()
            || $this->tag($this->marks($account), (int) $m[1]) !== $seen) {
            return false;
        }
        $now = $this->clock->now();
        $looked = $this->looks->lookedAt($account->id);
        if (null === $looked || abs($now->getTimestamp() - $looked->getTimestamp()) > self::NOTED) {
            $this->looks->noteLook($account->id, $now);
        }

        return true;
    }

    /**
     * @return array{
     *     tag: string,
     *     body: array{
     *     now: string, milliseconds: int, next: string,
     *     marks: array{journal: int, mail: int, post: int, unread: int, read: int, clock: string, settings: string},
     *     counts: CountsView, worker: bool, rings: list<RingRow>, clock: Running|null
     * }
     * }
     */
    public function of(Account $account): array
    {
        $next = ($this->lookOut)($account->id, $account->timeZone(), $account->profile->timeSettings());
        $marks = $this->marks($account);
        $counts = $this->counts->of($account);
        $next = min(array_filter([
            $next,
            $this->nextOfTasks($account),
            null === $counts->nextReturn ? null : new \DateTimeImmutable($counts->nextReturn),
            null === $counts->comesIn ? null : new \DateTimeImmutable($counts->comesIn),
            $this->midnight($account),
        ]));

        return [
            'tag' => $this->tag($marks, $next->getTimestamp()),
            'body' => [
                'now' => StoredNow::of($this->clock->now()),
                'milliseconds' => $this->clock->milliseconds(),
                'next' => StoredNow::of($next),
                'marks' => $marks,
                'counts' => $counts,
                'worker' => $this->worker->isThere(),
                'rings' => $this->rings->up($account),
                'clock' => $this->clocks->running($account),
            ],
        ];
    }

    /** @param array{journal: int, mail: int, post: int, unread: int, read: int, clock: string, settings: string} $marks */
    private function tag(array $marks, int $next): string
    {
        return \sprintf(
            '"w%d-j%d-m%d-p%d-u%d-r%d-k%s-s%s-c%d-n%d"',
            (int) $this->worker->isThere(),
            $marks['journal'],
            $marks['mail'],
            $marks['post'],
            $marks['unread'],
            $marks['read'],
            $marks['clock'],
            $marks['settings'],
            $this->clock->shift(),
            $next,
        );
    }

    /** The next time at which a task begins or is over, of those until midnight; what is later is seen then. */
    private function nextOfTasks(Account $account): ?\DateTimeImmutable
    {
        $now = $this->clock->now();
        $today = LocalDate::of($now, $account->timeZone());
        $near = [(string) $today->plusDays(-self::APART), (string) $today->plusDays(self::APART)];
        $next = null;
        foreach ($this->connection->iterateAssociative(
            'SELECT start_date, start_time, start_zone, due_date, due_time, due_zone FROM task WHERE account_id = ?
                AND completed_at IS NULL AND (start_time IS NOT NULL OR due_time IS NOT NULL)
             AND ((start_time IS NOT NULL AND start_date BETWEEN ? AND ?) OR (due_time IS NOT NULL AND due_date BETWEEN ? AND ?))',
            [$account->id, ...$near, ...$near],
        ) as $columns) {
            foreach (['start', 'due'] as $which) {
                $at = (new Row($columns))->dueOrNull($which)?->instant();
                $next = null !== $at && $at > $now && (null === $next || $at < $next) ? $at : $next;
            }
        }

        // A due is over when its moment has passed.
        return $next?->modify('+1 second');
    }

    private function midnight(Account $account): \DateTimeImmutable
    {
        return LocalDate::of($this->clock->now(), $account->timeZone())->plusDays(1)->at(TimeOfDay::parse('00:00'), $account->timeZone());
    }
}
