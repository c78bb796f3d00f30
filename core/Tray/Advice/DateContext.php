<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Time\Prose\Spot;
use ZippyTray\Core\Tray\Advice\Language\English;
use ZippyTray\Core\Tray\Advice\Language\Tongue;

/**
 * Reads from the words around a date what it is about.
 */
final readonly class DateContext
{
    private const DEADLINE_BEFORE = '/
        \b(?:
            (?:no|not)\s+later\s+than(?:\s+on)?
            |at\s+the\s+(?:very\s+)?latest(?:\s+(?:by|on))?
            |(?:by|latest(?:\s+by)?)(?:\s+the)?(?:\s+latest)?(?:\s+on)?
            |before(?:\s+the)?(?:\s+(?:end|close)\s+of)?
            |ahead\s+of|prior\s+to
            |(?:is|are|falls?|fell|becomes?|being|was)?\s*due(?:\s+(?:date|back|in|for\s+payment))?
            (?:\s+(?:is|by|on|before|at|until))?\s*:?
            |(?:
                deadline|closing\s+date
                |last\s+(?:day|date|orders?|call|chance|posting)
                |cut-?off(?:\s+date)?|final\s+date|due\s+date|expiry\s+date|pay(?:ment)?\s+by|rsvp
            )(?:[\p{L}\s]{0,40}?(?:\s(?:is|was|of|for|on|by|to)|\s*:)|\b[^.]{0,60}\sto)?\s*:?\s*(?:on\s+|by\s+)?
            |(?:expires?|closes?|close|closing|ends?|runs\s+out|lapses?|run\s+out)(?:\s+(?:on|at|by|a))?(?:\s+the)?
            |respond\s+by|within
            |before\s+(?:i|we|you|they|he|she|it|the|my|our|your)\b[^,;.]{1,30}\s(?:on|at|in)
        )\s*$
    /xu';

    private const UNTIL_BEFORE = '/\b(?:until|till|til|up\s+to)(?:\s+the)?(?:\s+end\s+of)?\s*$/u';

    private const DEADLINE_BEHIND = '/
        ^\s*,?\s*(?:
            \(?at\s+the\s+(?:very\s+)?latest
            |latest\b
            |or\s+(?:earlier|sooner|before)
            |is\s+(?:the|our|my|your)\s+(?:
                (?:very\s+)?last\s+day|deadline|closing\s+date|cut-?off|final\s+date|latest
            )
            |at\s+the\s+very\s+latest|deadline\b
            |if\s+not\s+(?:sooner|earlier|before)
        )
    /xu';

    private const NOT_AHEAD = '/
        \b(?:
            since|from|as\s+of|as\s+from|dated|of\s+the|of
            |your\s+(?:letter|message|mail|email|note)\s+of
            |last|starting|beginning|effective|after|following
        )(?:\s+(?:on|the))?\s*$
    /xu';

    private const EVENT = '/
        \b(?:
            meet(?:s|ing|ings)?|appointment|visit(?:s|ing|ed)?|inspection|inspect|interview|call|conference|workshop
            |training|rehearsal|concert|dinner|lunch|breakfast|party|ceremony|opening|lecture|talk|tour|session
            |seminar|webinar|course|class|lesson|viewing|survey|hearing|exam|examination|check-?up|consultation|event
            |gathering|reception|assembly|agm|kick-?off|fire\ drill|shift|sailing|crossing|departure|departs?|arrival
            |arrives?|arriving|delivery|delivered|deliver|collect(?:ed|ion)?|pick-?up|booked|booking|scheduled
            |takes?\s+place|taking\s+place|happens?|held|hold|come|comes|coming
            |be\s+(?:there|here|with\s+you|at)
            |join|attend|see\s+you|start(?:s|ing)?|begin(?:s|ning)?|set\s+for|planned
            |due\s+to\s+(?:start|arrive|begin)
            |available|free|suits?|works?\s+for|would\s+work|possible\s+for|invit(?:e|ed|ation)
            |expect(?:ed|ing)?\s+(?:you|at|to\s+arrive)
            |(?:is|are|be|goes?|switched|turned|shut|cut)\s+off
            |outage|closure|closed|interruption|maintenance|moved\s+to|moved\s+forward|postponed|brought\s+forward
            |rescheduled|doors|landing|launch|service|match|game|race|regatta|market|fair|fete|festival|screening
            |performance|show|premiere|fly|flight|flies|train|ferry|check-?in|board(?:ing|\s+meets)?|land(?:s|ing)?
            |high\s+(?:water|tide)|low\s+(?:water|tide)|gig|wedding|funeral|birthday|catch\s+up|play(?:s|ing)?|appear
            |swap|lend\s+a\s+hand
            |open\s+(?:up|the\s+(?:shop|office|gate|door|hall|store|tower|house))
            |lock\s+up
            |cover\s+(?:for|the|my|me|us|his|her|their)
            |stand\s+in|step\s+in|babysit|zoom|video\s+call|tea|coffee|drinks|getting\s+married|marry(?:ing)?
            |save\s+the\s+date
            |(?:welcom(?:e|ing)|seeing|meeting|having|hosting)\s+you
            |drive
            |see\s+(?:him|her|them|the\s+doctor)
            |sub|talks|evening\s+is
            |(?:is|are|will\s+be)\s+on\s+(?:the\s+|(?:mon|tues|wednes|thurs|fri|satur|sun)day,?\s+)*\d
        )\b
    /xu';

    private const NEWS = '/
        \b(?:i|we)(?:\'ll|\ will|\ shall|\'m\ going\ to|\ am\ going\ to|\'re\ going\ to)\s+(?:\p{L}+\s+)?(?:
            call|ring|phone|write|send|mail|email|let\ you\ know|tell|report|get\ back|come\ back\ to\ you
            |be\ in\ touch|confirm|update
        )\b
        |\b(?:
            report|issue|news|results?|list|letter|bill|decision|answer|edition|newsletter|update|details|numbers?
            |figures
        )\s+(?:\p{L}+\s+)?(?:comes?|follows?|will\ follow|is\ out|are\ out|appears?)\b
    /xu';

    private const NONE = '/
        \b(?:
            (?:
                game|match|meeting|trip|call|training|lesson|rehearsal|practice|party|session|concert|walk|dinner
                |lunch|it
            )(?:\ on\ \p{L}+|\ tomorrow|\ tonight)?(?:\'s|\ is|\ are)\ off\b(?!\ to)
            |cancel(?:ling|ing)?\ (?:our|the|my|your|this|tomorrow\'s|today\'s)\b
            |(?:shall|will|can|am|is|are)(?:\s+not|n\'t)\s+(?:
                be\s+(?:there|here|able|in|coming|at)|come|coming|make|attend|join|available|free
            )
            |(?:cannot|can\'t|won\'t)\s+(?:come|make|attend|be|join)
            |(?:is|are|will\ be|there\'s)\ no\b
            |no\ (?:class|meeting|lesson|training|rehearsal|tour|service|market|practice|session)\b
            |(?:does|do|will|is|are)\ not\ (?:take\ place|happen|meet|run|open|sail)
            |(?:doesn\'t|don\'t|won\'t|isn\'t|aren\'t)\ (?:
                take\ place|happen|meet|run|open|sail|taking\ place|running
            )
            |cancelled|canceled|called\ off
            |(?:could|can|did|was|were|has|have)(?:\ not|n\'t)\b
        )
    /xu';

    private const TASKS = '/
        \b(?:
            send|return|pay|submit|confirm|reply|answer|let\s+(?:me|us)\s+know|sign|complete|fill|finish|order|deliver
            |provide|get|give|review|read|check|prepare
            |have\s+(?:it|them|this|that|the)
            |need|needed|ready|done|hand|email|mail|upload|register|book|back|file|return|respond|approve|write|draft
            |correct|forward|print|post|update|transfer|settle|decide|choose|tell|vote
        )\b
    /xu';

    /** What is handed over or done with is due, and no appointment. */
    private const HANDED = '/^(?:send|return|pay|submit|sign|complete|fill|finish|deliver|provide|hand|upload|file|print|post|update'
        .'|transfer|forward|mail)\b/u';

    private const PROMISE = '/
        \b(?:
            (?:i|we|he|she|they|it|the\s+\p{L}+|our\s+\p{L}+|my\s+\p{L}+|\p{L}+)\s*(?:
                \'ll|\s+will|\s+shall|\s+should|\s+plans?\s+to|\s+hopes?\s+to|\s+expects?\s+to|\s+aims?\s+to
                |\s+promised?\s+to|\s+want(?:s|ed)?\s+to|\s+intends?\s+to
                |\s+(?:am|are|is|\'m|\'re|\'s)\s+(?:
                    going\s+to|hoping\s+to|planning\s+to|aiming\s+to|expected\s+to|due\s+to|likely\s+to
                )
                |\s+can|\s+could|\s+might|\s+may|\s+would
            )
        )\b
    /xu';

    private const YOURS = '/
        \b(?:
            you\ (?:must|need|have\ to|should|can|could|will|to|are|\'ll|may|might)
            |please|kindly|rsvp|need|require[sd]?|payment|deadline|due|must
            |your\ (?:\p{L}+\ ){0,2}(?:by|before|is|are|ends?|expires?|lapses?|runs?\s+out|will)
        )\b
    /xu';

    private const PAST = '/
        \b(?:
            was|were|had|did|didn\'t|wasn\'t|weren\'t|sent|met|saw|got|came|went|wrote|told|spoke|took|made|paid|gave
            |left|found|broke|brought|ran|said|held|bought|sold|began|fell|lost|thought|heard|rang|called|arrived
            |asked|agreed|received|ordered|promised|visited|talked|discussed|signed|posted|mentioned|delivered
            |happened|started|finished|closed|opened|moved|changed|enjoyed|attended|joined|decided|noticed|tried
            |wanted|turned|collected|gathered|raised|welcomed|walked|swam|planted|painted|celebrated|reported|repaired
            |measured|ended|missed|forgot|failed|wished|phoned|emailed|mailed|checked|cleaned|cancelled|returned
            |showed|blew|shut|stood|lay|hit|struck|drove|sailed|flew|died|crashed|burned|burnt|slept|ate|drank|rained
            |snowed|leaked|jumped|ran|sang|danced|printed|created|generated|published|issued|logged|scanned|recorded
            |born|founded|built|updated
            |(?:i|we|you|he|she|they|it)(?:\s+(?:also|already|just|then))?\s+
            (?!(?:need|feed|proceed|speed|exceed|succeed|breed)\b)\p{L}+ed
        )\b
    /xu';

    private const NOT_PAST = '/
        \b(?:
            (?:if|unless)\s+\p{L}+\s+(?:have|has)(?:n\'t|\s+not)?
            |will|\'ll|shall|would|could|can|please|going\s+to|must|need|needs|is|are|\'re|am|let|should|might
            |(?<!\d\ )(?<!\d(?:st|nd|rd|th)\ )(?<!in\ |of\ |on\ )may(?!\ \d)
            |has\s+been|have\s+been
            |be(?:en)?\s+(?:moved|postponed|brought|changed|shifted|put\s+(?:off|back))
            |moved\s+(?:to|forward|the)
            |had\s+to\s+(?:move|change|postpone|bring|put)
            |changed\s+to|due|expires?|deadline|tomorrow
        )\b
    /xu';

    /** What has to have happened to a thing. */
    private const OBLIGED = '/
        (?<!\bi\ )(?<!\bwe\ )(?<!\bhe\ )(?<!\bshe\ )(?<!\bthey\ )\b(?:
            must|ha(?:s|ve)\s+(?:got\s+)?to|(?:is|are)\s+to|needs?\s+to
        )\s+(?:reach|leave|arrive|be\s+(?:in|with|ready|final|done|paid|sent|made|ordered|given|\p{L}{3,}ed)\b)
    /xu';

    private string $before;

    private string $inside;

    private string $behind;

    /** What is asked for; empty when nothing is. */
    private string $action;

    /** The part of the sentence that the date stands in. */
    private string $clause;

    /** What asks in this sentence asks for something to be done, and not whether or when. */
    private bool $isOurs;

    private bool $isPast;

    /** The words around it are glosses: they do not stand where they seem to. */
    private bool $isForeign;

    /** It is asked in another language whether somebody does what is none of the things that are due: "¿puedes jugar el domingo?" */
    private bool $isOther;

    public function __construct(
        private Spot $spot,
        Sentence $sentence,
        private ?Request $request,
        Tongue $tongue = new English(),
        private Meeting $meeting = new Meeting(),
    ) {
        $this->isForeign = [] !== $tongue->english();
        $this->isOther = $this->isForeign
            && null !== $request
            && str_ends_with(rtrim($request->text), '?')
            && '' === $tongue->verb($request->action);
        $this->before = $tongue->gloss(mb_substr($sentence->lower, 0, $spot->from));
        $this->behind = $tongue->gloss(mb_substr($sentence->lower, $spot->to));
        $this->inside = $tongue->gloss(mb_substr($sentence->lower, $spot->from, $spot->to - $spot->from));
        $this->action = $tongue->gloss(mb_strtolower($request->action ?? ''));
        $this->clause = self::clause($this->before, $this->inside, $this->behind);
        $isOurs = null !== $request
            && RequestForm::Question !== $request->form
            && 1 !== preg_match('/\b(?:whether|if|when|which|what|how|who|where)\b[^,;]*$/u', $this->before);
        // "The till was short on Sunday, can you check it?"
        $isAside = $isOurs
            && 1 === preg_match(self::PAST, $this->clause)
            && 1 !== preg_match(self::NOT_PAST, $this->clause)
            && (RequestForm::Likely === $request->form || !str_contains($this->clause, mb_substr($this->action, 0, 12)))
            && 1 !== preg_match('/\b(?:by|before|until|within)\b/u', $this->clause);
        $this->isOurs = $isOurs && !$isAside;
        $this->isPast = !$this->isOurs
            && ((1 === preg_match(self::PAST, $this->clause) && 1 !== preg_match(
                self::NOT_PAST,
                $this->clause,
            )) || 1 === preg_match('/^what an? [^?]*!/u', $sentence->lower) || 1 === preg_match('/^(?:it was )?(?:so )?(?:good|great|nice'
                .'|lovely) (?:to see|seeing) you\b/u', $sentence->lower) || $this->isThanks($sentence->lower));
    }

    /** "Thank you for the talk on Friday" looks back; a date of the calendar may be one that is to come. */
    private function isThanks(string $lower): bool
    {
        return 1 === preg_match('/^(?:\p{L}+ ){0,2}(?:thanks|thank you)\b[^?]*$/u', $lower)
            && 1 !== preg_match(
                '/\d|january|february|march|april|\bmay\b|june|july|august|september|october|november|december|tomorrow|next|coming/u',
                $this->inside,
            )
            && 1 !== preg_match('/\b(?:see|looking|forward|will|\'ll)\b/u', $lower);
    }

    public function reading(): DateReading
    {
        // "next year's regatta" is no date.
        if (null === $this->spot->clock
            && 1 === preg_match('/^(?!new year)(?:next|this|last|coming|in \p{L}+|\p{L}+) years?\b(?!.*\d)/u', $this->inside)
            && 1 !== preg_match('/\b(?:by|before|until|within)\W*$/u', $this->before)) {
            return new DateReading(null, false, 0, 0);
        }

        return $this->endOfStretch()
            ?? $this->latest()
            ?? $this->deadline()
            ?? $this->until()
            ?? $this->noted()
            ?? $this->timeAlone()
            ?? $this->rest();
    }

    /** "from 24 December to 3 January": of a stretch the beginning counts. */
    private function endOfStretch(): ?DateReading
    {
        return 1 === preg_match('/
            \bfrom\b[^,;]{2,40}(?:
                \d|day|january|february|march|april|may|june|july|august|september|october|november|december
            )\W*(?:by|to|until|till)(?:\s+the)?\s*$
        /xu', $this->before) && null === $this->spot->clock ? $this->dated(DateKind::Mention, $this->isPast, $this->start()) : null;
    }

    /** "Friday at the latest". */
    private function latest(): ?DateReading
    {
        if (1 !== preg_match(self::DEADLINE_BEHIND, $this->behind, $m)) {
            return null;
        }

        return new DateReading(
            $this->asked($this->isOurs),
            $this->isPast,
            $this->start(),
            $this->spot->to + ($this->isForeign ? 0 : mb_strlen(rtrim($m[0], ' ('))),
        );
    }

    /** "by Friday", "no later than Friday", "within ten days". */
    private function deadline(): ?DateReading
    {
        $isInside = 1 === preg_match('/^(?:by|before|within|inside)\b/u', $this->inside);
        $lead = !$isInside
            && 1 === preg_match(self::DEADLINE_BEFORE, $this->before, $m)
            && 1 !== preg_match(
                '/\b(?:stand|drop(?:ping)?|com(?:e|ing)|stop(?:ping)?|pass(?:ing)?|swing(?:ing)?|pop(?:ping)?|go(?:ing)?'
                    .'|call(?:ing)?)\s+by\s*$/u',
                $this->before,
            )
            ? mb_strlen(ltrim($m[0]))
            : 0;

        // "It won't be mended before Christmas."
        if (($isInside || $lead > 0)
            && 1 === preg_match(
                '/\b(?:won\'t|will not|cannot|can\'t|isn\'t|aren\'t|not)\b[^,;]*\bbefore\s*(?:the\s+)?$/u',
                $this->before.(1 === preg_match('/^before\b/u', $this->inside) ? 'before ' : ''),
            )
            && (null === $this->request || RequestForm::Likely === $this->request->form)) {
            return $this->dated(DateKind::Mention, false, $this->start());
        }
        // "If the fee isn't paid by 8 December the place is lost."
        if ($this->spot->isDay
            && ($isInside || $lead > 0)
            && !$this->isOurs
            && 1 === preg_match('/\b(?:unless|(?:if|when)\b[^,;]*(?:n\'t|\bnot|\bno))\b(?![^,;]*\bha(?:ve'
                .'|s)n?\'?t? \p{L}+ed)[^,;]*$/u', $this->before)) {
            return new DateReading(DateKind::Deadline, false, $this->start(), $this->spot->to);
        }
        if (!$this->spot->isDay && ($this->isPast || DateKind::Mention === $this->asked(null !== $this->request))) {
            return $isInside || $lead > 0 ? new DateReading(null, false, 0, 0) : null;
        }

        return $isInside
            || $lead > 0
            ? new DateReading(
                $this->asked(null !== $this->request),
                $this->isPast,
                $this->spot->from - ($this->isForeign ? 0 : $lead),
                $this->spot->to,
            )
            : null;
    }

    /** "until Friday" ends a wait or an absence, unless it is how long one can do something. */
    private function until(): ?DateReading
    {
        $isInside = 1 === preg_match('/^(?:until|till)\b/u', $this->inside);
        $lead = !$isInside && 1 === preg_match(self::UNTIL_BEFORE, $this->before, $m) ? mb_strlen(ltrim($m[0])) : 0;
        if (!$isInside && 0 === $lead) {
            return null;
        }
        $isOpen = ($this->isForeign && null !== $this->request) || 1 === preg_match('/
            \b(?:
                you\ have|you\'ve\ got|can\ be|available
                |(?:given|granted|allowed|gives|grants|allows)\s+(?:us|you|me)
                |valid|open|offer|accept(?:ed|ing)?|possible|apply|register|time|holds?|held|reserve[ds]?|keep|kept
                |welcome
            )\b
        /xu', $this->clause)
            || ($this->isOurs
                && (1 === preg_match(self::TASKS, $this->before) || RequestForm::Need === $this->request?->form)
                && 1 !== preg_match(
                    '/\b(?:away|out|closed|wait|leave|keep|off|stay|hold)\b/u',
                    $this->before,
                ));

        $from = $this->spot->from - ($this->isForeign ? 0 : $lead);

        return $isOpen
            && !$this->isPast
            && (null === $this->spot->clock || $this->spot->isDay)
            ? new DateReading(DateKind::Deadline, false, $from, $this->spot->to)
            : $this->dated(DateKind::Mention, $this->isPast, $from);
    }

    /** "since Monday", "from 1 December", "your letter of 3 November". */
    private function noted(): ?DateReading
    {
        $isStretch = 1 === preg_match('/\bfrom\s+$/u', $this->before)
            && (null !== $this->spot->clock || 1 === preg_match(
                '/\b(?:to|until|till)\b|[–-]/u',
                $this->inside.mb_substr($this->behind, 0, 8),
            ));
        $isOfEvent = $this->isForeign
            && 1 === preg_match(
                '/\b(?:appointment|meeting|visit|party|dinner|lunch|concert|rehearsal|wedding|lecture|workshop|show)\s+(?:of|the)\s*$/u',
                $this->before,
            );
        if ($isStretch || $isOfEvent || 1 !== preg_match(self::NOT_AHEAD, $this->before)) {
            return null;
        }
        $isGone = 1 === preg_match(
            '/\b(?:since|dated|last|(?<!instead |weekend |week |night |evening |morning |afternoon |as )of)\s*(?:the)?\s*$/u',
            $this->before,
        );

        return $this->dated(DateKind::Mention, $this->isPast || $isGone, $this->start());
    }

    /** A time alone says a date only as a deadline. */
    private function timeAlone(): ?DateReading
    {
        if ($this->spot->isDay || null === $this->spot->clock) {
            return null;
        }
        // "Could you cover the phone from two to three?" is of today.
        $isStretch = null !== $this->request && null !== $this->spot->clock->until && 1 === preg_match(self::EVENT, $this->action);

        return $isStretch
            ? new DateReading(DateKind::Appointment, false, $this->start(), $this->spot->to)
            : new DateReading(null, false, 0, 0);
    }

    private function rest(): DateReading
    {
        if ($this->isPast) {
            return $this->dated(DateKind::Mention, true, $this->start());
        }
        // Somebody who is to be somewhere from two to five has an appointment.
        if ($this->isOurs && null !== $this->spot->clock?->until && $this->spot->isDay) {
            return new DateReading(DateKind::Appointment, false, $this->start(), $this->spot->to);
        }
        // "Could you bring the dog in at four on Friday?"
        $isMeeting = $this->spot->isExact()
            && 1 === preg_match('/\bat\s+\S/u', $this->before.$this->inside)
            && 1 !== preg_match(self::TASKS, $this->action);
        if ($this->isOurs
            && $this->spot->isDay
            && !$isMeeting
            && !$this->isOther
            && 1 !== preg_match(self::EVENT, $this->action)
            && (1 === preg_match(self::HANDED, $this->action) || !$this->isLikeMeeting())) {
            return new DateReading(DateKind::Deadline, false, $this->start(), $this->spot->to);
        }
        // "The manuscript has to leave us on 10 December."
        if ($this->spot->isDay && null === $this->spot->clock && 1 === preg_match(self::OBLIGED, $this->clause)) {
            return $this->dated(DateKind::Deadline, false, $this->start());
        }
        // What somebody is going to tell is no meeting, and of a stretch the beginning is.
        if (1 === preg_match('/
            (?:
                \d|day|january|february|march|april|may|june|july|august|september|october|november|december
                |\bnext\ week
            )\W*(?:to|until|till|[–-])(?:\s+the)?\s*$
        /xu', $this->before)) {
            return $this->dated(DateKind::Mention, false, $this->start());
        }
        if (1 === preg_match(self::NEWS, $this->clause) || 1 === preg_match(self::NONE, $this->clause)) {
            return $this->dated(DateKind::Mention, false, $this->start());
        }
        // A week is no appointment.
        if (1 === preg_match('/\b(?:week|month|year|quarter)s?$/u', rtrim($this->inside))
            && null !== $this->request
            && null === $this->spot->clock) {
            return $this->dated(DateKind::Mention, false, $this->start());
        }
        $isFree = RequestForm::Question === $this->request?->form
            && 1 === preg_match(
                '/\b(?:be|is|are)\b.*\b(?:better|best|fine|okay|ok|good|convenient|possible|easier|all right|alright)\b(?!\s+(?:if|to'
                    .'|that)\b)|\bhome\b/u',
                $this->before.$this->inside.$this->behind,
            );
        $isInvited = RequestForm::Question === $this->request?->form
            && 1 === preg_match(
                '/^\W*(?:are |so )?(?:you|u)(?:\'re)? (?:still )?(?:in|up|on|ok|okay|free|around|about|good|game|coming)\b/u',
                $this->before,
            );
        if ($isFree
            || $isInvited
            || ($this->isOther && $this->isOurs && $this->spot->isDay)
            || 1 === preg_match(self::EVENT, $this->clause)
            || ($this->spot->isExact() && $this->spot->isDay)
            || $this->isLikeMeeting()) {
            return null === $this->request
                ? $this->dated(DateKind::Appointment, false, $this->start())
                : new DateReading(DateKind::Appointment, false, $this->start(), $this->spot->to);
        }

        return $this->dated(DateKind::Mention, false, $this->start());
    }

    private function isLikeMeeting(): bool
    {
        // "on" and "at" belong to the date.
        $at = mb_strlen($this->before) - ($this->spot->from - $this->start());
        $date = mb_substr($this->before, $at).$this->inside;

        return $this->meeting->odds(
            mb_substr($this->before, 0, $at),
            $date,
            $this->behind,
            $this->request?->form,
            null !== $this->spot->clock,
        ) > 0;
    }

    private function dated(DateKind $kind, bool $isPast, int $from): DateReading
    {
        return new DateReading($this->spot->isDay ? $kind : null, $isPast, $from, $this->spot->to);
    }

    /** What the sender, or somebody else, is going to do is no deadline of the reader's. */
    private function asked(bool $isRequest): DateKind
    {
        $isComing = 1 === preg_match('/
            \b(?:
                (?:reach(?:es)?|be\ with|arrive\ with)\ you
                |arrives?
                |you(?:\'ll|\ will|\ should|\ can\ expect\ to)\ (?:receive|get|have)
                |will\ receive|delivered
            )\b
        /xu', $this->clause);

        if ($isComing && (!$isRequest || RequestForm::Likely === $this->request?->form)) {
            return DateKind::Mention;
        }

        return !$isRequest
            && 1 === preg_match(self::PROMISE, $this->clause)
            && 1 !== preg_match(self::YOURS, $this->clause)
            ? DateKind::Mention
            : DateKind::Deadline;
    }

    /** Where "on", "at" and the like before it begin. */
    private function start(): int
    {
        return !$this->isForeign
            && 1 === preg_match(
                '/\b(?:on|at|from|since|for|in|of|after|during|around|about|as of|dated|until)(?:\s+the)?\s+$/u',
                $this->before,
                $m,
            )
            ? $this->spot->from - mb_strlen($m[0])
            : $this->spot->from;
    }

    private static function clause(string $before, string $inside, string $behind): string
    {
        $head = (string) preg_replace(
            '/^.*(?:[;:–—?]|,\s+(?:but|so|and|which|because|then|as|while|although|though|since|if|when)\b|\b(?:because|although'
                .'|whereas)\b|\.\s)/su',
            '',
            $before,
        );
        $tail = (string) preg_replace('/
            (?:
                [;:–—?]
                |,\s*(?:but|so|and|which|because|then|as|while|although|though|since|if|when|please|could|can)\b
                |\b(?:because|although|whereas)\b
                |\.\s
            ).*$
        /xsu', '', $behind);

        return $head.$inside.$tail;
    }
}
