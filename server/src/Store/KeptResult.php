<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Driver\Middleware\AbstractResultMiddleware;

/**
 * What was not read to its end would hold on to the database as it was then; so it is let go with the object.
 */
final class KeptResult extends AbstractResultMiddleware
{
    public function __destruct()
    {
        $this->free();
    }
}
