<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ControllerArgumentsEvent;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/**
 * What is only read is read as it was at one moment, with all its queries: a list must not hold what left it between
 * the query for its ids and the one for its rows. Readers wait for nobody, and nobody waits for them (SQLite's WAL).
 */
final class OneMoment
{
    /** It notes what it has looked at. */
    private const WRITE = ['/api/heartbeat'];

    private bool $isOpen = false;

    public function __construct(private readonly Connection $connection)
    {
    }

    #[AsEventListener]
    public function begin(ControllerArgumentsEvent $event): void
    {
        $request = $event->getRequest();
        if ($event->isMainRequest()
            && $request->isMethod('GET')
            && str_starts_with($request->getPathInfo(), '/api/')
            && !\in_array($request->getPathInfo(), self::WRITE, true)) {
            $this->connection->executeStatement('BEGIN');
            $this->isOpen = true;
        }
    }

    /** Before anybody else does something with the answer. */
    #[AsEventListener(priority: 1024)]
    public function end(ResponseEvent $event): void
    {
        if ($this->isOpen && $event->isMainRequest()) {
            $this->isOpen = false;
            try {
                $this->connection->executeStatement('COMMIT');
            } catch (Exception) {
                // A fault of the disk has ended it already; the answer says what it was.
            }
        }
    }
}
