<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Symfony\Component\Console\ConsoleEvents;
use Symfony\Component\Console\Event\ConsoleCommandEvent;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use ZippyTray\Server\Store\Schema;

/**
 * Before a command of ours works with data, the database is there and up to date.
 */
#[AsEventListener(ConsoleEvents::COMMAND)]
final readonly class BringSchemaUpToDate
{
    private const OURS = ['mail:import', 'data:prepare', 'data:work', 'demo:', 'account:'];

    public function __construct(private Schema $schema)
    {
    }

    public function __invoke(ConsoleCommandEvent $event): void
    {
        foreach (self::OURS as $prefix) {
            if (str_starts_with((string) $event->getCommand()?->getName(), $prefix)) {
                $this->schema->bringUpToDate();

                return;
            }
        }
    }
}
