<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/**
 * Tells the browser what a page of ours may do: nothing with any other host.
 */
#[AsEventListener]
final readonly class SecurityHeaders
{
    private const PAGE = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; object-src 'none'; base-uri 'self'; form-action 'self'; frame-ancestors 'none'";

    /** There is nothing to show. */
    private const DATA = "default-src 'none'; frame-ancestors 'none'";

    public function __invoke(ResponseEvent $event): void
    {
        $headers = $event->getResponse()->headers;
        if (!$headers->has('Content-Security-Policy')) {
            $headers->set('Content-Security-Policy', str_starts_with($event->getRequest()->getPathInfo(), '/api/') ? self::DATA : self::PAGE);
        }
        $headers->set('X-Content-Type-Options', 'nosniff');
        $headers->set('Referrer-Policy', 'same-origin');
    }
}
