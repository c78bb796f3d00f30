<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Driver\Middleware\AbstractStatementMiddleware;
use Doctrine\DBAL\Driver\Result;
use Doctrine\DBAL\Driver\Statement;

/**
 * A statement that is prepared once and executed again and again; never again before what it gave has been read and let go.
 */
final class KeptStatement extends AbstractStatementMiddleware
{
    /** @var \WeakReference<KeptResult>|null */
    private ?\WeakReference $given = null;

    /** @param \Closure(): void $forget called when it failed, as on a locked database: it would stay in progress */
    public function __construct(Statement $statement, private readonly \Closure $forget)
    {
        parent::__construct($statement);
    }

    public function isBusy(): bool
    {
        return null !== $this->given?->get();
    }

    public function execute(): Result
    {
        try {
            $result = new KeptResult(parent::execute());
        } catch (\Throwable $problem) {
            ($this->forget)();

            throw $problem;
        }
        $this->given = \WeakReference::create($result);

        return $result;
    }
}
