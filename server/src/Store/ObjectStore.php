<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\Journal\CannotUndo;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Journal\Objects;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Tray\BlockedSender;
use ZippyTray\Core\Tray\Conversation;

final readonly class ObjectStore implements Objects
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function find(string $accountId, ObjectRef $object): ?Journaled
    {
        $class = match ($object->kind) {
            ObjectKind::Conversation => Conversation::class,
            ObjectKind::Task => Task::class,
            ObjectKind::TaskList => TaskList::class,
            ObjectKind::BlockedSender => BlockedSender::class,
        };

        return $this->orm->getRepository($class)->findOneBy(['accountId' => $accountId, 'id' => $object->id]);
    }

    public function revive(string $accountId, ObjectRef $object, array $state): Journaled
    {
        $made = match ($object->kind) {
            ObjectKind::Conversation => throw new CannotUndo('This mail was removed for good and cannot be put back.'),
            ObjectKind::Task => Task::revived($object->id, $accountId, $state),
            ObjectKind::TaskList => TaskList::revived($object->id, $accountId, $state),
            ObjectKind::BlockedSender => BlockedSender::revived($object->id, $accountId, $state),
        };
        $this->orm->persist($made);
        $this->orm->flush();

        return $made;
    }

    public function isNeeded(string $accountId, ObjectRef $object): bool
    {
        if (ObjectKind::TaskList !== $object->kind) {
            return false;
        }
        $this->orm->flush();

        return false !== $this->orm->getConnection()->fetchOne('SELECT 1 FROM task WHERE account_id = ? AND list_id = ?', [$accountId, $object->id]);
    }

    public function remove(Journaled $object): void
    {
        $this->orm->remove($object);
        $this->orm->flush();
    }
}
