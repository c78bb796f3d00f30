<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Mail\Message;

enum SourceKind: string
{
    /** A message, of which the task keeps a copy. */
    case Message = 'message';

    /** A web address. */
    case Web = 'web';

    /** Another task. */
    case Task = 'task';
}
