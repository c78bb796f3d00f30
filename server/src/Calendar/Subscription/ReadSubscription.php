<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar\Subscription;

use Doctrine\DBAL\Connection;
use Psr\Log\LoggerInterface;
use Symfony\Component\Uid\Uuid;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\ToldEvent;
use ZippyTray\Core\Agenda\Subscription\CalendarAddress;
use ZippyTray\Core\Agenda\Subscription\NextLook;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Account\Seal;
use ZippyTray\Server\Calendar\ReadCalendar;
use ZippyTray\Server\Store\Attempts;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * Reads somebody else's calendar anew. Fetching and reading go before the transaction, which only puts the events in the place of those
 * that were there. Whatever goes wrong, what was known stays, with a sentence about it.
 *
 * @phpstan-import-type EventState from Event
 */
final readonly class ReadSubscription
{
    /** Events of one calendar. */
    public const MOST = 5000;

    /** Of these those that come again and again, and what is otherwise about them: both cost something whenever a day is looked at. */
    public const MOST_SERIES = 300;
    public const MOST_APART = 3000;

    /** Times that series are followed to find out when they end. */
    private const MOST_TIMES = 100_000;

    /** In days from today; series that end later have no end. */
    private const FAR = 7305;

    /** Sentences about what was left out. */
    private const SENTENCES = 20;

    public function __construct(
        private FetchCalendar $fetch,
        private ReadCalendar $read,
        private Accounts $accounts,
        private Connection $connection,
        private Transaction $transaction,
        private Attempts $attempts,
        private LoggerInterface $logger,
    ) {
    }

    /** @return list<string> ids of those that are to be read, the one that waits longest first */
    public function due(\DateTimeImmutable $now): array
    {
        /** @var list<string> */
        return $this->connection->fetchFirstColumn(
            'SELECT id FROM subscription WHERE next_at <= ? ORDER BY next_at, id LIMIT 100',
            [StoredNow::of($now)],
        );
    }

    public function __invoke(string $id, \DateTimeImmutable $now): void
    {
        $columns = $this->connection->fetchAssociative(
            'SELECT account_id, address, etag, content, failures, named FROM subscription WHERE id = ?',
            [$id],
        );
        if (false === $columns) {
            return;
        }
        $row = new Row($columns);
        try {
            $address = CalendarAddress::parse(Seal::open($row->string('address')));
            $fetched = ($this->fetch)($address, $row->string('etag'));
            $content = null === $fetched->bytes ? '' : self::hash($fetched->bytes);
            if (null === $fetched->bytes || $content === $row->string('content')) {
                $this->note($id, $now, ['etag' => $fetched->etag]);

                return;
            }
            $this->take($id, $this->accounts->get($row->string('account_id')), $fetched->bytes, $now, [
                'etag' => $fetched->etag,
                'content' => $content,
            ], 1 !== $row->int('named'));
        } catch (Refused $refused) {
            $this->fail($id, $now, $row->int('failures') + 1, $refused->getMessage());
        } catch (\Throwable $problem) {
            $this->logger->error('A calendar of others cannot be read.', ['calendar' => $id, 'exception' => $problem]);
            $this->fail($id, $now, $row->int('failures') + 1, 'It is broken, and cannot be read.');
        }
    }

    /** @param array<string, string> $seen by which it is known next time that it is as it was */
    private function take(string $id, Account $account, string $bytes, \DateTimeImmutable $now, array $seen, bool $isNameless): void
    {
        if (!$this->attempts->begin('calendar '.$id)) {
            throw new Refused('Reading it has ended the program several times.');
        }
        try {
            $file = ($this->read)($bytes, $account->profile->speaker($now), $account->person());
            [$events, $left] = $this->events($id, $account, $file->events, LocalDate::of($now, $account->timeZone()));
        } finally {
            $this->attempts->end();
        }
        $left = [...$file->left, ...$left];
        $told = \array_slice($left, 0, self::SENTENCES);
        if (\count($left) > self::SENTENCES) {
            $told[] = \sprintf('And %d more.', \count($left) - self::SENTENCES);
        }
        $this->transaction->run(function () use ($id, $account, $now, $seen, $isNameless, $file, $events, $told): void {
            $this->connection->delete('subscribed_event', ['subscription_id' => $id]);
            // It may have been taken away meanwhile.
            $isThere = $this->note($id, $now, $seen + [
                'events' => \count($events),
                'left_out' => json_encode($told, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE),
            ] + ($isNameless && '' !== $file->name ? ['name' => $file->name] : []));
            foreach ($isThere ? $events : [] as $event) {
                $this->connection->insert('subscribed_event', $event + ['subscription_id' => $id, 'account_id' => $account->id->text]);
            }
        });
    }

    /**
     * @param list<ToldEvent> $told
     *
     * @return array{list<array{id: string, day: string, last_day: string|null, repeats: int, state: string}>, list<string>}
     *
     *         rows, and sentences about what was left out
     */
    private function events(string $id, Account $account, array $told, LocalDate $today): array
    {
        $rows = $left = [];
        $series = $apart = $times = $over = 0;
        foreach ($told as $one) {
            try {
                $event = new Event(
                    new EventId(Uuid::v5(Uuid::fromString($id), $one->uid)->toRfc4122()),
                    $account->id,
                    $one->fields,
                    $one->uid,
                );
                $event->take($one);
                $event->remind([]);
                $aside = \count($one->exceptions) + \count($one->more);
                // What is left out takes no room from what comes behind it.
                $isMuch = $event->isRepeating()
                    && ($series >= self::MOST_SERIES || $apart + $aside > self::MOST_APART || $times >= self::MOST_TIMES);
                if (\count($rows) >= self::MOST || $isMuch) {
                    ++$over;
                    continue;
                }
                if ($event->isRepeating()) {
                    ++$series;
                    $apart += $aside;
                    $times += self::end($event, $today->plusDays(self::FAR));
                }
                $rows[$event->id->text] = [
                    'id' => $event->id->text,
                    'day' => $event->days()[0],
                    'last_day' => $event->days()[1],
                    'repeats' => (int) $event->isRepeating(),
                    'state' => json_encode(['other' => []] + $event->state(), \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE),
                ];
            } catch (\Throwable $problem) {
                $this->logger->info('An event of a calendar of others cannot be taken.', ['calendar' => $id, 'exception' => $problem]);
                $left[] = \sprintf('“%s”: It cannot be shown.', mb_strimwidth($one->fields->title, 0, 80, '…'));
            }
        }
        0 === $over ?: $left[] = \sprintf(
            '%s: of one calendar %d are shown, of which %d can come again and again, with %d exceptions.',
            1 === $over ? '1 event' : $over.' events',
            self::MOST,
            self::MOST_SERIES,
            self::MOST_APART,
        );

        return [array_values($rows), $left];
    }

    /**
     * A series of so many times is from now on one that ends on a day, so that nobody has to count them from its beginning again.
     *
     * @return int how many were counted
     */
    private static function end(Event $event, LocalDate $far): int
    {
        $recur = $event->fields()->recur();
        if (null === $recur?->count) {
            return 0;
        }
        $times = 0;
        $last = $event->fields()->time->begins->date;
        foreach ($recur->dates($last, null, $far) as $date) {
            ++$times;
            $last = $date;
        }
        /** @var EventState $state */
        $state = $event->state();
        $state['fields']['repeat'] = ltrim((string) preg_replace(
            '/;?COUNT=\d+/i',
            $times < $recur->count ? '' : ';UNTIL='.str_replace('-', '', (string) $last),
            $event->fields()->repeat,
        ), ';');
        $event->restore($state);

        return $times;
    }

    /**
     * It could be read.
     *
     * @param array<string, string|int> $columns
     *
     * @return bool false when it is gone
     */
    private function note(string $id, \DateTimeImmutable $now, array $columns): bool
    {
        return 1 === (int) $this->connection->update('subscription', [
            'read_at' => StoredNow::of($now),
            'next_at' => self::later($now, NextLook::USUAL),
            'failures' => 0,
            'problem' => null,
        ] + $columns, ['id' => $id]);
    }

    private function fail(string $id, \DateTimeImmutable $now, int $failures, string $problem): void
    {
        $this->connection->update('subscription', [
            'next_at' => self::later($now, NextLook::after($failures)),
            'failures' => $failures,
            'problem' => $problem,
        ], ['id' => $id]);
    }

    private static function later(\DateTimeImmutable $now, int $minutes): string
    {
        return StoredNow::of($now->modify("+{$minutes} minutes"));
    }

    /** When it was written says nothing of what is in it. */
    private static function hash(string $bytes): string
    {
        return hash('sha256', (string) preg_replace('/^DTSTAMP.*$/mi', '', $bytes));
    }
}
