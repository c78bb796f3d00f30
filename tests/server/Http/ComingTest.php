<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Tests\Server\ApiTestCase;

final class ComingTest extends ApiTestCase
{
    public function testEverythingThatComesStandsOnTheTimeLine(): void
    {
        $this->signIn();
        $this->decide('snooze', [$this->receive('Snoozed')], ['phrase' => 'in 3 days at 9']);
        $this->decide('hand_over', [$this->receive('Owed')], ['phrase' => 'in 5 days at 9'], more: ['by' => 'Petra']);
        $this->decide('snooze', [$this->receive('Until they answer')], ['phrase' => 'in 3 days at 10'], more: ['for' => 'answer']);
        $this->decide('snooze', [$waiting = $this->receive('Next clearing')], more: ['for' => 'next_clearing']);
        $this->makeTask([
            'title' => 'Begins',
            'start' => ['phrase' => 'in 3 days'],
            'reminders' => ['in 5 days at 10', '1 day before the start'],
        ]);
        $this->makeTask(['title' => 'Done', 'reminders' => ['in 5 days']]);

        $coming = $this->coming();
        self::assertSame(['mail' => 3, 'owed' => 1, 'start' => 1, 'reminder' => 3, 'out' => 0], $coming['counts']);
        self::assertSame(['Next clearing'], $coming['clearing']);
        self::assertSame(['reminder Begins 09:00 1 day before the start'], $coming['days'][$this->day(2)] ?? null);
        self::assertSame(
            ['start Begins - ', 'mail Snoozed 09:00 ', 'mail Until they answer 10:00 '],
            $coming['days'][$this->day(3)] ?? null,
        );
        self::assertSame(
            ['reminder Done 09:00', 'owed Owed 09:00', 'reminder Begins 10:00'],
            array_map(
                static fn (string $item): string => implode(' ', \array_slice(explode(' ', $item), 0, 3)),
                $coming['days'][$this->day(5)] ?? [],
            ),
        );
        self::assertContains($this->day(1), $coming['gaps']);
        self::assertContains($this->day(4), $coming['gaps']);

        $owed = $this->coming('?kinds=owed');
        self::assertSame([$this->day(5)], array_keys($owed['days']));
        self::assertSame([3, []], [$owed['counts']['mail'], $owed['clearing']], 'Counts are of all kinds.');

        $this->decide('bring_back', [$waiting]);
        self::assertSame([], $this->coming()['clearing']);
    }

    public function testWhatComesIsMoved(): void
    {
        $this->signIn();
        $owed = $this->receive('Owed');
        $this->decide('hand_over', [$owed], ['phrase' => 'in 2 days'], more: ['by' => 'Petra']);
        $moved = $this->decide('move_return', [$owed], ['phrase' => 'in 4 days at 9']);
        self::assertSame(
            ['hand_over', 'Petra', 0],
            [$this->away()[0]['awayReason'], $this->away()[0]['owedBy'], $this->away()[0]['snoozes']],
            'It is still owed.',
        );
        self::assertSame([$this->day(4)], array_keys($this->coming()['days']));
        $this->undo($moved);
        self::assertSame([$this->day(2)], array_keys($this->coming()['days']));
        $this->decide('move_return', [$this->receive('Here')], ['phrase' => 'in 4 days'], 422);

        $snoozed = $this->receive('Snoozed');
        $this->decide('snooze', [$snoozed], more: ['for' => 'next_clearing']);
        $this->decide('move_return', [$snoozed], ['phrase' => 'in 3 days']);
        $row = array_column($this->away(), null, 'subject')['Snoozed'];
        self::assertSame(['snooze', 1], [$row['awayReason'], $row['snoozes']], 'Sooner is not put off once more.');

        $id = $this->makeTask(['title' => 'Oil', 'due' => ['phrase' => 'in 9 days'], 'reminders' => ['1 day before', 'every day at 9']]);
        $move = ['entry' => self::id(), 'task' => $id, 'reminder' => '1 day before', 'to' => ['phrase' => 'in 5 days at 9']];
        $this->call('POST', '/reminder-moves', $move);
        self::assertSame(
            ['reminder Oil 09:00'],
            array_map(
                static fn (string $item): string => substr($item, 0, 18),
                $this->coming('?kinds=reminder')['days'][$this->day(5)] ?? [],
            ),
        );
        $this->call('POST', '/reminder-moves', ['entry' => self::id()] + $move, 422);
        $texts = (array) array_column((array) $this->call('GET', '/tasks/'.$id)['reminders'], 'text');
        self::assertIsString($texts[0]);
        $this->call('POST', '/reminder-moves', ['entry' => self::id(), 'reminder' => $texts[0]] + $move, 422);
        $this->call('POST', '/reminder-moves', ['entry' => self::id(), 'task' => $id, 'reminder' => $texts[0]]);
        self::assertCount(1, (array) $this->call('GET', '/tasks/'.$id)['reminders']);
        $this->call('POST', '/reminder-moves', ['entry' => self::id(), 'reminder' => 'x'], 422);
    }

