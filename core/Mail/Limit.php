<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

/**
 * How much of a message is read, so that no message can keep the program busy or fill its memory. The bytes are kept
 * as they came, and what was not read is said (Remark).
 */
final readonly class Limit
{
    /** Parts within parts (RFC 2046, 5.1) below this level are one part. */
    public const DEPTH = 100;

    public const PARTS = 2000;

    public const HEADER_LINES = 20_000;

    /** Bytes of one header field, unfolded. */
    public const FIELD = 65_536;

    /** Characters of a subject. */
    public const LINE = 500;

    /** Characters of a file's name. */
    public const NAME = 200;

    /** Mailboxes of one header field. */
    public const MAILBOXES = 1000;
}
