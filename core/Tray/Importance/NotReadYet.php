<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

/**
 * Mail from which something is to be learned has not been looked through yet; it will be.
 */
final class NotReadYet extends \RuntimeException
{
}
