<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Advice;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Tray\Advice\Advice;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Advice\Adviser;
use ZippyTray\Core\Tray\Advice\Circumstances;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\Habit;
use ZippyTray\Core\Tray\Advice\ReadMessage;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Back;
use ZippyTray\Core\Tray\BackBecause;
use ZippyTray\Core\Tray\Importance\Leaning;
use ZippyTray\Core\Tray\Importance\Shown;

final class AdviserTest extends TestCase
{
    private const BULK = ['list-unsubscribe' => '<https://news.example/off>'];

    public function testAHabitWeighsInAndIsNamed(): void
    {
        $deletes = self::habit(AdvisedDecision::Delete, Shown::Dropped, 4);
        $advice = self::advise([self::read('The news of the week: gulls.', self::BULK)], $deletes);
        self::assertSame(AdvisedDecision::Delete, $advice->decision);
        self::assertContains('You deleted the last 4 from Tam.', $advice->reasons);
    }

    public function testWhatIsDeletedAgainAndAgainMayAsWellBeBlocked(): void
    {
        $leaning = new Leaning(AdvisedDecision::Delete, 0.99);
        $advice = self::advise(
            [self::read('The news of the week.', self::BULK)],
            self::habit(AdvisedDecision::Delete, Shown::Dropped, 6),
            leaning: $leaning,
        );
        self::assertSame(AdvisedDecision::Block, $advice->decision);
    }

    public function testAHabitDoesNotBuryARequest(): void
    {
        $advice = self::advise(
            [self::read('Could you send me the drawings by Friday?')],
            self::habit(AdvisedDecision::Archive, Shown::Read, 9),
        );
        self::assertSame(AdvisedDecision::Task, $advice->decision);
    }

    /** @return iterable<string, array{string, Leaning, AdvisedDecision, string|null}> text, leaning, what is advised, why */
    public static function leanings(): iterable
    {
        $asks = 'Could you send me the drawings by Friday?';
        $tells = 'The roof is done, and it looks well.';
        yield 'what is usual is proposed' => [
            $tells,
            new Leaning(AdvisedDecision::Task, 0.6),
            AdvisedDecision::Task,
            'Mail like this you mostly make a task of.',
        ];
        yield 'a request is not buried by what is only likely' => [
            $asks,
            new Leaning(AdvisedDecision::Archive, 0.65),
            AdvisedDecision::Task,
            null,
        ];
        yield 'nor put off' => [$asks, new Leaning(AdvisedDecision::Snooze, 0.65), AdvisedDecision::Task, null];
        yield 'but by what is nearly sure' => [
            $asks,
            new Leaning(AdvisedDecision::Archive, 0.9),
            AdvisedDecision::Archive,
            'Mail like this you mostly archive.',
        ];
        yield 'what they said counts' => [
            $asks,
            new Leaning(AdvisedDecision::Delete, 0.51, true),
            AdvisedDecision::Delete,
            'You said that this is what it should be.',
        ];
        yield 'the same needs no other reason' => [$tells, new Leaning(AdvisedDecision::Archive, 0.9), AdvisedDecision::Archive, null];
    }

    #[DataProvider('leanings')]
    public function testWhatIsUsualIsProposed(string $text, Leaning $leaning, AdvisedDecision $advised, ?string $why): void
    {
        $advice = self::advise([self::read($text)], leaning: $leaning);
        self::assertSame($advised, $advice->decision);
        if (null !== $why) {
            self::assertContains($why, $advice->reasons);
        } else {
            self::assertStringNotContainsString('mostly', implode(' ', $advice->reasons));
        }
    }

    public function testTheHabitIsTheReasonWhenItIsTheSame(): void
    {
        $advice = self::advise(
            [self::read('The roof is done.')],
            self::habit(AdvisedDecision::Task, Shown::Acted, 3),
            leaning: new Leaning(AdvisedDecision::Task, 0.8),
        );
        self::assertSame([AdvisedDecision::Task, 'You made tasks of the last 3 from Tam.'], [$advice->decision, $advice->reasons[0]]);
    }

    private static function habit(AdvisedDecision $decision, Shown $shown, int $times): Habit
    {
        return Habit::of('Tam', false, array_fill(0, $times, [$decision, $shown]));
    }

    public function testOfSeveralMessagesTheOneThatAsksMostCounts(): void
    {
        $advice = self::advise([self::read('Could you send me the drawings by Friday?'), self::read('P.S. The weather is lovely.')]);
        self::assertSame(AdvisedDecision::Task, $advice->decision);
        self::assertSame('Send Olga the drawings', $advice->title);
        self::assertSame('2026-11-27', (string) $advice->date?->date);
    }

    public function testADeadlineThatIsOverIsNoneAnyMore(): void
    {
        $found = self::read('Applications close on 26 November.');
        self::assertSame(AdvisedDecision::Task, self::advise([$found])->decision);
        self::assertSame(AdvisedDecision::Archive, self::advise([$found], today: '2026-11-27')->decision);
    }

    public function testAPromiseIsWorthAnotherLookOnItsDay(): void
    {
        $advice = self::advise([self::read('I will send you the quote on Monday.')]);
        self::assertSame(AdvisedDecision::Snooze, $advice->decision);
        self::assertSame('2026-11-30', (string) $advice->until);
    }

