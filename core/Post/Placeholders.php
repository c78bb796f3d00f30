<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\People\Called;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Unreadable;

/**
 * Fills in the gaps of a template. A gap stands in braces: {first name} of who gets it, {my name}, {my first name},
 * {today}, {when next friday} for any when phrase, and {ask which pane} for what is asked each time.
 */
final readonly class Placeholders
{
    /** A gap that nothing has filled in. Braces in prose or code, which hold no word at their beginning, are none. */
    public const OPEN = '/\{\s*(?:(?:my\s+)?(?:first\s+)?name|today|when\b[^{}\n]*|ask\b[^{}\n]*)\s*\}/iu';

    /** What looks like a gap: a word or several in braces. Braces of code or prose, which hold other signs, are none. */
    private const ANY = '/\{\s*\p{L}[\p{L}\p{N} \'’_-]{0,60}\}/u';

    /** A greeting by first name, which becomes one without a name when none is known. */
    private const GREETING = '/\b(dear|hello|hi|hey|good (?:morning|afternoon|evening))(\s+)\{\s*first\s+name\s*\}/iu';

    public function __construct(private Speaker $speaker, private string $myName)
    {
    }

    /**
     * @param Address|null          $to    who gets it
     * @param array<string, string> $asked answers by question; a question without one stays a gap
     */
    public function fill(string $text, ?Address $to, array $asked = []): string
    {
        $first = null === $to ? null : Called::firstName($to);
        if ('' === $first) {
            $text = (string) preg_replace_callback(
                self::GREETING,
                static fn (array $m): string => 'dear' === mb_strtolower($m[1]) ? 'Hello' : $m[1],
                $text,
            );
        }

        return (string) preg_replace_callback(self::OPEN, function (array $m) use ($to, $first, $asked): string {
            $gap = mb_strtolower((string) preg_replace('/\s+/u', ' ', trim($m[0], "{} \t")));
            if (str_starts_with($gap, 'ask')) {
                return $asked[self::question($m[0])] ?? $m[0];
            }
            if (str_starts_with($gap, 'when')) {
                return $this->when(trim(mb_substr($gap, 4)), $m[0]);
            }

            return match ($gap) {
                'first name' => null === $first || '' === $first ? $m[0] : $first,
                'name' => null === $to ? $m[0] : $to->label(),
                'my name' => $this->myName,
                'my first name' => Called::firstName(new Address('', $this->myName)) ?: $this->myName,
                'today' => $this->speaker->now->date()->format('l j F'),
                default => $m[0],
            };
        }, $text);
    }

    /** @return list<string> what is asked each time, in order, each question once */
    public static function questions(string $text): array
    {
        preg_match_all(self::OPEN, $text, $m);
        $questions = array_map(
            self::question(...),
            array_filter($m[0], static fn (string $gap): bool => 1 === preg_match('/^\{\s*ask\b/iu', $gap)),
        );

        return array_values(array_unique($questions));
    }

    /** @return list<string> sentences about gaps that can never be filled in */
    public function faults(string $text): array
    {
        preg_match_all('/\{\s*when\b([^{}\n]*)\}/iu', $text, $m);
        $faults = [];
        foreach ($m[1] as $phrase) {
            try {
                $this->speaker->read(trim($phrase));
            } catch (Unreadable $unreadable) {
                $faults[] = \sprintf('{when %s}: %s', trim($phrase), $unreadable->getMessage());
            }
        }

        foreach (self::unknown($text) as $gap) {
            $faults[] = \sprintf(
                '"%s" is no gap that can be filled in. There are {first name}, {name}, {my name}, {my first name}, {today}, {when …} and '
                    .'{ask …}.',
                $gap,
            );
        }

        return $faults;
    }

    /** @return list<string> what looks like a gap and is none */
    public static function unknown(string $text): array
    {
        preg_match_all(self::ANY, $text, $m);

        return array_values(array_unique(array_filter($m[0], static fn (string $gap): bool => 1 !== preg_match(self::OPEN, $gap))));
    }

    /** @return list<string> gaps that nothing has filled in, known or not */
    public static function left(string $text): array
    {
        preg_match_all(self::OPEN, $text, $m);

        return array_values(array_unique([...$m[0], ...self::unknown($text)]));
    }

    private function when(string $phrase, string $gap): string
    {
        try {
            $reading = $this->speaker->read($phrase);
        } catch (Unreadable) {
            return $gap;
        }

        return $reading->toSomebody();
    }

    private static function question(string $gap): string
    {
        $question = trim((string) preg_replace('/^\{\s*ask\b\s*|\}$/iu', '', trim($gap)));

        return '' === $question ? 'What is written here?' : $question;
    }
}
