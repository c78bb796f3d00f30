<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Text;

/**
 * How messages end: greetings, marks of signatures, footers of lists and of lawyers, and what programs add.
 */
final readonly class EndMarks
{
    /** A greeting, below which the name stands. */
    private const CLOSING = '/
        ^\s*(?:
            (?:with\s+)?(?:kind|kindest|best|warm|warmest|many)\s+(?:regards|wishes|thanks)
            |regards|best|cheers|sincerely
            |yours(?:\s+(?:sincerely|faithfully|truly))?
            |(?:many\s+)?thanks(?:\s+(?:and|again|in\s+advance).{0,30})?
            |thank\s+you
            |mit\s+(?:freundlichen|besten|herzlichen)\s+grüßen
            |(?:viele|beste|herzliche|liebe)\s+grüße
            |mfg|lg|vg|(?:bien\s+)?cordialement|bien\s+à\s+(?:vous|toi)|amicalement
            |(?:un\s+)?(?:cordial\s+)?saludos?(?:\s+cordial(?:es)?)?
            |atentamente|cordiali\s+saluti|distinti\s+saluti|un\s+saluto|abraços?|atenciosamente|cumprimentos
            |met\s+vriendelijke\s+groet(?:en)?
            |groet(?:en|jes)?
            |med\s+vänliga?\s+hälsning(?:ar)?
            |(?:med\s+)?venlig\s+hilsen
            |(?:med\s+)?vennlig\s+hilsen
            |mvh|ystävällisin\s+terveisin|z\s+poważaniem|pozdrawiam|с\s+уважением|s\s+pozdravem
        )\s*[,.!]*\s*$
    /xiu';

    /** What a program says of itself at the end. */
    private const DEVICE = '/^\s*(?:
        (?:sent|written|typed)\s+(?:from|via|with|using|by)\s+(?:my|the|an?|\p{Lu}).{0,60}
        | get\s+\p{Lu}\w+(?:\s+\w+)?\s+for\s+\p{L}.{0,40}
        | (?:von|mit)\s+(?:meinem|meiner)\s.{1,40}\s(?:gesendet|geschickt) | (?:gesendet|verschickt)\s+(?:von|mit|über)\s.{1,50}
        | envoyé\s+(?:de|depuis|à\s+partir\s+de|avec|par)\s.{1,50}
        | enviad[oa]\s+(?:desde|do|de|con|a\s+partir\s+do|pelo)\s.{1,50}
        | inviat[oa]\s+(?:dal?|con|tramite)\s.{1,50}
        | (?:verzonden|verstuurd)\s+(?:vanaf|met|vanuit)\s.{1,50}
        | skickat\s+från\s.{1,50} | sendt\s+(?:fra|via)\s.{1,50} | lähetetty\s.{1,50} | wysłan[eoy]\s+z\s.{1,50} | odesláno\s+z\s.{1,50}
        | отправлено\s+(?:с|из)\s.{1,50} | 发自.{1,30} | 從.{1,30}傳送 | .{1,20}から送信
    )\s*$/xiu';

    /** The mark of a signature (RFC 3676, 4.3) and what is written instead of it. */
    private const MARK = '/^(?:-- ?|--\s*|—|_{10,}|-{10,}|={10,}|\*{10,})$/u';

    /** "-Tom", "– Tom Vane". */
    private const DASHED = '/^\s*[-–—~]{1,2}\s?\p{Lu}[\p{L}\'’.-]{0,20}(?:\s\p{Lu}[\p{L}\'’.-]{0,20}){0,2}\s*$/u';

    /** Footers that lists add. */
    private const LIST = '/^\s*(?:
        you(?:\s+are|\'re)?\s+(?:receiving|received|getting|got)\s+this\s+(?:e-?mail|message|mail)\s+because
        | to\s+unsubscribe\s+(?:from|send|visit|click|or)\b
        | to\s+(?:view|post|reply\s+to)\s+this\s+(?:discussion|group|list|topic|message)\b
        | (?:un)?subscribe\s*:
        | .{1,60}\smailing\s+list\s*$
        | list\s+(?:info|archives?)\s*:
        | sie\s+erhalten\s+diese\s+(?:e-?mail|nachricht),?\s+weil
        | vous\s+recevez\s+ce\s+(?:message|courriel|mail)\s+(?:car|parce)
    )/xiu';

    /** How lawyers begin. */
    private const LEGAL = '/
        ^\W{0,3}(?:
            (?:this|the\s+information\s+(?:contained\s+)?in\s+this)\s+
            (?:e-?mail|message|communication|transmission|electronic)
            |(?:e-?mail\s+)?(?:confidentiality|disclaimer|legal)\s*(?:notice|note|disclaimer)?\b
            |(?:the\s+)?(?:contents?|information)\s+(?:of|in|contained)\b.{0,40}\b(?:e-?mail|message)
            |(?:if|should)\s+you\s+(?:are\s+not\s+the\s+intended|have\s+received\s+this)
            |please\s+consider\s+the\s+environment
            |diese\s+(?:e-?mail|nachricht)
            |ce\s+(?:message|courriel|courrier)
            |este\s+(?:mensaje|correo)
            |esta\s+mensagem|questo\s+messaggio
            |(?:dit|deze)\s+(?:e-?mail|bericht)
            |detta\s+meddelande|niniejsza\s+wiadomość|privileged\s+and\s+confidential
        )
    /xiu';

    /** What they speak of; two of it make a footer. */
    private const CUES = '/
        confidential|privileged
        |intended\s+(?:solely|only|recipient|for)
        |addressee
        |received\s+(?:this|it)\b.{0,30}in\s+error
        |notify\s+(?:the\s+sender|us)
        |delete\s+(?:it|this)
        |copy(?:ing)?,?\s+(?:or\s+)?distribut
        |viruses|liab(?:le|ility)
        |views\s+(?:or\s+opinions\s+)?(?:expressed|are)
        |registered\s+(?:in|office)
        |environment\s+before\s+printing|vertraulich|irrtümlich|löschen|confidentiel|destinataire|erreur|confidencial
        |destinatario|destinatário|riservat|errore|vertrouwelijk|geadresseerde|konfidentiell|poufn
    /xiu';

    public static function isClosing(string $line): bool
    {
        return 1 === preg_match(self::CLOSING, $line);
    }

    public static function isDevice(string $line): bool
    {
        return mb_strlen($line) < 100 && 1 === preg_match(self::DEVICE, $line);
    }

    public static function isMark(string $line): bool
    {
        return 1 === preg_match(self::MARK, $line);
    }

    public static function isDashedName(string $line): bool
    {
        return mb_strlen($line) < 60 && 1 === preg_match(self::DASHED, $line);
    }

    public static function isOfList(string $line): bool
    {
        return 1 === preg_match(self::LIST, $line);
    }

    /** @param string $paragraph all of it, on one line */
    public static function isLegal(string $paragraph): bool
    {
        $paragraph = mb_substr($paragraph, 0, 2000);
        $cues = preg_match_all(self::CUES, $paragraph);

        return $cues > 3
            || ($cues > 0 && 1 === preg_match(self::LEGAL, $paragraph) && ($cues > 1 || 1 === preg_match('/environment/i', $paragraph)));
    }
}
