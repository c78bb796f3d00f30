<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Post;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\CannotUndo;
use ZippyTray\Core\Journal\Change;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\UndoBlocked;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\DraftOvertaken;
use ZippyTray\Core\Post\Expected;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\OutgoingState;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Overtaken;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

/**
 * Drafts, sending, taking back, and who owes what from then on. It is Tuesday 24 November 2026, 10:00.
 */
final class SendTest extends TestCase
{
    private World $world;

    private Conversation $conversation;

    protected function setUp(): void
    {
        $this->world = new World();
        $this->conversation = $this->world->conversation();
    }

    public function testSendingDecidesAndBothAreTakenBackTogether(): void
    {
        $draft = $this->draft();
        $before = $this->world->state();
        $entry = ($this->world->send)(
            World::account(),
            new EntryId('e'),
            $draft->id,
            $this->at('2026-11-24T10:00:10Z'),
            false,
            new DoNow(),
            new Claim($this->conversation->id, $this->conversation->revision()),
        );
        self::assertSame(['send', 'Re: Glass', 'to Tam; done, in the archive'], [$entry->kind->value, $entry->about, $entry->consequence]);
        self::assertSame(
            [OutgoingState::Waiting, Place::Archive],
            [$draft->outgoingState(), $this->conversation->placeAt($this->world->clock->now())],
        );
        self::assertSame(
            [false, true],
            [$draft->isDue(new \DateTimeImmutable('2026-11-24T10:00:09Z')), $draft->isDue(new \DateTimeImmutable('2026-11-24T10:00:10Z'))],
        );
        self::assertSame(
            $entry,
            ($this->world->send)(World::account(), new EntryId('e'), $draft->id, $this->at('2026-11-24T10:00:10Z'), false),
            'The same step again is one.',
        );
        $this->world->undo($entry);
        self::assertSame($before, $this->world->state());
    }

    public function testWhatIsOutCannotBeTakenBack(): void
    {
        $draft = $this->draft();
        $entry = $this->send($draft);
        $draft->begin();
        foreach ([false, true] as $isOut) {
            if ($isOut) {
                $draft->sent($this->world->clock->now());
            }
            try {
                $this->world->undo($entry);
                self::fail('It was undone.');
            } catch (CannotUndo $problem) {
                self::assertStringStartsWith('It has gone out', $problem->getMessage());
            }
            try {
                $this->world->drafts->takeBack(World::account(), new EntryId($this->world->ids->next()), $draft->id);
                self::fail('It was taken back.');
            } catch (Refused $refused) {
                self::assertSame($isOut ? 'It has gone out already.' : 'It is going out at this moment.', $refused->getMessage());
            }
        }
    }

    public function testADecisionOnAnOlderSightSendsNothing(): void
    {
        $draft = $this->draft();
        $seen = $this->conversation->revision();
        $this->conversation->receive($this->world->message(text: 'And another thing.'), true, $this->world->clock->now());
        try {
            ($this->world->send)(
                World::account(),
                new EntryId('e'),
                $draft->id,
                $this->at('2026-11-24T10:00:10Z'),
                false,
                new DoNow(),
                new Claim($this->conversation->id, $seen),
            );
            self::fail('It was sent.');
        } catch (Overtaken) {
            self::assertSame(OutgoingState::Draft, $this->world->memory->outgoings[$draft->id->text]->outgoingState());
        }
    }

