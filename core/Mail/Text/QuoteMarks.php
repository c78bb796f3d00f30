<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Text;

/**
 * How programs say, in different languages, that what follows is an earlier message.
 */
final readonly class QuoteMarks
{
    /** "Wrote", in the languages of mail programs. */
    private const WROTE = '
        wrote | writes
        | schrieb(?:\s+am)? | hat\s+geschrieben
        | a\s+écrit | écrivait
        | escribió | ha\s+escrito
        | ha\s+scritto | scrisse
        | escreveu
        | schreef | heeft\s+.{0,60}\s*geschreven
        | skrev | skreiv
        | kirjoitti
        | napisał\(?a?\)? | pisze
        | napsal\(?a?\)? | napísal\(?a?\)?
        | пишет | писал\(?а?\)? | написал\(?а?\)? | пише
        | írta | yazdı | έγραψε
        | 写道 | 寫道 | のメッセージ | のメール | さん?は?書きました | 님이\s*작성
    ';

    /** How an attribution with a date begins. */
    private const BEGINNING = 'on|am|le|lundi|mardi|mercredi|jeudi|vendredi|samedi|dimanche|el|il(?:\s+giorno)?|op|em|den|dne|w\s+dniu'
        .'|dnia|på|el\s+día|on\s+the|at|在|于';

    /** Something that says when: a year, a time, a date. */
    private const DATED = '/\b(?:19|20)\d\d\b|\b\d{1,2}[:.]\d\d\b|\d{1,2}[.\/-]\d{1,2}[.\/-]\d{2}|\d{4}年/u';

    private const ADDRESS = '/[^<>@\s"(]+@[^<>\s")]+\.[^<>\s")]+/u';

    /** Longer ones are sentences. */
    private const LONGEST = 300;

    /** Lines behind which everything is an earlier message. */
    private const SEPARATORS = '/
        ^\W{0,2}\s*(-{2,}|_{2,}|={2,})\s*(
            original(\s+message|\s+appointment|nachricht)?
            |ursprüngliche\ nachricht|message\ d.origine|mensaje\ original|messaggio\ originale|mensagem\ original
            |oorspronkelijk\ bericht|oprindelig\ meddelelse|opprinnelig\ melding|originalmeddelande
            |ursprungligt\ meddelande|alkuperäinen\ viesti|wiadomość\ oryginalna|původní\ zpráva|исходное\ сообщение
            |原始邮件|原始郵件|元のメッセージ
            |(begin\s+)?forwarded\ (message|by.*)
            |weitergeleitete\ nachricht
            |message\ (transféré|réexpédié)
            |mensaje\ reenviado|messaggio\ inoltrato|mensagem\ encaminhada|doorgestuurd\ bericht
            |vidarebefordrat\ meddelande
            |videresendt\ (besked|melding)
            |välitetty\ viesti|przekazana\ wiadomość|пересылаемое\ сообщение|转发邮件|転送メッセージ
        )\s*(-{2,}|_{2,}|={2,})?\s*$
        |^\s*(
            begin\ forwarded\ message
            |anfang\ der\ weitergeleiteten\ nachricht
            |début\ du\ message\ (réexpédié|transféré)
            |inicio\ del\ mensaje\ reenviado|inizio\ messaggio\ inoltrato
        )\s*:\s*$
    /xiu';

    /** The fields of a block of headers, by what they say. */
    private const FIELDS = [
        'from' => 'from|von|de|da|van|från|fra|od|от|від|lähettäjä|发件人|寄件者|寄件人|差出人|送信者|보낸 사람|feladó|kimden|από',
        'date' => 'sent|date|date sent|gesendet|datum|envoyé|envoyé le|enviado|enviado el|enviada|enviada em|fecha|data|inviato|inviata'
            .'|verzonden|skickat|dato|sendt|lähetetty|päiväys|wysłano|odesláno|дата|отправлено|发送时间|发送日期|日期|寄件日期|時間|送信日時|送信日|日時|보낸 날짜'
            .'|elküldve|tarih',
        'to' => 'to|an|à|a|para|aan|till|til|do|кому|vastaanottaja|收件人|收件者|宛先|받는 사람|komu|címzett|kime',
        'cc' => 'cc|kopie|copie|copia|cópia|kopia|kopi|dw|копия|kopio|抄送|副本|참조',
        'subject' => 'subject|betreff|objet|asunto|oggetto|assunto|onderwerp|ämne|emne|aihe|temat|тема|主题|主題|主旨|件名|제목|předmět|tárgy|konu'
            .'|θέμα',
    ];

    /**
     * Whether the lines together are an attribution: "On Monday, Ada wrote:".
     *
     * @param list<string> $lines    one after the other, without empty ones
     * @param bool         $isQuoted whether marked lines follow, so that it need not end with a colon
     */
    public static function isAttribution(array $lines, bool $isQuoted = true): bool
    {
        $line = trim(implode(' ', array_map(trim(...), $lines)));
        if (mb_strlen($line) > self::LONGEST || mb_strlen($line) < 4) {
            return false;
        }
        $hasColon = 1 === preg_match('/[:：]\s*$/u', $line);
        $wrote = 1 === preg_match('/(?<![\p{L}])(?:'.self::WROTE.')(?![\p{L}])/xiu', $line, $m, \PREG_OFFSET_CAPTURE);
        $isDated = self::isDated($line);
        $isAddressed = 1 === preg_match(self::ADDRESS, $line);
        $begins = 1 === preg_match('/^\W{0,2}(?:'.self::BEGINNING.')(?![\p{L}])/iu', $line);
        if ($wrote) {
            $behind = trim(substr($line, $m[0][1] + \strlen($m[0][0])));
            $isLast = mb_strlen($behind) < 4 || $isDated || $isAddressed || $begins;
            // "Ada wrote:" is enough above marked lines; by itself it has to say when, or from where.
            if ($hasColon && $isLast && ($isQuoted || $isDated || $isAddressed)) {
                return true;
            }

            return !$hasColon && $isDated && ($begins || $isAddressed) && $isQuoted && mb_strlen($behind) < 30;
        }

        return $hasColon
            && $isAddressed
            && ($isDated || ($isQuoted && 1 === preg_match('/[>)"]?\s*[:：]\s*$/u', $line) && mb_strlen($line) < 160));
    }

    public static function isDated(string $line): bool
    {
        return 1 === preg_match(self::DATED, $line);
    }

    /** An attribution that stands by itself counts only when it says when. */
    public static function isDatedAttribution(string ...$lines): bool
    {
        $line = implode(' ', $lines);

        return mb_strlen($line) > 15 && self::isDated($line) && self::isAttribution(array_values($lines), false);
    }

    /**
     * Where within a line an attribution begins behind a sentence: "Yes. On Tue, 24 Nov 2026 Ada wrote:".
     *
     * @return int|null the first character of the attribution, counted in characters from 0
     */
    public static function behindSentence(string $line, string $next = ''): ?int
    {
        if (1 !== preg_match('/^(.{1,400}?[.!?…)"”]\s+)((?:'.self::BEGINNING.')\s[^\n]{6,250})$/iu', rtrim($line), $m)
            || !self::isDated($m[2])) {
            return null;
        }

        return self::isDatedAttribution($m[2]) || ('' !== $next && self::isDatedAttribution($m[2], $next)) ? mb_strlen($m[1]) : null;
    }

    /** An attribution with the beginning of the quote behind it on the same line: "On Monday Ada wrote: > old". */
    public static function isWithQuote(string $line): bool
    {
        return 1 === preg_match('/^(.{4,250}[:：])\s*>\s*\S/u', $line, $m) && self::isAttribution([$m[1]]);
    }

    public static function isSeparator(string $line): bool
    {
        return 1 === preg_match(self::SEPARATORS, $line);
    }

    /**
     * Whether a block of header lines begins here, as programs put it above an earlier message: with any of the fields,
     * and at least two others.
     *
     * @param list<string> $lines
     */
    public static function isHeaderBlock(array $lines): bool
    {
        $found = [];
        foreach ($lines as $number => $line) {
            $field = self::field($line);
            if (null === $field) {
                // A long list of recipients goes on in the next line.
                if (0 === $number || '' === trim($line) || 1 !== preg_match('/^\s+\S|@/u', $line)) {
                    break;
                }
                continue;
            }
            $found[$field] = true;
        }

        return \count($found) > 2 && (isset($found['from']) || isset($found['date']));
    }

    private static function field(string $line): ?string
    {
        if (1 !== preg_match('/^[\s*_|>]{0,4}([\p{L}][\p{L} ]{0,14})\s?[*_]{0,2}\s?[:：][*_]{0,2}\s*\S/u', $line, $m)) {
            return null;
        }
        $name = mb_strtolower(trim($m[1]));
        foreach (self::FIELDS as $field => $names) {
            if (\in_array($name, explode('|', $names), true)) {
                return $field;
            }
        }

        return null;
    }
}