    public function testWhatCameBackSaysWhyAndIsAdvisedAccordingly(): void
    {
        $this->signIn();
        $note = 'Just so that you know: the harbour is closed.';
        $plain = $this->receive('For information', text: $note);
        $silent = $this->receive('Silent', text: $note);
        self::assertSame('archive', $this->advised('For information'));
        $this->decide('snooze', [$plain], $this->in(30));
        $this->decide('hand_over', [$silent], $this->in(40), more: ['by' => 'Petra', 'what' => 'the rota']);
        $this->call('POST', '/demo/clock', ['to' => 'hour']);
        $rows = array_column($this->rows('/tray'), null, 'subject');
        self::assertSame(
            ['because' => 'time', 'why' => 'You wanted it back today.', 'before' => 'Put off today.'],
            $rows['For information']['back'],
        );
        self::assertSame(
            [
                'because' => 'time',
                'why' => 'Petra has not answered: you gave until today.',
                'before' => 'Handed over to Petra today: the rota.',
            ],
            $rows['Silent']['back'],
        );
        self::assertSame(
            ['now', 'now'],
            [$this->advised('For information'), $this->advised('Silent')],
            'It was put off to be done now; and asking again is quick.',
        );
        $advice = (array) $this->call('GET', '/conversations/'.$silent)['advice'];
        self::assertSame(['Petra has not answered: you gave until today.', 'Asking again takes two minutes or less.'], $advice['reasons']);

        $this->decide('snooze', [$plain], $this->in(30), more: ['for' => 'answer']);
        [$away] = $this->away();
        self::assertSame(['answer', 2], [$away['awayReason'], $away['snoozes']]);
        self::assertNotNull($away['snoozedSince']);
        $this->receive('Other');
        $this->upload(
            ['reply.eml' => "From: Tam <tam@glass.example>\r\nTo: wren@ternpoint.example\r\nSubject: Re: For information\r\n"
                .'Message-ID: <'.self::id()."@glass.example>\r\nDate: Mon, 2 Nov 2026 09:00:00 +0000\r\n\r\nIt is open again.\r\n"],
        );
        $row = array_column($this->rows('/tray'), null, 'subject')['For information'];
        self::assertSame('The answer that you waited for has come in.', ((array) $row['back'])['why']);
    }

    public function testAClearingBringsBackWhatWaitsForIt(): void
    {
        $this->signIn();
        $id = $this->receive('Later');
        $this->decide('snooze', [$id], more: ['for' => 'next_clearing']);
        $this->call('POST', '/demo/clock', ['to' => 'hour']);
        self::assertSame([[], 1], [$this->rows('/tray'), $this->counts()['forClearing']]);
        $clearing = $this->call('POST', '/clearings', ['id' => self::id(), 'order' => 'grouped'], 201);
        self::assertSame(1, $clearing['size']);
        self::assertSame('You wanted it back for your next clearing.', ((array) $this->rows('/tray')[0]['back'])['why']);
        [$entry] = (array) $this->call('GET', '/journal')['entries'];
        self::assertIsArray($entry);
        self::assertSame(['come_back', 'Later'], [$entry['kind'], $entry['about']]);
    }

    public function testMailEndsASnoozeOnlyWhenWanted(): void
    {
        $this->signIn();
        $this->settle(['mailEndsSnooze' => false]);
        $id = $this->receive('Lantern glass', id: 'first@glass.example');
        $this->decide('snooze', [$id], ['phrase' => 'in 3 days']);
        $reply = static fn (): array => ['reply.eml' => "From: Tam <tam@glass.example>\r\nSubject: Re: Lantern glass\r\n"
            ."In-Reply-To: <first@glass.example>\r\nMessage-ID: <".self::id()."@glass.example>\r\n\r\nWell?\r\n"];
        $this->upload($reply());
        self::assertSame([], $this->rows('/tray'));
        $this->settle(['mailEndsSnooze' => true]);
        $this->upload($reply());
        self::assertSame(
            ['A message has come in.'],
            array_map(static fn (array $row): mixed => ((array) $row['back'])['why'], $this->rows('/tray')),
        );
    }

