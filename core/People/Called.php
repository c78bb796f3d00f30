<?php

declare(strict_types=1);

namespace ZippyTray\Core\People;

use ZippyTray\Core\Mail\Address;

/**
 * What somebody is called: in a title, and in the greeting of a letter. The one rule for a first name.
 */
final readonly class Called
{
    private const ORGANISATION = '/
        \b(?:
            desk|office|team|support|services?|radio|print(?:ers|ing)?|school|trust|council|shop|store|ltd|limited
            |gmbh|inc|llc|company|department|dept|accounts|billing|info|news(?:letter)?|museum|library|bank|club
            |society|association|committee|harbour|port|insurance|energy|power|water|telecom|institute|university
            |college|foundation|fund|group|agency|bureau|centre|center|hotel|press|magazine|journal|works|supplies
            |rentals?|roofs|roofing|glass|electric|studio|partners|parish|church|police|ministry|authority|board
            |administration|secretariat|reception|admissions|registry|orders|bookings|tickets|forms?|enquir(?:y|ies)
            |inquir(?:y|ies)|sales|helpdesk|hotline|notifications?|alerts?|no-?reply|do-?not-?reply|mailer|daemon
            |postmaster|webmaster|administrator|scanner|printer|copier|calendar|invoices?|payments?|customer|members?
            |user|website|online|digest|list|the
        )\b
    /xiu';

    private const HONORIFIC = '/^(?:(?:mr|mrs|ms|miss|mx|dr|prof|professor|sir|dame|capt|captain|rev|fr|sr|herr|frau|mme|dipl'
        .'|ing)\b\.?-?\s*)+/iu';

    /** Words before the @ that name a place, and nobody. */
    private const ROLE = '/
        ^(?:
            contact|hello|hi|mail|email|post|me|all|everybody|everyone|staff|management|help|test|web|www|root|admin
            |box|inbox|general|home|family|kontakt
        )$
    /xiu';

    /** What to call the sender in a title: a first name, or the whole name of an organisation. */
    public static function inTitle(Address $person): string
    {
        $name = self::name($person);
        if ('' === $name) {
            $word = explode(' ', trim((string) preg_replace('/[^\p{L}]+/u', ' ', explode('@', $person->email)[0])))[0];

            return '' === $word ? 'the sender' : self::capital($word);
        }
        if (self::isOrganisation($name)) {
            return trim((string) preg_replace('/,.*$/u', '', $name));
        }

        return self::capital(explode(' ', $name)[0]);
    }

    /**
     * The name with which a letter greets somebody.
     *
     * @return string empty when none is known that is a person's: "Contact form" and "info@…" have none
     */
    public static function firstName(Address $person): string
    {
        $name = self::name($person);
        if ('' === $name) {
            // Of an address alone only first.last tells a name.
            $isTwo = 1 === preg_match('/^(?<first>\p{L}{2,})[._-](?:\p{L}\.?[._-])?\p{L}{2,}@/u', $person->email, $m);

            return $isTwo
                && !self::isOrganisation(strtr(explode('@', $person->email)[0], '._', '  '))
                && 1 !== preg_match(self::ROLE, $m['first'])
                ? self::capital($m['first'])
                : '';
        }
        $first = explode(' ', $name)[0];
        // An initial, a role or something that is no word is nobody's first name.
        $isName = 1 === preg_match('/^\p{L}[\p{L}\p{M}\'’-]+$/u', $first) && 1 !== preg_match(self::ROLE, $first);

        return $isName && !self::isOrganisation($name) ? self::capital($first) : '';
    }

    /** "Hello Elin," or, where no name is known, "Hello,". */
    public static function greeting(?Address $person): string
    {
        $name = null === $person ? '' : self::firstName($person);

        return '' === $name ? 'Hello,' : \sprintf('Hello %s,', $name);
    }

    /** The name as it is spoken, the first name first and without titles; empty when there is none. */
    private static function name(Address $person): string
    {
        $name = trim((string) preg_replace(['/\s*\([^)]*\)|\s+(?:via|from|at|@)\s.*$/u', '/^[\'"]|[\'"]$/'], '', $person->name));
        if (str_contains($name, '@')) {
            return '';
        }
        if (1 === preg_match('/^(?<last>[^,]+),\s*(?<first>(?:\p{Lu}|(?:dr|prof)\b)[^,]*)$/u', $name, $m) && !self::isOrganisation($name)) {
            $name = $m['first'].' '.$m['last'];
        }
        $spoken = (string) preg_replace(self::HONORIFIC, '', $name);

        return '' === $spoken ? $name : $spoken;
    }

    private static function isOrganisation(string $name): bool
    {
        return 1 === preg_match(self::ORGANISATION, $name) || 1 === preg_match('/[&\d]/', $name);
    }

    private static function capital(string $text): string
    {
        return mb_strtoupper(mb_substr($text, 0, 1)).mb_substr($text, 1);
    }
}
