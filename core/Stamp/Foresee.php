<?php

declare(strict_types=1);

namespace ZippyTray\Core\Stamp;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\Answering;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Misgivings;
use ZippyTray\Core\Post\Placeholders;
use ZippyTray\Core\Post\Recipients;
use ZippyTray\Core\Post\SendMail;
use ZippyTray\Core\Post\Template;
use ZippyTray\Core\Post\Templates;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Jot\ReadJot;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Decision\Mute;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Core\Tray\NextClearing;

/**
 * What the steps of a stamp come to for one very conversation, now: what is shown before is made of the same as what is done then.
 */
final readonly class Foresee
{
    public function __construct(private Templates $templates, private Messages $messages, private Tasks $tasks)
    {
    }

    /** @throws Refused when it is not there any more */
    public function list(StampStep $step, AccountId $accountId): TaskList
    {
        return $this->tasks->listNamed($accountId, $step->list) ?? throw new Refused(
            \sprintf('There is no list "%s" any more.', mb_strimwidth($step->list, 0, TaskList::NAME_LENGTH, '…')),
            'steps',
        );
    }

    /**
     * @return list<array{text: string, refused: bool}> a sentence for each step; of one that cannot be carried out, why
     */
    public function __invoke(Stamp $stamp, Conversation $conversation, StampHand $hand): array
    {
        return $this->steps($stamp->steps(), $conversation, $hand);
    }

    /**
     * @param list<StampStep> $steps
     *
     * @return list<array{text: string, refused: bool}> the same of steps that are in no stamp
     */
    public function steps(array $steps, Conversation $conversation, StampHand $hand): array
    {
        return array_map(function (StampStep $step) use ($conversation, $hand): array {
            try {
                return ['text' => $this->sentence($step, $conversation, $hand), 'refused' => false];
            } catch (Refused $refused) {
                return ['text' => $refused->getMessage(), 'refused' => true];
            }
        }, $steps);
    }

    /** @throws Refused */
    private function sentence(StampStep $step, Conversation $conversation, StampHand $hand): string
    {
        return match ($step->do) {
            StepKind::Label => 'Label '.implode(', ', $step->labels),
            StepKind::Unlabel => 'Without label '.implode(', ', $step->labels),
            StepKind::PutIntoList => 'Into '.$this->list($step, $conversation->accountId)->name(),
            StepKind::Read => 'Read',
            StepKind::Task => $this->taskSentence($this->task($step, $conversation, $hand)),
            StepKind::Answer => $this->answerSentence($step, $conversation, $hand),
            StepKind::Snooze => 'Away: '.$this->checked($this->decision($step, $hand), $step, $hand)->consequence(),
            StepKind::HandOver => $this->checked($this->decision($step, $hand), $step, $hand)->consequence(),
            StepKind::DoNow => 'Done, to the archive',
            StepKind::Archive => 'To the archive',
            StepKind::Delete => 'To the bin',
            StepKind::Mute => 'To the archive, and out of the tray whatever comes',
            StepKind::Block => \sprintf('Mail from %s goes to Blocked', $conversation->senderEmail() ?: 'this sender'),
        };
    }

    /** @throws Refused when it would come back in the past */
    private function checked(Decision $decision, StampStep $step, StampHand $hand): Decision
    {
        if ('' !== $step->until) {
            $hand->speaker->moment($step->until, 'until')->mustBeAhead($hand->speaker->now->instant, 'until');
        }

        return $decision;
    }

    private function taskSentence(TaskFields $fields): string
    {
        $due = $fields->due ?? $fields->repeat?->due();
        $reminders = \count($fields->reminders);
        $parts = [
            \sprintf('Task “%s” in %s', $fields->title, $fields->list ?? TaskList::DEFAULT),
            null === $due ? 'without date' : 'due '.$due->text(),
            null === $fields->repeat ? '' : $fields->repeat->text(),
            0 === $reminders ? '' : \sprintf('%d reminder%s', $reminders, 1 === $reminders ? '' : 's'),
            [] === $fields->labels ? '' : 'label '.implode(', ', $fields->labels),
        ];

        return implode(', ', array_filter($parts, static fn (string $part): bool => '' !== $part)).'; the mail to the archive';
    }

    /** @throws Refused */
    private function answerSentence(StampStep $step, Conversation $conversation, StampHand $hand): string
    {
        [, , $letter] = $this->answer($step, $conversation, $hand);

        return \sprintf(
            '“%s” to %s, %s',
            $this->template($conversation->accountId, $step)->name(),
            SendMail::names($letter->to),
            $step->send ? 'sent' : 'left as a draft',
        );
    }

    /**
     * @throws Refused when a phrase cannot be read
     */
    public function decision(StampStep $step, StampHand $hand): Decision
    {
        return match ($step->do) {
            StepKind::Snooze => new Snooze($this->until($step, $hand), $step->for),
            StepKind::HandOver => new HandOver($step->to, $step->what, $this->until($step, $hand)),
            StepKind::DoNow => new DoNow(),
            StepKind::Archive => new Archive(),
            StepKind::Delete => new Delete(),
            StepKind::Mute => new Mute(),
            default => throw new \LogicException($step->do->value.' is no decision about one conversation.'),
        };
    }

    /** @throws Refused when it cannot be read */
    private function until(StampStep $step, StampHand $hand): Moment
    {
        return AwayReason::NextClearing === $step->for && '' === $step->until
            ? NextClearing::latest($hand->speaker)
            : $hand->speaker->moment($step->until, 'until');
    }

    public function task(StampStep $step, Conversation $conversation, StampHand $hand): TaskFields
    {
        $subject = '' === $conversation->subject() ? 'Mail without a subject' : $conversation->subject();
        $gaps = new Gaps(
            $hand->titles[$conversation->id->text] ?? '' ?: $subject,
            $subject,
            $conversation->summary()->latestName ?: $conversation->senderEmail(),
        );

        return ReadJot::of($step->line, $hand->speaker)->fields->written(
            static fn (string $text): string => mb_strimwidth($gaps->fill($text), 0, Task::TITLE_LENGTH, '…'),
            $gaps->fill(...),
        );
    }

    /**
     * @return array{Message, AnswerKind, Letter} what is answered, how, and with what
     *
     * @throws Refused when it cannot be answered
     */
    public function answer(StampStep $step, Conversation $conversation, StampHand $hand): array
    {
        $message = $this->messages->get(
            $conversation->accountId,
            $this->messages->newestIn($conversation->accountId, $conversation->id),
        );
        $kind = $step->all ? AnswerKind::ReplyAll : AnswerKind::Reply;
        $template = $this->template($conversation->accountId, $step);
        $letter = (new Answering($hand->person, $hand->speaker->now->zone))->to($message, $kind);
        $text = (new Placeholders($hand->speaker, $hand->person->name))->fill($template->text(), $letter->to[0] ?? null);
        $below = $template->isSigned() ? $hand->post->signed($letter) : $letter;
        $letter = $below->withText($text.(str_starts_with($below->text, "\n") ? '' : "\n\n").$below->text);
        if ($step->send) {
            $this->checkGoesOut($letter, $kind, $hand);
        }

        return [$message, $kind, $letter];
    }

    /** @throws Refused */
    private function checkGoesOut(Letter $letter, AnswerKind $kind, StampHand $hand): void
    {
        if (!$hand->canSend) {
            throw new Refused('There is no way out for your mail yet. Choose one in Settings, under Mail.', 'send');
        }
        Recipients::checkAll($letter);
        $misgivings = (new Misgivings())->of($letter, $kind, $hand->person->addresses());
        if ([] !== $misgivings) {
            throw new Refused('It would not be sent: '.$misgivings[0], 'send');
        }
    }

    /** @throws Refused when it was deleted */
    private function template(AccountId $accountId, StampStep $step): Template
    {
        try {
            return $this->templates->get($accountId, $step->template);
        } catch (NotFound) {
            throw new Refused('The template of its answer was deleted.', 'template');
        }
    }
}