    public function testTasksArePutOffWithTheDifferenceShownBefore(): void
    {
        $this->signIn();
        $id = $this->makeTask(['title' => 'Roof', 'due' => ['phrase' => 'in 2 days']]);
        $body = ['entry' => self::id(), 'tasks' => [$id], 'to' => ['phrase' => 'in 6 days']];
        [$difference] = $this->call('POST', '/tasks/put-offs/preview', $body);
        self::assertIsArray($difference);
        $local = static fn (string $date): array => self::due($date);
        self::assertSame(
            [
                'start' => ['before' => null, 'after' => $local($this->day(6))],
                'due' => ['before' => $local($this->day(2)), 'after' => $local($this->day(8))],
                'problem' => '',
            ],
            array_intersect_key($difference, ['start' => 0, 'due' => 0, 'problem' => 0]),
        );
        self::assertSame(1, $this->counts()['tasks'], 'A preview changes nothing.');
        $entry = $this->call('POST', '/tasks/put-offs', $body);
        self::assertSame('put_off', $entry['kind']);
        self::assertTrue($this->tasks('?state=waiting')[0]['waiting']);
        $this->undo($entry);
        $problem = $this->call('POST', '/tasks/put-offs', ['what' => 'start'] + ['entry' => self::id()] + $body, 422);
        self::assertIsString($problem['detail']);
        self::assertStringContainsString('"Roof": It would begin', $problem['detail']);
    }

    public function testTheZoneChangesAndMomentsStay(): void
    {
        $this->signIn();
        $day = $this->day(3);
        $this->decide('snooze', [$this->receive()], ['date' => $day, 'time' => '09:00']);
        $this->makeTask(['title' => 'Moment', 'due' => ['date' => $day, 'time' => '15:00']]);
        $this->makeTask(['title' => 'Day', 'due' => ['date' => $day]]);
        $this->makeTask(['title' => 'Every day', 'repeat' => ['phrase' => 'every day at 9']]);
        $before = array_column($this->away(), 'awayUntil');
        $repeat = static fn (array $tasks): array => (array) array_column($tasks, 'due', 'title');
        self::assertSame('09:00', ((array) $repeat($this->tasks())['Every day'])['time']);

        $this->settle(['zone' => 'America/New_York']);
        self::assertSame($before, array_column($this->away(), 'awayUntil'), 'The moment stays.');
        $due = $repeat($this->tasks());
        self::assertSame(
            [self::due($day, '10:00'), self::due($day)],
            [$due['Moment'], $due['Day']],
            'Moments keep their instant, days their day.',
        );
        self::assertSame('04:00', ((array) $due['Every day'])['time'], 'A repeat keeps the wall clock where it was meant.');
        $this->settle(['zone' => 'Mars/Olympus'], 422);
        $this->settle(['snoozes' => ['blursday']], 422);
        self::assertSame(['in 2 hours'], $this->settle(['snoozes' => [' in 2  hours ', '']])['snoozes']);
    }

    /** @return array{counts: array<string, int>, clearing: list<string>, days: array<string, list<string>>, gaps: list<string>} */
    private function coming(string $query = ''): array
    {
        /**
         * @var array{
         *     counts: array<string, int>, clearing: list<array<string, mixed>>,
         *     stretches: list<array{kind: string, from: string, to: string, items: list<array<string, mixed>>}>
         * } $coming
         */
        $coming = $this->call('GET', '/coming'.$query);
        $name = static function (array $item): string {
            $of = (array) ($item['task'] ?? $item['conversation']);
            $name = $of['title'] ?? $of['subject'];

            return \is_string($name) ? $name : '';
        };
        [$days, $gaps] = [[], []];
        foreach ($coming['stretches'] as $stretch) {
            foreach ($stretch['items'] as $item) {
                self::assertIsString($item['date']);
                $days[$item['date']][] = implode(
                    ' ',
                    array_map(
                        static fn (mixed $part): string => \is_string($part) ? $part : '-',
                        [$item['kind'], $name($item), $item['time'], $item['text']],
                    ),
                );
            }
            $day = new \DateTimeImmutable($stretch['from']);
            for (; 'gap' === $stretch['kind'] && $day->format('Y-m-d') <= $stretch['to']; $day = $day->modify('+1 day')) {
                $gaps[] = $day->format('Y-m-d');
            }
        }

        return ['counts' => $coming['counts'], 'clearing' => array_map($name, $coming['clearing']), 'days' => $days, 'gaps' => $gaps];
    }

    private function advised(string $subject): mixed
    {
        return ((array) array_column($this->rows('/tray'), 'advice', 'subject')[$subject])['decision'] ?? null;
    }

    /** @return array{phrase: string} */
    private function in(int $minutes): array
    {
        self::assertTrue($this->service(ProgramClock::class)->movable);

        return ['phrase' => "in {$minutes} min"];
    }
}
