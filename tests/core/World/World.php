<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Clock\KeepTime;
use ZippyTray\Core\Agenda\Day\DayPlan;
use ZippyTray\Core\Agenda\Day\KeepDays;
use ZippyTray\Core\Agenda\DoneInAgenda;
use ZippyTray\Core\Agenda\Event\KeepEvents;
use ZippyTray\Core\Agenda\Event\TellPeople;
use ZippyTray\Core\Agenda\LaySlots;
use ZippyTray\Core\Agenda\MakeAndLay;
use ZippyTray\Core\Arrival\Arrive;
use ZippyTray\Core\Arrival\Recipient;
use ZippyTray\Core\Arrival\Settle;
use ZippyTray\Core\Arrival\SortIntoConversations;
use ZippyTray\Core\Find\KeepSearches;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Lifts;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\Undo;
use ZippyTray\Core\Label\KeepLabels;
use ZippyTray\Core\Label\Label;
use ZippyTray\Core\Label\NameLabels;
use ZippyTray\Core\Label\ShownLabels;
use ZippyTray\Core\Lists\ChangeLists;
use ZippyTray\Core\Lists\KeepReferences;
use ZippyTray\Core\Lists\MoveAlong;
use ZippyTray\Core\Lists\MoveAtStages;
use ZippyTray\Core\Lists\MoveCards;
use ZippyTray\Core\Lists\PutIntoLists;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\DateSource;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\MailIn\AnswerByMail;
use ZippyTray\Core\MailIn\CarryOutMailIn;
use ZippyTray\Core\MailIn\Confirmation;
use ZippyTray\Core\Order\CarryOut;
use ZippyTray\Core\Order\KeepOrders;
use ZippyTray\Core\Owed\Expect;
use ZippyTray\Core\Owed\SettleOwed;
use ZippyTray\Core\People\KeepContacts;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Post\GoingOut;
use ZippyTray\Core\Post\KeepDrafts;
use ZippyTray\Core\Post\KeepTemplates;
use ZippyTray\Core\Post\SendMail;
use ZippyTray\Core\Remind\AnswerRings;
use ZippyTray\Core\Remind\LookOut;
use ZippyTray\Core\Remind\MoveReminder;
use ZippyTray\Core\Remind\Reminded;
use ZippyTray\Core\Remind\RemindOf;
use ZippyTray\Core\Remind\Ring;
use ZippyTray\Core\Stamp\CheckSteps;
use ZippyTray\Core\Stamp\Foresee;
use ZippyTray\Core\Stamp\KeepStamps;
use ZippyTray\Core\Stamp\StampOf;
use ZippyTray\Core\Stamp\UseStamp;
use ZippyTray\Core\Task\ChangeTasks;
use ZippyTray\Core\Task\CompleteTasks;
use ZippyTray\Core\Task\EditTask;
use ZippyTray\Core\Task\FillTask;
use ZippyTray\Core\Task\MakeTasks;
use ZippyTray\Core\Task\MoveTasks;
use ZippyTray\Core\Task\PutOffTasks;
use ZippyTray\Core\Task\RemoveTasks;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Tray\ArchiveOld;
use ZippyTray\Core\Tray\BlockSender;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Clear;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decide;
use ZippyTray\Core\Tray\Decision;
use ZippyTray\Core\Tray\EmptyBin;
use ZippyTray\Core\Tray\Importance\Correct;
use ZippyTray\Core\Tray\Importance\Learn;
use ZippyTray\Core\Tray\LetIn;
use ZippyTray\Core\Tray\PassOver;
use ZippyTray\Core\Tray\PutLabels;
use ZippyTray\Core\Tray\Reading;

/**
 * The core with everything around it kept in memory, for one account.
 */
final class World
{
    public const OWN = 'wren@ternpoint.example';

    public readonly SetClock $clock;

    public readonly CountedIds $ids;

    public readonly Memory $memory;

    public readonly Undo $undo;

    public readonly Decide $decide;

    public readonly EmptyBin $emptyBin;

