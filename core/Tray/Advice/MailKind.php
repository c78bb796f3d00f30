<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * What kind of mail a message is.
 */
enum MailKind: string
{
    /** One person writes to another, or to a few. */
    case Personal = 'personal';

    /** People talk on a mailing list (RFC 2369, RFC 2919). */
    case Discussion = 'discussion';

    /** The same for many, to be read. */
    case Newsletter = 'newsletter';

    /** The same for many, to sell something. */
    case Advert = 'advert';

    /** A machine tells of something that concerns this person: an order, an invoice, an alert. */
    case Notice = 'notice';

    /** An automatic answer (RFC 3834): somebody is away. */
    case AutoReply = 'auto_reply';

    /** A message could not be delivered (RFC 3464). */
    case Bounce = 'bounce';

    /** A message is not delivered yet, and is still being tried. */
    case Delay = 'delay';

    case Invitation = 'invitation';

    /** Somebody answered an invitation, or took one back. */
    case InvitationNews = 'invitation_news';

    /** It looks like fraud or spam. */
    case Suspicious = 'suspicious';

    public function isBulk(): bool
    {
        return self::Newsletter === $this || self::Advert === $this;
    }

    /** Whether what such mail asks for can be meant for the person. */
    public function canAsk(): bool
    {
        return \in_array($this, [self::Personal, self::Discussion, self::Notice, self::Invitation], true);
    }

    /** In words, of several. */
    public function plural(): string
    {
        return match ($this) {
            self::Personal => 'personal letters',
            self::Discussion => 'discussions',
            self::Newsletter => 'newsletters',
            self::Advert => 'adverts',
            self::Notice => 'notices',
            self::Invitation => 'invitations',
            self::InvitationNews => 'news of invitations',
            self::AutoReply => 'automatic answers',
            self::Bounce, self::Delay => 'reports of delivery',
            self::Suspicious => 'suspicious letters',
        };
    }
}
