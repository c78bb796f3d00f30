<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Tray\Advice\Language\English;
use ZippyTray\Core\Tray\Advice\Language\Tongue;

/**
 * Estimates in minutes how long it takes to do what a message asks for.
 */
final readonly class Effort
{
    /** What takes two minutes or less is done at once. */
    public const AT_ONCE = 2;

    private const WORDS_A_MINUTE = 250;

    /** Minutes; what takes so long is not done at once, whatever it is like. */
    private const SHORT = 7.5;

    /** What is asked => minutes; the first that fits counts. */
    private const WORK = [
        '/
            \b(?:read|review|proof-?read|go\ through|look\ (?:over|through|at)|comment\ on)\b.*\b(?:
                chapters?|book|thesis|dissertation|manuscript|paper|essay|novel|script|proposal|report|policy|contract
                |minutes\ of
            )\b
        /xu' => 30,
        '/
            \b(?:
                prepare|donat(?:e|ing)|write\ up
                |write\ (?:a|an|the|us|me|two|some|your)
                |draft\ (?:a|an|the)|compile|put\ together|translate|present(?:ation)?\ |organi[sz]e|plan\ (?:a|the)
                |budget|business\ case|work\ out|design|analy[sz]e|evaluate|draw\ up|set\ up|build|research
            )\b
        /xu' => 60,
        '/
            \b(?:report|application\ form|tax\ return|accounts|audit)\b.*\b(?:by|before|due|complete|fill|submit)
            |\b(?:submit|finish|complete)\b.*\b(?:report|application|return|accounts|proposal)\b
        /xu' => 45,
        '/
            \b(?:
                review|proof-?read
                |read\ (?:through|over|it|the)
                |go\ (?:through|over)
                |look\ (?:over|through|at|into)
                |have\ a\ (?:look|read|think|go)
                |take\ a\ look
                |check\ (?:
                    the\ (?:
                        draft|proof|text|figures|numbers|minutes|plan|list|attached|translation|accounts|document
                        |contract|wording|drawings?
                    )
                    |through|over
                    |whether\ the\ (?:figures|numbers)
                )
                |comment\ on|comments|corrections?|correct\ (?:the|any)|feedback|thoughts\ on
                |your\ (?:thoughts|view|views|opinion|input)
                |go\ and|find\ out|look\ up|count|measure|inspect|compare|investigate|fix|repair|test
            )\b
        /xu' => 15,
        '/
            \b(?:
                fill\ (?:in|out)|complete|sign|scan
                |return\ (?:the|it|both|a)
                |register|upload|update|order|buy|book|reserve|arrange|pay|settle|transfer|invoice|print|post|collect
                |pick\ up|bring|deliver|quote|submit|apply|move|pick\ (?:\p{L}+\ )?up|replace|install|clean|clear|lock
                |unlock|cancel|change|correct|distribute|hang|put\ up|take\ down
            )\b
        /xu' => 10,
        '/\b(?:call|ring|phone|speak (?:to|with)|talk to|discuss|meet (?:with )?(?:me|us|her|him|them)\b.*\bto)\b/u' => 10,
        '/
            \b(?:
                send|forward|e-?mail|provide|share|attach
                |give\ (?:me|us|him|her|them)\ (?:the|a|an|your|some|all)
                |let\ (?:me|us)\ have|get\ (?:me|us)|find|ask|add|copy|list|show
                |have\ (?:the|a|your|another)
                |describe|explain|introduce|pass
            )\b
        /xu' => 5,
    ];

    /** Asked about in passing and answered with a word. */
    private const QUICK = '/
        ^(?:
            (?:please\ |just\ |also\ )*(?:
                confirm|let\ (?:me|us)\ know|tell\ (?:me|us)|reply|respond|answer
                |say(?!\ (?:a\ few\ words|something|grace))
                |pencil|note\ the\ date|save\ the\ date|rsvp|advise|inform|indicate
                |check\ (?:whether|if)\ you
                |count\ on
                |tell\ (?:him|her|them|\p{L}+)\ (?:that|to|i|we)
                |give\ (?:me|us)\ (?:[\p{L}\']+\ )?(?:[\p{L}\']+\ )?(?:number|address|name|email|code|size|date|time)
                \b
                |choose(?!\ (?:two|three|four|five|six|\d))
                |pick(?!\ (?:\p{L}+\ )?up\b)
                |decide|vouch|chair|borrow|lend\ me|mark\ (?:me|us)
                |remind\ (?:me|us)\ (?:of|what|when|where|how|who)
                |let\ (?:him|her|them|the\ \p{L}+|\p{L}+)\ know
                |(?:an?\ )?(?:(?:quick|short|brief|simple)\ )*(?:yes\ or\ no|yes|no|nod|line|word|reply|answer)\b
                (?!\ in\ writing)
                |tell$
                |your\ (?:approval|ok|okay|go-ahead|consent|confirmation|decision|vote|answer|yes|nod)
                |acknowledge|approve|agree|accept
                |come(?!\ (?:in\ person|to\ (?:the|our)\ (?:office|desk|counter)|and\ (?:get|fetch|collect|sign)))
                |join|attend|make\ it
                |be\ (?:there|here|in|at|around|home|available|free|willing|able)
                |swap|meet|wait|take\ part
                |take\ (?:the|my|his|her)\ (?:children|kids|dog|cat|baby|shift|tour|class|seat|chair|minutes)
                |play
                |stand(?=\ (?:for|again)\b)
                |drive\ (?:me|us)|speak\ (?:at|on)|take\ the\ chair|cover(?!\ up)|stand\ in|step\ in
                |sub(?!\ \p{L}+\ (?:on|in)\b)
                |deputi[sz]e|keep\ (?:me|us|him|her)|keep\ .*\bfree\b
                |(?:ring|call|text|phone)\ (?:me|us)\ when
                |give\ (?:me|us)\ (?:
                    an?\ (?:(?:quick|short|brief)\ )?(?:
                        yes|no|ok|okay|thumbs|nod|ring|call|bell|shout|buzz|tinkle|knock|answer|word|ring\ back
                    )
                    |your\ (?:ok|okay|approval|go-ahead|number|size|vote)
                )
                |send\ (?:me|us)\ (?:your|the|a)\ (?:
                    (?:phone\ |mobile\ |telephone\ |account\ |reference\ )?number
                    |address|phone|size|postcode|date\ of\ birth
                    |quick\ (?:yes|no|reply|note)
                    |two-line|one-line|word
                )
                |spare|see\ whether|if|whether|when|what|which|who|where|how\ many|how\ much|by\ when
            )
        )\b
    /xu';

    private const REMINDED = '/^(?:please )?(?:remember|do(?:n\'t| not) forget|make sure|be sure)(?: that| to| you| we| it)*\s/u';

    private const AND_MORE = '/\band (?:then )?(?:send|return|sign|fill|complete|post|scan|pay|upload|bring|write|print|book|order|prepare'
        .'|check|correct|update)\b/u';

    /** From so much on a task is believed rather than the rules, which say what is done at once. */
    private const LONGER = 1.5;

    /** Down to so much it is believed to be done at once. */
    private const SHORTER = -0.5;

    public function __construct(private Longer $longer = new Longer())
    {
    }

    /**
     * @param list<Request>   $requests
     * @param list<ListItem>  $items
     * @param list<FoundDate> $dates
     */
    public function minutes(
        string $written,
        array $requests,
        array $items,
        int $attachments,
        Tongue $tongue = new English(),
        array $dates = [],
        string $subject = '',
    ): int {
        if ([] === $requests) {
            return 1;
        }
        $words = preg_match_all('/\S+/u', $written) ?: 0;
        $minutes = $words > self::WORDS_A_MINUTE ? $words / self::WORDS_A_MINUTE : 0.5;
        foreach ($requests as $number => $request) {
            $work = $this->work($request, $tongue);
            // To be asked for an hour of a certain day is answered with a word, and done then.
            $work = $work < 15 && str_ends_with(rtrim($request->text), '?') && $this->isAppointment($request, $dates) ? 1.0 : $work;
            // To answer with a form is more than to answer.
            $work = 0 === $number && $work <= self::AT_ONCE && RequestForm::Question !== $request->form && 1 === preg_match('/
                \b(?:form|questionnaire|declaration)\b[^.]{0,30}\b(?:enclosed|attached|below|overleaf)
                |\b(?:enclosed|attached)\b[^.]{0,20}\b(?:form|questionnaire|declaration)\b
            /xiu', $written) ? 10.0 : $work;
            // Everything behind the first is done in one go with it.
            $minutes += 0 === $number || $work > self::AT_ONCE ? $work : 0.5;
        }
        $minutes += [] === $items ? 0 : 5 * \count($items);
        $minutes += $attachments > 0 && $minutes > self::AT_ONCE + 1 ? min(10, 2 * $attachments) : 0;

        // Several things are never a matter of two minutes.
        if (\count($requests) > 2) {
            return self::rounded(max($minutes, self::AT_ONCE + 1.0));
        }
        $longer = $this->longer->odds($requests, $dates, $subject);

        return self::rounded(match (true) {
            $longer > self::LONGER => max($minutes, self::AT_ONCE + 1.0),
            $longer < self::SHORTER && $minutes < self::SHORT => min($minutes, self::AT_ONCE),
            default => $minutes,
        });
    }

    /** @param list<FoundDate> $dates */
    private function isAppointment(Request $request, array $dates): bool
    {
        return [] !== array_filter(
            $dates,
            static fn (FoundDate $date): bool => DateKind::Appointment === $date->kind
                && $date->from >= $request->from
                && $date->to <= $request->to,
        );
    }

    private function work(Request $request, Tongue $tongue): float
    {
        $action = mb_strtolower($tongue->verb($request->action) ?: $request->action);
        if (RequestForm::Question === $request->form) {
            return 1 === preg_match('/
                \b(?:
                    your\ (?:thoughts|opinion|view|plan)
                    |how\ (?:do|would|should|can|could)\ (?:we|you|i)\ (?:handle|solve|approach|deal|go\ about)
                    |what\ (?:
                        do\ you\ think\ (?:of|about)\ the\ (?:draft|plan|proposal|text|report)|went\ wrong|happened
                    )
                )\b
            /xu', $action) ? 10 : 1;
        }
        $action = (string) preg_replace(self::REMINDED, '', $action);
        if (1 === preg_match('/\bin writing\b/u', $action)) {
            return 10;
        }
        if (1 === preg_match(self::QUICK, $action) && 1 !== preg_match(self::AND_MORE, $action)) {
            return 1;
        }
        foreach (self::WORK as $pattern => $minutes) {
            if (1 === preg_match($pattern, $action)) {
                return $minutes;
            }
        }

        return RequestForm::Need === $request->form || RequestForm::Wish === $request->form ? 5 : 3;
    }

    private static function rounded(float $minutes): int
    {
        if ($minutes <= self::AT_ONCE) {
            return (int) ceil($minutes);
        }

        return (int) max(5, round($minutes / 5) * 5);
    }
}
