<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ControllerEvent;

/**
 * Lets go of the session as soon as it is known who asks. It is locked while it is open, and what a
 * page asks for at the same time would otherwise be answered one after the other.
 */
#[AsEventListener]
final readonly class SessionRelease
{
    /** Signing in and out change the session, here and at the provider of a mailbox. */
    private const WRITE = ['/api/sign-in', '/api/session', '/api/accounts', '/api/mailboxes/sign-ins', '/api/mailboxes/sign-ins/answers'];

    public function __invoke(ControllerEvent $event): void
    {
        $request = $event->getRequest();
        if ($event->isMainRequest()
            && $request->hasSession()
            && $request->getSession()->isStarted()
            && !\in_array($request->getPathInfo(), self::WRITE, true)) {
            $request->getSession()->save();
        }
    }
}
