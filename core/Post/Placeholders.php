<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Time\When\Reading;
use ZippyTray\Core\Time\When\Speaker;
use ZippyTray\Core\Time\When\Unreadable;
use ZippyTray\Core\Tray\Advice\TaskTitle;

/**
 * Fills in the gaps of a template. A gap stands in braces: {first name} of who gets it, {my name}, {my first name},
 * {today}, {when next friday} for any when phrase, and {ask which pane} for what is asked each time.
 */
final readonly class Placeholders
{
    /** A gap that nothing has filled in. Braces in prose or code, which hold no word at their beginning, are none. */
    public const OPEN = '/\{\s*(?:(?:my\s+)?(?:first\s+)?name|today|when\b[^{}\n]*|ask\b[^{}\n]*)\s*\}/iu';

    public function __construct(private Speaker $speaker, private string $myName)
    {
    }

    /**
     * @param Address|null          $to    who gets it
     * @param array<string, string> $asked answers by question; a question without one stays a gap
     */
    public function fill(string $text, ?Address $to, array $asked = []): string
    {
        return (string) preg_replace_callback(self::OPEN, function (array $m) use ($to, $asked): string {
            $gap = mb_strtolower((string) preg_replace('/\s+/u', ' ', trim($m[0], "{} \t")));
            if (str_starts_with($gap, 'ask')) {
                return $asked[self::question($m[0])] ?? $m[0];
            }
            if (str_starts_with($gap, 'when')) {
                return $this->when(trim(mb_substr($gap, 4)), $m[0]);
            }

            return match ($gap) {
                'first name' => null === $to ? $m[0] : TaskTitle::firstName($to),
                'name' => null === $to ? $m[0] : $to->label(),
                'my name' => $this->myName,
                'my first name' => TaskTitle::firstName(new Address('', $this->myName)),
                'today' => $this->speaker->now->date()->format('l j F'),
                default => $m[0],
            };
        }, $text);
    }

    /** @return list<string> what is asked each time, in order, each question once */
    public static function questions(string $text): array
    {
        preg_match_all(self::OPEN, $text, $m);
        $questions = array_map(self::question(...), array_filter($m[0], static fn (string $gap): bool => 1 === preg_match('/^\{\s*ask\b/iu', $gap)));

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

        return $faults;
    }

    private function when(string $phrase, string $gap): string
    {
        try {
            $reading = $this->speaker->read($phrase);
        } catch (Unreadable) {
            return $gap;
        }

        return self::said($reading);
    }

    /** A day as one writes it to somebody: "Friday 27 November", with the time where there is one. */
    private static function said(Reading $reading): string
    {
        if (null !== $reading->rule) {
            return $reading->text();
        }

        return $reading->date->format('l j F').(null === $reading->moment ? '' : ', '.$reading->moment->time());
    }

    private static function question(string $gap): string
    {
        $question = trim((string) preg_replace('/^\{\s*ask\b\s*|\}$/iu', '', trim($gap)));

        return '' === $question ? 'What is written here?' : $question;
    }
}
