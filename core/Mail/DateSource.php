<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

/**
 * Where a message's date was taken from.
 */
enum DateSource: string
{
    case Header = 'header';
    case Received = 'received';
    case Import = 'import';
}
