<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\Entries;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\Outgoings;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Deciding;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Core\Tray\Overtaken;

/**
 * Says to an invitation what the person says to it: the event stands in the agenda, who asks gets a letter, and the conversation is done,
 * all in one step. Until the letter is out, that can be undone.
 */
final readonly class AnswerInvitation
{
    private const WORDS = ['accepted' => 'Accepted', 'tentative' => 'Perhaps', 'declined' => 'Declined'];

    public function __construct(
        private Events $events,
        private CalendarLetters $letters,
        private Outgoings $outgoings,
        private Messages $messages,
        private Conversations $conversations,
        private Entries $entries,
        private Journal $journal,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /**
     * @param EntryId         $entryId    made by the client; the same id again changes nothing
     * @param ToldEvent       $told       what the letter says
     * @param string          $comment    a sentence that goes along
     * @param EventTime|null  $proposed   another time; the answer is then only what is said until they agree
     * @param Moment          $at         when the letter goes out
     * @param int|null        $revision   of the conversation as the person saw it
     * @param ClearingId|null $clearingId the clearing in which it is answered
     *
     * @throws Refused   when nobody asks to it, or the answer is none
     * @throws Overtaken when something happened to the conversation since; then nothing is done
     */
    public function __invoke(
        AccountId $accountId,
        EntryId $entryId,
        Message $message,
        ToldEvent $told,
        Person $person,
        Answer $answer,
        string $comment,
        ?EventTime $proposed,
        Moment $at,
        ?int $revision = null,
        ?ClearingId $clearingId = null,
    ): Entry {
        $organiser = $told->organiser ?? throw new Refused('Nobody asks you to this.', 'answer');
        if (null === $proposed && !isset(self::WORDS[$answer->value])) {
            throw new Refused('What do you say: yes, perhaps, or no?', 'answer');
        }

        return $this->journal->write($accountId, $entryId, EntryKind::AnswerInvitation, function (Step $step) use (
            $accountId,
            $message,
            $told,
            $person,
            $answer,
            $comment,
            $proposed,
            $at,
            $revision,
            $organiser,
        ): void {
            $now = \DateTimeImmutable::createFromInterface($this->clock->now());
            $conversation = $this->conversations->get($accountId, $this->messages->conversationOf($message));
            $claim = new Claim($conversation->id, $revision);
            $meanwhile = $claim->overtaken($conversation, $this->entries);
            if (null !== $meanwhile) {
                throw $meanwhile;
            }
            $event = $this->entered($accountId, $told, $message, $step, Answer::Declined !== $answer || null !== $proposed);
            $mine = $event->answer($person, null === $proposed ? $answer : Answer::Tentative);
            $outgoing = new Outgoing(
                new OutgoingId($this->ids->next()),
                $accountId,
                $this->ids->next().'@'.(substr((string) strrchr($person->email, '@'), 1) ?: 'localhost'),
                AnswerKind::Reply,
                $message->id,
                $conversation->id,
                $this->letter($event, $mine, $organiser, $person, $answer, $comment, $proposed),
                $now,
            );
            $outgoing->queue($at, false);
            $this->outgoings->add($outgoing);
            $step->made($outgoing);
            $step->touch($conversation);
            (new DoNow())->apply($conversation, new Deciding($now, $step, null));
            $step->say($told->fields->title, \sprintf(
                '%s, to %s',
                null === $proposed ? lcfirst(self::WORDS[$answer->value] ?? '') : $proposed->text().' proposed',
                $organiser->label(),
            ));
        }, clearingId: $clearingId);
    }

    /** The event as it is in the agenda, told anew when the letter is newer. What is declined does not get there by that. */
    private function entered(AccountId $accountId, ToldEvent $told, Message $message, Step $step, bool $isWanted): Event
    {
        $event = $this->events->withUid($accountId, $told->uid);
        if (null !== $event) {
            $step->touch($event);
            $event->sequence() > $told->sequence ?: $event->take($told);

            return $event;
        }
        $event = new Event(new EventId($this->ids->next()), $accountId, $told->fields, $told->uid, source: $message->id);
        $event->take($told);
        if ($isWanted) {
            $this->events->add($event);
            $step->made($event);
        }

        return $event;
    }

    private function letter(
        Event $event,
        Participant $mine,
        Address $organiser,
        Person $person,
        Answer $answer,
        string $comment,
        ?EventTime $proposed,
    ): Letter {
        $word = null === $proposed ? self::WORDS[$answer->value] ?? '' : 'Another time';
        $time = $event->fields()->time->text();
        $text = null === $proposed
            ? \sprintf('%s: %s, %s.', $word, $event->title(), $time)
            : \sprintf('Would %s suit you instead of %s? (%s)', $proposed->text(), $time, $event->title());

        return new Letter(
            [$organiser],
            subject: mb_substr($word.': '.$event->title(), 0, 200),
            text: '' === trim($comment) ? $text : trim($comment)."\n\n".$text,
            calendar: $this->letters->reply($event, $mine, new Address($person->email, $person->name), $proposed, trim($comment)),
            method: null === $proposed ? 'reply' : 'counter',
        );
    }
}