    public function testLaterIsMovedSentAtOnceAndTakenBack(): void
    {
        $draft = $this->draft();
        $entry = ($this->world->send)(World::account(), new EntryId('e'), $draft->id, $this->at('2026-11-27T09:00:00Z'), true);
        self::assertSame(['send_later', 'goes out Fri 27 Nov 2026, 09:00, to Tam'], [$entry->kind->value, $entry->consequence]);
        $moved = ($this->world->send)(World::account(), new EntryId('m'), $draft->id, $this->at('2026-11-30T09:00:00Z'), true);
        self::assertFalse($draft->isDue(new \DateTimeImmutable('2026-11-27T09:00:00Z')));
        $this->world->undo($moved);
        self::assertTrue($draft->isDue(new \DateTimeImmutable('2026-11-27T09:00:00Z')));
        $back = $this->world->drafts->takeBack(World::account(), new EntryId('t'), $draft->id);
        self::assertSame([OutgoingState::Draft, null, 'a draft again'], [$draft->outgoingState(), $draft->goesAt(), $back->consequence]);
        self::assertSame('Re: Glass', $back->about);
        $seen = $draft->revision();
        $this->world->undo($back);
        self::assertSame(OutgoingState::Waiting, $draft->outgoingState());
        self::assertGreaterThan($seen, $draft->revision(), 'Whoever saw the draft is told.');
        $this->expectExceptionObject(new Refused('Tue 24 Nov 2026, 09:00 is already past. Choose a moment that is still to come.', 'at'));
        ($this->world->send)(World::account(), new EntryId('p'), $draft->id, $this->at('2026-11-24T09:00:00Z'), true);
    }

    public function testWhatIsTakenBackIsOwedByNobodyUntilThatIsUndone(): void
    {
        $draft = $this->draft();
        $until = $this->at('2026-11-30T09:00:00Z');
        ($this->world->send)(
            World::account(),
            new EntryId('e'),
            $draft->id,
            $this->at('2026-11-27T09:00:00Z'),
            true,
            expected: new Expected('the glass', $until),
        );
        self::assertSame(['Tam open'], $this->owed());
        $back = $this->world->drafts->takeBack(World::account(), new EntryId('t'), $draft->id);
        self::assertSame(['Tam dropped'], $this->owed());
        $this->world->undo($back);
        self::assertSame(['Tam open'], $this->owed());
    }

    public function testOnlyOfWhatIsInDoubtCanBeSaidThatItArrived(): void
    {
        $draft = $this->draft();
        try {
            $this->world->drafts->arrived(World::account(), $draft->id);
            self::fail('It has not gone out.');
        } catch (Refused $refused) {
            self::assertSame('There is no doubt about it any more.', $refused->getMessage());
        }
        $this->send($draft);
        $draft->begin();
        $draft->doubt('Nobody knows.');
        $arrived = $this->world->drafts->arrived(World::account(), $draft->id);
        self::assertSame(
            [OutgoingState::Sent, '', '2026-11-24 10:00'],
            [$arrived->outgoingState(), $arrived->problem(), $arrived->sentAt()?->format('Y-m-d H:i')],
        );
    }

    public function testWhatHasNoSubjectIsNamedAllTheSame(): void
    {
        $draft = $this->draft();
        $this->world->drafts->write(
            World::account(),
            $draft->id,
            $draft->revision(),
            $draft->kind,
            null,
            '',
            new Letter([new Address('tam@glass.example')], text: 'Yes.'),
        );
        $sent = ($this->world->send)(World::account(), new EntryId('e'), $draft->id, $this->at('2026-11-27T09:00:00Z'), true);
        $back = $this->world->drafts->takeBack(World::account(), new EntryId('t'), $draft->id);
        $gone = $this->world->drafts->drop(World::account(), new EntryId('d'), $draft->id);
        self::assertSame(
            ['Message without a subject', 'Message without a subject', 'Draft without a subject'],
            [$sent->about, $back->about, $gone->about],
        );
    }

