<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Mailroom;

/**
 * As if the process had been killed: nothing catches it.
 */
final class Stopped extends \Error
{
}
