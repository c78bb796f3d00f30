<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

/**
 * How programs say, in different languages, that what follows is an earlier message.
 */
final readonly class QuoteMarks
{
    /** "On Monday, Ada wrote:" and its like, on one line. */
    private const ATTRIBUTIONS = [
        '^on\b.{4,}\bwrote\s*:$', '\bwrote(\s+on\b.{4,}|\s+\(.{4,}\))?\s*:$',
        '\bschrieb\b.*:$', '^(le|lundi|mardi|mercredi|jeudi|vendredi|samedi|dimanche)\b.+\ba écrit\s*:$', '\bescribió\s*:$', '\bha scritto\s*:$',
        '^op\b.+\bschreef\b.*:$', '\bescreveu\s*:$', '^(den|på|kl)\b.+\bskrev\b.*:$', '\bkirjoitti\s*:$', '\b(pisze|napisał\(?a?\)?|napsal\(?a?\)?|napísal\(?a?\)?)\s*:$',
        '\b(пишет|писал\(?а?\)?|написал\(?а?\)?)\s*:$', '\bέγραψε\s*:$', '\byazdı\s*:$',
        '^\d{4}[-\/.年].+[:：]$', '<[^<>@\s]+@[^<>\s]+>.{0,20}[:：]$', '(写道|のメッセージ|さんは書きました)\s*[:：]$',
    ];

    /** Lines behind which everything is an earlier message. */
    private const SEPARATORS = '/^\s*(-{2,}|_{2,}|={2,})\s*(original(\s+message|nachricht)?|ursprüngliche nachricht|message d.origine|mensaje original|messaggio originale|mensagem original|oorspronkelijk bericht|oprindelig meddelelse|originalmeddelande|wiadomość oryginalna|исходное сообщение|(begin\s+)?forwarded message|weitergeleitete nachricht|message transféré|mensaje reenviado|messaggio inoltrato|mensagem encaminhada|doorgestuurd bericht|пересылаемое сообщение)\s*(-{2,}|_{2,}|={2,})?\s*$|^\s*(begin forwarded message|anfang der weitergeleiteten nachricht|début du message réexpédié)\s*:\s*$/iu';

    private const FROM = 'from|von|de|da|van|från|fra|od|от';

    private const OTHERS = 'sent|date|to|cc|subject|gesendet|datum|an|betreff|kopie|envoyé|à|objet|enviado|para|asunto|assunto|data|inviato|oggetto|verzonden|aan|onderwerp|skickat|till|ämne|sendt|til|emne|wysłano|do|temat|отправлено|кому|тема|дата';

    /** @param list<string> $lines the last ones before a quote, without empty ones */
    public static function isAttribution(array $lines): bool
    {
        $line = trim(implode(' ', array_map(trim(...), $lines)));
        if (mb_strlen($line) > 300) {
            return false;
        }
        foreach (self::ATTRIBUTIONS as $pattern) {
            if (1 === preg_match('/'.$pattern.'/iu', $line)) {
                return true;
            }
        }

        return false;
    }

    /** An attribution that stands by itself counts only when it carries a date. */
    public static function isDatedAttribution(string $line): bool
    {
        return 1 === preg_match('/\d/', $line) && mb_strlen($line) > 15 && self::isAttribution([$line]);
    }

    public static function isSeparator(string $line): bool
    {
        return 1 === preg_match(self::SEPARATORS, $line);
    }

    /**
     * Whether a block of header lines begins here, as programs put it above an earlier message:
     * "From:", then at least two of the others.
     *
     * @param list<string> $lines
     */
    public static function isHeaderBlock(array $lines): bool
    {
        if (1 !== preg_match('/^\W{0,3}('.self::FROM.')\s*[:：]\W*\s+\S/iu', $lines[0] ?? '')) {
            return false;
        }
        $others = array_filter(\array_slice($lines, 1, 6), static fn (string $line): bool => 1 === preg_match('/^\W{0,3}('.self::OTHERS.')\s*[:：]/iu', $line));

        return \count($others) >= 2;
    }
}
