<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Owed;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Owed\Promise;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Tray\Advice\DateKind;
use ZippyTray\Core\Tray\Advice\FoundDate;
use ZippyTray\Tests\Core\World\World;

/**
 * It is Tuesday 24 November 2026.
 */
final class PromiseTest extends TestCase
{
    /** @return iterable<string, array{string, bool}> an answer, whether it only promises one */
    public static function answers(): iterable
    {
        yield 'by the end of the week' => ["Hello Wren,\n\nyou will have it by the end of the week.\n\nTam", true];
        yield 'without a verb' => ["By Friday.\n\nTam", true];
        yield 'looking into it' => ['Thanks for the reminder. I am looking into it.', true];
        yield 'come back to you' => ["Sorry, busy days here. I'll come back to you on Thursday.", true];
        yield 'asked somebody' => ['I have asked Jory and will let you know.', true];
        yield 'more time' => ['I need a bit more time for this, sorry!', true];
        yield 'not forgotten' => ['Haven’t forgotten. Soon.', true];
        yield 'on it' => ['On it!', true];
        yield 'waiting for others' => ['We are still waiting to hear from the county.', true];
        yield 'will do' => ['Will do.', true];
        yield 'only in what is quoted' => [
            "Twelve panes, as in spring.\n\nOn Mon 23 Nov 2026 at 10:00, Wren wrote:\n> I will send you the list by Friday.",
            false,
        ];
        yield 'a yes' => ['Yes, that is right. I will be there on Friday.', false];
        yield 'a no' => ["No, we do not have it any more.\n\nTam", false];
        yield 'attached' => ['Here is the list, attached. I will send the other one tomorrow.', false];
        yield 'a figure' => ['It comes to 120 EUR. We will send the invoice next week.', false];
        yield 'a link' => ['You will find it at https://glass.example/list', false];
        yield 'done' => ['The form is signed and in the post. You will have it by Friday.', false];
        yield 'a plain answer' => ['The second one, with the round top.', false];
        yield 'a question back' => ['Which of the two do you mean? Will you be there on Friday?', false];
        yield 'a question back and a promise' => ['Which of the two do you mean? I am looking into it.', true];
        yield 'nothing' => ["\n\n", false];
        yield 'long' => [
            str_repeat('The stairs have twelve steps and the rail is loose at the third one. ', 14).'I will send more.',
            false,
        ];
    }

    #[DataProvider('answers')]
    public function testWhatOnlyPromisesIsToldFromWhatAnswers(string $text, bool $isPromise): void
    {
        self::assertSame($isPromise, null !== Promise::in($text, [], false, LocalDate::parse('2026-11-24')));
        self::assertNull(Promise::in($text, [], true, LocalDate::parse('2026-11-24')), 'What brings a file gives something.');
    }

    public function testThePromisedDayIsTheLastOneAhead(): void
    {
        $date = static fn (string $day, string $text, DateKind $kind = DateKind::Mention): FoundDate => new FoundDate(
            $kind,
            LocalDate::parse($day),
            null,
            $text,
            0,
            1,
        );
        $text = "You will have it by Wednesday, at the latest on Friday. I was away on Monday.\n\n> by 4 December";
        $promise = Promise::in(
            $text,
            [
                $date('2026-11-23', 'on Monday'),
                $date('2026-11-25', 'by Wednesday'),
                $date('2026-11-27', 'on Friday'),
                $date('2026-12-04', 'by 4 December'),
            ],
            false,
            LocalDate::parse('2026-11-24'),
        );
        self::assertSame(
            ['You will have it by Wednesday, at the latest on Friday.', '2026-11-27'],
            [$promise?->words, (string) $promise?->by],
        );
        self::assertNull(Promise::in('I am looking into it.', [], false, LocalDate::parse('2026-11-24'))?->by);
    }

    public function testALongSentenceIsCut(): void
    {
        $sentence = 'I will send it '.str_repeat('o', 145);
        $words = static fn (string $text): ?string => Promise::in($text, [], false, LocalDate::parse('2026-11-24'))?->words;
        self::assertSame([$sentence, mb_substr($sentence, 0, 159).'…'], [$words($sentence), $words($sentence.'o')]);
    }

    /** @return iterable<string, array{list<array{0: string, 1: string, 2?: string}>, bool}> */
    public static function lastWords(): iterable
    {
        $tam = 'tam@glass.example';
        $promise = [$tam, 'I am looking into it.'];
        yield 'nobody' => [[], false];
        yield 'the promise' => [[[World::OWN, 'When?'], $promise], true];
        yield 'their address in capitals' => [[['TAM@glass.example', 'I am looking into it.']], true];
        yield 'written to since' => [[$promise, [World::OWN, 'Thank you.']], false];
        yield 'another one has spoken since' => [[$promise, ['olga@roofs.example', 'Me, too.']], false];
        yield 'it is the promise of another one' => [[['olga@roofs.example', 'I am looking into it.']], false];
        yield 'they have answered since' => [[$promise, [$tam, 'Done.']], false];
        yield 'they had answered before' => [[[$tam, 'Done.'], $promise], true];
        yield 'an automatic answer came since' => [[$promise, [$tam, 'Away.', "Auto-Submitted: auto-replied\n"]], true];
        yield 'only an automatic answer' => [[[$tam, 'I will answer soon.', "Auto-Submitted: auto-replied\n"]], false];
    }

    /** @param list<array{0: string, 1: string, 2?: string}> $said by whom, what, and headers besides */
    #[DataProvider('lastWords')]
    public function testAPromiseStandsWhileItIsTheLastWord(array $said, bool $stands): void
    {
        $world = new World();
        $messages = [];
        foreach ($said as $number => [$from, $text]) {
            ($world->arrive)(
                World::recipient(),
                "From: {$from}\nSubject: Glass {$number}\nMessage-ID: <{$number}@x.example>\n".($said[$number][2] ?? '')."\n{$text}",
            );
            $messages = array_values($world->memory->messages);
        }
        self::assertSame(
            $stands,
            null !== Promise::lastWord('tam@glass.example', $messages, [], LocalDate::parse('2026-11-24')),
        );
    }

    public function testItIsWaitedForUntilTheEndOfThePromisedDayUnlessThatIsPast(): void
    {
        $zone = new \DateTimeZone('Europe/Lisbon');
        $promise = Promise::in(
            'You will have it today.',
            [new FoundDate(DateKind::Mention, LocalDate::parse('2026-11-24'), null, 'today', 17, 22)],
            false,
            LocalDate::parse('2026-11-24'),
        );
        $until = static fn (string $now, string $end): ?string => $promise
            ?->until(new Moment(new \DateTimeImmutable($now, $zone), $zone), new TimeSettings(marks: ['end_of_day' => $end]))
            ?->instant->setTimezone($zone)->format('Y-m-d H:i');
        self::assertSame('2026-11-24 16:30', $until('2026-11-24 16:29', '16:30'));
        self::assertNull($until('2026-11-24 16:30', '16:30'));
        self::assertNull(
            Promise::in('I am looking into it.', [], false, LocalDate::parse('2026-11-24'))
                ?->until(new Moment(new \DateTimeImmutable('2026-11-24 10:00', $zone), $zone), new TimeSettings()),
        );
    }
}
