<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\In;

/**
 * A way on which mail comes in.
 */
interface MailIn
{
    /**
     * @param string $cursor that came with the last message that was taken in; empty at the beginning
     *
     * @return iterable<Arrived> what has come since, in its order
     *
     * @throws NotReached
     */
    public function since(string $cursor): iterable;
}