    public function testWhatWasTouchedOrPutOffTooOftenIsSaid(): void
    {
        $found = self::read('Which colour do you prefer?');
        $touched = (new Adviser())->advise([$found], new Circumstances(LocalDate::parse('2026-11-24'), Habit::none(), touches: 3));
        self::assertContains('You have looked at it 3 times without deciding.', $touched->reasons);
        $snoozed = (new Adviser())->advise(
            [$found],
            new Circumstances(LocalDate::parse('2026-11-24'), Habit::none(), snoozes: 4, touches: 3),
        );
        self::assertContains('You have put it off 4 times.', $snoozed->reasons);
    }

    public function testASuspiciousMessageFromSomebodyKnownIsOnlyRead(): void
    {
        $text = 'Dear user, your mailbox is full and your account will be suspended. Please verify your account within 24 hours. Click '
            .'here.';
        $found = self::read($text);
        self::assertSame(AdvisedDecision::Block, self::advise([$found])->decision);
        $known = (new Adviser())->advise([$found], new Circumstances(LocalDate::parse('2026-11-24'), Habit::none(), written: 3));
        self::assertNotSame(AdvisedDecision::Block, $known->decision);
    }

    public function testDatesAreReadInThePersonsOrder(): void
    {
        $gist = self::letter('The appointment is on 12/01 at 14:00.');
        $dayFirst = (new ReadMessage())($gist, new Person(LabelledLetters::ME));
        $monthFirst = (new ReadMessage())($gist, new Person(LabelledLetters::ME, time: new TimeSettings(false)));
        self::assertSame(['2027-01-12', '2026-12-01'], [(string) $dayFirst->dates[0]->date, (string) $monthFirst->dates[0]->date]);
    }

    /**
     * @return iterable<string, array{
     *     string, BackBecause, AwayReason, AdvisedDecision, AdvisedDecision
     * }> text, why it is back, why it was away, the advice before and after
     */
    public static function returns(): iterable
    {
        $nothing = 'The half-tide was at nine.';
        yield 'at its time: not let go' => [
            $nothing,
            BackBecause::Time,
            AwayReason::Snooze,
            AdvisedDecision::Archive,
            AdvisedDecision::Now,
        ];
        yield 'at its time: not put off once more' => [
            'I will send you the quote on Monday.',
            BackBecause::Time,
            AwayReason::Snooze,
            AdvisedDecision::Snooze,
            AdvisedDecision::Now,
        ];
        yield 'at its time: a task stays one' => [
            'Could you send me the drawings by Friday?',
            BackBecause::Time,
            AwayReason::Snooze,
            AdvisedDecision::Task,
            AdvisedDecision::Task,
        ];
        yield 'with a message: what that says' => [
            $nothing,
            BackBecause::Message,
            AwayReason::Snooze,
            AdvisedDecision::Archive,
            AdvisedDecision::Archive,
        ];
        yield 'for the clearing' => [
            $nothing,
            BackBecause::Clearing,
            AwayReason::NextClearing,
            AdvisedDecision::Archive,
            AdvisedDecision::Now,
        ];
        yield 'no answer: ask again' => [
            'Could you send me the drawings by Friday?',
            BackBecause::Time,
            AwayReason::Answer,
            AdvisedDecision::Task,
            AdvisedDecision::Now,
        ];
        yield 'a hand-over in silence: ask again' => [
            $nothing,
            BackBecause::Time,
            AwayReason::HandOver,
            AdvisedDecision::Archive,
            AdvisedDecision::Now,
        ];
    }

    #[DataProvider('returns')]
    public function testWhatCameBackIsAdvisedByItsReturn(
        string $text,
        BackBecause $because,
        AwayReason $reason,
        AdvisedDecision $before,
        AdvisedDecision $after,
    ): void {
        $found = self::read($text);
        self::assertSame($before, self::advise([$found])->decision);
        $back = new Back(
            $because,
            $reason,
            new Moment(new \DateTimeImmutable('2026-11-24T09:00:00Z'), new \DateTimeZone('Europe/Dublin')),
            new \DateTimeImmutable('2026-11-20T09:00:00Z'),
            1,
            null,
            'Petra',
        );
        $today = LocalDate::parse('2026-11-24');
        $advice = (new Adviser())->advise([$found], new Circumstances($today, Habit::none(), back: $back));
        self::assertSame([$after, $back->why($today)], [$advice->decision, $advice->reasons[0]]);
        self::assertSame(AdvisedDecision::Snooze === $after, null !== $advice->until);
    }

    /** @param non-empty-list<Findings> $found */
    private static function advise(array $found, ?Habit $habit = null, string $today = '2026-11-24', ?Leaning $leaning = null): Advice
    {
        return (new Adviser())->advise($found, new Circumstances(LocalDate::parse($today), $habit ?? Habit::none(), leaning: $leaning));
    }

    /** @param array<string, string> $headers */
    private static function read(string $text, array $headers = []): Findings
    {
        return (new ReadMessage())(self::letter($text, $headers), new Person(LabelledLetters::ME, 'Wren Halloran'));
    }

    /** @param array<string, string> $headers */
    private static function letter(string $text, array $headers = []): Gist
    {
        return new Gist(
            new Address('olga@brandt-roofs.example', 'Olga Brandt'),
            [],
            [new Address(LabelledLetters::ME, 'Wren Halloran')],
            [],
            'Hello',
            new Moment(new \DateTimeImmutable('2026-11-24T10:00:00Z'), new \DateTimeZone('UTC')),
            $text,
            $headers,
            [],
        );
    }
}
