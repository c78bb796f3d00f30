<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractConnectionMiddleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;
use Doctrine\DBAL\Driver\Middleware\AbstractStatementMiddleware;
use Doctrine\DBAL\Driver\Result;
use Doctrine\DBAL\Driver\Statement;

/**
 * Lets somebody else do something between two statements of a request.
 */
final class Meanwhile implements Middleware
{
    /** @var array{string, \Closure(): void}|null after the first statement that holds the text, once */
    private static ?array $next = null;

    /** @param \Closure(): void $do */
    public static function after(string $text, \Closure $do): void
    {
        self::$next = [$text, $do];
    }

    public static function isDone(): bool
    {
        return null === self::$next;
    }

    public static function executed(string $sql): void
    {
        if (null !== self::$next && str_contains($sql, self::$next[0])) {
            [, $do] = self::$next;
            self::$next = null;
            $do();
        }
    }

    public function wrap(Driver $driver): Driver
    {
        return new class($driver) extends AbstractDriverMiddleware {
            public function connect(#[\SensitiveParameter] array $params): Connection
            {
                return new class(parent::connect($params)) extends AbstractConnectionMiddleware {
                    public function prepare(string $sql): Statement
                    {
                        return new class(parent::prepare($sql), $sql) extends AbstractStatementMiddleware {
                            public function __construct(Statement $statement, private readonly string $sql)
                            {
                                parent::__construct($statement);
                            }

                            public function execute(): Result
                            {
                                $result = parent::execute();
                                Meanwhile::executed($this->sql);

                                return $result;
                            }
                        };
                    }
                };
            }
        };
    }
}
