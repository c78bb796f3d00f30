<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Post;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\CannotUndo;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\Expected;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\OutgoingState;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

/**
 * What becomes of a message on its way out, and of its conversation. It is Tuesday 24 November 2026, 10:00.
 */
final class GoingOutTest extends TestCase
{
    private World $world;

    private Conversation $conversation;

    protected function setUp(): void
    {
        $this->world = new World();
        $this->conversation = $this->world->conversation();
    }

    public function testWhoOwesAnAnswerToWhatBeganAConversationOwesItThere(): void
    {
        $outgoing = $this->queue(null, new Expected('the putty', $this->at('2026-11-27T12:00:00Z')));
        $outgoing->begin();
        $mine = $this->outArrives($outgoing);
        $this->world->goingOut->isOut($outgoing);
        self::assertSame(OutgoingState::Sent, $outgoing->outgoingState());
        self::assertEquals($this->world->clock->now(), $outgoing->sentAt());
        $owed = array_values($this->world->memory->owed)[0];
        self::assertSame($mine->id->text, $owed->conversationId()?->text);
        self::assertSame([Place::Away, AwayReason::HandOver], [$mine->placeAt($this->world->clock->now()), $mine->awayReason()]);
        self::assertEquals($this->at('2026-11-27T12:00:00Z'), $mine->awayUntil());
        $entry = $this->newest();
        self::assertSame([EntryKind::Deliver, 'Putty', 'has gone out'], [$entry->kind, $entry->about, $entry->consequence]);
        $this->expectException(CannotUndo::class);
        $this->world->undo($entry);
    }

    public function testWhatNobodyOwesAnAnswerToIsJustOut(): void
    {
        $outgoing = $this->queue(null);
        $outgoing->begin();
        $this->outArrives($outgoing);
        $entries = \count($this->world->memory->entries);
        $this->world->goingOut->isOut($outgoing);
        self::assertSame([OutgoingState::Sent, $entries], [$outgoing->outgoingState(), \count($this->world->memory->entries)]);
    }

    /** @return iterable<string, array{callable(World, Outgoing): void, OutgoingState}> */
    public static function troubles(): iterable
    {
        yield 'it is refused' => [
            static fn (World $world, Outgoing $one) => $world->goingOut->fail($one, 'No such person.'),
            OutgoingState::Failed,
        ];
        yield 'nobody knows' => [
            static fn (World $world, Outgoing $one) => $world->goingOut->doubt($one, 'No answer.'),
            OutgoingState::Doubt,
        ];
    }

    /** @param callable(World, Outgoing): void $trouble */
    #[DataProvider('troubles')]
    public function testWhatDidNotGoOutBringsItsConversationBack(callable $trouble, OutgoingState $state): void
    {
        $outgoing = $this->queue($this->conversation);
        $this->world->decide(new Archive(), [$this->conversation]);
        $trouble($this->world, $outgoing);
        self::assertSame([$state, Place::Tray], [$outgoing->outgoingState(), $this->conversation->placeAt($this->world->clock->now())]);
        self::assertNotSame('', $outgoing->problem());
        self::assertStringContainsString('could not be sent', $outgoing->whyItStands());
        $entry = $this->newest();
        self::assertSame('what you sent in it did not go out: it is in the tray again', $entry->consequence);
        $this->world->undo($entry);
        self::assertSame(Place::Archive, $this->conversation->placeAt($this->world->clock->now()));
    }

    public function testItIsTriedAgainWithGrowingPausesAndGivenUpInTheEnd(): void
    {
        $outgoing = $this->queue($this->conversation);
        $this->world->decide(new Archive(), [$this->conversation]);
        $pauses = [];
        for ($try = 0; $try < 50 && OutgoingState::Failed !== $outgoing->outgoingState(); ++$try) {
            self::assertSame(Place::Archive, $this->conversation->placeAt($this->world->clock->now()), 'It may still go out.');
            $this->world->goingOut->tryAgain($outgoing, 'Nobody answers.');
            $next = $outgoing->nextTryAt();
            if (null !== $next) {
                self::assertFalse($outgoing->isDue($next->modify('-1 second')));
                self::assertTrue($outgoing->isDue($next));
                $pauses[] = $next->getTimestamp() - $this->world->clock->now()->getTimestamp();
                $this->world->clock->set($next->format(\DATE_ATOM));
            }
        }
        self::assertSame(
            [OutgoingState::Failed, null, 'Nobody answers.'],
            [$outgoing->outgoingState(), $outgoing->nextTryAt(), $outgoing->problem()],
        );
        $sorted = $pauses;
        sort($sorted);
        self::assertSame($sorted, $pauses, 'Each pause is as long as the one before, or longer.');
        self::assertGreaterThan(2, \count($pauses));
        self::assertSame(Place::Tray, $this->conversation->placeAt($this->world->clock->now()));
    }

    /** @return iterable<string, array{string, list<string>}> each state with what can be done in it */
    public static function states(): iterable
    {
        yield 'a draft' => ['draft', ['write', 'queue', 'back']];
        yield 'waiting' => ['waiting', ['write', 'queue', 'back']];
        yield 'on its way' => ['sending', []];
        yield 'out' => ['sent', []];
        yield 'failed' => ['failed', ['queue', 'back']];
        yield 'in doubt' => ['doubt', ['queue', 'back']];
    }

