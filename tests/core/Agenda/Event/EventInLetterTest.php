<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda\Event;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Agenda\Event\EventInLetter;
use ZippyTray\Core\Agenda\Event\LetterEvent;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\ReadMessage;

/**
 * Letters written on Tuesday 24 November 2026 at 10:00 in Dublin.
 */
final class EventInLetterTest extends TestCase
{
    /** @return iterable<array{string, string|null, string, list<string>}> the letter, when, where, and the words that say so */
    public static function letters(): iterable
    {
        yield [
            "Dear Wren,\n\nthe roof meeting is on Friday 4 December, 2 to 4 pm, at the village hall. Please bring the survey.\n\nIlse",
            'Fri 4 Dec 2026, 14:00 to 16:00', 'the village hall', ['on Friday 4 December, 2 to 4 pm', 'the village hall'],
        ];
        yield [
            "Hello,\n\ncan we meet next Tuesday at 10:30 in Keeper’s kitchen for about an hour and a half? Bring tea.",
            'Tue 1 Dec 2026, 10:30 to 12:00', 'Keeper’s kitchen', ['next Tuesday at 10:30', 'Keeper’s kitchen'],
        ];
        yield [
            'We hold the meeting from 18:00 to 19:30 on Thursday 3 December in Room 12 of the Harbour Office, and dinner afterwards.',
            'Thu 3 Dec 2026, 18:00 to 19:30', 'Room 12 of the Harbour Office',
            ['from 18:00 to 19:30 on Thursday 3 December', 'Room 12 of the Harbour Office'],
        ];
        yield [
            "The AGM takes place on 12 December at 3pm.\n\nWhere: St Brendan’s Hall, Quay Street 4\nWho: all members",
            'Sat 12 Dec 2026, 15:00 to 16:00', 'St Brendan’s Hall, Quay Street 4',
            ['on 12 December at 3pm', 'St Brendan’s Hall, Quay Street 4'],
        ];
        yield [
            'Please join the video call on Wednesday at 9am: https://meet.isle.example/abc-123.',
            'Wed 25 Nov 2026, 09:00 to 10:00', 'https://meet.isle.example/abc-123',
            ['on Wednesday at 9am', 'https://meet.isle.example/abc-123'],
        ];
        yield [
            'Your appointment is on 2 December 2026 at 11:15. It takes 45 minutes.',
            'Wed 2 Dec 2026, 11:15 to 12:00', '', ['on 2 December 2026 at 11:15'],
        ];
        yield [
            'Interview with Tam on Monday 30 Nov 15:30-16:15 at our office, first floor.',
            'Mon 30 Nov 2026, 15:30 to 16:15', 'our office', ['on Monday 30 Nov 15:30-16:15', 'our office'],
        ];
        yield [
            'The fair runs from 5 to 7 December on the pier.',
            'Sat 5 Dec 2026 to Mon 7 Dec 2026',
            'the pier',
            ['from 5 to 7 December', 'the pier'],
        ];
        yield [
            'See you tomorrow at noon at the slip for the buoys.',
            'Wed 25 Nov 2026, 12:00 to 13:00',
            'the slip',
            ['tomorrow at noon', 'the slip'],
        ];
        yield [
            "The inspection will be carried out between 9 and 11 am\non Tuesday, 1 December at Ternpoint Lighthouse.",
            'Tue 1 Dec 2026, 09:00 to 11:00', 'Ternpoint Lighthouse', [
                "between 9 and 11 am\non Tuesday, 1 December",
                'Ternpoint Lighthouse',
            ],
        ];
        yield [
            'The training is on Saturday 28 November, 10am until 1pm in the lantern room.',
            'Sat 28 Nov 2026, 10:00 to 13:00', 'the lantern room', ['on Saturday 28 November, 10am until 1pm', 'the lantern room'],
        ];
        yield [
            'Könnten wir uns am Donnerstag um 14 Uhr im Hafenbüro treffen?',
            'Thu 26 Nov 2026, 14:00 to 15:00',
            'Hafenbüro treffen',
            ['Donnerstag um 14 Uhr', 'Hafenbüro treffen'],
        ];
        yield ['Let us meet in person on Thursday at 4pm, or in writing.', 'Thu 26 Nov 2026, 16:00 to 17:00', '', ['on Thursday at 4pm']];
        yield [
            'The surveyor comes on Thursday at 9:00, at 12 Harbour Street, for long.',
            'Thu 26 Nov 2026, 09:00 to 10:00', '12 Harbour Street', ['on Thursday at 9:00', '12 Harbour Street'],
        ];
        yield ['Send me the figures by Friday, please.', null, '', []];
        yield ['We met on 3 November at 2pm in the hall.', null, '', []];
        yield ['Nothing of the kind.', null, '', []];
    }

