<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use ZippyTray\Core\Agenda\Subscription\CalendarAddress;
use ZippyTray\Server\Calendar\Subscription\CalendarRoom;
use ZippyTray\Server\Calendar\Subscription\ReadSubscription;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Work\ReadSubscriptions;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Calendars of others among the days.
 */
final class SubscriptionTest extends ApiTestCase
{
    private const ADDRESS = 'https://allotments.example/secret-word.ics';

    public function testACalendarIsShownAmongTheDaysAndTakesTheirHours(): void
    {
        $this->signIn();
        $free = $this->there();
        $this->publish(self::event('gate', 'Gate duty', $this->day(1), '130000', 120, "LOCATION:North gate\r\n"));
        $id = $this->add();
        self::assertSame([], $this->shown(1), 'Nothing is read while somebody waits.');
        $this->read();

        $one = $this->shown(1)[0];
        self::assertSame(['Gate duty', 'North gate', 'Allotments', true], [$one['title'], $one['place'], $one['calendar'], $one['busy']]);
        self::assertSame($free - 84, $this->there(), 'Of two hours three tenths were kept free.');
        $sheet = $this->call('GET', '/events/'.self::text($one['id']).'?key='.self::text($one['key']));
        self::assertSame('Allotments', ((array) $sheet['event'])['calendar']);
        [$calendar] = $this->all();
        self::assertSame(['Allotments', 'allotments.example', 1, null, false], [
            $calendar['name'], $calendar['host'], $calendar['events'], $calendar['problem'], $calendar['waiting'],
        ]);

        $this->call('POST', "/subscriptions/{$id}/changes", ['name' => ' The gardens ', 'busy' => false]);
        self::assertSame(['The gardens', false], [$this->shown(1)[0]['calendar'], $this->shown(1)[0]['busy']]);
        self::assertSame($free, $this->there(), 'It takes no hours any more.');

        $this->call('DELETE', '/subscriptions/'.$id);
        self::assertSame([], array_merge($this->shown(1), $this->all()));
        self::assertSame(0, (int) $this->value('SELECT count(*) FROM subscribed_event'), 'What it held went with it.');
        $this->call('GET', '/events/'.self::text($one['id']), null, 404);
    }

    public function testNothingOfItCanBeChangedAndNoneOfItGoesOutAsOnesOwn(): void
    {
        $this->signIn();
        $this->publish(self::event('gate', 'Gate duty', $this->day(1), '130000', 60, "BEGIN:VALARM\r\nACTION:DISPLAY\r\n"
            ."TRIGGER:-PT15M\r\nEND:VALARM\r\n"));
        $this->add();
        $this->read();
        $id = self::text($this->shown(1)[0]['id']);
        $entry = ['entry' => self::id()];
        $fields = ['title' => 'Mine', 'when' => ['phrase' => 'tomorrow 9:00-10:00']];
        $this->call('POST', "/events/{$id}/changes", $entry + ['fields' => $fields], 404);
        $this->call('POST', "/events/{$id}/removals", $entry, 404);
        $this->call('POST', "/events/{$id}/copies", $entry + ['copy' => self::id()], 404);
        $move = ['id' => $id, 'when' => ['date' => $this->day(2), 'time' => '10:00']];
        $this->call('POST', '/events/moves', $entry + ['moves' => [$move]], 404);
        self::assertStringNotContainsString('Gate duty', (string) $this->fetch('/agenda.ics')->getContent());
        self::assertSame(0, (int) $this->value('SELECT count(*) FROM ring'), 'Others do not make it ring.');
        self::assertSame(['reminders' => []], array_intersect_key($this->call('GET', '/events/'.$id), ['reminders' => 0]));
    }

    public function testWhatChangesThereChangesHere(): void
    {
        $this->signIn();
        $this->publish(self::event('gate', 'Gate duty', $this->day(1), '130000', 60)
            ."BEGIN:VEVENT\r\nUID:weekly\r\nSUMMARY:Watering\r\nDTSTART:".self::stamp($this->day(), '080000')
            ."\r\nDURATION:PT1H\r\nRRULE:FREQ=DAILY\r\nEND:VEVENT\r\n");
        $this->add(name: '');
        $this->read();
        self::assertSame('Keeper’s gardens', $this->all()[0]['name'], 'It is called as it calls itself.');
        self::assertSame(['Watering', 'Gate duty'], array_column($this->shown(1), 'title'));
        $first = $this->shown(1)[1]['id'];

        $this->publish(self::event('gate', 'Gate duty', $this->day(3), '140000', 60));
        $this->read();
        self::assertSame(['Watering', 'Gate duty'], array_column($this->shown(1), 'title'), 'Not before its time.');
        $this->pass('+61 minutes');
        $this->read();
        self::assertSame([], $this->shown(1));
        self::assertSame([$first], array_column($this->shown(3), 'id'), 'It is the same one.');

        $this->publish('');
        $this->call('POST', '/subscriptions/'.self::text($this->all()[0]['id']).'/readings');
        self::assertTrue($this->all()[0]['waiting']);
        $this->read();
        self::assertSame([[], false], [$this->shown(3), $this->all()[0]['waiting']]);
    }

