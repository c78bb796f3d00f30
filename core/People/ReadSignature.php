<?php

declare(strict_types=1);

namespace ZippyTray\Core\People;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Text\BodyKind;
use ZippyTray\Core\Mail\Text\BodyText;

/**
 * Finds in a signature who signs it: each field with the place in the text from which it comes.
 */
final readonly class ReadSignature
{
    /** Lines at the end in which a signature is looked for that is not marked as one. */
    /** Characters of a message that are looked at. */
    private const LENGTH = 100_000;

    private const LINES = 10;

    private const PHONE = '/
        (?<![\d.\/-])(?<label>\b(?:tel(?:ephone)?|phone|mobile|mob|cell|office|direct|t|m|p)\b\.?\s*:?\s*)?
        (?<number>(?:\+|00|\(?0)[\d(][\d\s().\/-]{5,22}\d)
    /xiu';

    private const EMAIL = '/[^\s<>,;:()"]+@[\p{L}\p{N}-]+(?:\.[\p{L}\p{N}-]+)+/u';

    private const POSITION = '/
        \b(?:
            manager|director|head\ of|officer|coordinator|co-ordinator|secretary|treasurer
            |chair(?:man|woman|person)?
            |engineer|architect|surveyor|assistant|editor|curator|keeper|teacher|principal|accountant|partner|owner
            |founder|consultant|administrator|clerk|foreman|master|warden|volunteer|trustee|geschäftsführer(?:in)?
            |leiter(?:in)?
        )\b
    /xiu';

    private const FIRM = '/
        \b(?:
            ltd|limited|llp|llc|inc|plc|gmbh|ag|s\.?a\.?r?\.?l?|b\.?v|trust|council|school|university|college|museum
            |society|association|foundation|office|bank|insurance|roofs?|roofing|glass|haulage|surveyors|print|harbour
            |heritage|power|ferry
        )\b\.?
        |&
    /xiu';

    private const STREET = '/
        ^(?:
            \d+[a-z]?,?\s+\p{L}
            |.*\b(?:
                street|st\.|road|rd\.|lane|quay|square|avenue|terrace|place|yard|strand|hill|row|straße|strasse|weg
                |platz|rue
            )\b.*\d
            |.*\b(?:street|road|lane|quay|square|avenue|terrace|yard|strand|hill|row)\b
        )
    /xiu';

    private const POSTCODE = '/\b(?:[A-Z]{1,2}\d[A-Z\d]? ?\d[A-Z]{2}|[A-Z]\d{2} ?[A-Z\d]{4}|\d{4,5})\b/u';

    /** @return list<Proposed> in the order of a card; phones may be several */
    public function of(Address $from, string $text): array
    {
        $found = [];
        $lines = $this->lines($text);
        $used = [];
        foreach ($lines as $number => [$line, $at]) {
            foreach ($this->contacts($line, $at) as $one) {
                $found[] = $one;
                $used[$number] = true;
            }
        }
        $name = $this->name($from, $lines, $used);
        $found[] = $name ?? new Proposed('name', '' === $from->name ? $from->label() : $from->name, -1, -1);
        if ([] === array_filter($found, static fn (Proposed $one): bool => 'email' === $one->field) && '' !== $from->email) {
            $found[] = new Proposed('email', $from->email, -1, -1);
        }
        foreach (['position' => self::POSITION, 'address' => null, 'firm' => self::FIRM] as $field => $pattern) {
            $one = 'address' === $field ? $this->address($lines, $used) : $this->matching($field, (string) $pattern, $lines, $used);
            $found = null === $one ? $found : [...$found, $one];
        }
        $order = array_flip(['name', 'position', 'firm', 'email', 'phone', 'address']);
        usort($found, static fn (Proposed $a, Proposed $b): int => [$order[$a->field], $a->from] <=> [$order[$b->field], $b->from]);

        return $found;
    }

    /**
     * The lines of the signature, or the last ones that were written where none is marked.
     *
     * @return list<array{string, int}> without empty ones, each with the place at which it begins
     */
    private function lines(string $text): array
    {
        $text = mb_substr($text, 0, self::LENGTH);
        $body = new BodyText();
        $lines = [];
        foreach ($body->pieces($text, BodyKind::Signature) ?: $body->pieces($text) as [$piece, $at]) {
            foreach (explode("\n", $piece) as $line) {
                $indent = mb_strlen($line) - mb_strlen(ltrim($line));
                if ('' !== trim($line) && 1 !== preg_match('/^\s*(?:--|_{3,}|={3,}|\*{3,})\s*$/', $line)) {
                    $lines[] = [trim($line), $at + $indent];
                }
                $at += mb_strlen($line) + 1;
            }
        }

        return \array_slice(array_merge(...array_map(self::cut(...), $lines)), -self::LINES);
    }

    /**
     * "Olga Brandt, Brandt Roofs" is two lines on one.
     *
     * @param array{string, int} $line
     *
     * @return list<array{string, int}>
     */
    private static function cut(array $line): array
    {
        if (1 !== preg_match(
            '/^(?<first>\p{Lu}[\p{L}\'.-]+(?: \p{Lu}[\p{L}\'.-]*){1,3})(?<gap>\s*[,|–—]\s+)(?<second>\p{Lu}.*)$/u',
            $line[0],
            $m,
        )) {
            return [$line];
        }

        return [[$m['first'], $line[1]], [$m['second'], $line[1] + mb_strlen($m['first'].$m['gap'])]];
    }

    /** @return list<Proposed> addresses and numbers in the line */
    private function contacts(string $line, int $at): array
    {
        $found = [];
        if (1 === preg_match(self::EMAIL, $line, $m, \PREG_OFFSET_CAPTURE)) {
            $found[] = self::at('email', $line, $at, rtrim($m[0][0], '.'), $m[0][1]);
        }
        preg_match_all(self::PHONE, $line, $matches, \PREG_OFFSET_CAPTURE | \PREG_SET_ORDER);
        foreach ($matches as $match) {
            [$number, $offset] = $match['number'];
            $digits = \strlen((string) preg_replace('/\D/', '', $number));
            $isFax = 1 === preg_match('/\bfax\b[\s.:]*$/i', substr($line, 0, (int) $match[0][1]));
            if ($digits >= 7 && $digits <= 15 && !$isFax) {
                $found[] = self::at('phone', $line, $at, trim($number), $offset);
            }
        }

        return $found;
    }

    /**
     * @param list<array{string, int}> $lines
     * @param array<int, bool>         $used
     */
    private function name(Address $from, array $lines, array &$used): ?Proposed
    {
        $own = preg_split('/[\s,]+/u', mb_strtolower($from->name), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        foreach ($lines as $number => [$line, $at]) {
            $words = preg_split('/[\s,]+/u', mb_strtolower($line), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
            if (!isset($used[$number])
                && \count($words) >= 2
                && \count($words) <= 5
                && [] !== $own
                && \count(array_intersect($own, $words)) >= min(2, \count($own))) {
                $used[$number] = true;

                return self::at('name', $line, $at, $line, 0);
            }
        }

        return null;
    }

    /**
     * @param 'position'|'firm'        $field
     * @param list<array{string, int}> $lines
     * @param array<int, bool>         $used
     */
    private function matching(string $field, string $pattern, array $lines, array &$used): ?Proposed
    {
        foreach ($lines as $number => [$line, $at]) {
            if (!isset($used[$number])
                && mb_strlen($line) <= 70
                && 1 !== preg_match('/[!?]$|\b(?:regards|wishes|thanks|sincerely)\b/iu', $line)
                && 1 === preg_match($pattern, $line)) {
                $used[$number] = true;

                return self::at($field, $line, $at, $line, 0);
            }
        }

        return null;
    }

    /**
     * @param list<array{string, int}> $lines
     * @param array<int, bool>         $used
     */
    private function address(array $lines, array &$used): ?Proposed
    {
        foreach ($lines as $number => [$line, $at]) {
            if (isset($used[$number]) || 1 !== preg_match(self::STREET, $line)) {
                continue;
            }
            $used[$number] = true;
            [$value, $to] = [$line, $at + mb_strlen($line)];
            $next = $lines[$number + 1] ?? null;
            if (null !== $next && !isset($used[$number + 1]) && 1 === preg_match(self::POSTCODE, $next[0])) {
                $used[$number + 1] = true;
                [$value, $to] = [$line."\n".$next[0], $next[1] + mb_strlen($next[0])];
            }

            return new Proposed('address', $value, $at, $to);
        }

        return null;
    }

    /**
     * @param 'name'|'email'|'phone'|'position'|'firm' $field
     * @param int                                      $offset in bytes, of the value within the line
     */
    private static function at(string $field, string $line, int $at, string $value, int $offset): Proposed
    {
        $from = $at + mb_strlen(substr($line, 0, $offset));

        return new Proposed($field, $value, $from, $from + mb_strlen($value));
    }
}
