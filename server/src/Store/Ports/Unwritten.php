<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;

/**
 * Writing what is new before each question would go through all that has been loaded, for each of ten thousand conversations.
 */
final readonly class Unwritten
{
    /**
     * @template T of object
     *
     * @param list<T>                $found   in the database
     * @param callable(object): bool $isMeant
     *
     * @return list<T> with those that were added since and not written yet, without those that were removed
     */
    public static function beside(EntityManagerInterface $orm, array $found, callable $isMeant): array
    {
        $work = $orm->getUnitOfWork();
        /** @var list<T> $added */
        $added = array_values(array_filter($work->getScheduledEntityInsertions(), $isMeant));

        return [...array_values(array_filter($found, static fn (object $one): bool => !$work->isScheduledForDelete($one))), ...$added];
    }
}
