<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\MailIn;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Arrival\Recipient;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\MailIn\Asking;
use ZippyTray\Core\MailIn\Confirm;
use ZippyTray\Core\MailIn\MadeByMail;
use ZippyTray\Core\MailIn\MailInHand;
use ZippyTray\Core\MailIn\MailInSettings;
use ZippyTray\Core\MailIn\MailInState;
use ZippyTray\Core\Owed\Owed;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

final class CarryOutMailInTest extends TestCase
{
    public function testATaskIsMadeWithItsLetterAndUndoneAsOne(): void
    {
        $world = new World();
        [$made, $mail] = self::mailIn($world, "To: +task+list.harbour\nSubject: Call the keeper\n\ndue friday\n\nSoon.");
        $task = self::task($world);
        self::assertSame(['Call the keeper', 'Fri 27 Nov 2026', 1], [$task->title(), $task->due()?->text(), \count($task->sources())]);
        self::assertSame([MailInState::Done, 'Task “Call the keeper”, in Harbour, due Fri 27 Nov 2026', []], [
            $made->state, $made->did, $made->troubles,
        ]);
        self::assertSame(Place::Archive, $mail->placeAt($world->clock->now()));
        $world->undo(self::entry($world, $made));
        self::assertSame([], $world->memory->tasks);
    }

    public function testTheSameLetterIsCarriedOutOnceHoweverOftenItComes(): void
    {
        $world = new World();
        foreach (["Delivered-To: x@y.example\n", ''] as $trace) {
            self::arrive($world, $trace."To: +task\nSubject: Rope\nMessage-ID: <one@x.example>\n\nText");
        }
        self::assertCount(1, $world->memory->mailIns);
        $made = array_values($world->memory->mailIns)[0];
        ($world->mailIn)($made, self::hand());
        ($world->mailIn)($made, self::hand());
        self::assertCount(1, $world->memory->tasks);
        self::assertCount(1, $world->memory->outgoings);
    }

    public function testALetterComesBack(): void
    {
        $world = new World();
        [$made, $mail] = self::mailIn($world, "To: +tomorrow.9am\nSubject: Tides\n\nText");
        self::assertSame(['Back Wed 25 Nov 2026, 09:00', 'Wed 25 Nov 2026, 09:00'], [$made->did, $mail->awayUntil()?->text()]);
        $world->clock->set('2026-11-25T09:00:00Z');
        self::assertSame(Place::Tray, $mail->placeAt($world->clock->now()));
    }

    public function testACopyOfALetterToOthersWaitsForTheirAnswers(): void
    {
        $world = new World();
        [$made, $mail] = self::mailIn(
            $world,
            "Delivered-To: wren+friday@ternpoint.example\nTo: olga@x.example\nMessage-ID: <asked@x.example>\nSubject: Panes\n\nWhich?",
            raw: true,
        );
        self::assertSame('Back Fri 27 Nov 2026, 09:00, unless olga@x.example has answered', $made->did);
        self::assertSame([Place::Away, ['olga@x.example']], [
            $mail->placeAt($world->clock->now()),
            array_values(array_map(static fn (Owed $owed): string => $owed->person()->email, $world->memory->owed)),
        ]);
        self::letter(
            $world,
            "From: olga@x.example\nTo: wren@ternpoint.example\nReferences: <asked@x.example>\nSubject: Re: Panes\n\nThese.",
        );
        self::assertSame([Place::Tray, 'answer'], [$mail->placeAt($world->clock->now()), $mail->state()['calledBackBy']]);
    }

    public function testWhoHasAnsweredAlreadyIsNotWaitedFor(): void
    {
        $world = new World();
        $asked = self::arrive(
            $world,
            "Delivered-To: wren+friday@ternpoint.example\nTo: olga@x.example\nMessage-ID: <asked@x.example>\nSubject: Panes\n\nWhich?",
            raw: true,
        );
        self::letter(
            $world,
            "From: olga@x.example\nTo: wren@ternpoint.example\nReferences: <asked@x.example>\n"
                ."Date: Tue, 24 Nov 2026 09:00:00 +0000\n\nThese.",
        );
        $made = ($world->mailIn)(self::only($world), self::hand());
        self::assertSame(['olga@x.example has answered already', []], [$made->did, $world->memory->owed]);
        self::assertSame(Place::Tray, self::conversation($world, $asked)->placeAt($world->clock->now()));
    }

