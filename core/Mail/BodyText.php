<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

/**
 * Tells apart what the sender of a message wrote now from what is quoted and from the signature.
 */
final readonly class BodyText
{
    /** How many lines an attribution may be broken into. */
    private const ATTRIBUTION_LINES = 3;

    /** A signature without its mark is looked for in so many lines at the end. */
    private const SIGNATURE_LINES = 9;

    private const CLOSING = '/^\s*((with\s+)?(kind|kindest|best|warm|warmest|many)\s+(regards|wishes|thanks)|regards|best|cheers|sincerely|yours(\s+(sincerely|faithfully|truly))?|(many\s+)?thanks(\s+(and|again|in advance).{0,30})?|thank you|mit (freundlichen|besten|herzlichen) grüßen|(viele|beste|herzliche|liebe) grüße|cordialement|bien à vous|amicalement|(un )?saludos?( cordial(es)?)?|cordiali saluti|abraços?|atenciosamente|met vriendelijke groet(en)?|med vänliga hälsningar|med venlig hilsen|vennlig hilsen|z poważaniem|с уважением)\s*[,.!]*\s*$/iu';

    private const DEVICE = '/^\s*(sent from my \w+|von meinem \w+ gesendet|envoyé de mon \w+|enviado desde mi \w+|inviato dal mio \w+)\b.{0,30}$/iu';

    /** @return list<BodyPart> one after the other, from the first character to the last */
    public function parts(string $text): array
    {
        $lines = explode("\n", $text);
        $kinds = array_fill(0, \count($lines), BodyKind::Written);
        $this->markQuotes($lines, $kinds);
        $this->markEarlierMessages($lines, $kinds);
        $this->markSignature($lines, $kinds);

        return self::stretches($lines, $kinds);
    }

    /** @return string what the sender wrote now, without the rest */
    public function written(string $text): string
    {
        return trim(implode("\n", array_map(static fn (array $piece): string => trim($piece[0]), $this->pieces($text))));
    }

    /** @return list<array{string, int}> the stretches of one kind, each with its first character, counted in characters from 0 */
    public function pieces(string $text, BodyKind $kind = BodyKind::Written): array
    {
        $pieces = [];
        $at = $bytes = 0;
        foreach ($this->parts($text) as $part) {
            // Each is cut behind the one before: counting characters from the beginning each time would take too long.
            $piece = mb_substr(substr($text, $bytes, 4 * ($part->to - $at)), 0, $part->to - $at);
            if ($kind === $part->kind) {
                $pieces[] = [$piece, $part->from];
            }
            $at = $part->to;
            $bytes += \strlen($piece);
        }

        return $pieces;
    }

    /**
     * Lines marked with ">", and the attribution above them.
     *
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     */
    private function markQuotes(array $lines, array &$kinds): void
    {
        foreach ($lines as $number => $line) {
            if (1 !== preg_match('/^\s?>/', $line)) {
                continue;
            }
            $kinds[$number] = BodyKind::Quoted;
            if (0 === $number || BodyKind::Quoted === $kinds[$number - 1]) {
                continue;
            }
            $above = $number - 1;
            $above -= $above > 0 && '' === trim($lines[$above]) ? 1 : 0;
            for ($size = 1; $size <= self::ATTRIBUTION_LINES && $above - $size + 1 >= 0; ++$size) {
                $first = $above - $size + 1;
                if ('' === trim($lines[$first]) || BodyKind::Written !== $kinds[$first]) {
                    break;
                }
                if (QuoteMarks::isAttribution(\array_slice($lines, $first, $size))) {
                    $first = $this->withBeginning($lines, $first);
                    for ($quoted = $first; $quoted < $number; ++$quoted) {
                        $kinds[$quoted] = BodyKind::Quoted;
                    }
                    break;
                }
            }
        }
        $this->fillGaps($lines, $kinds);
    }

    /**
     * The lines above that belong to the same attribution: "On Monday," alone on its line.
     *
     * @param list<string> $lines
     */
    private function withBeginning(array $lines, int $first): int
    {
        $above = $first - 1;
        $begins = $above >= 0 && 1 === preg_match('/^(on|am|le|el|il|op|em|den|dne)\s.{4,}$/iu', $lines[$above]) && 1 !== preg_match('/[.!?]\s*$/', $lines[$above]);
        $isOpen = 1 !== preg_match('/^(on|am|le|el|il|op|em|den|dne)\s/iu', $lines[$first]);

        return $begins && $isOpen ? $above : $first;
    }

    /**
     * Empty lines between two quoted ones are part of the quote.
     *
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     */
    private function fillGaps(array $lines, array &$kinds): void
    {
        $last = null;
        foreach ($lines as $number => $line) {
            if (BodyKind::Quoted === $kinds[$number]) {
                for ($gap = $number - 1; null !== $last && $gap > $last; --$gap) {
                    $kinds[$gap] = BodyKind::Quoted;
                }
                $last = $number;
            } elseif ('' !== trim($line)) {
                $last = null;
            }
        }
    }

    /**
     * Everything behind a separator, a block of headers, or an attribution without marked lines.
     *
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     */
    private function markEarlierMessages(array $lines, array &$kinds): void
    {
        foreach ($lines as $number => $line) {
            if (BodyKind::Written !== $kinds[$number] || '' === trim($line)) {
                continue;
            }
            $isRule = 1 === preg_match('/^\s*[_-]{8,}\s*$/', $line);
            if (QuoteMarks::isSeparator($line)
                || QuoteMarks::isHeaderBlock(\array_slice($lines, $isRule ? $number + 1 : $number, 7))
                || ($number > 0 && QuoteMarks::isDatedAttribution($line))) {
                array_splice($kinds, $number, \count($kinds), array_fill(0, \count($kinds) - $number, BodyKind::Quoted));

                return;
            }
        }
    }

    /**
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     */
    private function markSignature(array $lines, array &$kinds): void
    {
        $end = \count($lines);
        while ($end > 0 && (BodyKind::Quoted === $kinds[$end - 1] || '' === trim($lines[$end - 1]))) {
            --$end;
        }
        $begin = $this->beginOfSignature($lines, $kinds, $end);
        for ($number = $begin; $number < $end; ++$number) {
            if (BodyKind::Quoted === $kinds[$number]) {
                return;
            }
            $kinds[$number] = BodyKind::Signature;
        }
    }

    /**
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     *
     * @return int its first line, $end when there is none
     */
    private function beginOfSignature(array $lines, array $kinds, int $end): int
    {
        foreach ($lines as $number => $line) {
            if ($number < $end && BodyKind::Written === $kinds[$number] && 1 === preg_match('/^(-- ?|--\s*|—|_{10,})$/u', $line)) {
                return $number;
            }
        }
        for ($number = $end - 1; $number >= max(0, $end - self::SIGNATURE_LINES) && BodyKind::Written === $kinds[$number]; --$number) {
            if (1 === preg_match(self::DEVICE, $lines[$number])) {
                return $number;
            }
            if (1 === preg_match(self::CLOSING, $lines[$number])) {
                return $this->behindTheName($lines, $number + 1, $end);
            }
        }

        return $end;
    }

    /**
     * The greeting and the name below it are the sender's words; what stands below the name is not.
     *
     * @param list<string> $lines
     */
    private function behindTheName(array $lines, int $number, int $end): int
    {
        while ($number < $end && '' === trim($lines[$number])) {
            ++$number;
        }
        $rest = \array_slice($lines, $number + 1, $end - $number - 1);
        $isShort = [] === array_filter($rest, static fn (string $line): bool => mb_strlen($line) > 90 || 1 === preg_match('/\?\s*$/', $line));

        return $isShort ? min($end, $number + 1) : $end;
    }

    /**
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     *
     * @return list<BodyPart>
     */
    private static function stretches(array $lines, array $kinds): array
    {
        $parts = [];
        $from = $at = 0;
        $last = \count($lines) - 1;
        foreach ($lines as $number => $line) {
            $at += mb_strlen($line) + ($number < $last ? 1 : 0);
            if ($number === $last || $kinds[$number + 1] !== $kinds[$number]) {
                if ($at > $from) {
                    $parts[] = new BodyPart($kinds[$number], $from, $at);
                }
                $from = $at;
            }
        }

        return $parts;
    }
}