    public function testADraftIsKeptAndOneWindowDoesNotOverwriteAnother(): void
    {
        $draft = $this->draft();
        $this->write($draft, 1, 'First');
        self::assertSame(2, $draft->revision());
        $this->write($draft, 1, 'First');
        self::assertSame('First', $draft->letter()->text, 'What is the same is no quarrel.');
        try {
            $this->write($draft, 1, 'Second');
            self::fail('It was overwritten.');
        } catch (DraftOvertaken $overtaken) {
            self::assertSame('First', $overtaken->outgoing->letter()->text);
        }
        $gone = $this->world->drafts->drop(World::account(), new EntryId('d'), $draft->id);
        self::assertCount(0, $this->world->memory->outgoings);
        $this->world->undo($gone);
        self::assertSame('First', $this->kept($draft)?->letter()->text);
    }

    public function testFailuresAreRetriedWithGrowingPausesAndThenGivenUp(): void
    {
        $draft = $this->draft();
        $this->send($draft);
        $now = $this->world->clock->now();
        foreach (Outgoing::PAUSES as $minutes) {
            $draft->begin();
            $draft->tryAgain('Closed.', $now);
            self::assertSame([OutgoingState::Waiting, 'Closed.'], [$draft->outgoingState(), $draft->problem()]);
            self::assertFalse($draft->isDue($now->modify(\sprintf('+%d seconds', 60 * $minutes - 1))));
            $now = $now->modify(\sprintf('+%d minutes', $minutes));
            self::assertTrue($draft->isDue($now));
        }
        $draft->begin();
        $draft->tryAgain('Closed.', $now);
        self::assertSame([OutgoingState::Failed, 6], [$draft->outgoingState(), $draft->tries()]);
        $this->send($draft);
        self::assertSame([OutgoingState::Waiting, 0, ''], [$draft->outgoingState(), $draft->tries(), $draft->problem()]);
    }

    public function testEverybodyWhoIsAskedOwesAnAnswerOfTheirOwn(): void
    {
        $draft = $this->draft([new Address('tam@glass.example', 'Tam'), new Address('petra@ternpoint.example', 'Petra')]);
        $until = $this->at('2026-11-27T09:00:00Z');
        $entry = ($this->world->send)(
            World::account(),
            new EntryId('e'),
            $draft->id,
            $this->at('2026-11-24T10:00:10Z'),
            false,
            new HandOver('Tam, Petra', 'the panes', $until),
            new Claim($this->conversation->id),
            new Expected('the panes', $until),
        );
        self::assertSame('to Tam, Petra; Tam, Petra owes you an answer by Fri 27 Nov 2026, 09:00', $entry->consequence);
        self::assertSame(['Tam open', 'Petra open'], $this->owed());

        $this->arrive('petra@ternpoint.example', 'Auto-Submitted: auto-replied');
        self::assertSame([Place::Away, ['Tam open', 'Petra open']], [$this->place(), $this->owed()], 'An automatic answer is none.');
        $this->arrive('PETRA@ternpoint.example');
        self::assertSame(
            [Place::Tray, 'answer', ['Tam open', 'Petra answered']],
            [$this->place(), $this->conversation->state()['calledBackBy'], $this->owed()],
        );
        $this->arrive('ilse@ternpoint.example');
        self::assertSame(['message', ['Tam open', 'Petra answered']], [$this->conversation->state()['calledBackBy'], $this->owed()]);
    }

    public function testAReportBringsItBackAtOnce(): void
    {
        $draft = $this->draft([new Address('tam@glass.example', 'Tam'), new Address('petra@ternpoint.example', 'Petra')]);
        $until = $this->at('2026-11-27T09:00:00Z');
        $this->handOver($draft, '', $until);
        $status = static fn (string $action): string => "Content-Type: message/delivery-status\n\nReporting-MTA: dns; post.example\n\n"
            ."Final-Recipient: rfc822; tam@glass.example\nAction: {$action}\nStatus: 5.1.1";
        $this->arrive('mailer-daemon@post.example', 'In-Reply-To: <'.$draft->messageHeader.'>', $status('delayed'));
        self::assertSame([Place::Away, ['Tam open', 'Petra open']], [$this->place(), $this->owed()], 'What is late is still under way.');
        $this->arrive('mailer-daemon@post.example', 'In-Reply-To: <'.$draft->messageHeader.'>', $status('failed'));
        self::assertSame([Place::Tray, 'undelivered'], [$this->place(), $this->conversation->state()['calledBackBy']]);
    }