    public readonly BlockSender $block;

    public readonly LetIn $letIn;

    public readonly LaySlots $laySlots;

    public readonly MakeAndLay $makeAndLay;

    public readonly KeepTime $keepTime;

    public readonly KeepDays $keepDays;
    public readonly KeepEvents $events;

    public readonly CarryOutMailIn $mailIn;

    public readonly PassOver $passOver;

    public readonly MakeTasks $makeTasks;

    public readonly EditTask $editTask;

    public readonly ChangeTasks $changeTasks;

    public readonly CompleteTasks $completeTasks;

    public readonly MoveTasks $moveTasks;

    public readonly RemoveTasks $removeTasks;

    public readonly ChangeLists $changeLists;

    public readonly MoveCards $moveCards;

    public readonly KeepReferences $keepReferences;

    public readonly KeepSearches $keepSearches;

    public readonly PutIntoLists $putIntoLists;

    public readonly Arrive $arrive;

    public readonly Clear $clear;

    public readonly PutOffTasks $putOff;

    public readonly RemindOf $remindOf;

    public readonly AnswerRings $answer;

    public readonly MoveReminder $moveReminder;

    public readonly SendMail $send;

    public readonly KeepDrafts $drafts;

    public readonly SettleOwed $settleOwed;

    public readonly KeepTemplates $keepTemplates;

    public readonly KeepContacts $keepContacts;

    public readonly GoingOut $goingOut;

    public readonly MemoryLessons $lessons;

    public readonly MemoryDecidedMail $decidedMail;

    public readonly Learn $learn;

    public readonly Correct $correct;

    public readonly KeepLabels $keepLabels;

    public readonly PutLabels $putLabels;

    public readonly KeepStamps $keepStamps;

    public readonly UseStamp $useStamp;

    public readonly Foresee $foresee;

    public readonly StampOf $stampOf;

    public readonly ArchiveOld $archiveOld;

    public readonly KeepOrders $keepOrders;

    public readonly CarryOut $carryOut;

    private readonly LookOut $lookOut;

