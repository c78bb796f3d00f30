<?php

declare(strict_types=1);

namespace ZippyTray\Core\Lists;

/**
 * What a thing to look up is.
 */
enum ReferenceKind: string
{
    case Message = 'message';
    case Attachment = 'attachment';
    case Page = 'page';
    case File = 'file';
    /** In words of one's own. */
    case Text = 'text';
}
