<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Clock\Stretch;
use ZippyTray\Core\Agenda\Clock\StretchId;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Slot;
use ZippyTray\Core\Agenda\SlotId;
use ZippyTray\Core\Find\KeptSearch;
use ZippyTray\Core\Journal\CannotUndo;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Journal\Objects;
use ZippyTray\Core\Label\Borne;
use ZippyTray\Core\Label\Label;
use ZippyTray\Core\Label\LabelId;
use ZippyTray\Core\Lists\Card;
use ZippyTray\Core\Lists\Reference;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Order\OrderId;
use ZippyTray\Core\Order\StandingOrder;
use ZippyTray\Core\Owed\Owed;
use ZippyTray\Core\People\Contact;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\Template;
use ZippyTray\Core\Stamp\Stamp;
use ZippyTray\Core\Stamp\StampId;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Tray\BlockedSender;
use ZippyTray\Core\Tray\Importance\Correction;
use ZippyTray\Core\Tray\Reading;

final readonly class MemoryObjects implements Objects
{
    public function __construct(private Memory $memory)
    {
    }

    public function find(AccountId $accountId, ObjectRef $object): ?Journaled
    {
        return match ($object->kind) {
            ObjectKind::Conversation => $this->memory->conversations[$object->id] ?? null,
            ObjectKind::Task => $this->memory->tasks[$object->id] ?? null,
            ObjectKind::TaskList => $this->memory->lists[$object->id] ?? null,
            ObjectKind::BlockedSender => $this->memory->senders[$object->id] ?? null,
            ObjectKind::Ring => $this->memory->rings[$object->id] ?? null,
            ObjectKind::Outgoing => $this->memory->outgoings[$object->id] ?? null,
            ObjectKind::Owed => $this->memory->owed[$object->id] ?? null,
            ObjectKind::Template => $this->memory->templates[$object->id] ?? null,
            ObjectKind::Contact => $this->memory->contacts[$object->id] ?? null,
            ObjectKind::Correction => $this->memory->corrections[$object->id] ?? null,
            ObjectKind::Label => $this->memory->labels[$object->id] ?? null,
            ObjectKind::Borne => $this->memory->borne[$object->id] ?? null,
            ObjectKind::Card => $this->memory->cards[$object->id] ?? null,
            ObjectKind::Reference => $this->memory->references[$object->id] ?? null,
            ObjectKind::KeptSearch => $this->memory->searches[$object->id] ?? null,
            ObjectKind::Stamp => $this->memory->stamps[$object->id] ?? null,
            ObjectKind::Order => $this->memory->orders[$object->id] ?? null,
            ObjectKind::Slot => $this->memory->slots[$object->id] ?? null,
            ObjectKind::Event => $this->memory->events[$object->id] ?? null,
            ObjectKind::Stretch => $this->memory->stretches[$object->id] ?? null,
            ObjectKind::DayPlan => $this->memory->plans[$object->id] ?? null,
            ObjectKind::Reading => isset($this->memory->conversations[$object->id])
                ? new Reading($this->memory->conversations[$object->id])
                : null,
        };
    }

    public function revive(AccountId $accountId, ObjectRef $object, array $state): Journaled
    {
        return match ($object->kind) {
            ObjectKind::Conversation, ObjectKind::Reading, ObjectKind::Ring, ObjectKind::DayPlan => throw new CannotUndo('gone for good'),
            ObjectKind::Task => $this->memory->tasks[$object->id] = Task::revived(new TaskId($object->id), $accountId, $state),
            ObjectKind::TaskList => $this->memory->lists[$object->id] = TaskList::revived($object->id, $accountId, $state),
            ObjectKind::BlockedSender => $this->memory->senders[$object->id] = BlockedSender::revived($object->id, $accountId, $state),
            ObjectKind::Outgoing => $this->memory->outgoings[$object->id] = Outgoing::revived(
                new OutgoingId($object->id),
                $accountId,
                $state,
                new \DateTimeImmutable('2026-11-24T10:00:00Z'),
            ),
            ObjectKind::Owed => $this->memory->owed[$object->id] = Owed::revived($object->id, $accountId, $state),
            ObjectKind::Contact => $this->memory->contacts[$object->id] = Contact::revived($object->id, $accountId, $state),
            ObjectKind::Correction => $this->memory->corrections[$object->id] = Correction::revived($object->id, $accountId, $state),
            ObjectKind::Label => $this->memory->labels[$object->id] = Label::revived(new LabelId($object->id), $accountId, $state),
            ObjectKind::Order => $this->memory->orders[$object->id] = StandingOrder::revived(new OrderId($object->id), $accountId, $state),
            ObjectKind::Slot => $this->memory->slots[$object->id] = Slot::revived(new SlotId($object->id), $accountId, $state),
            ObjectKind::Event => $this->memory->events[$object->id] = Event::revived(new EventId($object->id), $accountId, $state),
            ObjectKind::Stretch => $this->memory->stretches[$object->id] = Stretch::revived(new StretchId($object->id), $accountId, $state),
            ObjectKind::Stamp => $this->memory->stamps[$object->id] = Stamp::revived(new StampId($object->id), $accountId, $state),
            ObjectKind::Borne => $this->memory->borne[$object->id] = Borne::revived($object->id, $accountId, $state),
            ObjectKind::Card => $this->memory->cards[$object->id] = Card::revived($object->id, $accountId, $state),
            ObjectKind::Reference => $this->memory->references[$object->id] = Reference::revived($object->id, $accountId, $state),
            ObjectKind::KeptSearch => $this->memory->searches[$object->id] = KeptSearch::revived($object->id, $accountId, $state),
            ObjectKind::Template => $this->memory->templates[$object->id] = Template::revived($object->id, $accountId, $state),
        };
    }

    public function isNeeded(AccountId $accountId, ObjectRef $object): bool
    {
        foreach (ObjectKind::Label === $object->kind ? $this->memory->borne : [] as $borne) {
            if ($borne->labelId()->text === $object->id) {
                return true;
            }
        }
        foreach (ObjectKind::TaskList === $object->kind ? [...$this->memory->cards, ...$this->memory->references] : [] as $one) {
            if ($one->listId()->text === $object->id) {
                return true;
            }
        }
        foreach ($this->memory->tasks as $task) {
            if (\in_array($object->id, $task->labels(), true)) {
                return true;
            }
            foreach ($task->needs() as $needed) {
                if ($needed->kind === $object->kind && $needed->id === $object->id) {
                    return true;
                }
            }
        }

        return false;
    }

    public function remove(Journaled $object): void
    {
        $id = $object->ref()->id;
        unset(
            $this->memory->contacts[$id],
            $this->memory->outgoings[$id],
            $this->memory->corrections[$id],
            $this->memory->labels[$id],
            $this->memory->stamps[$id],
            $this->memory->slots[$id],
            $this->memory->events[$id],
            $this->memory->stretches[$id],
            $this->memory->orders[$id],
            $this->memory->borne[$id],
            $this->memory->cards[$id],
            $this->memory->references[$id],
            $this->memory->searches[$id],
            $this->memory->owed[$id],
            $this->memory->templates[$id],
            $this->memory->tasks[$object->ref()->id],
            $this->memory->lists[$object->ref()->id],
            $this->memory->senders[$object->ref()->id],
        );
    }
}
