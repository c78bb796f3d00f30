<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Refused;

/**
 * Whom a person wants to write to, checked before anything is sent.
 */
final readonly class Recipients
{
    /** To, Cc and Bcc together. */
    public const MOST = 100;

    private const NAME_LENGTH = 200;

    /**
     * @param list<Address> $addresses as they were written
     * @param string        $field     that a complaint is about
     *
     * @return list<Address> each once
     *
     * @throws Refused naming the one that is no address
     */
    public static function checked(array $addresses, string $field): array
    {
        $checked = [];
        foreach ($addresses as $address) {
            $email = trim($address->email);
            if (!Address::isValid($email)) {
                $shown = mb_strimwidth(
                    (string) preg_replace('/[\x00-\x1f\x7f]+/', ' ', mb_scrub('' === $email ? $address->name : $email)),
                    0,
                    80,
                    '…',
                );
                throw new Refused(\sprintf('"%s" is no address that mail can be sent to.', $shown), $field);
            }
            $name = mb_substr(trim((string) preg_replace('/[\x00-\x1f\x7f\s]+/u', ' ', mb_scrub($address->name))), 0, self::NAME_LENGTH);
            $checked[strtolower($email)] ??= new Address($email, $name);
        }

        return array_values($checked);
    }

    /**
     * @return Letter whose recipients are addresses that mail can be sent to
     *
     * @throws Refused when one is none, there is nobody, or there are far too many
     */
    public static function checkAll(Letter $letter): Letter
    {
        $checked = $letter->withRecipients(
            self::checked($letter->to, 'to'),
            self::checked($letter->cc, 'cc'),
            self::checked($letter->bcc, 'bcc'),
        );
        $count = \count($checked->recipients());
        if (0 === $count) {
            throw new Refused('To whom? Write an address.', 'to');
        }
        if ($count > self::MOST) {
            throw new Refused(
                \sprintf('It would go to %d people; %d at most can get one message. A mailing list is made for that.', $count, self::MOST),
                'to',
            );
        }

        return $checked;
    }
}
