<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Owed\Owed;
use ZippyTray\Core\People\Called;
use ZippyTray\Core\Time\LocalDate;

/**
 * The letter that asks somebody again for what they owe.
 */
final readonly class AskAgain
{
    /** @param string $subject of the conversation in which it was asked for; may be empty */
    public static function of(Owed $owed, string $subject, string $myName, \DateTimeZone $zone): Letter
    {
        $asked = LocalDate::of($owed->askedAt(), $zone)->format('l j F');
        $what = rtrim($owed->what(), '. ');
        $about = '' === $what
            ? \sprintf('On %s I asked you for an answer', $asked)
            : \sprintf('On %s I asked you for this: %s', $asked, $what);

        return new Letter(
            [$owed->person()],
            subject: '' === $subject ? 'A reminder' : 'Re: '.$subject,
            text: \sprintf(
                "%s\n\n%s. I have not heard from you since. When can I count on it?\n\n%s\n",
                Called::greeting($owed->person()),
                $about,
                self::signed($myName),
            ),
        );
    }

    private static function signed(string $name): string
    {
        $first = Called::firstName(new Address('', $name));

        return '' === $first ? $name : $first;
    }
}
