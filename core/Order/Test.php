<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

/**
 * What a condition asks of a message, or how it puts others together.
 */
enum Test: string
{
    /** All, any or none of the conditions within it. */
    case All = 'all';
    case Any = 'any';
    case None = 'none';

    /** The sender's address. */
    case From = 'from';
    /** The domain of the sender's address, or one below it. */
    case Domain = 'domain';
    /** The mailing list (List-Id, RFC 2919). */
    case List = 'list';
    /** One of the person's own addresses that it came to, or its sub-address: name+detail@domain, or +detail of any (RFC 5233). */
    case To = 'to';
    /** To the person alone, among others, or only in copy. */
    case Addressed = 'addressed';
    /** Words, or a phrase in quotes, in the subject; in the subject or the text. */
    case Subject = 'subject';
    case Words = 'words';
    /** More than so many kilobytes; less. */
    case Larger = 'larger';
    case Smaller = 'smaller';
    /** An attachment: any; or of that ending, or media type, or with that in its name. */
    case Attached = 'attached';
    /** What kind of mail it is, see MailKind. */
    case Kind = 'kind';
    /** Whether the person has written to the sender before. */
    case Known = 'known';
    /** It matters at least so much, from 0 to 100; less than that. */
    case Important = 'important';
    case Unimportant = 'unimportant';
    /** Its conversation bears the label; a task that came from it is in the list. */
    case Label = 'label';
    case TaskList = 'task_list';

    public function isGroup(): bool
    {
        return self::All === $this || self::Any === $this || self::None === $this;
    }

    /** Whether it can be told only after the message has been read for advice. */
    public function needsReading(): bool
    {
        return \in_array($this, [self::Kind, self::Important, self::Unimportant], true);
    }
}