    /** It names what it is about in its headers only, which nothing is threaded by. */
    public function testAReportInAConversationOfItsOwnBringsTheWaitingOneBack(): void
    {
        $draft = $this->draft();
        $until = $this->at('2026-11-27T09:00:00Z');
        $this->handOver($draft, '', $until);
        foreach (['other@ternpoint.example tam@glass.example', $draft->messageHeader.' ilse@x.example'] as $other) {
            ($this->world->arrive)(World::recipient(), self::report(...explode(' ', $other)));
            self::assertSame([Place::Away, ['Tam open']], [$this->place(), $this->owed()], 'It is about something else.');
        }
        ($this->world->arrive)(World::recipient(), self::report($draft->messageHeader, 'tam@glass.example'));

        self::assertSame(
            [Place::Tray, 'undelivered', ['Tam undelivered']],
            [$this->place(), $this->conversation->state()['calledBackBy'], $this->owed()],
        );
        $reports = array_filter(
            $this->world->memory->messages,
            static fn (Message $one): bool => 'mailer-daemon@post.example' === $one->from->email,
        );
        self::assertNotContains($this->conversation->id->text, array_intersect_key($this->world->memory->conversationOf, $reports));
    }

    public function testWhomItReachedStillOwesAndTheReportIsUndoneAsAWhole(): void
    {
        $draft = $this->draft([new Address('petra@ternpoint.example', 'Petra'), new Address('tam@glass.example', 'Tam')]);
        $until = $this->at('2026-11-27T09:00:00Z');
        $this->handOver($draft, 'the glass', $until);
        self::assertSame(['Petra open', 'Tam open'], $this->owed());
        $before = [$this->place(), $this->owed(), $this->conversation->state()];
        ($this->world->arrive)(World::recipient(), self::report($draft->messageHeader, 'TAM@glass.example'));
        self::assertSame([Place::Tray, ['Petra open', 'Tam undelivered']], [$this->place(), $this->owed()]);
        $entries = $this->world->memory->entries;
        $this->world->undo(end($entries) ?: throw new \LogicException('It is in the journal.'));
        self::assertSame($before, [$this->place(), $this->owed(), $this->conversation->state()]);
    }

    public function testATaskIsHandedOverAndIsOutOfTheWay(): void
    {
        $this->world->makeTask(new TaskFields('Order polish', due: $this->world->speaker()->due('tomorrow', 'due')));
        $task = $this->world->task('Order polish');
        $draft = $this->draft(conversation: false);
        $entry = ($this->world->send)(
            World::account(),
            new EntryId('e'),
            $draft->id,
            $this->at('2026-11-24T10:00:10Z'),
            false,
            expected: new Expected('polish', $this->at('2026-11-27T09:00:00Z'), $task->id),
        );
        self::assertSame(['Fri 27 Nov 2026, 09:00', ['Tam open']], [$task->start()?->text(), $this->owed()]);
        $this->world->undo($entry);
        self::assertSame([null, []], [$task->start(), $this->owed()]);
    }

    public function testATaskIsBackWithItsAnswer(): void
    {
        $this->world->makeTask(new TaskFields('Order polish'));
        $task = $this->world->task('Order polish');
        $draft = $this->draft();
        ($this->world->send)(
            World::account(),
            new EntryId('e'),
            $draft->id,
            $this->at('2026-11-24T10:00:10Z'),
            false,
            expected: new Expected('polish', $this->at('2026-11-27T09:00:00Z'), $task->id),
        );
        $this->arrive('tam@glass.example');
        self::assertSame(['', ['Tam answered']], [(string) $task->start()?->text(), $this->owed()]);
    }

