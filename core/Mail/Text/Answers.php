<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Text;

/**
 * Tells what is answered where somebody wrote between the lines of what they quote (RFC 1855, 2.1.1): an answer is hardly
 * understood without its question.
 */
final readonly class Answers
{
    /** In characters; of what is longer the end is given. */
    private const LONGEST = 300;

    /** Lines of a quote that was cut down to what is answered, when there is only one. */
    private const FEW = 4;

    /**
     * @param list<BodyPart> $parts of one text, in order
     *
     * @return list<BodyPart> the same; those that answer what is quoted right above them with what that is
     */
    public function among(array $parts, string $text): array
    {
        $pieces = $this->pieces($parts, $text);
        $quotes = \count(array_filter(
            array_keys($parts),
            static fn (int $number): bool => BodyKind::Quoted === $parts[$number]->kind && 1 === preg_match('/^\s*>/m', $pieces[$number]),
        ));
        foreach ($parts as $number => $part) {
            $above = $parts[$number - 1] ?? null;
            if (BodyKind::Written !== $part->kind || BodyKind::Quoted !== $above?->kind || '' === trim($pieces[$number])) {
                continue;
            }
            if ($quotes > 1 || preg_match_all('/^\s*>.*\S/m', $pieces[$number - 1]) <= self::FEW) {
                $parts[$number] = new BodyPart($part->kind, $part->from, $part->to, $this->answered($pieces[$number - 1]));
            }
        }

        return $parts;
    }

    /** @return string the last paragraph that is marked as quoted; empty when it is nothing that one answers */
    private function answered(string $quote): string
    {
        $paragraph = [];
        foreach (array_reverse(explode("\n", rtrim($quote))) as $line) {
            $said = preg_match('/^\s*(?:>\s?)+(.*)$/u', $line, $m) ? trim($m[1]) : null;
            if ((null === $said || '' === $said) && [] !== $paragraph) {
                break;
            }
            if (null !== $said && '' !== $said) {
                array_unshift($paragraph, $said);
            }
        }
        $said = implode(' ', $paragraph);
        $isFarewell = mb_strlen($said) < 40 && 1 !== preg_match('/[.?!:]$|\d/u', $said) && preg_match_all('/\p{L}+/u', $said) < 4;

        return $isFarewell ? '' : (mb_strlen($said) > self::LONGEST ? '… '.ltrim(mb_substr($said, -self::LONGEST)) : $said);
    }

    /**
     * @param list<BodyPart> $parts
     *
     * @return list<string> their texts
     */
    private function pieces(array $parts, string $text): array
    {
        [$pieces, $bytes] = [[], 0];
        foreach ($parts as $part) {
            $piece = mb_substr(substr($text, $bytes, 4 * ($part->to - $part->from)), 0, $part->to - $part->from);
            $pieces[] = $piece;
            $bytes += \strlen($piece);
        }

        return $pieces;
    }
}
