<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Tray\Advice\Advice;
use ZippyTray\Core\Tray\Advice\AdviceGroup;
use ZippyTray\Core\Tray\Advice\MailKind;

/**
 * Before all that is left in the tray is archived, and before the older part of an inbox is: what seems to ask for something, holds a
 * date still to come or has just come back is held up.
 */
final readonly class RestCheck
{
    /** @param string $reason why, in a sentence */
    private function __construct(public HeldBecause $because, public string $reason)
    {
    }

    /**
     * @param Advice|null $advice  null: it has not been read
     * @param string      $trouble what was not understood of what it asked the program for; may be empty
     *
     * @return self|null null when it can go
     */
    public static function of(?Advice $advice, bool $returned, string $trouble = ''): ?self
    {
        return match (true) {
            $returned => new self(HeldBecause::Returned, 'You had it come back.'),
            '' !== $trouble => new self(HeldBecause::Asks, $trouble),
            null === $advice => self::unread(),
            MailKind::Invitation === $advice->kind => new self(HeldBecause::Asks, 'It is an invitation.'),
            MailKind::Bounce === $advice->kind => new self(HeldBecause::Asks, 'A message of yours did not arrive.'),
            default => self::asking($advice) ?? self::dated($advice),
        };
    }

    /**
     * The same for mail that lay in an inbox before it was kept in step, perhaps for years.
     *
     * @param Advice|null $advice       of what was written since the person wrote last; null: it has not been read
     * @param bool        $isAnswered   whether nobody has written since the person did
     * @param bool        $isUnanswered whether the person has never written in its conversation
     */
    public static function ofOlder(?Advice $advice, bool $isAnswered, bool $isUnanswered): ?self
    {
        return match (true) {
            null === $advice => self::unread(),
            // What it asked for has been answered; the day is still to come.
            $isAnswered => self::dated($advice),
            // It was on a day that is over, or did not arrive, long ago.
            MailKind::Invitation === $advice->kind, MailKind::Bounce === $advice->kind => self::dated($advice),
            default => self::asking($advice) ?? self::dated($advice) ?? ($isUnanswered && MailKind::Personal === $advice->kind
                ? new self(HeldBecause::Unanswered, 'You never answered it.')
                : null),
        };
    }

    private static function unread(): self
    {
        return new self(HeldBecause::Unread, 'It has not been read yet, and may ask for something.');
    }

    private static function asking(Advice $advice): ?self
    {
        return match (true) {
            '' !== $advice->asks && null !== $advice->date => new self(HeldBecause::Asks, \sprintf(
                'It seems to ask for something, and names %s.',
                $advice->date->date->format('D j M'),
            )),
            '' !== $advice->asks => new self(HeldBecause::Asks, 'It seems to ask for something.'),
            AdviceGroup::Asks === $advice->group => new self(HeldBecause::Asks, 'It may ask you for something.'),
            default => null,
        };
    }

    private static function dated(Advice $advice): ?self
    {
        return null === $advice->date ? null : new self(
            HeldBecause::Day,
            \sprintf('It names a day still to come, %s.', $advice->date->date->format('D j M')),
        );
    }
}