    public function testWhatMailChangesIsInTheJournalAndCanBeUndone(): void
    {
        $this->world->makeTask(new TaskFields('Order polish'));
        $task = $this->world->task('Order polish');
        $draft = $this->draft();
        $until = $this->at('2026-11-27T09:00:00Z');
        $sent = $this->handOver($draft, 'polish', $until, $task->id);
        $this->arrive('tam@glass.example');
        $entry = array_values(array_reverse($this->world->memory->entries))[0];
        self::assertSame(['arrive', 'Lantern glass', 'Tam has answered'], [$entry->kind->value, $entry->about, $entry->consequence]);
        self::assertSame(['conversation', 'owed', 'task'], self::kinds($entry));
        try {
            $this->world->undo($sent);
            self::fail('The answer has come.');
        } catch (UndoBlocked $blocked) {
            self::assertSame([$entry, 1], [$blocked->later, $blocked->steps]);
        }
        $this->world->undo($entry);
        self::assertSame([Place::Away, ['Tam open'], 'Fri 27 Nov 2026, 09:00'], [$this->place(), $this->owed(), $task->start()?->text()]);
        $count = \count($this->world->memory->entries);
        $this->world->message('Something else');
        ($this->world->arrive)(World::recipient(), "From: ilse@x.example\nSubject: New\nMessage-ID: <new@x.example>\n\nHello.");
        self::assertCount($count, $this->world->memory->entries, 'What changes nothing that was decided needs no entry.');
    }

    /** @return list<string> what the entry changed */
    private static function kinds(Entry $entry): array
    {
        $kinds = array_map(static fn (Change $change): string => $change->object->kind->value, $entry->changes());
        sort($kinds);

        return $kinds;
    }

    public function testWhatWasSettledIsTakenUpAgain(): void
    {
        $draft = $this->draft();
        $until = $this->at('2026-11-27T09:00:00Z');
        $this->handOver($draft, 'the panes', $until);
        $this->arrive('tam@glass.example', text: "\nBy the end of next week.");
        self::assertSame([Place::Tray, ['Tam answered']], [$this->place(), $this->owed()]);
        $owed = array_values($this->world->memory->owed)[0];
        $before = $this->world->state();
        $later = $this->at('2026-12-04T17:00:00Z');
        try {
            $this->world->settleOwed->takeUp(
                World::account(),
                new EntryId('old'),
                $owed->id,
                $later,
                new Claim($this->conversation->id, 1),
            );
            self::fail('A message has come in since.');
        } catch (Overtaken) {
        }
        $entry = $this->world->settleOwed->takeUp(
            World::account(),
            new EntryId('up'),
            $owed->id,
            $later,
            new Claim($this->conversation->id, $this->conversation->revision()),
        );
        self::assertSame(
            [Place::Away, ['Tam open'], 'still owed, until Fri 4 Dec 2026, 17:00'],
            [$this->place(), $this->owed(), $entry->consequence],
        );
        foreach (['open' => $later, 'past' => $this->at('2026-11-23T09:00:00Z')] as $id => $moment) {
            try {
                $this->world->settleOwed->takeUp(World::account(), new EntryId($id), $owed->id, $moment);
                self::fail($id);
            } catch (Refused) {
            }
        }
        $this->world->undo($entry);
        self::assertSame($before, $this->world->state());
    }

    public function testAnAnswerIsNotExpectedBeforeItWasAskedFor(): void
    {
        $draft = $this->draft();
        $this->expectExceptionObject(new Refused('The answer would be expected before the message goes out.', 'until'));
        ($this->world->send)(
            World::account(),
            new EntryId('e'),
            $draft->id,
            $this->at('2026-11-28T09:00:00Z'),
            true,
            expected: new Expected('', $this->at('2026-11-27T09:00:00Z')),
        );
    }