    /** @return iterable<string, array{string, string}> the letter, what is said of it */
    public static function troubles(): iterable
    {
        yield 'what cannot be read' => ["To: +tomorow.9pmx\nSubject: A\n\nText", '“+tomorow.9pmx” was not understood.'];
        yield 'what is past' => [
            "To: +23.nov.2026\nSubject: A\n\nText",
            'Mon 23 Nov 2026, 09:00 is already past. Choose a moment that is still to come.',
        ];
    }

    #[DataProvider('troubles')]
    public function testWhatCannotBeReadLiesInTheTrayAndSaysWhy(string $letter, string $why): void
    {
        $world = new World();
        [$made, $mail] = self::mailIn($world, $letter);
        self::assertSame([MailInState::Refused, [$why]], [$made->state, $made->troubles]);
        self::assertSame([Place::Tray, []], [$mail->placeAt($world->clock->now()), $world->memory->tasks]);
        self::assertStringContainsString($why, self::confirmation($world)->text);
    }

    public function testWhatIsHalfUnderstoodIsDoneAndLiesInTheTrayToo(): void
    {
        $world = new World();
        [$made, $mail] = self::mailIn($world, "To: +task+xyzzy\nSubject: A\n\nText");
        self::assertSame([MailInState::Done, ['“+xyzzy” was not understood.']], [$made->state, $made->troubles]);
        self::assertSame([Place::Tray, 1], [$mail->placeAt($world->clock->now()), \count($world->memory->tasks)]);
    }

    /** @return iterable<string, array{string, bool}> header, whether it is obeyed */
    public static function senders(): iterable
    {
        yield 'oneself' => ["From: Wren <wren@ternpoint.example>\n", true];
        yield 'another address of one\'s own' => ["From: halloran@home.example\n", true];
        yield 'somebody who is allowed' => ["From: Ada@office.example\n", true];
        yield 'somebody else' => ["From: olga@x.example\n", false];
        yield 'a program' => ["From: wren@ternpoint.example\nAuto-Submitted: auto-replied\n", false];
        yield 'a list' => ["From: wren@ternpoint.example\nList-Id: <keepers.x.example>\n", false];
        yield 'who pretends to be oneself' => [
            "Authentication-Results: mx.ternpoint.example; spf=fail; dkim=none; dmarc=fail\nFrom: wren@ternpoint.example\n",
            false,
        ];
        yield 'who pretends, and says otherwise below' => [
            "Authentication-Results: mx.example; spf=softfail\nAuthentication-Results: forged.example; dmarc=pass\n"
                ."From: wren@ternpoint.example\n",
            false,
        ];
        yield 'who is confirmed' => [
            "Authentication-Results: mx.example; spf=fail; dkim=pass; dmarc=pass\nFrom: wren@ternpoint.example\n",
            true,
        ];
        yield 'by its key alone' => [
            "Authentication-Results: mx.example; spf=fail (no) smtp.mailfrom=a; dkim=pass\nFrom: wren@ternpoint.example\n",
            true,
        ];
    }

    #[DataProvider('senders')]
    public function testOnlyWhoMayMakesThings(string $header, bool $obeyed): void
    {
        $world = new World();
        $message = self::letter($world, $header."To: wren+task@ternpoint.example\nSubject: A\n\nText");
        self::assertCount((int) $obeyed, $world->memory->mailIns);
        $isPretended = str_contains($header, 'mx.') && !$obeyed;
        self::assertFalse($isPretended && $message->own, 'Who pretends has not written it.');
    }

    public function testItIsNotLookedAtWhereItIsOffOrMailIsBroughtIn(): void
    {
        $world = new World();
        ($world->arrive)(World::recipient(), "From: wren@ternpoint.example\nTo: wren+task@ternpoint.example\nSubject: A\n\nText");
        self::arrive($world, "To: +task\nSubject: B\n\nText", settings: new MailInSettings(false));
        self::assertSame([], $world->memory->mailIns);
    }

    /** @return iterable<string, array{Confirm, string, bool}> */
    public static function confirmations(): iterable
    {
        $told = [[Confirm::Always, true, true], [Confirm::Trouble, false, true], [Confirm::Never, false, false]];
        foreach ($told as [$when, $well, $trouble]) {
            yield $when->value => [$when, '+task', $well];
            yield $when->value.', with trouble' => [$when, '+xyzzy', $trouble];
        }
    }

    #[DataProvider('confirmations')]
    public function testItIsConfirmedByMailAsWished(Confirm $confirm, string $to, bool $sent): void
    {
        $world = new World();
        self::mailIn($world, "To: {$to}\nSubject: Rope\n\nText", settings: new MailInSettings(true, [], $confirm));
        self::assertCount((int) $sent, $world->memory->outgoings);
    }

