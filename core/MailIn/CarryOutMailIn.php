<?php

declare(strict_types=1);

namespace ZippyTray\Core\MailIn;

use ZippyTray\Core\Id;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\DateSource;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\SendMail;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\MakeTasks;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Expectations;

/**
 * Does what a letter to a mail-in address asks for: one entry of the journal, and a confirmation where one is wished for.
 *
 * What cannot be read makes no loss: the letter lies in the tray, and says what was not understood.
 */
final readonly class CarryOutMailIn
{
    /** So many letters a day are carried out: whoever writes in somebody's name cannot bury them. */
    private const A_DAY = 200;

    public function __construct(
        private MailIns $mailIns,
        private Messages $messages,
        private Conversations $conversations,
        private Tasks $tasks,
        private MakeTasks $make,
        private Expectations $expectations,
        private AnswerByMail $answer,
        private Confirmation $confirmation,
        private Journal $journal,
        private Transaction $transaction,
    ) {
    }

    public function __invoke(MadeByMail $made, MailInHand $hand): MadeByMail
    {
        $message = $this->messages->get($made->accountId, $made->messageId);
        try {
            return $this->transaction->run(fn (): MadeByMail => $this->settle($this->carriedOut($made, $message, $hand), $message, $hand));
        } catch (Refused|NotFound $problem) {
            $why = $problem instanceof Refused ? $problem->getMessage() : 'What it is about is not there any more.';

            return $this->transaction->run(fn (): MadeByMail => $this->settle($this->refused($made, $message, [$why]), $message, $hand));
        }
    }

    /** As seen when it was written: "tomorrow" in a letter that took a night is today. */
    public static function speaker(Message $message, MailInHand $hand): Speaker
    {
        $written = DateSource::Header === $message->dateSource ? min($message->sentAt->instant, $hand->now->instant) : $hand->now->instant;

        return new Speaker(new Moment($written, $hand->now->zone), $hand->person->time);
    }

    /**
     * @throws Refused
     * @throws NotFound
     */
    private function carriedOut(MadeByMail $made, Message $message, MailInHand $hand): MadeByMail
    {
        if ($this->mailIns->countSince($made->accountId, $hand->now->instant->modify('-1 day')) > self::A_DAY) {
            throw new Refused(\sprintf('More than %d letters have asked for something within a day. This one waits for you.', self::A_DAY));
        }
        if ('' !== $made->answers) {
            return $this->answer->to($made, $message, $hand);
        }
        $lists = array_map(static fn (TaskList $list): string => $list->name(), $this->tasks->lists($made->accountId));
        $wish = (new ReadWish($hand->person, self::speaker($message, $hand), $lists))->of($message, $made->details);
        if (null === $wish->task && null === $wish->until) {
            return $this->refused($made, $message, $wish->troubles);
        }
        [$did, $taskId] = ['', null];
        $entry = $this->write($made, $message, function (Step $step, Conversation $conversation) use (
            $wish,
            $message,
            $hand,
            &$did,
            &$taskId,
        ): string {
            if (null !== $wish->task) {
                $task = $this->make->ofMessage($message, $wish->task, $hand->now->zone, $step);
                $taskId = $task->id;
                $did = self::taskSentence($task, $wish->task);
            } elseif (null !== $wish->until) {
                $did = $this->away($conversation, $message, $wish->until, $wish->people, $step, $hand);
            }
            if (!$wish->isWhole) {
                $step->touch($conversation);
                $conversation->bringBack();
            }

            return $did;
        });

        return $made->settled($did, $wish->troubles, $entry->id, $taskId);
    }

    /**
     * @param list<Address> $people
     *
     * @throws Refused when that moment is past
     */
    private function away(Conversation $conversation, Message $message, Moment $until, array $people, Step $step, MailInHand $hand): string
    {
        $now = $hand->now->instant;
        $until->mustBeAhead($now, 'until');
        $silent = array_values(array_filter($people, fn (Address $one): bool => !$this->hasAnswered($one, $conversation, $message)));
        if ([] !== $people && [] === $silent) {
            return \sprintf('%s has answered already', SendMail::names($people));
        }
        $step->touch($conversation);
        if ([] === $silent) {
            $conversation->snooze($until, $now);

            return 'Back '.$until->text();
        }
        foreach ($silent as $person) {
            $this->expectations->expect($conversation, $person, '', $until, $step, $now);
        }
        $conversation->handOver(SendMail::names($silent), '', $until, $now);

        return \sprintf('Back %s, unless %s has answered', $until->text(), SendMail::names($silent));
    }

    private function hasAnswered(Address $person, Conversation $conversation, Message $asked): bool
    {
        $answers = array_filter(
            $this->messages->ofConversation($conversation->accountId, $conversation->id),
            static fn (Message $one): bool => $person->is($one->from->email)
                && !$one->isAutomatic()
                && $one->sentAt->instant > $asked->sentAt->instant,
        );

        return [] !== $answers;
    }

    /** @param list<string> $troubles */
    private function refused(MadeByMail $made, Message $message, array $troubles): MadeByMail
    {
        $troubles = [] === $troubles ? ['Nothing in it says what is to be made of it.'] : $troubles;
        $entry = $this->write($made, $message, static function (Step $step, Conversation $conversation) use ($troubles): string {
            $step->touch($conversation);
            $conversation->bringBack();

            return 'not understood: '.implode(' ', $troubles);
        });

        return $made->settled('', $troubles, $entry->id, null);
    }

    /** @param callable(Step, Conversation): string $do what it came to */
    private function write(MadeByMail $made, Message $message, callable $do): Entry
    {
        return $this->journal->write(
            $made->accountId,
            new EntryId(Id::hashed('mail-in entry', $made->id)),
            EntryKind::MailIn,
            function (Step $step) use ($made, $message, $do): void {
                $conversation = $this->conversations->get($made->accountId, $this->messages->conversationOf($message));
                $step->say('' === $message->subject ? 'No subject' : $message->subject, $do($step, $conversation));
            },
        );
    }

    private function settle(MadeByMail $made, Message $message, MailInHand $hand): MadeByMail
    {
        $this->mailIns->settle($made);
        $isTold = match ($hand->settings->confirm) {
            Confirm::Always => true,
            Confirm::Trouble => [] !== $made->troubles,
            Confirm::Never => false,
        };
        if ($isTold && $hand->canSend) {
            $this->confirmation->send($made, $message, $hand);
        }

        return $made;
    }

    private static function taskSentence(Task $task, TaskFields $fields): string
    {
        $due = $task->due();
        $parts = [
            \sprintf('Task “%s”', $task->title()),
            null === $fields->list ? '' : 'in '.$fields->list,
            null === $due ? 'without date' : 'due '.$due->text(),
            null === $fields->repeat ? '' : $fields->repeat->text(),
            [] === $fields->labels ? '' : 'label '.implode(', ', $fields->labels),
        ];

        return implode(', ', array_filter($parts, static fn (string $part): bool => '' !== $part));
    }
}
