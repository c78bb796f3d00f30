<?php

declare(strict_types=1);

namespace ZippyTray\Core\Owed;

use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Text\BodyText;
use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\FoundDate;

/**
 * An answer that gives nothing yet and says that it will: "by the end of the week", "I am looking into it". It is only
 * ever a proposal: whoever reads it decides whether the answer is still owed.
 */
final readonly class Promise
{
    /** Characters of a text that are looked at. */
    private const LENGTH = 20_000;

    /** What is longer gives more than its word. */
    private const WORDS = 140;

    private const PROMISED = [
        '/
            \b(?:i|we|he|she|they|it|you|somebody|someone|\p{L}+)\s*(?:
                [\'’]ll|\s+will|\s+shall
                |\s+(?:am|are|is)\s+going\s+to
                |[\'’](?:m|re|s)\s+going\s+to
                |\s+(?:hope|aim|plan|expect|intend|promise|try)s?\s+to
                |\s+should\s+(?:be\s+able\s+to|have|know|get)
            )\b(?!\s+(?:not|be\s+(?:there|at|in|with)\b))
        /xiu',
        '/
            \b(?:(?:am|are|is|be|still|[\'’]m|[\'’]re)\s+)?(?:
                looking\s+into|working\s+(?:on|through)|checking|chasing
                |waiting\s+(?:for|on|to\s+hear)
                |sorting|digging|finding\s+out|asking
                |getting\s+(?:to|round\s+to)
            )\b
        /xiu',
        '/
            \b(?:
                will\s+do|on\s+it
                |leave\s+it\s+with\s+(?:me|us)
                |bear\s+with\s+(?:me|us)
                |in\s+(?:hand|progress|the\s+works)
                |under\s+way
                |not\s+(?:yet|quite)\s*(?:there|done|finished|ready)?
                |almost\s+(?:there|done|finished|ready)
                |nearly\s+(?:there|done|finished|ready)
                |more\s+time
                |as\s+soon\s+as\s+(?:i|we|it|possible)
                |a\s+(?:little|bit)\s+(?:more\s+)?(?:time|longer|patience)
                |give\s+(?:me|us)\s+(?:until|till|a|another|some|two|three|\d)
                |need\s+(?:until|till|another|some|a\s+(?:few|couple)|more)
                |swamped|snowed\s+under
                |haven[\'’]?t\s+(?:got|had|managed|heard|found|forgotten)
                |have\s+(?:not|yet)
                |did\s+not\s+get\s+(?:to|round)
            )\b
        /xiu',
        '/\b(?:i|we)\s+(?:have\s+)?(?:asked|passed\s+(?:it|this)\s+on|forwarded\s+(?:it|this))\b/iu',
        '/
            \b(?:by|before|until|till|on|in|at|after|early|later|end\s+of|(?:some\s?time)|next|this)\s+(?:the\s+)?
            (?:end\s+of\s+(?:the\s+)?)?(?:
                today|tonight|tomorrow|monday|tuesday|wednesday|thursday|friday|saturday|sunday|week(?:end)?|month|day
                |afternoon|evening|morning|weekend|fortnight|shortly|soon
            )\b
        /xiu',
        '/^\s*(?:soon|shortly|tomorrow|next\s+week|later\s+today|tonight)\s*[.!]*\s*$/imu',
    ];

    /** It gives something: what was asked for, a yes or a no, a figure, a place where it is found. */
    private const GIVEN = [
        '/
            \b(?:
                attached|attaching|enclosed
                |here\s+(?:is|are|it\s+is|they\s+are|you\s+(?:go|are))
                |here[\'’]s
                |find\s+(?:below|attached|enclosed|it|them)
                |see\s+(?:below|the)|as\s+follows
                |have\s+(?:
                    sent|posted|put|uploaded|paid|done|signed|ordered|booked|transferred|delivered|fixed|finished
                )\s
                |(?:is|are)\s+(?:
                    done|finished|ready|signed|paid|sent|booked|ordered|on\s+(?:its|their)\s+way|in\s+the\s+post
                )
            )\b
        /xiu',
        '/(?:^|[.!]\s+)(?:yes|no|yep|nope|correct|confirmed|agreed|done|fine|ok(?:ay)?|sure)\b(?=[\s,.!;:]|$)/imu',
        '/\bhttps?:\/\/\S+/iu',
        '/(?:[€£$]\s?\d|\b\d[\d.,]*\s?(?:€|£|\$|eur|gbp|usd|kg|m²|mm|cm|pieces|pcs|%)(?:\b|\s|$))/iu',
    ];

    /**
     * @param string         $words the sentence that promises, on one line
     * @param LocalDate|null $by    the promised day; null when none is said
     */
    private function __construct(public string $words, public ?LocalDate $by)
    {
    }

    /**
     * @param string          $text     of the answer, with what it quotes
     * @param list<FoundDate> $dates    that were found in it
     * @param bool            $hasFiles something is attached to it
     *
     * @return self|null null when it gives an answer, as far as that can be told
     */
    public static function in(string $text, array $dates, bool $hasFiles, LocalDate $today): ?self
    {
        $written = (new BodyText())->written(mb_substr($text, 0, self::LENGTH));
        if ($hasFiles || '' === $written || \count(preg_split('/\s+/u', $written) ?: []) > self::WORDS) {
            return null;
        }
        foreach (self::GIVEN as $pattern) {
            if (1 === preg_match($pattern, $written)) {
                return null;
            }
        }
        foreach (preg_split('/(?<=[.!?])\s+|\n{2,}/u', $written) ?: [] as $sentence) {
            if (str_ends_with(rtrim($sentence), '?')) {
                continue;
            }
            foreach (self::PROMISED as $pattern) {
                if (1 === preg_match($pattern, $sentence)) {
                    return new self(
                        mb_strimwidth(trim((string) preg_replace('/\s+/u', ' ', $sentence)), 0, 160, '…'),
                        self::day($written, $dates, $today),
                    );
                }
            }
        }

        return null;
    }

    /**
     * What somebody has promised who has said nothing since, and to whom nothing has been said. What is sent by itself says nothing
     * (RFC 3834).
     *
     * @param list<Message>           $messages of the conversation, oldest first
     * @param array<string, Findings> $found    by the id of their message; a message may be missing
     */
    public static function lastWord(string $email, array $messages, array $found, LocalDate $today): ?self
    {
        $said = array_values(array_filter($messages, static fn (Message $message): bool => !$message->isAutomatic()));
        $last = $said[\count($said) - 1] ?? null;
        if (null === $last || $last->own || !$last->from->is($email)) {
            return null;
        }

        return self::in($last->text, $found[$last->id->text]->dates ?? [], [] !== $last->attachments, $today);
    }

    /** Until when there is to be waited for it: the end of the promised day; null when none is said, or that is past. */
    public function until(Moment $now, TimeSettings $times): ?Moment
    {
        $until = null === $this->by ? null : Moment::at($this->by, $times->at(DayMark::EndOfDay), $now->zone);

        return true === $until?->isAfter($now->instant) ? $until : null;
    }

    /**
     * The last of the days ahead that the sender names now: "by Wednesday, at the latest on Friday".
     *
     * @param list<FoundDate> $dates
     */
    private static function day(string $written, array $dates, LocalDate $today): ?LocalDate
    {
        $day = null;
        foreach ($dates as $date) {
            $isOwn = str_contains((string) preg_replace('/\s+/u', ' ', $written), $date->text);
            if ($isOwn && !$date->date->isBefore($today) && (null === $day || $day->isBefore($date->date))) {
                $day = $date->date;
            }
        }

        return $day;
    }
}
