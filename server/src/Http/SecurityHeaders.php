<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/**
 * Tells the browser what a page of ours may do: nothing with any other host, and nothing with the machine.
 */
#[AsEventListener]
final readonly class SecurityHeaders
{
    private const OF_DATA = [
        'X-Content-Type-Options' => 'nosniff', 'Referrer-Policy' => 'same-origin', 'Cross-Origin-Resource-Policy' => 'same-origin',
    ];

    public const OF_PAGES = self::OF_DATA + [
        'Permissions-Policy' => 'accelerometer=(), autoplay=(), camera=(), display-capture=(), fullscreen=(), geolocation=(), '
            .'gyroscope=(), hid=(), microphone=(), midi=(), payment=(), serial=(), usb=()',
        'Cross-Origin-Opener-Policy' => 'same-origin',
    ];

    private const PAGE = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; object-src 'none'; "
        ."base-uri 'self'; form-action 'self'; frame-ancestors 'none'";

    /** There is nothing to show. */
    private const DATA = "default-src 'none'; frame-ancestors 'none'";

    public function __invoke(ResponseEvent $event): void
    {
        $headers = $event->getResponse()->headers;
        $isData = str_starts_with($event->getRequest()->getPathInfo(), '/api/');
        if (!$headers->has('Content-Security-Policy')) {
            $headers->set('Content-Security-Policy', $isData ? self::DATA : self::PAGE);
        }
        // What the page may do of itself, an answer that it asks for cannot change.
        foreach ($isData ? self::OF_DATA : self::OF_PAGES as $name => $value) {
            $headers->set($name, $value);
        }
    }
}