    public function __construct(string $now = '2026-11-24T10:00:00Z', Lifts $lifts = new Lifts(), ?Memory $memory = null)
    {
        $this->clock = new SetClock($now);
        $this->ids = new CountedIds();
        $this->memory = $memory ?? new Memory();
        $entries = new MemoryEntries($this->memory);
        $transaction = new MemoryTransaction($this->memory);
        $conversations = new MemoryConversations($this->memory);
        $messages = new MemoryMessages($this->memory);
        $tasks = new MemoryTasks($this->memory);
        $threads = new MemoryThreads($this->memory);
        $senders = new MemoryBlockedSenders($this->memory);
        $outgoings = new MemoryOutgoings($this->memory);
        $owing = new MemoryOwing($this->memory);
        $expect = new Expect($owing, $this->ids);
        $cards = new MemoryCards($this->memory);
        $moveAtStages = new MoveAtStages($cards, $this->clock);
        $journal = new Journal($entries, $transaction, $this->clock, $lifts, new MoveAlong($tasks, $cards, $moveAtStages));
        $this->moveCards = new MoveCards($tasks, $cards, $conversations, $moveAtStages, $journal);
        $this->moveTasks = new MoveTasks($tasks, $journal);
        $labels = new MemoryLabels($this->memory);
        $name = new NameLabels($labels);
        $this->keepLabels = new KeepLabels($labels, $name, $journal);
        $this->putLabels = new PutLabels($conversations, $labels, $name, $journal, $this->clock, $this->ids);
        $fill = new FillTask($tasks, $this->moveTasks, $messages, $this->ids, $name);
        $this->undo = new Undo($journal, $entries, new MemoryObjects($this->memory), $lifts);
        $this->decide = new Decide($conversations, $entries, $journal, $expect, $this->clock);
        $this->emptyBin = new EmptyBin($conversations, $journal, $this->clock);
        $this->makeTasks = new MakeTasks($tasks, $fill, $messages, $conversations, $entries, $journal, $this->clock, $this->ids);
        $this->block = new BlockSender($conversations, $senders, $entries, $journal, $this->clock, $this->ids);
        $this->passOver = new PassOver($conversations, $transaction, $this->clock);
        $this->editTask = new EditTask($tasks, $fill, $journal);
        $this->changeTasks = new ChangeTasks($tasks, $fill, $this->moveTasks, $labels, $name, $journal);
        $slots = new MemorySlots($this->memory);
        $stretches = new MemoryStretches($this->memory);
        $plans = new MemoryDayPlans($this->memory);
        $done = new DoneInAgenda($slots, $stretches, $plans);
        $this->completeTasks = new CompleteTasks($tasks, $journal, $this->clock, $this->ids, $done);
        $this->keepTime = new KeepTime($stretches, $tasks, $journal, $transaction, $this->clock);
        $this->keepDays = new KeepDays($plans, $tasks, $journal, $transaction, $this->clock, $this->ids);
        $this->removeTasks = new RemoveTasks($tasks, $journal);
        $this->putIntoLists = new PutIntoLists($conversations, $cards, $tasks, $journal, $this->clock, $this->ids);
        $references = new MemoryReferences($this->memory);
        $this->keepSearches = new KeepSearches(new MemoryKeptSearches($this->memory), $journal);
        $this->keepReferences = new KeepReferences($references, $tasks, $messages, $journal, $this->clock, $this->ids);
        $this->changeLists = new ChangeLists($tasks, $cards, $references, $this->moveTasks, $this->removeTasks, $journal);
        $rings = new MemoryRings($this->memory);
        $reminded = new Reminded($tasks, $conversations, new MemoryEvents($this->memory));
        $this->moveReminder = new MoveReminder($reminded, $journal, $this->clock);
        $this->clear = new Clear(new MemoryClearings($this->memory), $conversations, $journal, $transaction, $this->clock, $this->ids);
        $this->putOff = new PutOffTasks($tasks, $journal, $this->clock);
        $this->remindOf = new RemindOf($conversations, $journal);
        $this->answer = new AnswerRings($rings, $reminded, $journal, $this->clock);
        $this->lookOut = new LookOut($rings, $transaction, $this->clock, $this->ids);
        $this->send = new SendMail($outgoings, $expect, $conversations, $tasks, $entries, $journal, $this->clock);
        $this->drafts = new KeepDrafts($outgoings, $owing, $messages, $journal, $transaction, $this->clock);
        $this->settleOwed = new SettleOwed($owing, $conversations, $entries, $journal, $this->clock);
        $this->keepTemplates = new KeepTemplates(new MemoryTemplates($this->memory), $journal);
        $stamps = new MemoryStamps($this->memory);
        $templates = new MemoryTemplates($this->memory);
        $this->keepStamps = new KeepStamps($stamps, new CheckSteps($templates, $tasks), $journal);
        $this->foresee = new Foresee($templates, $messages, $tasks);
        $this->stampOf = new StampOf($labels, $tasks);
        $this->useStamp = new UseStamp(
            $stamps,
            $this->foresee,
            $conversations,
            $this->putLabels,
            $this->putIntoLists,
            $this->makeTasks,
            $this->block,
            $outgoings,
            $expect,
            $entries,
            $journal,
            $this->clock,
            $this->ids,
        );
        $this->laySlots = new LaySlots($slots, $tasks, $journal);
        $this->makeAndLay = new MakeAndLay($this->makeTasks, $this->laySlots, $this->settleOwed);
        $this->events = new KeepEvents(
            new MemoryEvents($this->memory),
            new TellPeople(new PlainCalendarLetters(), $outgoings, $this->clock, $this->ids),
            $journal,
            $this->ids,
        );
        $this->letIn = new LetIn($conversations, $journal, $this->clock);
        $this->archiveOld = new ArchiveOld($conversations, $journal, $this->clock);
        $orders = new MemoryOrders($this->memory);
        $this->keepOrders = new KeepOrders($orders, new CheckSteps($templates, $tasks), $journal);
        $this->carryOut = new CarryOut($orders, $conversations, $this->useStamp, $journal, $this->clock);
        $this->goingOut = new GoingOut($owing, $conversations, $messages, $journal, $this->clock, $this->ids);
        $this->keepContacts = new KeepContacts(new MemoryContacts($this->memory), $journal, $this->ids);
        $this->lessons = new MemoryLessons($this->memory);
        $this->decidedMail = new MemoryDecidedMail($this->memory);
        $this->learn = new Learn($entries, $this->lessons, $this->decidedMail, $transaction);
        $this->correct = new Correct(new MemoryCorrections($this->memory), $journal, $this->clock, $this->ids);
        $mailIns = new MemoryMailIns($this->memory);
        $calendarMail = new MemoryCalendarMail();
        $this->arrive = new Arrive(
            new MessageReader(),
            new MemoryReading($this->memory),
            $messages,
            new SortIntoConversations($threads, $messages, $conversations, $owing, $labels, $cards, $this->ids),
            $threads,
            $senders,
            new Settle($owing, $outgoings, $conversations, $tasks),
            $orders,
            $mailIns,
            $calendarMail,
            $journal,
            $transaction,
            $this->clock,
            $this->ids,
        );
        $this->mailIn = new CarryOutMailIn(
            $mailIns,
            $messages,
            $conversations,
            $tasks,
            $this->makeTasks,
            $expect,
            new AnswerByMail($mailIns, $messages, $conversations, $tasks, $expect, $this->undo, $journal, $this->clock),
            new Confirmation($outgoings, $this->ids),
            $journal,
            $transaction,
        );
    }

