<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\English;

/**
 * The English words of written time: the one table that fields and letters are both read by.
 *
 * Words that say the same stand in one string. Behind a word stands what it needs in prose, where most words are about
 * something else: "^" that it is written with a capital ("may", "sun"), "~" that it is not prose at all ("d", "eve").
 * Names are in lower case, without a possessive ending.
 */
final class Lexicon
{
    /** Words of the rules themselves; here for the sake of slips of the finger. */
    private const RULES = 'inside out middle beginning starting between completion completed working business months weekend weekends '
        .'weekday weekdays before following coming thing later earlier except latest without business another';

    /** Two slips are not read, but for these, which half the world writes. */
    private const USUAL_SLIPS = [
        'tommorow' => 'tomorrow', 'tommorrow' => 'tomorrow', 'wensday' => 'wednesday', 'wendsday' => 'wednesday', 'febuary' => 'february',
        'thurday' => 'thursday',
    ];

    /** A word of fewer letters is not corrected. */
    private const CORRECTED_FROM = 6;

    /** @var array<string, array<string, array{int|string, string}>>|null by the name of the sense and by the word */
    private static ?array $senses = null;

    /** @var array<string, array<string, true>>|null names of senses by word */
    private static ?array $words = null;

    /** @var array<string, true>|null */
    private static ?array $known = null;

    /** @return array<string, array<string, int|string>> by the name of the sense, by words */
    private static function table(): array
    {
        return [
            Sense::Month->name => [
                'january jan^' => 1, 'february feb' => 2, 'march^ mar^' => 3, 'april apr' => 4, 'may^' => 5, 'june jun^' => 6,
                'july jul' => 7, 'august^ aug' => 8, 'september sept sep' => 9,
                'october oct' => 10, 'november nov' => 11, 'december dec^' => 12,
            ],
            Sense::Weekday->name => [
                'monday mon^' => 1, 'tuesday tue tues' => 2, 'wednesday wed^ weds^' => 3, 'thursday thu thur thurs' => 4,
                'friday fri' => 5, 'saturday sat^' => 6, 'sunday sun^' => 7,
            ],
            Sense::Weekdays->name => [
                'mondays' => 1, 'tuesdays' => 2, 'wednesdays' => 3, 'thursdays' => 4, 'fridays' => 5, 'saturdays' => 6, 'sundays' => 7,
            ],
            Sense::Number->name => [
                'one' => 1, 'two' => 2, 'three' => 3, 'four' => 4, 'five' => 5, 'six' => 6, 'seven' => 7, 'eight' => 8, 'nine' => 9,
                'ten' => 10, 'eleven' => 11, 'twelve' => 12, 'thirteen' => 13,
                'fourteen' => 14, 'fifteen' => 15, 'sixteen' => 16, 'seventeen' => 17, 'eighteen' => 18, 'nineteen' => 19,
            ],
            Sense::Tens->name => [
                'twenty' => 20, 'thirty' => 30, 'forty' => 40, 'fifty' => 50, 'sixty' => 60, 'seventy' => 70, 'eighty' => 80,
                'ninety' => 90,
            ],
            Sense::Ordinal->name => [
                'first' => 1, 'second' => 2, 'third' => 3, 'fourth' => 4, 'fifth' => 5, 'sixth' => 6, 'seventh' => 7, 'eighth' => 8,
                'ninth' => 9, 'tenth' => 10, 'eleventh' => 11, 'twelfth' => 12,
                'last' => -1,
            ],
            Sense::Unit->name => [
                'year years yr yrs y~' => 'year', 'quarter quarters' => 'quarter', 'month months' => 'month',
                'fortnight fortnights' => 'fortnight', 'week weeks wk wks w~' => 'week',
                'day days d~' => 'day', 'hour hours hr hrs h~' => 'hour', 'minute minutes min mins m~' => 'minute',
                'workday workdays' => 'working day',
            ],
            Sense::Part->name => [
                'morning am~' => 'morning', 'afternoon pm~' => 'afternoon', 'evening eve~' => 'evening', 'night' => 'tonight',
            ],
            Sense::Mark->name => [
                'noon midday lunchtime lunch' => 'noon', 'eod cob eob' => 'end_of_day', 'tonight' => 'tonight',
            ],
            Sense::Near->name => ['today' => 0, 'overmorrow' => 2, 'tomorrow tmr tmrw 2moro tomoz~' => 1, 'yesterday' => -1],
            Sense::Minutes->name => ['half' => 30, 'quarter' => 15],
            Sense::Edge->name => ['start beginning early' => 'begin', 'mid middle' => 'middle', 'end close' => 'end', 'late' => 'late'],
            Sense::ShortEdge->name => ['eow' => 'week', 'eom' => 'month', 'eoq' => 'quarter', 'eoy' => 'year'],
            Sense::Quarter->name => ['q1' => 1, 'q2' => 2, 'q3' => 3, 'q4' => 4],
            Sense::Often->name => [
                'daily' => 'DAILY 1', 'weekly' => 'WEEKLY 1', 'fortnightly biweekly' => 'WEEKLY 2', 'monthly' => 'MONTHLY 1',
                'bimonthly' => 'MONTHLY 2', 'quarterly' => 'MONTHLY 3',
                'yearly annually' => 'YEARLY 1',
            ],
            Sense::Zone->name => array_combine(array_keys(Zones::NAMES), array_keys(Zones::NAMES)),
        ];
    }