    private function arrive(string $from, string $headers = 'X-Nothing: 1', string $text = "\nHere."): void
    {
        $opened = str_starts_with($text, 'Content-Type') ? $text : "Content-Type: text/plain\n".$text;
        $number = $this->world->ids->next();
        $references = array_map(
            static fn (string $id): string => '<'.$id.'>',
            array_column(
                array_filter(
                    $this->world->memory->messages,
                    fn (object $one): bool => $this->world->memory->conversationOf[$one->id->text] === $this->conversation->id->text,
                ),
                'messageHeader',
            ),
        );
        ($this->world->arrive)(
            World::recipient(),
            "From: {$from}\nTo: wren@ternpoint.example\nSubject: Re: Lantern glass\nMessage-ID: <{$number}@x.example>\n"
                .'References: '.implode(' ', $references)."\n{$headers}\n{$opened}",
        );
    }

    /**
     * @phpstan-impure
     *
     * @return list<string>
     */
    private function owed(): array
    {
        return array_values(array_map(
            static fn ($owed): string => $owed->person()->label().' '.$owed->owedState()->value,
            $this->world->memory->owed,
        ));
    }

    /** @phpstan-impure */
    private function place(): Place
    {
        return $this->conversation->placeAt($this->world->clock->now());
    }

    /** @param list<Address> $to */
    private function draft(array $to = [new Address('tam@glass.example', 'Tam')], bool $conversation = true): Outgoing
    {
        $message = array_key_first($this->world->memory->messages);

        return $this->world->drafts->write(
            World::account(),
            new OutgoingId($this->world->ids->next()),
            0,
            $conversation ? AnswerKind::Reply : AnswerKind::New,
            $conversation ? EmailId::orNull($message) : null,
            $this->world->ids->next().'@ternpoint.example',
            new Letter($to, subject: 'Re: Glass', text: 'The second, please.'),
        );
    }

    private function kept(Outgoing $draft): ?Outgoing
    {
        return $this->world->memory->outgoings[$draft->id->text] ?? null;
    }

    private function write(Outgoing $draft, int $revision, string $text): void
    {
        $this->world->drafts->write(World::account(), $draft->id, $revision, $draft->kind, null, '', new Letter(text: $text));
    }

    private function handOver(Outgoing $draft, string $what, Moment $until, ?TaskId $taskId = null): Entry
    {
        return ($this->world->send)(
            World::account(),
            new EntryId($this->world->ids->next()),
            $draft->id,
            $this->at('2026-11-24T10:00:10Z'),
            false,
            new HandOver('Tam', $what, $until),
            new Claim($this->conversation->id),
            new Expected($what, $until, $taskId),
        );
    }

    private function send(Outgoing $draft): Entry
    {
        return ($this->world->send)(
            World::account(),
            new EntryId($this->world->ids->next()),
            $draft->id,
            $this->at('2026-11-24T10:00:10Z'),
            false,
        );
    }

    private function at(string $instant): Moment
    {
        return new Moment(new \DateTimeImmutable($instant), World::zone());
    }

    /** That a message did not reach somebody, in a conversation of its own (RFC 3464). */
    private static function report(string $about, string $whom): string
    {
        return "From: mailer-daemon@post.example\nTo: wren@ternpoint.example\n"
            ."Subject: Undelivered\nMessage-ID: <{$about}.{$whom}@post.example>\nMIME-Version: 1.0\n"
            ."Content-Type: multipart/report; report-type=delivery-status; boundary=b\n\n--b\nContent-Type: text/plain\n\n"
            ."It could not be delivered.\n--b\nContent-Type: message/delivery-status\n\nReporting-MTA: dns; post.example\n\n"
            ."Final-Recipient: rfc822; {$whom}\nAction: failed\nStatus: 5.1.1\n\n--b\nContent-Type: text/rfc822-headers\n\n"
            ."Message-ID: <{$about}>\nSubject: Glass\n--b--\n";
    }
}