    public static function account(): AccountId
    {
        return new AccountId('account');
    }

    /** The person whose world it is, as mail comes in for them. */
    public static function recipient(): Recipient
    {
        return new Recipient(self::account(), new Person(self::OWN, 'Wren Halloran'));
    }

    /** A conversation with one message, in the tray. */
    public function conversation(string $subject = 'Lantern glass'): Conversation
    {
        $conversation = new Conversation(new ConversationId($this->ids->next()), self::account());
        $this->memory->conversations[$conversation->id->text] = $conversation;
        $message = $this->message($subject);
        $conversation->receive($message, true, $this->clock->now());
        $this->memory->messages[$message->id->text] = $message;
        $this->memory->conversationOf[$message->id->text] = $conversation->id->text;

        return $conversation;
    }

    public function message(
        string $subject = 'Lantern glass',
        string $text = 'Which one shall it be?',
        bool $own = false,
        string $sent = '2026-11-24T08:00:00Z',
    ): Message {
        $id = $this->ids->next();

        return new Message(
            new EmailId($id),
            self::account(),
            $id.'@glass.example',
            [],
            new Address($own ? self::OWN : 'tam@glass.example', $own ? 'Wren' : 'Tam Achterberg'),
            [],
            [new Address(self::OWN, 'Wren')],
            [],
            $subject,
            new Moment(new \DateTimeImmutable($sent), new \DateTimeZone('UTC')),
            DateSource::Header,
            $text,
            true,
            false,
            [],
            [],
            $id,
            100,
            $own,
            $this->clock->now(),
        );
    }

    /** @param list<Conversation> $conversations */
    public function decide(Decision $decision, array $conversations): Entry
    {
        return ($this->decide)(
            self::account(),
            new EntryId($this->ids->next()),
            $decision,
            array_map(static fn (Conversation $conversation): Claim => new Claim($conversation->id), $conversations),
        )->entry;
    }

    public function makeTask(TaskFields $fields, ?Conversation $of = null): Entry
    {
        return ($this->makeTasks)(
            self::account(),
            new EntryId($this->ids->next()),
            [new TaskOrder(new TaskId($this->ids->next()), $fields, claim: null === $of ? null : new Claim($of->id))],
            self::zone(),
        )->entry;
    }

