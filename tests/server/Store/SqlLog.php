<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use Psr\Log\AbstractLogger;

/** Each statement that was sent to the database while somebody listened. */
final class SqlLog extends AbstractLogger
{
    /** @var list<string>|null */
    private static ?array $heard = null;

    /**
     * @param callable(): mixed $what
     *
     * @return list<string> in their order
     */
    public static function during(callable $what): array
    {
        self::$heard = [];
        try {
            $what();

            return self::$heard;
        } finally {
            self::$heard = null;
        }
    }

    public function log($level, string|\Stringable $message, array $context = []): void
    {
        if (null !== self::$heard && \is_string($context['sql'] ?? null)) {
            self::$heard[] = $context['sql'];
        }
    }
}
