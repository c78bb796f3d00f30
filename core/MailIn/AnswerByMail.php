<?php

declare(strict_types=1);

namespace ZippyTray\Core\MailIn;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Id;
use ZippyTray\Core\Journal\CannotUndo;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Journal\Undo;
use ZippyTray\Core\Journal\UndoBlocked;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\Text\BodyText;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Expectations;
use ZippyTray\Core\Tray\Place;

/**
 * The answer to a confirmation: it cancels what was made, or moves it to another time.
 */
final readonly class AnswerByMail
{
    private const CANCEL = '/^(?:please\s+)?(?:cancel|undo|drop|no|not)(?:\s+(?:it|this|that))?(?:,?\s*(?:please|thanks?))?[.!]*$/iu';

    /** Answers to answers are followed so far. */
    private const CHAIN = 50;

    public function __construct(
        private MailIns $mailIns,
        private Messages $messages,
        private Conversations $conversations,
        private Tasks $tasks,
        private Expectations $expectations,
        private Undo $undo,
        private Journal $journal,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @throws Refused  when it cannot be read, or not be done
     * @throws NotFound when what it is about is not there any more
     */
    public function to(MadeByMail $made, Message $message, MailInHand $hand): MadeByMail
    {
        $before = $this->mailIns->find($made->accountId, $made->answers);
        if (null === $before?->entryId) {
            throw new Refused('Nothing was made that this could be the answer to.');
        }
        $line = self::line($message->text);
        $entryId = new EntryId(Id::hashed('mail-in entry', $made->id));
        if (1 === preg_match(self::CANCEL, $line)) {
            return $made->settled($this->cancel($made, $before, $entryId), [], $entryId, null);
        }
        $root = $this->root($before);
        $speaker = CarryOutMailIn::speaker($message, $hand);
        $did = null === $root->taskId
            ? $this->moveReturn($made, $root, $line, $speaker, $entryId)
            : $this->moveTask($made, $root->taskId, $line, $speaker, $entryId);

        return $made->settled($did, [], $entryId, $root->taskId);
    }

    /** @throws Refused */
    private function cancel(MadeByMail $made, MadeByMail $before, EntryId $entryId): string
    {
        try {
            $entry = ($this->undo)($made->accountId, $entryId, $before->entryId ?? $entryId);
        } catch (UndoBlocked $blocked) {
            throw new Refused(null === $blocked->later ? $blocked->getMessage() : \sprintf(
                'It could not be cancelled: “%s” came later.',
                $blocked->later->about,
            ));
        } catch (CannotUndo $problem) {
            throw new Refused($problem->getMessage());
        }

        return \sprintf('Cancelled: %s', lcfirst($before->did ?: $entry->about));
    }

    /** @throws Refused */
    private function moveTask(MadeByMail $made, TaskId $taskId, string $line, Speaker $speaker, EntryId $entryId): string
    {
        $due = $speaker->due($line, 'due');
        $this->journal->write($made->accountId, $entryId, EntryKind::MailIn, function (Step $step) use (
            $made,
            $taskId,
            $due,
            $speaker,
        ): void {
            $task = $this->tasks->get($made->accountId, $taskId);
            if ($task->isDone()) {
                throw new Refused(\sprintf('“%s” is done already.', $task->title()));
            }
            $step->touch($task);
            $start = $task->start();
            $zone = $speaker->now->zone;
            $task->schedule(null !== $start && $start->isAfter($due, $zone) ? null : $start, $due, $zone);
            $step->say($task->title(), 'due '.$due->text());
        });

        return 'Due '.$due->text();
    }

    /** @throws Refused */
    private function moveReturn(MadeByMail $made, MadeByMail $root, string $line, Speaker $speaker, EntryId $entryId): string
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $until = $speaker->moment($line, 'until');
        $until->mustBeAhead($now, 'until');
        $message = $this->messages->get($root->accountId, $root->messageId);
        $this->journal->write($made->accountId, $entryId, EntryKind::MailIn, function (Step $step) use (
            $made,
            $message,
            $until,
            $now,
        ): void {
            $conversation = $this->conversations->get($made->accountId, $this->messages->conversationOf($message));
            $step->touch($conversation);
            if (Place::Away === $conversation->placeAt($now)) {
                $conversation->moveReturn($until, $now);
                AwayReason::HandOver !== $conversation->awayReason() ?: $this->expectations->giveTime($conversation, $until, $step);
            } else {
                $conversation->snooze($until, $now);
            }
            $step->say($conversation->subject(), 'back '.$until->text());
        });

        return 'Back '.$until->text();
    }

    /** What was made first. */
    private function root(MadeByMail $made): MadeByMail
    {
        for ($steps = 0; '' !== $made->answers && $steps < self::CHAIN; ++$steps) {
            $made = $this->mailIns->find($made->accountId, $made->answers) ?? throw new NotFound('letter', $made->answers);
        }

        return $made;
    }

    private static function line(string $text): string
    {
        $written = ltrim((new BodyText())->written(mb_strcut($text, 0, 8000)));

        return rtrim(trim(explode("\n", $written, 2)[0], " \t\r\"“”+"), '.!');
    }
}