    public function testTheConfirmationSaysWhatWasMadeAndIsAnAutomaticAnswer(): void
    {
        $world = new World();
        [$made] = self::mailIn($world, "To: +task\nSubject: Rope\n\nText");
        $letter = self::confirmation($world);
        self::assertSame(
            [true, $made->answerAddress(World::OWN), World::OWN, 'Made: Rope'],
            [$letter->automatic, $letter->replyTo, $letter->to[0]->email, $letter->subject],
        );
        self::assertStringContainsString("Task “Rope”, without date.\nhttps://tray.example/tasks/".self::task($world)->id, $letter->text);
        self::mailIn($world, "To: \nSubject: Oil\n\n+task");
        self::assertSame('', self::confirmation($world)->replyTo, 'Whose server takes no sub-addresses answers at their own.');
    }

    public function testAnAnswerCancelsIt(): void
    {
        foreach (['cancel', 'Cancel it, please.', '"undo"', 'No.'] as $text) {
            $world = new World();
            [$made] = self::mailIn($world, "To: +task\nSubject: Rope\n\nText");
            [$answer] = self::answer($world, $made, $text);
            self::assertSame(['Cancelled: task “Rope”, without date', []], [$answer->did, $world->memory->tasks]);
        }
    }

    public function testAnAnswerMovesItAndTheAnswerToThatMovesItAgain(): void
    {
        $world = new World();
        [$made] = self::mailIn($world, "To: +task\nSubject: Rope\n\nText");
        [$first] = self::answer($world, $made, "Friday 3pm\n\nOn Tue, Wren wrote:\n> cancel");
        self::assertSame(['Due Fri 27 Nov 2026, 15:00', 'Fri 27 Nov 2026, 15:00'], [$first->did, self::dueOf($world)]);
        [$second] = self::answer($world, $first, 'monday');
        self::assertSame('Mon 30 Nov 2026', self::dueOf($world));
        [$third] = self::answer($world, $second, 'undo');
        self::assertSame(['Cancelled: due Mon 30 Nov 2026', 'Fri 27 Nov 2026, 15:00'], [$third->did, self::dueOf($world)]);
        [$fourth, $mail] = self::answer($world, $made, 'no idea');
        self::assertSame([MailInState::Refused, Place::Tray], [$fourth->state, $mail->placeAt($world->clock->now())]);
    }

    public function testAnAnswerMovesTheReturn(): void
    {
        $world = new World();
        [$made, $mail] = self::mailIn(
            $world,
            "Delivered-To: wren+friday@ternpoint.example\nTo: olga@x.example\nSubject: Panes\n\nWhich?",
            raw: true,
        );
        self::answer($world, $made, 'in 10 days');
        self::assertSame('Fri 4 Dec 2026', $mail->awayUntil()?->date()->text());
        self::assertSame('Fri 4 Dec 2026', array_values($world->memory->owed)[0]->until()->date()->text());
    }

    public function testAnAnswerIsKnownByWhatItAnswersToo(): void
    {
        $world = new World();
        [$made] = self::mailIn($world, "To: \nSubject: Rope\n\n+task");
        $header = $made->confirmationHeader(World::OWN);
        [$answer] = self::mailIn($world, "To: \nSubject: Re: Rope\nIn-Reply-To: <{$header}>\n\ncancel");
        self::assertSame([$made->id, []], [$answer->answers, $world->memory->tasks]);
        $unknown = str_repeat('0', 32);
        [$lost, $mail] = self::mailIn($world, "To: +made.{$unknown}\nSubject: Re: Rope\n\ncancel");
        self::assertSame([MailInState::Refused, Place::Tray], [$lost->state, $mail->placeAt($world->clock->now())]);
    }

    public function testWhatStandsInTheWayIsSaid(): void
    {
        $world = new World();
        [$made, $mail] = self::mailIn($world, "To: +tomorrow\nSubject: Tides\n\nText");
        $world->decide(new Archive(), [$mail]);
        [$answer] = self::answer($world, $made, 'cancel');
        self::assertSame(['It could not be cancelled: “Tides” came later.'], $answer->troubles);
    }

    public function testAFloodIsHeldUp(): void
    {
        $world = new World();
        for ($number = 0; $number < 202; ++$number) {
            [$made] = self::mailIn($world, "To: +task\nSubject: A {$number}\n\nText");
        }
        self::assertSame([200, MailInState::Refused], [\count($world->memory->tasks), $made->state]);
    }

