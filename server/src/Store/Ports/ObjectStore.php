<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Clock\Stretch;
use ZippyTray\Core\Agenda\Clock\StretchId;
use ZippyTray\Core\Agenda\Day\DayPlan;
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
use ZippyTray\Core\Remind\Ring;
use ZippyTray\Core\Stamp\Stamp;
use ZippyTray\Core\Stamp\StampId;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Tray\BlockedSender;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Importance\Correction;
use ZippyTray\Core\Tray\Reading;

final readonly class ObjectStore implements Objects
{
    public function __construct(private EntityManagerInterface $orm, private ClockInterface $clock)
    {
    }

    public function find(AccountId $accountId, ObjectRef $object): ?Journaled
    {
        $class = match ($object->kind) {
            ObjectKind::Conversation, ObjectKind::Reading => Conversation::class,
            ObjectKind::Task => Task::class,
            ObjectKind::TaskList => TaskList::class,
            ObjectKind::BlockedSender => BlockedSender::class,
            ObjectKind::Ring => Ring::class,
            ObjectKind::Outgoing => Outgoing::class,
            ObjectKind::Owed => Owed::class,
            ObjectKind::Template => Template::class,
            ObjectKind::Contact => Contact::class,
            ObjectKind::Correction => Correction::class,
            ObjectKind::Label => Label::class,
            ObjectKind::Borne => Borne::class,
            ObjectKind::Card => Card::class,
            ObjectKind::Reference => Reference::class,
            ObjectKind::KeptSearch => KeptSearch::class,
            ObjectKind::Stamp => Stamp::class,
            ObjectKind::Order => StandingOrder::class,
            ObjectKind::Slot => Slot::class,
            ObjectKind::Event => Event::class,
            ObjectKind::Stretch => Stretch::class,
            ObjectKind::DayPlan => DayPlan::class,
        };

        $found = $this->orm->find($class, $object->id);

        if (true !== $found?->accountId->is($accountId)) {
            return null;
        }

        return ObjectKind::Reading === $object->kind && $found instanceof Conversation ? new Reading($found) : $found;
    }

    public function revive(AccountId $accountId, ObjectRef $object, array $state): Journaled
    {
        $made = match ($object->kind) {
            ObjectKind::Ring => throw new CannotUndo('This reminder is over and cannot be put back.'),
            ObjectKind::Conversation, ObjectKind::Reading => throw new CannotUndo('This mail was removed for good and cannot be put back.'),
            ObjectKind::Task => Task::revived(new TaskId($object->id), $accountId, $state),
            ObjectKind::TaskList => TaskList::revived($object->id, $accountId, $state),
            ObjectKind::BlockedSender => BlockedSender::revived($object->id, $accountId, $state),
            ObjectKind::Outgoing => Outgoing::revived(
                new OutgoingId($object->id),
                $accountId,
                $state,
                \DateTimeImmutable::createFromInterface($this->clock->now()),
            ),
            ObjectKind::Owed => Owed::revived($object->id, $accountId, $state),
            ObjectKind::Template => Template::revived($object->id, $accountId, $state),
            ObjectKind::Contact => Contact::revived($object->id, $accountId, $state),
            ObjectKind::Correction => Correction::revived($object->id, $accountId, $state),
            ObjectKind::Label => Label::revived(new LabelId($object->id), $accountId, $state),
            ObjectKind::Order => StandingOrder::revived(new OrderId($object->id), $accountId, $state),
            ObjectKind::Slot => Slot::revived(new SlotId($object->id), $accountId, $state),
            ObjectKind::Event => Event::revived(new EventId($object->id), $accountId, $state),
            ObjectKind::Stretch => Stretch::revived(new StretchId($object->id), $accountId, $state),
            ObjectKind::DayPlan => throw new CannotUndo('This day was never planned.'),
            ObjectKind::Stamp => Stamp::revived(new StampId($object->id), $accountId, $state),
            ObjectKind::Borne => Borne::revived($object->id, $accountId, $state),
            ObjectKind::Card => Card::revived($object->id, $accountId, $state),
            ObjectKind::Reference => Reference::revived($object->id, $accountId, $state),
            ObjectKind::KeptSearch => KeptSearch::revived($object->id, $accountId, $state),
        };
        $this->orm->persist($made);

        return $made;
    }

    public function isNeeded(AccountId $accountId, ObjectRef $object): bool
    {
        $query = match ($object->kind) {
            ObjectKind::TaskList => 'SELECT 1 FROM task WHERE account_id = :account AND list_id = :id
                UNION ALL SELECT 1 FROM card WHERE account_id = :account AND list_id = :id
                UNION ALL SELECT 1 FROM reference WHERE account_id = :account AND list_id = :id LIMIT 1',
            ObjectKind::Task => 'SELECT 1 FROM task WHERE account_id = :account AND parent_id = :id',
            ObjectKind::Label => 'SELECT 1 FROM conversation_label WHERE account_id = :account AND label_id = :id
                UNION ALL SELECT 1 FROM task t, json_each(t.labels) l WHERE t.account_id = :account AND l.value = :id LIMIT 1',
            default => null,
        };
        if (null === $query) {
            return false;
        }
        $this->orm->flush();

        return false !== $this->orm->getConnection()->fetchOne($query, ['account' => $accountId, 'id' => $object->id]);
    }

    public function remove(Journaled $object): void
    {
        $this->orm->remove($object);
    }
}