    /** The number that the word stands for in that sense. */
    public static function int(Sense $sense, ?string $word): ?int
    {
        $meaning = self::meaning($sense, $word);

        return \is_int($meaning) ? $meaning : null;
    }

    /** What the word stands for in that sense; null when it has no such sense. */
    public static function meaning(Sense $sense, ?string $word): int|string|null
    {
        return self::senses()[$sense->name][$word ?? ''][0] ?? null;
    }

    /** Whether the word has one of these senses. */
    public static function isAny(string $word, Sense ...$senses): bool
    {
        if (null === self::$words) {
            self::$words = [];
            foreach (self::senses() as $sense => $words) {
                foreach ($words as $one => $meaning) {
                    self::$words[$one][$sense] = true;
                }
            }
        }
        $has = self::$words[$word] ?? [];
        foreach ([] === $has ? [] : $senses as $sense) {
            if (isset($has[$sense->name])) {
                return true;
            }
        }

        return false;
    }

    /** "^", "~" or nothing: what the word needs in prose. */
    public static function need(Sense $sense, string $word): string
    {
        return self::senses()[$sense->name][$word][1] ?? '';
    }

    /** The word that was meant by one with a slip of the finger in it; null when it is none, or when several could be meant. */
    public static function corrected(string $word): ?string
    {
        $known = self::$known ??= self::known();
        if (isset($known[$word])) {
            return null;
        }
        if (isset(self::USUAL_SLIPS[$word])) {
            return self::USUAL_SLIPS[$word];
        }
        if (1 !== preg_match('/^[a-z]{5,14}$/D', $word)) {
            return null;
        }
        $found = [];
        foreach (array_keys($known) as $other) {
            $slip = \strlen($other) < self::CORRECTED_FROM ? null : Slip::between($word, $other);
            if (null !== $slip) {
                $found[$slip->value][] = $other;
            }
        }
        ksort($found);
        $likely = array_values($found)[0] ?? [];

        return 1 === \count($likely) ? $likely[0] : null;
    }

    /** @return array<string, true> */
    private static function known(): array
    {
        $known = array_fill_keys(explode(' ', self::RULES), true);
        foreach (self::senses() as $words) {
            foreach ($words as $word => $meaning) {
                $known[$word] = true;
            }
        }
        foreach (Holidays::words() as $word) {
            $known[$word] = true;
        }

        return $known;
    }

    /** @return array<string, array<string, array{int|string, string}>> */
    private static function senses(): array
    {
        if (null !== self::$senses) {
            return self::$senses;
        }
        $senses = [];
        foreach (self::table() as $sense => $entries) {
            foreach ($entries as $words => $meaning) {
                foreach (explode(' ', $words) as $word) {
                    $need = strpbrk($word, '^~');
                    $senses[$sense][false === $need ? $word : substr($word, 0, -1)] = [$meaning, false === $need ? '' : $need];
                }
            }
        }

        return self::$senses = $senses;
    }
}