    /** @param list<string> $marks */
    #[DataProvider('letters')]
    public function testWhatALetterSpeaksOf(string $text, ?string $when, string $place, array $marks): void
    {
        $found = self::read($text);
        self::assertSame([$when, $place], [$found?->time->text(), $found->place ?? '']);
        self::assertSame($marks, array_map(
            static fn (array $mark): string => mb_substr($text, $mark[0], $mark[1] - $mark[0]),
            $found->marks ?? [],
        ));
    }

    /** Whatever stands around it, the day and the hour stay what was found, and the marks stand in the letter. */
    public function testGeneratedLetters(): void
    {
        $chance = new Randomizer(new Mt19937(4));
        $pick = static function (string ...$of) use ($chance): string {
            return array_values($of)[$chance->getInt(0, \count($of) - 1)];
        };
        for ($case = 0; $case < 300; ++$case) {
            $text = $pick("Dear Wren,\n\n", "Hallo,\n", '', "> quoted at 3\n\n", str_repeat('word ', 900))
                .$pick('The meeting is ', 'Can we meet ', 'Dinner ', 'It takes place ', 'We gather (as ever) ')
                .$pick('on Friday at 15:30', 'on Friday, 15:30 to 17:00', 'Friday 3.30 pm', 'on 27 November at 15:30')
                .$pick('', ' at the hall', ', in Room 4,', ' for two hours', ' in the é́vening room', ' — at @@ ?? the (((')
                .$pick(".\n\nIlse", '!', "\nand more at 9 on Monday", '', '. '.str_repeat('Blah at In on the ', 400));
            $found = self::read($text);
            self::assertNotNull($found, $text);
            self::assertSame('Fri 27 Nov 2026, 15:30', substr($found->time->text(), 0, 22), $text);
            foreach ($found->marks as [$from, $to]) {
                self::assertTrue(0 <= $from && $from < $to && $to <= mb_strlen($text), $text);
            }
        }
    }

    public function testWhatIsOverByNowIsNoEventAndItIsSaidInThePersonsZone(): void
    {
        $text = 'The meeting is tomorrow at 14:00.';
        self::assertNull(self::read($text, now: '2026-11-25T15:00'));
        self::assertSame('Wed 25 Nov 2026, 15:00 to 16:00', self::read($text, zone: 'Europe/Vienna')?->time->text());
    }

    private static function read(string $text, string $now = '2026-11-24T10:00', string $zone = 'Europe/Dublin'): ?LetterEvent
    {
        $dublin = new \DateTimeZone('Europe/Dublin');
        $sent = new Moment(new \DateTimeImmutable('2026-11-24T10:00', $dublin), $dublin);
        $gist = new Gist(
            new Address('ilse@isle.example', 'Ilse'),
            [],
            [new Address('wren@ternpoint.example', 'Wren')],
            [],
            'The meeting',
            $sent,
            $text,
            [],
            [],
        );
        $findings = (new ReadMessage())($gist, new Person('wren@ternpoint.example', 'Wren Halloran'));

        return (new EventInLetter())->of(
            $text,
            $findings->dates,
            $sent,
            new Moment(new \DateTimeImmutable($now, $dublin), new \DateTimeZone($zone)),
        );
    }
}
