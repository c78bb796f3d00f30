<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

use ZippyTray\Core\Mail\Address;

/**
 * Recognises messages which say that another one did not arrive, where no machine-readable part does (RFC 3464).
 */
final readonly class Undelivered
{
    private const DAEMON = '/
        ^(?:
            mailer-?daemon|postmaster|mail-?daemon|mdaemon|mailerdaemon
            |mail-?delivery(?:-?(?:sub)?system)?
            |bounces?|delivery-?status|mailbounce
        )\b
    /xi';

    private const NAMED = '/mail(?:er)?[- ]?(?:delivery|daemon)|delivery\s+(?:sub)?system|post\s?master|mail\s+(?:administrator|system'
        .'|router|gateway)/i';

    private const SAID = '/
        undeliver|un-deliver
        |delivery\s+(?:status|failure|failed|has\s+failed|report|notification|problem|error|incomplete|unsuccessful)
        |returned\s+(?:mail|to\s+sender|message)
        |failure\s+(?:notice|notification)
        |mail\s+(?:delivery|system\s+error|failure|error)
        |non-?deliver
        |(?:could\s+not|couldn[’\']t|cannot|can[’\']t|unable\s+to|was\s+not|wasn[’\']t|failed\s+to)\s+(?:be\s+)?delive
        r
        |not\s+(?:been\s+)?delivered
        |message\s+(?:rejected|blocked|bounced|not\s+sent)
        |address\s+not\s+found|user\s+unknown|no\s+such\s+user
        |mailbox\s+(?:unavailable|full|not\s+found)
        |unzustellbar|nicht\s+zugestellt|zustellung.{0,30}fehlgeschlagen|zustellfehler|non\s+remis
        |échec\s+de\s+(?:la\s+)?(?:remise|distribution|livraison)
        |non\s+distribu
        |pas\s+pu\s+être\s+(?:remis|distribu|livr|envoy)
        |no\s+(?:se\s+)?(?:ha\s+podido|pudo|puede)\s+entregar
        |no\s+entregado|error\s+de\s+entrega
        |(?:mensaje|correo)\s+devuelto
        |mancat[ao]\s+(?:consegna|recapito)
        |non\s+(?:recapitat|consegnat)
        |consegna\s+(?:fallita|non\s+riuscita)
        |não\s+(?:foi\s+)?(?:entregue|possível\s+entregar)
        |falha\s+(?:na|de)\s+entrega
        |onbestelbaar
        |niet\s+(?:bezorgd|afgeleverd)
        |bezorging\s+mislukt
        |nie(?:\s+został[ao]?)?\s+dostarczon
        |niedostarczon|zwrot\s+wiadomości|inte\s+levereras|olevererbar|kunne\s+ikke\s+leveres|ikke\s+lever
        |ei\s+voitu\s+toimittaa|toimitus\s+epäonnistui
        |не\s+(?:было\s+)?доставлен
        |недоставлен|не\s+удалось\s+доставить|nedoručiteln|nelze\s+doručit|退信|无法投递|無法投遞|未送达|投递失败|配信不能|配信できません
        |送信できませんでした|전달되지
    /xiu';

    /** Who asks to be answered first has the message. */
    private const CHALLENGE = '/
        (?:confirm|verify|prove)\s+(?:that\s+)?(?:
            you(?:\s+are|\'re)?|your\s+(?:e-?mail|address|message|identity|request)
        )
        |awaiting\s+(?:\w+\s+)?(?:approval|confirmation|moderat)
        |held\s+(?:for|until|because)
        |(?:to|and)\s+(?:have\s+it\s+)?(?:deliver|release)\s+(?:it|your|the)
        |challenge[- \/]response|white-?list
        |added\s+to\s+(?:the|my|our)\s+(?:list|approved)
    /xi';

    private const STILL_TRYING = '/
        delayed
        |(?:will|still|continue)\s+(?:to\s+)?(?:keep\s+|be\s+)?(?:retry|try|tried|trying|being\s+tried)
        |no\s+action\s+is\s+(?:needed|required)
        |has\s+not\s+(?:yet\s+)?been\s+delivered\s+yet
        |warning:\s+(?:message|could)
        |verzögert|noch\s+nicht\s+zugestellt|weitere\s+zustellversuche|retardé|retrasado|ritardat|vertraagd|opóźnion
        |försenad|forsinket|задержан
    /xiu';

    /** What begins the message that came back. */
    private const RETURNED = '/
        ^\W*(?:
            -{2,}.*(?:message|original|copy|returned|included|header)
            |(?:below\s+this\s+line|original\s+message|included\s+is|the\s+(?:header|text)\s+of\s+the\s+original)
            |return-path:|received:|ursprüngliche|message\s+d.origine|mensaje\s+original|messaggio\s+originale
        )
    /xiu';

    private const LINES = 200;

    /**
     * @param string $returnPath the field; empty when there is none
     * @param string $text       its beginning is enough
     */
    public static function isSaid(Address $from, string $returnPath, string $subject, string $text): bool
    {
        $beginning = mb_substr($text, 0, 800);
        $isDaemon = 1 === preg_match(self::DAEMON, $from->email)
            || 1 === preg_match(self::NAMED, $from->name)
            || ('' === $from->email && '' !== $from->name);
        $isNobody = 1 === preg_match('/^\s*<\s*>/', $returnPath) || ('' === $from->email && '' === $from->name);
        if (!$isDaemon && !$isNobody) {
            return false;
        }

        return (1 === preg_match(self::SAID, $subject) || 1 === preg_match(self::SAID, $beginning))
            && 1 !== preg_match(self::CHALLENGE, $subject.' '.mb_substr($text, 0, 2000));
    }

    /** It has not arrived yet, and is still being tried. */
    public static function isDelay(string $subject, string $text): bool
    {
        return 1 === preg_match(self::STILL_TRYING, $subject.' '.mb_substr($text, 0, 2000));
    }

    /**
     * The addresses that it says are not reached: those with which a line begins.
     *
     * @param list<Address> $not who cannot be meant: it was sent to them
     *
     * @return list<string>
     */
    public static function addresses(string $text, array $not): array
    {
        $found = [];
        foreach (\array_slice(explode("\n", $text), 0, self::LINES) as $line) {
            if (1 === preg_match(self::RETURNED, $line)) {
                break;
            }
            if (1 !== preg_match('/
                ^\s*(?:[•*·-]\s*)?(?:
                    (?:
                        to|recipient|rcpt\s+to|final-recipient|original-recipient|an|à|a|para|empfänger|destinataire
                        |destinatario|ontvanger
                    )\s*:\s*
                )?(?:rfc822\s*;\s*)?[<("\'\[]?(?:mailto:)?([\w.!#$%&\'+\/=?^`{|}~-]+@[\w-]+(?:\.[\w-]+)+)
            /xiu', mb_substr($line, 0, 400), $m)) {
                continue;
            }
            $address = rtrim($m[1], '.');
            if (1 === preg_match(self::DAEMON, $address)
                || 1 === preg_match('/[x.]{3,}@|@[x.]{3,}/i', $address)
                || [] !== array_filter($not, static fn (Address $one): bool => $one->is($address))) {
                continue;
            }
            $found[strtolower($address)] = $address;
        }

        return array_values($found);
    }
}
