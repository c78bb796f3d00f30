<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

/**
 * An attachment together with its bytes.
 */
final readonly class AttachmentContent
{
    /** @param string $bytes decoded */
    public function __construct(public Attachment $attachment, public string $bytes)
    {
    }
}