    /** @return list<string> the reminders that are up, in order: title or subject, moment in UTC and how often */
    public function look(?TimeSettings $settings = null): array
    {
        ($this->lookOut)(self::account(), self::zone(), $settings ?? new TimeSettings());
        $up = array_filter($this->memory->rings, static fn (Ring $ring): bool => $ring->isUp());
        usort($up, static fn (Ring $a, Ring $b): int => $a->at() <=> $b->at());

        return array_map(fn (Ring $ring): string => \sprintf(
            '%s %s%s',
            ObjectKind::Task === $ring->aboutKind
                ? $this->memory->tasks[$ring->aboutId]->title()
                : $this->memory->conversations[$ring->aboutId]->subject(),
            $ring->at()->format('d H:i'),
            1 === $ring->times() ? '' : ' x'.$ring->times(),
        ), $up);
    }

    /** @return non-empty-list<string> ids of the reminders that are up */
    public function ringIds(): array
    {
        $up = array_filter($this->memory->rings, static fn (Ring $ring): bool => $ring->isUp());

        return array_values(array_map(
            static fn (Ring $ring): string => $ring->id,
            $up,
        )) ?: throw new \OutOfBoundsException('no reminder is up');
    }

    /** A when phrase as it is read now. */
    public function speaker(): Speaker
    {
        return new Speaker(new Moment($this->clock->now(), self::zone()), new TimeSettings());
    }

    public static function zone(): \DateTimeZone
    {
        return new \DateTimeZone('Europe/Lisbon');
    }

    public function undo(Entry $entry): Entry
    {
        return ($this->undo)(self::account(), new EntryId($this->ids->next()), $entry->id);
    }

    public function task(string $title): Task
    {
        foreach ($this->memory->tasks as $task) {
            if ($task->title() === $title) {
                return $task;
            }
        }
        throw new \OutOfBoundsException($title);
    }

    /**
     * @phpstan-impure
     *
     * @return list<string> the names of the labels of a task, as they are shown
     */
    public function labelsOf(Task $task): array
    {
        return array_map(
            static fn (Label $label): string => $label->name(),
            (new ShownLabels($this->memory->labels))->borne($task->labels(), $task->isDone()),
        );
    }

    /**
     * @phpstan-impure
     *
     * @return list<string> the same of a conversation
     */
    public function labelsOn(Conversation $conversation): array
    {
        $shown = new ShownLabels($this->memory->labels);
        $names = [];
        foreach ($this->memory->borne as $borne) {
            if ($borne->conversationId()->is($conversation->id)) {
                foreach ($shown->borne([$borne->labelId()->text], $conversation->isDealtSince($borne->since())) as $label) {
                    $names[] = $label->name();
                }
            }
        }
        sort($names);

        return $names;
    }

    /** @return array<string, array<string, mixed>> the state of everything that is journaled, in a fixed order */
    public function state(): array
    {
        $state = [];
        foreach ([
            ...$this->memory->conversations,
            ...$this->memory->tasks,
            ...$this->memory->lists,
            ...$this->memory->senders,
            ...$this->memory->rings,
            ...$this->memory->references,
            ...$this->memory->searches,
            ...$this->memory->outgoings,
            ...$this->memory->owed,
            ...$this->memory->templates,
            ...$this->memory->contacts,
            ...$this->memory->corrections,
            ...$this->memory->labels,
            ...$this->memory->borne,
            ...$this->memory->cards,
            ...$this->memory->stamps,
            ...$this->memory->slots,
            ...$this->memory->events,
            ...$this->memory->stretches,
            // A plan without a keystone says nothing that somebody has decided.
            ...array_filter($this->memory->plans, static fn (DayPlan $plan): bool => null !== $plan->keystone()),
            ...$this->memory->orders,
            ...array_map(static fn (Conversation $one): Reading => new Reading($one), array_values($this->memory->conversations)),
        ] as $object) {
            $state[$object->ref()->kind->value.' '.$object->ref()->id] = $object->state();
        }
        ksort($state);

        return $state;
    }
}
