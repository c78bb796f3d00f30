<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\NotFound;

/**
 * Begins and ends a clearing.
 */
final readonly class Clear
{
    public function __construct(private Clearings $clearings, private Transaction $transaction, private ClockInterface $clock)
    {
    }

    /**
     * @param string $id   made by the client; the same id again changes nothing
     * @param int    $size how many conversations are in the tray
     */
    public function begin(string $accountId, string $id, ClearingOrder $order, int $size): Clearing
    {
        return $this->transaction->run(function () use ($accountId, $id, $order, $size): Clearing {
            $clearing = $this->clearings->find($accountId, $id);
            if (null === $clearing) {
                $clearing = new Clearing($id, $accountId, $order, $size, \DateTimeImmutable::createFromInterface($this->clock->now()));
                $this->clearings->add($clearing);
            }

            return $clearing;
        });
    }

    /** @throws NotFound */
    public function end(string $accountId, string $id): Clearing
    {
        return $this->transaction->run(function () use ($accountId, $id): Clearing {
            $clearing = $this->clearings->get($accountId, $id);
            $clearing->end(\DateTimeImmutable::createFromInterface($this->clock->now()));

            return $clearing;
        });
    }
}
