<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Remark;

/**
 * What there is to say of a message besides what it says itself.
 */
enum RemarkKind: string
{
    // What was not read, see Limit.
    case Depth = 'depth';
    case Parts = 'parts';
    case HeaderLines = 'header_lines';
    case Field = 'field';
    case Html = 'html';

    /** Nobody says in which character set it is written; it was guessed. */
    case Charset = 'charset';

    // What pretends to be something else.
    case OtherAddress = 'other_address';
    case TurnedName = 'turned_name';
    case MixedName = 'mixed_name';
    case MixedHost = 'mixed_host';
    case TurnedSubject = 'turned_subject';
    case Link = 'link';
    case MixedLink = 'mixed_link';
    case TurnedFile = 'turned_file';
    case DoubleEnding = 'double_ending';

    public function isDeceit(): bool
    {
        return !\in_array($this, [self::Depth, self::Parts, self::HeaderLines, self::Field, self::Html, self::Charset], true);
    }

    /** @return 'message'|'sender'|'subject'|'link'|'file' where it stands */
    public function place(): string
    {
        return match ($this) {
            self::OtherAddress, self::TurnedName, self::MixedName, self::MixedHost => 'sender',
            self::TurnedSubject => 'subject',
            self::Link, self::MixedLink => 'link',
            self::TurnedFile, self::DoubleEnding => 'file',
            default => 'message',
        };
    }
}
