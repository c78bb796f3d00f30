<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/**
 * Long lists are sent compressed, to who takes that.
 */
#[AsEventListener(priority: -200)]
final readonly class Compressed
{
    /** Bytes; what is shorter is one packet or two anyway. */
    private const FROM = 3000;

    /** More of it costs more time than it saves. */
    private const LEVEL = 3;

    public function __invoke(ResponseEvent $event): void
    {
        $response = $event->getResponse();
        $content = $response->getContent();
        if (!$event->isMainRequest() || !$response instanceof JsonResponse || false === $content || \strlen($content) < self::FROM) {
            return;
        }
        $response->setVary('Accept-Encoding', false);
        if ($response->headers->has('Content-Encoding') || !\in_array('gzip', $event->getRequest()->getEncodings(), true)) {
            return;
        }
        $compressed = gzencode($content, self::LEVEL);
        if (false !== $compressed) {
            $response->setContent($compressed);
            $response->headers->set('Content-Encoding', 'gzip');
        }
    }
}
