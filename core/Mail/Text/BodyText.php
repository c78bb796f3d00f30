<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Text;

/**
 * Tells apart what the sender of a message wrote now from what is quoted and from the signature.
 */
final readonly class BodyText
{
    /** How many lines an attribution may be broken into. */
    private const ATTRIBUTION_LINES = 3;

    /** A signature without its mark is looked for in so many lines at the end. */
    private const SIGNATURE_LINES = 9;

    /** Footers are looked for in so many lines at the end, since some are long. */
    private const FOOTER_LINES = 40;

    /** In characters: a quoted line that is shorter was not broken by a program. */
    private const WRAPPED = 55;

    /** @return list<BodyPart> one after the other, from the first character to the last */
    public function parts(string $text): array
    {
        $lines = explode("\n", $text);
        $kinds = array_fill(0, \count($lines), BodyKind::Written);
        $this->markQuotes($lines, $kinds);
        $cut = $this->markEarlierMessages($lines, $kinds);
        $this->markFooter($lines, $kinds);
        $this->markSignature($lines, $kinds);

        return (new Answers())->among(self::stretches($lines, $kinds, $cut), $text);
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
            $isQuote = 1 === preg_match('/^\s?>/', $line) || (str_contains($line, '>') && QuoteMarks::isWithQuote($line));
            if (!$isQuote) {
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
                // One that begins behind a sentence is cut out of its line (markEarlierMessages).
                if (QuoteMarks::isAttribution(\array_slice($lines, $first, $size))
                    && null === QuoteMarks::behindSentence($lines[$first], $lines[$first + 1] ?? '')) {
                    $first = $this->withBeginning($lines, $first);
                    for ($quoted = $first; $quoted < $number; ++$quoted) {
                        $kinds[$quoted] = BodyKind::Quoted;
                    }
                    break;
                }
            }
        }
        $this->fillGaps($lines, $kinds);
        $this->joinWrapped($lines, $kinds);
    }

    /**
     * The lines above that belong to the same attribution: "On Monday," alone on its line.
     *
     * @param list<string> $lines
     */
    private function withBeginning(array $lines, int $first): int
    {
        $above = $first - 1;
        $begins = $above >= 0
            && 1 === preg_match('/^(on|am|le|el|il|op|em|den|dne)\s.{4,}$/iu', $lines[$above])
            && 1 !== preg_match('/[.!?]\s*$/', $lines[$above]);
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
     * Some programs break quoted lines anew, and leave what was too long without its mark: a few words between two marked
     * lines, of which the one before does not end a sentence.
     *
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     */
    private function joinWrapped(array $lines, array &$kinds): void
    {
        foreach ($lines as $number => $line) {
            if (BodyKind::Written === $kinds[$number]
                && BodyKind::Quoted === ($kinds[$number - 1] ?? null) && BodyKind::Quoted === ($kinds[$number + 1] ?? null)
                && mb_strlen($lines[$number - 1]) >= self::WRAPPED && 1 === preg_match('/[\p{L}\p{N},;(-]\s*$/u', $lines[$number - 1])
                && mb_strlen($line) < 45 && 1 === preg_match('/^[\p{Ll}\p{N}(][^?]*$/u', $line)
                && 1 === preg_match('/^\s?>\s*\S/', $lines[$number + 1])) {
                $kinds[$number] = BodyKind::Quoted;
            }
        }
    }

    /**
     * Everything behind a separator, a block of headers, or an attribution without marked lines.
     *
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     *
     * @return array<int, int> lines of which only the end is quoted: its first character in the line
     */
    private function markEarlierMessages(array $lines, array &$kinds): array
    {
        $cut = [];
        foreach ($lines as $number => $line) {
            if (BodyKind::Written !== $kinds[$number] || '' === trim($line)) {
                continue;
            }
            $isRule = 1 === preg_match('/^\s*[_=-]{8,}\s*$/', $line);
            $blank = $isRule && '' === trim($lines[$number + 1] ?? '') ? 1 : 0;
            $isEarlier = QuoteMarks::isSeparator($line)
                || QuoteMarks::isHeaderBlock(\array_slice($lines, $isRule ? $number + 1 + $blank : $number, 8))
                || ($number > 0 && $this->isUnmarkedAttribution($lines, $kinds, $number));
            $within = $isEarlier ? null : QuoteMarks::behindSentence($line, $lines[$number + 1] ?? '');
            if (!$isEarlier && null === $within) {
                continue;
            }
            if (null !== $within) {
                $cut[$number] = $within;
            }
            $first = $number + (null === $within ? 0 : 1);
            $next = $this->nextMarked($lines, $kinds, $first);
            // Marked lines follow: what stands between them may be answers.
            $end = null === $next ? \count($kinds) : $next;
            for ($quoted = $first; $quoted < $end; ++$quoted) {
                $kinds[$quoted] = BodyKind::Quoted;
            }
            if (null === $next) {
                break;
            }
        }

        return $cut;
    }

    /**
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     */
    private function isUnmarkedAttribution(array $lines, array $kinds, int $number): bool
    {
        if (QuoteMarks::isDatedAttribution($lines[$number])) {
            return true;
        }
        // Over several lines it begins a paragraph.
        if ('' !== trim($lines[$number - 1]) && BodyKind::Written === $kinds[$number - 1]) {
            return false;
        }
        $all = [$lines[$number]];
        for ($size = 1; $size < self::ATTRIBUTION_LINES && '' !== trim($lines[$number + $size] ?? ''); ++$size) {
            $all[] = $lines[$number + $size];
            if (QuoteMarks::isDatedAttribution(...$all)) {
                return true;
            }
        }

        return false;
    }

    /**
     * The first marked line below an attribution, when it follows at once.
     *
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     */
    private function nextMarked(array $lines, array $kinds, int $first): ?int
    {
        for ($number = $first; $number < \count($lines) && $number < $first + self::ATTRIBUTION_LINES + 1; ++$number) {
            if (BodyKind::Quoted === $kinds[$number]) {
                return $number;
            }
        }

        return null;
    }

    /**
     * What lists and lawyers add at the end.
     *
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     */
    private function markFooter(array $lines, array &$kinds): void
    {
        $end = $this->endOfWritten($lines, $kinds);
        $begin = $end;
        for ($number = $end - 1; $number >= max(0, $end - self::FOOTER_LINES) && BodyKind::Written === $kinds[$number]; --$number) {
            $beginsParagraph = 0 === $number
                || '' === trim($lines[$number - 1])
                || 1 === preg_match('/^\s*[_=*-]{5,}\s*$/', $lines[$number - 1]);
            if (!$beginsParagraph || '' === trim($lines[$number])) {
                continue;
            }
            $paragraph = '';
            for ($line = $number; $line < $end && '' !== trim($lines[$line]); ++$line) {
                $paragraph .= ' '.trim($lines[$line]);
            }
            if (EndMarks::isOfList($lines[$number]) || EndMarks::isLegal(trim($paragraph))) {
                $begin = $number;
            }
        }
        for ($number = $begin; $number < $end; ++$number) {
            $kinds[$number] = BodyKind::Signature;
        }
    }

    /**
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     */
    private function endOfWritten(array $lines, array $kinds): int
    {
        $end = \count($lines);
        while ($end > 0 && (BodyKind::Written !== $kinds[$end - 1] || '' === trim($lines[$end - 1]))) {
            --$end;
        }

        return $end;
    }

    /**
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     */
    private function markSignature(array $lines, array &$kinds): void
    {
        $end = $this->endOfWritten($lines, $kinds);
        $begin = $this->beginOfSignature($lines, $kinds, $end);
        $behind = $begin;
        for ($number = $begin; $number < \count($lines) && BodyKind::Quoted !== $kinds[$number]; ++$number) {
            $behind = '' === trim($lines[$number]) ? $behind : $number + 1;
        }
        for ($number = $begin; $number < $behind; ++$number) {
            $kinds[$number] = BodyKind::Signature;
        }
    }

    /**
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     *
     * @return int its first line; that behind the last one when there is none
     */
    private function beginOfSignature(array $lines, array $kinds, int $end): int
    {
        foreach ($lines as $number => $line) {
            if ($number < $end && BodyKind::Written === $kinds[$number] && EndMarks::isMark($line)) {
                return $number;
            }
        }
        for ($number = $end - 1; $number >= max(0, $end - self::SIGNATURE_LINES) && BodyKind::Written === $kinds[$number]; --$number) {
            if (EndMarks::isDevice($lines[$number])
                || ($number === $end - 1
                    && $number > 0
                    && EndMarks::isDashedName($lines[$number])
                    && !EndMarks::isDashedName($lines[$number - 1]))) {
                return $number;
            }
            if (EndMarks::isClosing($lines[$number])) {
                return $this->behindTheName($lines, $number + 1, $end);
            }
        }

        return $end < \count($lines) && BodyKind::Signature === $kinds[$end] ? $end : \count($lines);
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
        $isShort = [] === array_filter(
            $rest,
            static fn (string $line): bool => mb_strlen($line) > 90 || 1 === preg_match('/\?\s*$/', $line),
        );

        return $isShort && [] !== $rest ? min($end, $number + 1) : \count($lines);
    }

    /**
     * @param list<string>         $lines
     * @param array<int, BodyKind> $kinds
     * @param array<int, int>      $cut   see markEarlierMessages()
     *
     * @return list<BodyPart>
     */
    private static function stretches(array $lines, array $kinds, array $cut): array
    {
        $parts = [];
        $from = $at = 0;
        $last = \count($lines) - 1;
        foreach ($lines as $number => $line) {
            if (isset($cut[$number])) {
                $parts[] = new BodyPart($kinds[$number], $from, $at + $cut[$number]);
                $from = $at + $cut[$number];
                $kinds[$number] = BodyKind::Quoted;
            }
            $at += mb_strlen($line) + ($number < $last ? 1 : 0);
            if ($number === $last
                || isset($cut[$number + 1])
                && BodyKind::Written !== $kinds[$number]
                || $kinds[$number + 1] !== $kinds[$number]) {
                if ($at > $from) {
                    $parts[] = new BodyPart($kinds[$number], $from, $at);
                }
                $from = $at;
            }
        }

        return $parts;
    }
}
