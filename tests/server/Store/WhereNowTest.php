<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\TestWith;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Read\Counts;
use ZippyTray\Server\Store\StoredNow;
use ZippyTray\Server\Store\WhereNow;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * What a query says of a conversation is what the core says of it.
 */
final class WhereNowTest extends ApiTestCase
{
    #[TestWith([0])]
    #[TestWith([59])]
    #[TestWith([3600])]
    #[TestWith([86_400])]
    public function testEachPlaceAtEachMoment(int $later): void
    {
        $account = $this->signIn();
        $connection = $this->service(Connection::class);
        $base = new \DateTimeImmutable('2026-11-24 10:00:00 UTC');
        $now = $base->modify("+{$later} seconds");
        $ids = [];
        foreach (Place::cases() as $place) {
            foreach (Place::Away === $place ? [-86_400, -1, 0, 1, 59, 60, 3599, 3600, 3601, 86_400, 86_401] : [0] as $seconds) {
                $this->receive("{$place->value} {$seconds}", text: 'Hello');
                $id = self::text($connection->fetchOne('SELECT id FROM conversation WHERE subject = ?', ["{$place->value} {$seconds}"]));
                $until = Place::Away === $place ? StoredNow::of($base->modify("{$seconds} seconds")) : null;
                $connection->update('conversation', [
                    'place' => $place->value,
                    'away_until' => $until,
                    'away_zone' => null === $until ? null : 'Europe/Dublin',
                    'away_reason' => null === $until ? null : 'snooze',
                ], ['id' => $id]);
                $ids[] = $id;
            }
        }
        foreach ($ids as $id) {
            $core = $this->service(Conversations::class)->get($account->id, new ConversationId($id))->placeAt($now);
            foreach (Place::cases() as $place) {
                $found = $connection->fetchOne(
                    'SELECT COUNT(*) FROM conversation c WHERE c.id = :id AND '.WhereNow::is($place),
                    ['id' => $id, 'now' => StoredNow::of($now)],
                );
                self::assertSame($core === $place ? 1 : 0, $found, "{$id} in {$place->value}");
            }
        }
    }

    /** What has arrived and waits is told apart from what was put away, here as there. */
    public function testWhatIsHeldBack(): void
    {
        $account = $this->signIn();
        $connection = $this->service(Connection::class);
        $now = new \DateTimeImmutable('2026-11-24 10:00:00 UTC');
        foreach (['held', 'snooze', 'answer'] as $reason) {
            foreach ([-1, 0, 1] as $seconds) {
                foreach ([null, 'message'] as $because) {
                    $subject = "{$reason} {$seconds} ".($because ?? 'time');
                    $this->receive($subject, text: 'Hello');
                    $connection->update('conversation', [
                        'place' => 'away',
                        'away_until' => StoredNow::of($now->modify("{$seconds} seconds")),
                        'away_zone' => 'Europe/Dublin',
                        'away_reason' => $reason,
                        'called_back_by' => $because,
                    ], ['subject' => $subject]);
                    $id = self::text($connection->fetchOne('SELECT id FROM conversation WHERE subject = ?', [$subject]));
                    $conversation = $this->service(Conversations::class)->get($account->id, new ConversationId($id));
                    $is = static fn (string $condition): bool => 1 === $connection->fetchOne(
                        'SELECT COUNT(*) FROM conversation c WHERE c.id = :id AND '.$condition,
                        ['id' => $id, 'now' => StoredNow::of($now)],
                    );
                    self::assertSame(
                        [$conversation->isHeld($now), $conversation->hasReturned($now), 'held' === $reason && $seconds <= 0],
                        [$is(WhereNow::HELD), $is(WhereNow::CAME_BACK), $is(WhereNow::CAME_IN)],
                        $subject,
                    );
                }
            }
        }
        self::assertCount(4, $this->service(Conversations::class)->held($account->id, $now));
    }

    /** They are kept, and what has come back is told apart. */
    public function testCountsSayWhatPlacesHold(): void
    {
        $account = $this->signIn();
        $connection = $this->service(Connection::class);
        $until = static fn (string $time): array => ['place' => 'away', 'away_until' => $time, 'away_zone' => 'UTC'];
        $places = [
            ['place' => 'tray'],
            ['place' => 'tray'],
            ['place' => 'bin'],
            ['place' => 'blocked'],
            ['place' => 'archive'],
            ['away_reason' => 'snooze'] + $until('2026-11-23T10:00:00Z'),
            ['away_reason' => 'snooze'] + $until('2026-11-30T10:00:00Z'),
            ['away_reason' => 'next_clearing'] + $until('2026-11-30T10:00:00Z'),
            ['away_reason' => 'next_clearing'] + $until('2026-11-23T10:00:00Z'),
            // Damaged: it is nowhere, and does no harm.
            ['place' => 'away', 'away_reason' => 'snooze'],
        ];
        foreach ($places as $number => $place) {
            $this->receive('Letter '.$number, text: 'Hello');
            $connection->update('conversation', $place, ['subject' => 'Letter '.$number]);
        }
        $counts = $this->service(Counts::class)->of($account);
        self::assertSame([4, 2, 1, 1, 1], [$counts->tray, $counts->away, $counts->forClearing, $counts->bin, $counts->blocked]);
        self::assertSame('2026-11-30T10:00:00Z', $counts->nextReturn);
        $connection->executeStatement(
            "DELETE FROM conversation_message WHERE conversation_id = (SELECT id FROM conversation WHERE subject = 'Letter 0')",
        );
        $connection->executeStatement("DELETE FROM conversation WHERE subject = 'Letter 0'");
        self::assertSame(3, $this->service(Counts::class)->of($account)->tray);
    }

    public function testWhatIsDecidedTodayIsWhatTheCoreCallsDeciding(): void
    {
        $account = $this->signIn();
        $id = $this->receive('Drawings', text: 'Hello');
        $entry = self::text($this->decide('archive', [$id])['id']);
        $connection = $this->service(Connection::class);
        foreach (EntryKind::cases() as $kind) {
            $connection->update('journal_entry', ['kind' => $kind->value], ['id' => $entry]);
            self::assertSame($kind->decides() ? 1 : 0, $this->service(Counts::class)->of($account)->decidedToday, $kind->value);
        }
    }
}
