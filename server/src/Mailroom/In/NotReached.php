<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\In;

/**
 * No mail could be fetched. The message is a sentence for the person.
 */
class NotReached extends \RuntimeException
{
}
