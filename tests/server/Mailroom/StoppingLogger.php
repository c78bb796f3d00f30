<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Mailroom;

use Psr\Log\AbstractLogger;

/**
 * A process that was killed does not come to write into its log.
 */
final class StoppingLogger extends AbstractLogger
{
    /** @param mixed[] $context */
    public function log($level, string|\Stringable $message, array $context = []): void
    {
        if (($context['exception'] ?? null) instanceof Stopped) {
            throw $context['exception'];
        }
    }
}
