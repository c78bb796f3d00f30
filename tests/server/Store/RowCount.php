<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractConnectionMiddleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;
use Doctrine\DBAL\Driver\Middleware\AbstractResultMiddleware;
use Doctrine\DBAL\Driver\Middleware\AbstractStatementMiddleware;
use Doctrine\DBAL\Driver\Result;
use Doctrine\DBAL\Driver\Statement;

/**
 * Counts the statements that are executed, and the rows that they give.
 */
final class RowCount implements Middleware
{
    public static int $statements = 0;

    public static int $rows = 0;

    public function wrap(Driver $driver): Driver
    {
        return new class($driver) extends AbstractDriverMiddleware {
            public function connect(#[\SensitiveParameter] array $params): Connection
            {
                return new class(parent::connect($params)) extends AbstractConnectionMiddleware {
                    public function prepare(string $sql): Statement
                    {
                        return new class(parent::prepare($sql)) extends AbstractStatementMiddleware {
                            public function execute(): Result
                            {
                                ++RowCount::$statements;

                                return RowCount::counted(parent::execute());
                            }
                        };
                    }

                    public function query(string $sql): Result
                    {
                        ++RowCount::$statements;

                        return RowCount::counted(parent::query($sql));
                    }
                };
            }
        };
    }

    public static function counted(Result $result): Result
    {
        return new class($result) extends AbstractResultMiddleware {
            public function fetchNumeric(): array|false
            {
                return $this->one(parent::fetchNumeric());
            }

            public function fetchAssociative(): array|false
            {
                return $this->one(parent::fetchAssociative());
            }

            public function fetchOne(): mixed
            {
                return $this->one(parent::fetchOne());
            }

            public function fetchAllNumeric(): array
            {
                return $this->all(parent::fetchAllNumeric());
            }

            public function fetchAllAssociative(): array
            {
                return $this->all(parent::fetchAllAssociative());
            }

            public function fetchFirstColumn(): array
            {
                return $this->all(parent::fetchFirstColumn());
            }

            /**
             * @template T
             *
             * @param T $row
             *
             * @return T
             */
            private function one(mixed $row): mixed
            {
                RowCount::$rows += false === $row ? 0 : 1;

                return $row;
            }

            /**
             * @template T
             *
             * @param list<T> $rows
             *
             * @return list<T>
             */
            private function all(array $rows): array
            {
                RowCount::$rows += \count($rows);

                return $rows;
            }
        };
    }
}