    public function testWhatWasKnownStaysWhenItCannotBeRead(): void
    {
        $this->signIn();
        $this->publish(self::event('gate', 'Gate duty', $this->day(1), '130000', 60));
        $id = $this->add();
        $this->read();
        $read = $this->all()[0]['readAt'];
        CalendarRoom::put(CalendarAddress::parse(self::ADDRESS), '<html>Sign in, please</html>');
        $pauses = [];
        for ($times = 0; $times < 4; ++$times) {
            $this->call('POST', "/subscriptions/{$id}/readings");
            $this->read();
            $pauses[] = intdiv(strtotime((string) $this->value('SELECT next_at FROM subscription'))
                - $this->service(ProgramClock::class)->now()->getTimestamp() + 30, 60);
        }
        self::assertSame([60, 120, 240, 480], $pauses, 'Who is not there is asked less and less.');
        self::assertSame(['This is no calendar file: it does not begin with BEGIN:VCALENDAR.', $read], [
            $this->all()[0]['problem'], $this->all()[0]['readAt'],
        ]);
        self::assertSame(['Gate duty'], array_column($this->shown(1), 'title'));
        $this->publish(self::event('gate', 'Gate duty', $this->day(1), '130000', 60));
        $this->call('POST', "/subscriptions/{$id}/readings");
        $this->read();
        self::assertNull($this->all()[0]['problem']);
    }

    public function testOneBadEventIsNamedAndTheRestShown(): void
    {
        $this->signIn();
        $this->publish("BEGIN:VEVENT\r\nUID:bad\r\nSUMMARY:Broken\r\nEND:VEVENT\r\n"
            .self::event('gate', 'Gate duty', $this->day(1), '130000', 60)
            ."BEGIN:VEVENT\r\nUID:odd\r\nSUMMARY:Odd\r\nDTSTART:99999999T999999\r\nRRULE:FREQ=SECONDLY\r\nEND:VEVENT\r\n");
        $this->add();
        $this->read();
        self::assertSame(['Gate duty'], array_column($this->shown(1), 'title'));
        self::assertStringContainsString('Broken', $this->left());
    }

    public function testSoManyOfThemAreTakenAndNoMore(): void
    {
        $this->signIn();
        $lines = '';
        for ($number = 0; $number < ReadSubscription::MOST_SERIES + 20; ++$number) {
            $lines .= "BEGIN:VEVENT\r\nUID:{$number}\r\nSUMMARY:Every day\r\nDTSTART:20200101T0800\r\nRRULE:FREQ=DAILY\r\nEND:VEVENT\r\n";
        }
        $this->publish(str_replace('T0800', 'T080000', $lines));
        $this->add();
        $this->read();
        self::assertCount(ReadSubscription::MOST_SERIES, $this->shown(1));
        self::assertStringContainsString('20 events', $this->left());
    }

    public function testASeriesOfSoManyTimesEndsWhereItWould(): void
    {
        $this->signIn();
        $lines = '';
        $rules = ['COUNT=4;FREQ=DAILY', 'FREQ=DAILY;INTERVAL=2;COUNT=2', 'FREQ=YEARLY;COUNT=9000;BYMONTH=2;BYMONTHDAY=30'];
        foreach ($rules as $number => $rule) {
            $lines .= "BEGIN:VEVENT\r\nUID:{$number}\r\nSUMMARY:By rule {$number}\r\nDTSTART:".self::stamp($this->day(), '080000')
                ."\r\nRRULE:{$rule}\r\nEND:VEVENT\r\n";
        }
        $this->publish($lines);
        $this->add();
        $this->read();
        self::assertSame(['By rule 0', 'By rule 1', 'By rule 2'], $this->titles(0));
        self::assertSame(['By rule 0'], $this->titles(1));
        self::assertSame(['By rule 0', 'By rule 1'], $this->titles(2));
        self::assertSame(['By rule 0'], $this->titles(3));
        self::assertSame([], $this->titles(4));
        self::assertStringNotContainsString('COUNT', $this->value('SELECT group_concat(state) FROM subscribed_event'));
    }

    public function testDaysWithoutEndAreLeftOut(): void
    {
        $this->signIn();
        $stamp = fn (int $day): string => self::stamp($this->day($day), '080000');
        $days = implode(',', array_map($stamp, range(1, ReadSubscription::MOST_APART + 1)));
        $this->publish("BEGIN:VEVENT\r\nUID:days\r\nSUMMARY:Days\r\nDTSTART:".self::stamp($this->day(), '080000')
            ."\r\nRDATE:{$days}\r\nEND:VEVENT\r\n".self::event('gate', 'Gate duty', $this->day(1), '130000', 60)
            .self::event('daily', 'Watering', $this->day(), '080000', 60, "RRULE:FREQ=DAILY\r\n"));
        $this->add();
        $this->read();
        self::assertSame(['Gate duty', 'Watering'], $this->titles(1), 'Also the series that comes behind it.');
        self::assertStringContainsString('1 event:', $this->left());
    }