    /** @param list<string> $can */
    #[DataProvider('states')]
    public function testWhatCanBeDoneInEachState(string $state, array $can): void
    {
        $now = $this->world->clock->now();
        $steps = [
            'write' => static fn (Outgoing $one) => $one->write(new Letter([new Address('tam@x.example')], text: 'Other'), $now),
            'queue' => fn (Outgoing $one) => $one->queue($this->at('2026-11-25T09:00:00Z'), true),
            'back' => static fn (Outgoing $one) => $one->backToDraft($now),
        ];
        foreach ($steps as $name => $step) {
            $outgoing = $this->outgoing($state);
            $revision = $outgoing->revision();
            try {
                $step($outgoing);
                self::assertContains($name, $can, "{$name} should be refused.");
                self::assertSame($revision + 1, $outgoing->revision());
            } catch (Refused) {
                self::assertNotContains($name, $can, "{$name} should be done.");
                self::assertSame([$revision, $state], [$outgoing->revision(), $outgoing->outgoingState()->value]);
            }
        }
        self::assertSame('waiting' === $state, $this->outgoing($state)->isDue($now->modify('+1 day')));
    }

    /** @return iterable<string, array{callable(Outgoing, \DateTimeImmutable): void, string, int}> step, state, tries after one */
    public static function outcomes(): iterable
    {
        yield 'it begins' => [static fn (Outgoing $one) => $one->begin(), 'sending', 2];
        yield 'it is out' => [static fn (Outgoing $one, \DateTimeImmutable $now) => $one->sent($now), 'sent', 1];
        yield 'it is tried again' => [static fn (Outgoing $one, \DateTimeImmutable $now) => $one->tryAgain('No.', $now), 'waiting', 1];
        yield 'it never will be' => [static fn (Outgoing $one) => $one->fail('No.'), 'failed', 1];
        yield 'nobody knows' => [static fn (Outgoing $one) => $one->doubt('?'), 'doubt', 1];
        yield 'it had not begun' => [static fn (Outgoing $one) => $one->notBegun(), 'waiting', 0];
    }

    /** @param callable(Outgoing, \DateTimeImmutable): void $step */
    #[DataProvider('outcomes')]
    public function testEachOutcomeIsNewToWhoeverSawItBefore(callable $step, string $state, int $tries): void
    {
        $outgoing = $this->outgoing('sending');
        $revision = $outgoing->revision();
        $step($outgoing, $this->world->clock->now());
        self::assertSame(
            [$state, $tries, $revision + 1],
            [$outgoing->outgoingState()->value, $outgoing->tries(), $outgoing->revision()],
        );
    }

    public function testBackToADraftNothingIsLeftOfWaiting(): void
    {
        $outgoing = $this->outgoing('failed');
        $outgoing->backToDraft($this->world->clock->now());
        self::assertSame(
            [null, null, false, '', ''],
            [$outgoing->goesAt(), $outgoing->nextTryAt(), $outgoing->isLater(), $outgoing->problem(), $outgoing->whyItStands()],
        );
    }

    private function outgoing(string $state): Outgoing
    {
        $now = $this->world->clock->now();
        $outgoing = new Outgoing(
            new OutgoingId('o'),
            World::account(),
            'o@ternpoint.example',
            AnswerKind::New,
            null,
            null,
            new Letter([new Address('tam@x.example')], subject: 'Putty', text: 'When?'),
            $now,
        );
        'draft' === $state || $outgoing->queue($this->at('2026-11-24T10:05:00Z'), false);
        match ($state) {
            'sending' => $outgoing->begin(),
            'sent' => $outgoing->sent($now),
            'failed' => $outgoing->fail('No.'),
            'doubt' => $outgoing->doubt('?'),
            default => null,
        };

        return $outgoing;
    }

    private function queue(?Conversation $of, ?Expected $expected = null): Outgoing
    {
        $draft = $this->world->drafts->write(
            World::account(),
            new OutgoingId($this->world->ids->next()),
            0,
            null === $of ? AnswerKind::New : AnswerKind::Reply,
            null === $of ? null : EmailId::orNull(array_key_first($this->world->memory->messages)),
            $this->world->ids->next().'@ternpoint.example',
            new Letter([new Address('tam@glass.example', 'Tam')], subject: 'Putty', text: 'When?'),
        );
        ($this->world->send)(
            World::account(),
            new EntryId($this->world->ids->next()),
            $draft->id,
            $this->at('2026-11-24T10:00:10Z'),
            false,
            null,
            null === $of ? null : new Claim($of->id),
            expected: $expected,
        );

        return $draft;
    }

    /** The message itself comes into its conversation, as it does when it is out. */
    private function outArrives(Outgoing $outgoing): Conversation
    {
        $known = $this->world->memory->conversations;
        ($this->world->arrive)(
            World::recipient(),
            "From: wren@ternpoint.example\nTo: tam@glass.example\nSubject: Putty\nMessage-ID: <{$outgoing->messageHeader}>\n\nWhen?\n",
        );

        return array_values(array_diff_key($this->world->memory->conversations, $known))[0];
    }

    private function newest(): Entry
    {
        return array_values($this->world->memory->entries)[\count($this->world->memory->entries) - 1];
    }

    private function at(string $instant): Moment
    {
        return new Moment(new \DateTimeImmutable($instant), World::zone());
    }
}
