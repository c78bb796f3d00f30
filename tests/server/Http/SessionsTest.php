<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Filesystem\Filesystem;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\DataFolder;
use ZippyTray\Server\Mailroom\Fetch;
use ZippyTray\Server\Mailroom\PostRoom\PostRoom;
use ZippyTray\Server\Mailroom\PostRoom\Trouble;
use ZippyTray\Server\Work\CarryOutOrders;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Mail that comes in at hours of its own.
 */
final class SessionsTest extends ApiTestCase
{
    private int $letters = 0;

    protected function setUp(): void
    {
        parent::setUp();
        (new Filesystem())->remove(DataFolder::path().'/post-room');
        $this->service(PostRoom::class)->behave(new Trouble(quiet: true));
        $this->signIn()->connect(MailWays::postRoom());
        $this->service(EntityManagerInterface::class)->flush();
        $this->service(ProgramClock::class)->moveForward(
            (int) (new \DateTimeImmutable('tomorrow 10:00', new \DateTimeZone('Europe/Dublin')))->getTimestamp()
            - $this->service(ProgramClock::class)->now()->getTimestamp(),
        );
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove(DataFolder::path().'/post-room');
        parent::tearDown();
    }

    public function testTheTrayStandsStillUntilTheHour(): void
    {
        $this->sessions();
        $before = $this->counts();
        self::assertSame([0, 0, $this->day().' 13:00'], [$before['tray'], $before['held'], $this->local($before['comesIn'])]);
        $this->arrive('Glass', 'Olga <olga@roofs.example>');
        $this->arrive('Slates', 'Olga <olga@roofs.example>');
        $counts = $this->counts();
        self::assertSame([0, 0, 2, null], [$counts['tray'], $counts['away'], $counts['held'], $counts['nextReturn']]);
        self::assertSame([[], []], [$this->rows('/tray'), $this->away()], 'It is not there yet, and nobody put it away.');
        $found = (array) $this->call('GET', '/find?words=Slates')['rows'];
        self::assertSame([['away', 'held']], array_map(
            static fn (mixed $row): array => [((array) $row)['place'], ((array) $row)['awayReason']],
            $found,
        ));
        $days = (array) $this->call('GET', '/days?count=2');
        self::assertStringNotContainsString('Slates', json_encode($days, \JSON_THROW_ON_ERROR));

        $this->service(ProgramClock::class)->moveForward(3 * 3600);
        $counts = $this->counts();
        self::assertSame([2, 0, $this->day().' 16:30'], [$counts['tray'], $counts['held'], $this->local($counts['comesIn'])]);
        foreach ($this->rows('/tray') as $row) {
            self::assertSame(['tray', false, null], [$row['place'], $row['returned'], $row['back']]);
        }
        self::assertSame('tray', $this->rows('/tray?order=oldest')[0]['place']);
    }

    public function testItIsLetInAtOnceAndThatIsUndone(): void
    {
        $this->sessions();
        $this->call('POST', '/let-in', ['entry' => self::id()], 422);
        $this->arrive('Glass', 'Olga <olga@roofs.example>');
        $entry = $this->call('POST', '/let-in', ['entry' => self::id()]);
        self::assertSame(['let_in', 1], [$entry['kind'], \count($this->rows('/tray'))]);
        $this->undo($entry);
        self::assertSame([0, 1], [$this->counts()['tray'], $this->counts()['held']]);
        $row = (array) ((array) $this->call('GET', '/find?words=Glass')['rows'])[0];
        $this->decide('archive', [self::text($row['id'])]);
        self::assertSame([0, 0], [$this->counts()['tray'], $this->counts()['held']]);
    }

    public function testWhatWasPutOffWaitsToo(): void
    {
        $this->arrive('Glass', 'Olga <olga@roofs.example>', 'first');
        $id = self::text($this->rows('/tray')[0]['id']);
        $this->decide('snooze', [$id], ['phrase' => 'in 5 days']);
        $this->sessions();
        $this->arrive('Re: Glass', 'Olga <olga@roofs.example>', 'second', "In-Reply-To: <first@x.example>\n");
        $counts = $this->counts();
        self::assertSame([0, 1, 1], [$counts['tray'], $counts['away'], $counts['held']]);
        $this->service(ProgramClock::class)->moveForward(3 * 3600);
        self::assertSame(['message', 0], [((array) $this->rows('/tray')[0]['back'])['because'], $this->counts()['held']]);
    }

    public function testOtherHoursHoldForWhatWaits(): void
    {
        $this->sessions();
        $this->arrive('Glass', 'Olga <olga@roofs.example>');
        $this->sessions(['hours' => ['11:00']]);
        self::assertSame([1, $this->day().' 11:00'], [$this->counts()['held'], $this->local($this->counts()['comesIn'])]);
        $this->settle(['mailEndsSnooze' => false]);
        $this->sessions(['on' => false]);
        $counts = $this->counts();
        self::assertSame([1, 0, null], [$counts['tray'], $counts['held'], $counts['comesIn']]);
        $kinds = array_column((array) $this->call('GET', '/journal')['entries'], 'kind');
        self::assertSame(['let_in', 'let_in'], $kinds, 'What moved it is written down.');
        foreach ([[], ['25:00'], ['9'], ['x' => '09:00'], [7]] as $hours) {
            $this->sessions(['hours' => $hours], 422);
        }
    }

    public function testWhatAnOrderCallsUrgentComesInAtOnce(): void
    {
        $this->sessions();
        $this->call('PUT', '/orders/'.self::id(), [
            'entry' => self::id(),
            'name' => 'The harbour master',
            'condition' => ['test' => 'from', 'is' => 'ada@harbour.example'],
            'steps' => [],
            'on' => true,
            'urgent' => true,
        ]);
        $this->arrive('Fog', 'Ada <ada@harbour.example>');
        $this->arrive('Cake', 'Olga <olga@roofs.example>');
        ($this->service(CarryOutOrders::class))(static fn (): bool => false);
        self::assertSame(['Fog'], array_column($this->rows('/tray'), 'subject'));
        self::assertSame([1, 0], [$this->counts()['held'], $this->call('GET', '/past')['count']]);
    }

    /** @param array<string, mixed> $changes */
    private function sessions(array $changes = [], int $status = 200): void
    {
        $usual = ['on' => true, 'hours' => ['09:00', '13:00', '16:30'], 'workingDaysOnly' => false];
        $this->settle(['sessions' => $changes + $usual], $status);
    }

    private function arrive(string $subject, string $from, string $id = '', string $header = ''): void
    {
        $id = '' === $id ? 'letter-'.++$this->letters : $id;
        $now = $this->service(ProgramClock::class)->now();
        $this->service(PostRoom::class)->bring(
            "From: {$from}\nTo: wren@ternpoint.example\nSubject: {$subject}\nDate: {$now->format(\DATE_RFC2822)}\n"
                ."Message-ID: <{$id}@x.example>\n{$header}\nHere it is.\n",
            $now,
            $id,
            'wren@ternpoint.example',
        );
        ($this->service(Fetch::class))(static fn (): bool => false);
    }

    private function local(mixed $instant): string
    {
        return (new \DateTimeImmutable(self::text($instant)))->setTimezone(new \DateTimeZone('Europe/Dublin'))->format('Y-m-d H:i');
    }
}
