<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * What the words around a date say of it.
 */
final readonly class DateContext
{
    private const DEADLINE_BEFORE = '/\b(?:(?:no|not)\s+later\s+than(?:\s+on)?|at\s+the\s+(?:very\s+)?latest(?:\s+(?:by|on))?|(?:by|latest(?:\s+by)?)(?:\s+the)?(?:\s+latest)?(?:\s+on)?|before(?:\s+the)?(?:\s+(?:end|close)\s+of)?|ahead\s+of|prior\s+to|(?:is|are|falls?|fell|becomes?|being|was)?\s*due(?:\s+(?:date|back|in|for\s+payment))?(?:\s+(?:is|by|on|before|at|until))?\s*:?|(?:deadline|closing\s+date|last\s+day|cut-?off(?:\s+date)?|final\s+date|due\s+date|expiry\s+date|pay(?:ment)?\s+by|rsvp)(?:[\p{L}\s]{0,40}?\s(?:is|was|of|for|on|by|has\s+been\s+(?:extended|moved)\s+to))?\s*:?\s*(?:on\s+|by\s+)?|(?:expires?|closes?|close|closing|ends?|runs\s+out|lapses?|run\s+out)(?:\s+(?:on|at|by))?|respond\s+by|within|before\s+(?:i|we|you|they|he|she|it|the|my|our|your)\b[^,;.]{1,30}\s(?:on|at|in))\s*$/u';

    private const UNTIL_BEFORE = '/\b(?:until|till|til|up\s+to)(?:\s+the)?(?:\s+end\s+of)?\s*$/u';

    private const DEADLINE_BEHIND = '/^\s*,?\s*(?:\(?at\s+the\s+(?:very\s+)?latest|latest\b|or\s+(?:earlier|sooner|before)|is\s+(?:the|our|my|your)\s+(?:(?:very\s+)?last\s+day|deadline|closing\s+date|cut-?off|final\s+date|latest)|at\s+the\s+very\s+latest|deadline\b|if\s+not\s+(?:sooner|earlier|before))/u';

    private const NOT_AHEAD = '/\b(?:since|from|as\s+of|as\s+from|dated|of\s+the|of|your\s+(?:letter|message|mail|email|note)\s+of|last|starting|beginning|effective|after|following)(?:\s+(?:on|the))?\s*$/u';

    private const EVENT = '/\b(?:meet(?:s|ing|ings)?|appointment|visit(?:s|ing|ed)?|inspection|inspect|interview|call|conference|workshop|training|rehearsal|concert|dinner|lunch|breakfast|party|ceremony|opening|lecture|talk|tour|session|seminar|webinar|course|class|lesson|viewing|survey|hearing|exam|examination|check-?up|consultation|event|gathering|reception|assembly|agm|kick-?off|drill|shift|sailing|crossing|departure|departs?|arrival|arrives?|arriving|delivery|delivered|deliver|collect(?:ed|ion)?|pick-?up|booked|booking|scheduled|takes?\s+place|taking\s+place|happens?|held|hold|come|comes|coming|be\s+(?:there|here|with\s+you|at)|join|attend|see\s+you|start(?:s|ing)?|begin(?:s|ning)?|set\s+for|planned|due\s+to\s+(?:start|arrive|begin)|available|free|suits?|works?\s+for|would\s+work|possible\s+for|invit(?:e|ed|ation)|expect(?:ed|ing)?\s+(?:you|at|to\s+arrive)|outage|closure|closed|interruption|maintenance|moved\s+to|moved\s+forward|postponed|brought\s+forward|rescheduled|doors|landing|launch|service|match|game|race|regatta|market|fair|fete|festival|screening|performance|show|premiere|fly|flight|flies|train|ferry|check-?in|board(?:ing|\s+meets)?|land(?:s|ing)?|high\s+(?:water|tide)|low\s+(?:water|tide)|gig|wedding|funeral|birthday|catch\s+up|zoom|video\s+call|tea|coffee|drinks)\b/u';

    private const TASKS = '/\b(?:send|return|pay|submit|confirm|reply|answer|let\s+(?:me|us)\s+know|sign|complete|fill|finish|order|deliver|provide|get|give|review|read|check|prepare|have\s+(?:it|them|this|that|the)|need|needed|ready|done|hand|email|mail|upload|register|book|back|file|return|respond|approve|write|draft|correct|forward|print|post|update|transfer|settle|decide|choose|tell)\b/u';

    /** What the sender, or somebody else, is going to do is no deadline of the reader's. */
    private const PROMISE = '/\b(?:(?:i|we|he|she|they|it|the\s+\p{L}+|our\s+\p{L}+|my\s+\p{L}+|\p{L}+)\s*(?:\'ll|\s+will|\s+shall|\s+should|\s+plans?\s+to|\s+hopes?\s+to|\s+expects?\s+to|\s+aims?\s+to|\s+promised?\s+to|\s+want(?:s|ed)?\s+to|\s+intends?\s+to|\s+(?:am|are|is|\'m|\'re|\'s)\s+(?:going\s+to|hoping\s+to|planning\s+to|aiming\s+to|expected\s+to|due\s+to|likely\s+to)|\s+can|\s+could|\s+might|\s+may|\s+would))\b/u';

    private const YOURS = '/\b(?:you (?:must|need|have to|should|can|could|will|to|are|\'ll|may|might)|please|kindly|rsvp|need|require[sd]?|payment|deadline|due|must|your (?:\p{L}+ ){0,2}(?:by|before|is|are))\b/u';

    private const PAST = '/\b(?:was|were|had|did|didn\'t|wasn\'t|weren\'t|sent|met|saw|got|came|went|wrote|told|spoke|took|made|paid|gave|left|found|broke|brought|ran|said|held|bought|sold|began|fell|lost|thought|heard|rang|called|arrived|asked|agreed|received|ordered|promised|visited|talked|discussed|signed|posted|mentioned|delivered|happened|started|finished|closed|opened|moved|changed|enjoyed|attended|joined|decided|noticed|tried|wanted|reported|repaired|measured|ended|missed|forgot|failed|wished|phoned|emailed|mailed|checked|cleaned|cancelled|returned|showed|blew|shut|stood|lay|hit|struck|drove|sailed|flew)\b/u';

    private const NOT_PAST = '/\b(?:will|\'ll|shall|would|could|can|please|going\s+to|must|need|needs|is|are|\'re|am|let|should|may|might|has\s+been|have\s+been|been\s+(?:moved|postponed|brought)|moved\s+(?:to|forward|the)|changed\s+to|due|due\s+(?:on|by)|by|expires?|before|deadline|tomorrow)\b/u';

    private function __construct(
        public DateKind $kind,
        public bool $isPast,
        public int $from,
        public int $to,
        private bool $isSure,
    ) {
    }

    public static function of(DateSpot $spot, Sentence $sentence, ?Request $request): self
    {
        $before = mb_substr($sentence->lower, 0, $spot->from());
        $behind = mb_substr($sentence->lower, $spot->to());
        $inside = mb_substr($sentence->lower, $spot->from(), $spot->to() - $spot->from());
        $clause = self::clause($before, $inside, $behind);
        [$from, $to] = [$spot->from(), $spot->to()];
        $isOurs = null !== $request && RequestForm::Question !== $request->form && 1 !== preg_match('/\b(?:whether|if|when|which|what|how|who|where)\b[^,;]*$/u', $before);
        $isPast = !$isOurs && self::isPast($clause, $sentence, $request);
        $isQuestion = RequestForm::Question === $request?->form;

        if (1 === preg_match(self::DEADLINE_BEHIND, $behind, $m)) {
            $to += mb_strlen(rtrim($m[0], ' ('));
            [$start] = self::preposition($before);

            return new self(self::asked(DateKind::Deadline, $clause, $isOurs), $isPast, $start ?? $from, $to, true);
        }
        $isWithin = 1 === preg_match('/^within\b/u', $inside);
        $isBy = 1 === preg_match('/^(?:by|before)\b/u', $inside);
        if ($isWithin || $isBy || (1 === preg_match(self::DEADLINE_BEFORE, $before, $m) && !self::isPassive($before))) {
            $from -= $isWithin || $isBy ? 0 : mb_strlen(ltrim($m[0]));

            return new self(self::asked(DateKind::Deadline, $clause, $isOurs || $isQuestion), $isPast, $from, $to, true);
        }
        if (1 === preg_match(self::UNTIL_BEFORE, $before, $m) || 1 === preg_match('/^(?:until|till)\b/u', $inside, $m)) {
            $isWait = 1 === preg_match('/\b(?:you have|you\'ve got|valid|open|offer|accept(?:ed|ing)?|possible|apply|register|time|hold|held|reserve[ds]?|keep|kept)\b/u', $clause) || ($isOurs && 1 === preg_match(self::TASKS, $before) && 1 !== preg_match('/\b(?:away|out|closed|wait|leave|keep|off)\b/u', $before));

            return new self($isWait && !$isPast ? DateKind::Deadline : DateKind::Mention, $isPast, str_starts_with($inside, 'until') || str_starts_with($inside, 'till') ? $from : $from - mb_strlen(ltrim($m[0])), $to, $spot->isDay);
        }
        [$start, $preposition] = self::preposition($before);
        if (1 === preg_match(self::NOT_AHEAD, $before) && !(null !== $spot->time && 'from' === $preposition)) {
            return new self(DateKind::Mention, $isPast || 1 === preg_match('/\b(?:since|dated|last|(?<!instead )of)\s*(?:the)?\s*$/u', $before), $start ?? $from, $to, $spot->isDay);
        }
        if (!$spot->isDay && null !== $spot->time && !(null !== $request && ($spot->hasLead || null !== $start))) {
            return new self(DateKind::Mention, $isPast, $from, $to, false);
        }
        if ($isPast) {
            return new self(DateKind::Mention, true, $start ?? $from, $to, $spot->isDay || null !== $spot->time && $spot->isDay);
        }
        if ($isOurs && 1 === preg_match(self::TASKS, mb_strtolower($request->action)) && 1 !== preg_match(self::EVENT, mb_strtolower($request->action))) {
            return new self(DateKind::Deadline, false, $start ?? $from, $to, true);
        }
        if (self::isEvent($clause, $spot, null !== $request)) {
            return new self(DateKind::Appointment, false, $start ?? $from, $to, $spot->isDay || null !== $request || 1 === preg_match(self::EVENT, $clause));
        }
        if ($isOurs && $spot->isDay) {
            return new self(DateKind::Deadline, false, $start ?? $from, $to, true);
        }

        return new self(DateKind::Mention, false, $start ?? $from, $to, $spot->isDay);
    }

    /** A number or a time that nothing says to be a date is none. */
    public function isDate(): bool
    {
        return $this->isSure;
    }

    private static function asked(DateKind $kind, string $clause, bool $isRequest): DateKind
    {
        if ($isRequest) {
            return $kind;
        }
        $isPromise = 1 === preg_match(self::PROMISE, $clause) && 1 !== preg_match(self::YOURS, $clause);

        return $isPromise ? DateKind::Mention : $kind;
    }

    private static function isPast(string $clause, Sentence $sentence, ?Request $request): bool
    {
        return 1 === preg_match(self::PAST, $clause) && 1 !== preg_match(self::NOT_PAST, $clause);
    }

    /** "signed by Friday" has no deadline in it when Friday is a person; "prepared by" before a day has. */
    private static function isPassive(string $before): bool
    {
        return 1 === preg_match('/\bstand\s+by\s*$/u', $before);
    }

    private static function isEvent(string $clause, DateSpot $spot, bool $isAsked): bool
    {
        return 1 === preg_match(self::EVENT, $clause) || (null !== $spot->time && $spot->isDay) || ($isAsked && $spot->isDay && null !== $spot->time);
    }

    /** @return array{int|null, string} where "on", "at" and the like before it begin, and the word */
    private static function preposition(string $before): array
    {
        return 1 === preg_match('/\b(on|at|from|since|for|in|of|after|during|around|about|as of|dated|until)(?:\s+the)?\s+$/u', $before, $m)
            ? [mb_strlen($before) - mb_strlen($m[0]), $m[1]]
            : [null, ''];
    }

    /** The part of the sentence that the date stands in. */
    private static function clause(string $before, string $inside, string $behind): string
    {
        $head = (string) preg_replace('/^.*(?:[;:–—?]|,\s+(?:but|so|and|which|because|then|as|while|although|though|since|if|when)\b|\b(?:because|although|whereas)\b|\.\s)/su', '', $before);
        $tail = (string) preg_replace('/(?:[;:–—?]|,\s*(?:but|so|and|which|because|then|as|while|although|though|since|if|when|please|could|can)\b|\b(?:because|although|whereas)\b|\.\s).*$/su', '', $behind);

        return $head.$inside.$tail;
    }
}