    /** "Tomorrow" is the day after it was written, however long it took. */
    public function testTimesAreThoseOfTheLetter(): void
    {
        $world = new World('2026-11-26T10:00:00Z');
        [$made] = self::mailIn($world, "To: +task+tomorrow\nSubject: Rope\nDate: Wed, 25 Nov 2026 22:00:00 +0000\n\nText");
        self::assertSame('Task “Rope”, due Thu 26 Nov 2026', $made->did);
    }

    public function testAddressesThatAreNoneCannotBeAllowed(): void
    {
        $this->expectException(Refused::class);
        new MailInSettings(true, ['olga']);
    }

    public function testAConfirmationIsAnsweredAtAnAddressThatIsKnownAgain(): void
    {
        $world = new World();
        [$made] = self::mailIn($world, "To: +task\nSubject: Rope\n\nText");
        $detail = (new Person(World::OWN))->detailOf($made->answerAddress(World::OWN));
        self::assertStringStartsWith(Asking::ANSWER, (string) $detail);
    }

    /** @return array{MadeByMail, Conversation} */
    private static function mailIn(World $world, string $letter, bool $raw = false, ?MailInSettings $settings = null): array
    {
        $message = self::arrive($world, $letter, $raw, $settings);
        $wanted = array_filter($world->memory->mailIns, static fn (MadeByMail $one): bool => $one->messageId->is($message->id));
        $made = array_values($wanted)[0] ?? throw new \LogicException('It asks for nothing.');

        return [($world->mailIn)($made, self::hand($settings, $world)), self::conversation($world, $message)];
    }

    /** @return array{MadeByMail, Conversation} */
    private static function answer(World $world, MadeByMail $made, string $text): array
    {
        $to = (string) (new Person(World::OWN))->detailOf($made->answerAddress(World::OWN));

        return self::mailIn($world, "To: +{$to}\nSubject: Re: Made\n\n{$text}");
    }

    private static function arrive(World $world, string $letter, bool $raw = false, ?MailInSettings $settings = null): Message
    {
        $letter = $raw ? $letter : (string) preg_replace('/^To: (.*)$/m', 'To: wren$1@ternpoint.example', $letter, 1);
        $id = str_contains($letter, 'Message-ID') ? '' : 'Message-ID: <'.$world->ids->next()."@x.example>\n";

        return self::letter($world, "From: wren@ternpoint.example\n".$id.$letter, $settings);
    }

    private static function letter(World $world, string $raw, ?MailInSettings $settings = null): Message
    {
        $to = new Recipient(
            World::account(),
            self::hand()->person,
            mailIn: $settings ?? new MailInSettings(true, ['ada@office.example']),
        );
        $raw = str_contains($raw, 'Date:') ? $raw : "Date: Tue, 24 Nov 2026 08:00:00 +0000\n".$raw;
        $before = array_values($world->memory->messages);

        return ($world->arrive)($to, $raw) ?? end($before) ?: throw new \LogicException('It was refused.');
    }

    private static function conversation(World $world, Message $message): Conversation
    {
        return $world->memory->conversations[$world->memory->conversationOf[$message->id->text]];
    }

    private static function only(World $world): MadeByMail
    {
        return array_values($world->memory->mailIns)[0];
    }

    private static function task(World $world): Task
    {
        return array_values($world->memory->tasks)[0];
    }

    /** @phpstan-impure */
    private static function dueOf(World $world): ?string
    {
        return self::task($world)->due()?->text();
    }

    private static function entry(World $world, MadeByMail $made): Entry
    {
        return array_values(array_filter(
            $world->memory->entries,
            static fn (Entry $entry): bool => $entry->id->is($made->entryId ?? new EntryId('')),
        ))[0];
    }

    private static function confirmation(World $world): Letter
    {
        $outgoings = array_values($world->memory->outgoings);
        $last = end($outgoings);
        self::assertInstanceOf(Outgoing::class, $last);

        return $last->letter();
    }

    private static function hand(?MailInSettings $settings = null, ?World $world = null): MailInHand
    {
        return new MailInHand(
            new Person(World::OWN, 'Wren', others: ['halloran@home.example']),
            new Moment($world?->clock->now() ?? new \DateTimeImmutable('2026-11-24T10:00:00Z'), World::zone()),
            $settings ?? new MailInSettings(),
            true,
            'https://tray.example',
        );
    }
}
