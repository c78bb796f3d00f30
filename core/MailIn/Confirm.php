<?php

declare(strict_types=1);

namespace ZippyTray\Core\MailIn;

/**
 * When somebody is told by mail what became of a letter to a mail-in address.
 */
enum Confirm: string
{
    case Always = 'always';
    /** Only when something was not understood. */
    case Trouble = 'trouble';
    case Never = 'never';
}