    public function testTheAddressIsASecret(): void
    {
        $account = $this->signIn();
        $this->publish('');
        $this->add();
        $this->read();
        $row = $this->service(Connection::class)->fetchAssociative('SELECT * FROM subscription');
        self::assertStringNotContainsString('secret-word', (string) json_encode([$row, $this->all()], \JSON_UNESCAPED_SLASHES));
        $this->browser->loginUser($this->account('orla@ternpoint.example', 'Orla'));
        $id = self::text(((array) $row)['id']);
        self::assertSame([], $this->all());
        $this->call('DELETE', '/subscriptions/'.$id, null, 404);
        $this->call('POST', "/subscriptions/{$id}/readings", null, 404);
        $this->call('POST', "/subscriptions/{$id}/changes", ['name' => 'Hers', 'busy' => true], 404);
        $this->browser->loginUser($account);
        self::assertCount(1, $this->all());
    }

    /** @return iterable<array{string, string}> */
    public static function refused(): iterable
    {
        yield ['http://allotments.example/a.ics', 'https'];
        yield ['not an address', 'no address'];
        yield ['  ', 'Write the address'];
        yield [self::ADDRESS, 'already'];
    }

    #[DataProvider('refused')]
    public function testWhatCannotBeReadIsRefusedWhereItIsWritten(string $address, string $words): void
    {
        $this->signIn();
        $this->add();
        $problem = $this->call('PUT', '/subscriptions/'.self::id(), ['address' => $address], 422);
        self::assertStringContainsString($words, (string) json_encode($problem));
        self::assertStringContainsString('"field":"address"', (string) json_encode($problem));
    }

    public function testThereAreSoManyAndNoMore(): void
    {
        $this->signIn();
        for ($number = 0; $number < 20; ++$number) {
            $this->call('PUT', '/subscriptions/'.self::id(), ['address' => "https://allotments.example/{$number}.ics"], 201);
        }
        $this->call('PUT', '/subscriptions/'.self::id(), ['address' => 'https://allotments.example/more.ics'], 422);
        self::assertCount(20, $this->all());
    }

    private function add(string $name = 'Allotments'): string
    {
        $id = self::id();
        $this->call('PUT', '/subscriptions/'.$id, ['address' => self::ADDRESS, 'name' => $name, 'busy' => true], 201);

        return $id;
    }

    private function read(): void
    {
        ($this->service(ReadSubscriptions::class))(static fn (): bool => false);
    }

    private function pass(string $time): void
    {
        $clock = $this->service(ProgramClock::class);
        $clock->turnTo($clock->now()->modify($time));
    }

    private function publish(string $events): void
    {
        CalendarRoom::put(
            CalendarAddress::parse(self::ADDRESS),
            "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//gardens//\r\nX-WR-CALNAME:Keeper’s gardens\r\n{$events}END:VCALENDAR\r\n",
        );
    }

    private static function event(string $uid, string $title, string $date, string $time, int $minutes, string $more = ''): string
    {
        return "BEGIN:VEVENT\r\nUID:{$uid}\r\nSUMMARY:{$title}\r\nDTSTART:".self::stamp($date, $time)
            ."\r\nDURATION:PT{$minutes}M\r\n{$more}END:VEVENT\r\n";
    }

    private static function stamp(string $date, string $time): string
    {
        return str_replace('-', '', $date).'T'.$time;
    }

    /** @return list<array<string, mixed>> events of a day */
    private function shown(int $ahead): array
    {
        /** @var list<array<string, mixed>> $events */
        $events = $this->call('GET', '/agenda?from='.$this->day($ahead).'&days=1')['events'];

        return $events;
    }

    /** @return list<mixed> in order of their names */
    private function titles(int $ahead): array
    {
        $titles = array_column($this->shown($ahead), 'title');
        sort($titles);

        return $titles;
    }

    /** Minutes of tomorrow. */
    private function there(): int
    {
        /** @var list<array{there: int}> $days */
        $days = $this->call('GET', '/agenda?from='.$this->day(1).'&days=1')['days'];

        return $days[0]['there'];
    }

    /** Sentences about what was left out of the only one. */
    private function left(): string
    {
        return (string) json_encode($this->all()[0]['left']);
    }

    /**
     * @phpstan-impure
     *
     * @return list<array<string, mixed>>
     */
    private function all(): array
    {
        /** @var list<array<string, mixed>> $all */
        $all = $this->call('GET', '/subscriptions')['subscriptions'];

        return $all;
    }

    private function value(string $query): string
    {
        $value = $this->service(Connection::class)->fetchOne($query);

        return \is_scalar($value) ? (string) $value : '';
    }
}
