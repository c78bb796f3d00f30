<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

use ZippyTray\Core\Journal\Entry;

/**
 * What came of an order that means a message.
 */
final readonly class Outcome
{
    /**
     * @param Entry|null $entry   what it did; null: nothing
     * @param string     $trouble why it could not be carried out, in a sentence; empty when it could, or nothing was left to do
     */
    public function __construct(public StandingOrder $order, public ?Entry $entry, public string $trouble)
    {
    }
}
