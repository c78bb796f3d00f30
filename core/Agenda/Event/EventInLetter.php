<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Time\Unreadable;
use ZippyTray\Core\Tray\Advice\DateKind;
use ZippyTray\Core\Tray\Advice\FoundDate;

/**
 * What event a letter speaks of: when it begins and ends, where it is, and where the letter says so. Only a day that was found in it
 * already is looked at, and what stands around it, so it takes the same time however long the letter is.
 */
final readonly class EventInLetter
{
    /** Characters in front of what was found and behind it, in which its end and its place may stand. */
    private const BEFORE = 100;

    private const BEHIND = 200;

    /** So many words behind a day belong to its time at the most, and so many in front of it. */
    private const WORDS_BEHIND = 10;

    private const WORDS_BEFORE = 5;

    /** Characters of a letter in which a line may say where it is. */
    private const LETTER = 20_000;

    /** Words with which no time ends. */
    private const NO_END = '/^(?:at|on|in|the|of|by|and|im|am|a|an|for|with)[,.]?$/iu';

    /** What may stand in front of a day as a part of its time: "from 2 to 4 pm on Thursday". */
    private const OF_TIME = '/^(?:from|between|at|on|\d{1,2}(?:[:.]\d{2})?(?:[ap]\.?m\.?'
        .'|h)?(?:\s*[-–]\s*\d{1,2}(?:[:.]\d{2})?(?:[ap]m)?)?|[ap]\.?m\.?'
        .'|to|and|until|till|[-–]|noon|midday),?$/iu';

    private const LASTING = '/\b(?:for|takes?|lasts?|last|need|allow|about|around)\s+(?:about\s+|around\s+|up\s+to\s+)?'
        .'(?<span>(?:an?|half\s+an|one|two|three|four|five|six|\d+(?:[.,]\d+)?)\s*(?:hours?|hrs?|h|minutes?'
        .'|mins?)(?:\s+and\s+a\s+half)?)\b/iu';

    private const LINES = '/^[ \t>*-]*(?:where|place|location|venue|meeting\ point|ort|treffpunkt|lieu|luogo|lugar|plaats)[ \t]*:[ \t]*'
        .'(?<place>\S[^\n]{0,150})$/miu';

    /** "at the village hall", "in Keeper’s kitchen", "on the pier". */
    private const AT = '/(?<=^|[\s,(])(?<word>at|in|on|@|im|beim|chez'
        .'|presso)\s+(?=(?<place>[^\s,.;:!?()]+(?:[ ][^\s,.;:!?()]+){0,6}))/iu';

    /** A word at which a place is over. */
    private const OVER = '/\s+(?:on|for|to|and|with|from|until|till|so|if|when|because|please|where|which|who|that|is|are|was|will|would'
        .'|could|can|at|by|but|or|as|before|after|between|we|i|you|then|this|next|today|tomorrow|suits?|works?|about'
        .'|around)(?:\s.*)?$/iu';

    /** What follows "at" or "in" and is no place. */
    private const NO_PLACE = '/^(?:(?:the|a|an|your|my|our|any|this|that)\s+)?(?:end|latest|least|most|all|once|first|last|next|coming'
        .'|following|moment|same|mornings?|afternoons?|evenings?|night|noon|midday|midnight|times?|meantime|advance'
        .'|case|order|fact|general'
        .'|touch|particular|addition|future|past|week|month|year|weekend|days?|hours?|minutes?|beginning|start|middle|some|which|what|it'
        .'|them|us|me|you|total|short|half|quarter|about|around|lunch|lunchtime|dinner|breakfast|tea|notice'
        .'|convenience|mind|view|line|turn'
        .'|hope|process|way|long|writing|person|phone|agenda|list|subject|other|basis|whole|road|spot|contrary|behalf|januar|februar'
        .'|märz|mai|juni|juli|oktober|dezember|january|february|march|april|may|june|july|august|september|october|november|december|mon'
        .'|tues?|wed|thurs?|fri|sat|sun|(?:mon|tues|wednes|thurs|fri|satur|sun)day)(?:\b|$)/iu';

    /** An hour, not a number in a street. */
    private const HOUR = '/^\d{1,2}(?:[:.]\d{2})?\s*(?:am|pm|a\.m\.|p\.m\.|h|uhr)?(?:\s+\p{Ll}|\s*[-–]|$)/u';

    /** A place has a name, a number, or is one that both know. */
    private const NAMED = '/^(?:(?:the|our|my|your|his|her|their)\s+\S|\p{Lu}|[^\s]*\d|(?:room|platform|gate|hall|pier|berth|quay)\s)/u';

    private const ONLINE = '~https://[^\s<>"\')\]]{4,300}~u';

    private const CALLS = '/\b(?:call|video|online|virtual(?:ly)?|dial|join|remote(?:ly)?)\b/iu';

    public function __construct(private TimeSettings $settings = new TimeSettings())
    {
    }

    /**
     * @param list<FoundDate> $dates  that were found in $text
     * @param Moment          $sentAt in the zone of the one who wrote
     * @param Moment          $now    in the person's own zone; what is over by then is no event to come
     *
     * @return LetterEvent|null null: it speaks of no day to come on which anything takes place
     */
    public function of(string $text, array $dates, Moment $sentAt, Moment $now): ?LetterEvent
    {
        $date = self::chosen($dates, $sentAt, $now);
        if (null === $date) {
            return null;
        }
        $start = max(0, $date->from - self::BEFORE);
        $around = mb_substr($text, $start, $date->to - $start + self::BEHIND);
        [$from, $to] = self::sentence($around, $date->from - $start, $date->to - $start);
        $sentence = (string) preg_replace('/\s/u', ' ', mb_substr($around, $from, $to - $from));
        $at = $start + $from;
        [$time, $first, $end] = $this->time($sentence, $date, $at, $sentAt);
        $time = self::in($now->zone, $time);
        $place = self::line($text) ?? self::near($sentence, $first, $end, $at) ?? self::online($text);
        $marks = array_filter([[$at + $first, $at + $end], null === $place ? null : [$place[1], $place[2]]]);
        sort($marks);

        return new LetterEvent($time, $place[0] ?? '', $marks);
    }

    /** @param list<FoundDate> $dates */
    private static function chosen(array $dates, Moment $sentAt, Moment $now): ?FoundDate
    {
        $ahead = array_filter($dates, static fn (FoundDate $one): bool => null === $one->time
            ? !$one->date->isBefore($now->date())
            : Moment::at($one->date, $one->time, $sentAt->zone)->instant > $now->instant);
        foreach ([
            static fn (FoundDate $one): bool => DateKind::Appointment === $one->kind && null !== $one->time,
            static fn (FoundDate $one): bool => DateKind::Appointment === $one->kind,
            static fn (FoundDate $one): bool => DateKind::Mention === $one->kind && null !== $one->time,
        ] as $suits) {
            foreach ($ahead as $one) {
                if ($suits($one)) {
                    return $one;
                }
            }
        }

        return null;
    }

    /** @return array{int, int} where the sentence begins and ends in which something stands; a line that is broken goes on */
    private static function sentence(string $text, int $from, int $to): array
    {
        $before = preg_split('/\n\s*\n|[!?;]\s|(?<=\p{L}{3}|\))\.\s/u', mb_substr($text, 0, $from)) ?: [''];
        $behind = preg_split('/\n\s*\n|[!?;](?:\s|$)|(?<=\p{L}{3}|\d|\)|m)\.(?:\s|$)/u', mb_substr($text, $to), 2) ?: [''];

        return [$from - mb_strlen($before[\count($before) - 1]), $to + mb_strlen($behind[0])];
    }

    /**
     * The longest words around the day that are read as a time of that day.
     *
     * @param int $at where the sentence begins in the letter
     *
     * @return array{EventTime, int, int} in the writer's zone, and the characters of the sentence that say so
     */
    private function time(string $sentence, FoundDate $date, int $at, Moment $sentAt): array
    {
        $speaker = new Speaker($sentAt, $this->settings);
        [$begin, $end] = [$date->from - $at, $date->to - $at];
        $ends = self::ends($sentence, $end);
        foreach (self::begins($sentence, $begin) as $from) {
            foreach ($ends as $to) {
                $phrase = trim(mb_substr($sentence, $from, $to - $from), " ,.:()–-\t");
                $time = self::read($phrase, $speaker, $date);
                if (null !== $time) {
                    $length = mb_strlen(rtrim(mb_substr($sentence, $from, $to - $from), ' ,.:(–-'));

                    return [$this->lasting($time, $sentence, $to, $speaker), $from, $from + $length];
                }
            }
        }
        $alone = null === $date->time
            ? EventTime::days($date->date, 1)
            : EventTime::from(Due::at($date->date, $date->time, $sentAt->zone), ReadEventTime::USUAL);

        return [$this->lasting($alone, $sentence, $end, $speaker), $begin, $end];
    }

    private static function read(string $phrase, Speaker $speaker, FoundDate $date): ?EventTime
    {
        try {
            $read = ReadEventTime::of($phrase, $speaker);
        } catch (Unreadable|Refused) {
            return null;
        }
        $begins = $read->time->begins;
        $isIt = '' === $read->repeat && $begins->date->equals($date->date)
            && (null === $date->time || (null !== $begins->time && (string) $begins->time === (string) $date->time));

        return $isIt ? $read->time : null;
    }

    /** "It takes two hours": behind the time, in the same sentence. */
    private function lasting(EventTime $time, string $sentence, int $from, Speaker $speaker): EventTime
    {
        if ($time->isWholeDays() || ReadEventTime::USUAL !== $time->minutes
            || 1 !== preg_match(self::LASTING, mb_substr($sentence, $from), $match)) {
            return $time;
        }
        try {
            return EventTime::from($time->begins, $speaker->readMinutes($match['span']));
        } catch (Unreadable|Refused) {
            return $time;
        }
    }

    /** @return list<int> characters at which the time may begin, the first one first */
    private static function begins(string $sentence, int $begin): array
    {
        $begins = [$begin];
        $words = preg_split('/(?<=\s)(?=\S)/u', mb_substr($sentence, 0, $begin)) ?: [];
        foreach (\array_slice(array_reverse($words), 0, self::WORDS_BEFORE) as $word) {
            if (1 !== preg_match(self::OF_TIME, trim($word))) {
                break;
            }
            $begin -= mb_strlen($word);
            $begins[] = $begin;
        }

        return array_reverse($begins);
    }

    /** @return list<int> characters at which it may end, the last one first */
    private static function ends(string $sentence, int $end): array
    {
        $ends = [$end];
        preg_match_all('/\S+\s*/u', mb_substr($sentence, $end), $words);
        foreach (\array_slice($words[0], 0, self::WORDS_BEHIND) as $word) {
            $end += mb_strlen($word);
            if (1 !== preg_match(self::NO_END, trim($word))) {
                $ends[] = $end;
            }
        }

        return array_reverse($ends);
    }

    /** @return array{string, int, int}|null what a line says of it, and where in the letter */
    private static function line(string $text): ?array
    {
        $beginning = mb_substr($text, 0, self::LETTER);
        if (1 !== preg_match(self::LINES, $beginning, $match, \PREG_OFFSET_CAPTURE)) {
            return null;
        }
        [$place, $offset] = $match['place'];
        $from = mb_strlen(substr($beginning, 0, $offset));

        return [rtrim($place, " .\r"), $from, $from + mb_strlen(rtrim($place, " .\r"))];
    }

    /**
     * @param int $first the characters of the sentence that say when
     * @param int $at    where it begins in the letter
     *
     * @return array{string, int, int}|null the nearest one behind the time, else in front of it
     */
    private static function near(string $sentence, int $first, int $end, int $at): ?array
    {
        $behind = $before = [];
        preg_match_all(self::AT, $sentence, $matches, \PREG_SET_ORDER | \PREG_OFFSET_CAPTURE);
        foreach ($matches as $match) {
            [$words, $offset] = $match['place'];
            $from = mb_strlen(substr($sentence, 0, $offset));
            $isTime = $from >= $first && $from < $end;
            // What follows goes on until the time begins.
            $words = $from < $first ? mb_substr($words, 0, $first - $from) : $words;
            $place = rtrim((string) preg_replace(self::OVER, '', rtrim($words)), ' ,–-');
            if ($isTime || '' === $place || 1 === preg_match(self::NO_PLACE, $place) || 1 === preg_match(self::HOUR, $place)
                || 1 !== preg_match(self::NAMED, $place)) {
                continue;
            }
            $found = [$place, $at + $from, $at + $from + mb_strlen($place)];
            $from < $first ? $before[] = $found : $behind[] = $found;
        }

        return $behind[0] ?? $before[\count($before) - 1] ?? null;
    }

    /** @return array{string, int, int}|null */
    private static function online(string $text): ?array
    {
        $beginning = mb_substr($text, 0, self::LETTER);
        if (1 !== preg_match(self::ONLINE, $beginning, $match, \PREG_OFFSET_CAPTURE) || 1 !== preg_match(self::CALLS, $beginning)) {
            return null;
        }
        [$address, $offset] = $match[0];
        $address = rtrim($address, '.,;:!?');
        $from = mb_strlen(substr($beginning, 0, $offset));

        return [$address, $from, $from + mb_strlen($address)];
    }

    private static function in(\DateTimeZone $zone, EventTime $time): EventTime
    {
        $start = $time->start();
        if (null === $start) {
            return $time;
        }
        $here = new Moment($start->instant, $zone);

        return EventTime::from(Due::at($here->date(), $here->time(), $zone), $time->minutes);
    }
}
