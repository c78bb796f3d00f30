<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\People\Called;
use ZippyTray\Core\Tray\Advice\Language\English;
use ZippyTray\Core\Tray\Advice\Language\Tongue;

/**
 * Turns what somebody asks into a task of the person who is asked: "Could you please send me the
 * drawings by Friday?" becomes "Send Olga the drawings".
 */
final readonly class TaskTitle
{
    private const LENGTH = 70;

    /** What is cut off: why, how urgent, how kind. */
    private const TRAILING = '/
        (?:
            ,\s+which\b.*|\s*,?\s+then\b.*
            |(?:,|\s+[–-])?\s+(?:
                (?:if|when|whenever|once|as\ soon\ as)\ (?:it\'s\ |it\ is\ )?(?:
                    you|possible|at\ all|convenient|i\ may|that\'s|that\ is|not\ too
                )\b.*
                |(?:
                    asap|a\.s\.a\.p\.?
                    |as\ soon\ as\ (?:you|possible).*
                    |at\ your\ (?:earliest\ )?convenience
                    |at\ some\ point|some\ ?time|soon|quickly|urgently|in\ time|in\ advance|please|pls|thanks.*
                    |thank\ you.*|too|as\ well|again|ideally|preferably|below|above|ok|okay|for\ me|by\ return
                    |right\ away|straight\ away|immediately
                )
                |(?:would|will|could|can|won\'t)\ you
                |(?:would|will)\ (?:do|help|suffice|be\ (?:\p{L}+\ )?(?:enough|fine|good|great|helpful|nice|useful))
                |yet|so\ far|any\ ?more
                |last\ (?:week|month|year|monday|tuesday|wednesday|thursday|friday)
                |(?:so|in\ order)\ (?:that|to|we|i|they|you|whatever|the|it|this)\b.*
                |because\b.*
                |since\ (?:we|i|it|the)\b.*
                |as\ (?:we|i|it|they|otherwise)\b.*
                |otherwise\b.*|or\ (?:we|i|else)\b.*
                |(?:and|but)\ (?:let|tell|please|i|we|then|could|can|would|if)\b.*
                |even\ (?:if|though)\b.*|although\b.*|unless\b.*
            )
        )[.?!]*$
    /xiu';

    /** What stands before what is to be done: how willing, how able, how mindful. */
    private const LEADING = '/
        ^(?:
            please|kindly|just|also|to|that\ you|then|remember\ to|be\ sure\ to|mind\ you(?!,)
            |(?:it\'s\ )?your\ turn\ to
            |(?:
                someone|somebody|volunteers?|helpers?|people
                |(?:one|two|three|four|five|six|\d+|a\ few|some)(?:\ more)?\ 
                (?:people|volunteers|helpers|persons|hands)
            )\ (?:to|who\ (?:can|could|would))
            |for(?=\ your\b)
            |be\ (?:(?:so|very)\ )?(?:kind|good)(?:\ enough)?(?:\ as)?\ to
            |be\ (?:able|free|willing|happy|prepared)\ to
            |(?:find|have|get|take|make|spare)\ (?:the\ |some\ |a\ )?(?:time|moment|minute|chance)\ to
            |manage\ to
            |get\ (?:round|around)\ to
            |happen\ to|try\ to|try\ and
        )\s+
    /xiu';

    /** Asked in passing whether it is done: it is what is wanted. */
    private const IS_DONE = '/
        ^(?:
            have\ you\ (?:already\ |yet\ )?(?:
                had\ (?:a|the)\ (?:chance|time|moment|minute)\ to|managed\ to|got(?:ten)?\ (?:round|around)\ to
            )
            |did\ you\ (?:
                manage|get\ (?:a|the)\ chance|get\ (?:round|around)
                |find\ (?:the\ |some\ )?time
                |have\ (?:a\ chance|time)
            )\ to
            |could\ the\ two\ of\ you
            |would\ you\ mind(?:\ \p{L}+ly)?
        )\s+(?<rest>.+)$
    /xiu';

    private const NO_ACTION = '/
        ^(?:
            on|about|for|from|to|at|with|over|up|in|of|this|they|he|she|it|must|ha(?:s|ve)\ to|is|are|late|behind
            |overdue|anything|whatever|visit\ you|the\ ball|ball|nothing|no
        )\b(?!\ \p{L}+\ (?:invoice|bill))
    /xiu';

    private const UNPAID = '/
        ^(?:(?:the|your|our|this|that)\ )?(?<what>
            (?:[\p{L}-]+\ ){0,2}?(?:
                invoice|bill|fees?|rent|premium|balance|subscription|instalment|payment|contribution|deposit
            )\b.*?
        )\s+(?:is|are|was|were|falls?|fell|becomes?|remains?|has\ been)(?:
            $|\b.*\b(?:due|unpaid|overdue|outstanding|late|payable|owed|owing|unsettled|not\ (?:been\ )?paid)\b.*$
        )
    /xiu';

    /** The person's own verbs of answering: these questions become "Tell Olga whether I …". */
    private const ATTEND = '/
        ^(?:
            come|join|attend|make\ (?:it|that|the)
            |be\ (?:there|here|at|available|free)
            |meet|manage|spare\ the
            |do\ (?:that|the\ \d|monday|tuesday|wednesday|thursday|friday|saturday|sunday)
            |take\ part
            |help\ (?:out\ )?(?:on|at|with)
            |see\ (?:it|that|this)(?!\ (?:the|all|my|your|it|they|he|she|everything|\p{L}+s)\b)
            |cover|stay|still|fit
        )\b
    /xiu';

    /**
     * @param list<FoundDate> $dates those that stand in the request are left out of the title
     */
    public function of(?Request $request, array $dates, Address $from, string $subject, Tongue $tongue = new English()): string
    {
        $name = Called::inTitle($from);
        if (null === $request || RequestForm::Likely === $request->form) {
            return '' === $subject ? \sprintf('Read the message from %s', $name) : self::shortened($subject);
        }
        if ([] !== $tongue->english()) {
            // What is to be done in English, of what in the words of the letter.
            $verb = RequestForm::Question === $request->form ? '' : $tongue->verb($request->action);

            return self::shortened(\sprintf(
                '%s: %s',
                '' === $verb || 'Tell' === $verb ? ('' === $verb ? 'Answer ' : 'Tell ').$name : $verb,
                '' === $subject ? trim($request->action) : $subject,
            ));
        }
        $action = $this->withoutDates($request, $dates);
        $action = trim((string) preg_replace('/\s+/u', ' ', $action), " \t\n,;:–—-");
        $isYours = RequestForm::Need === $request->form
            && 1 === preg_match('/\byour\s+'.preg_quote(mb_substr($request->action, 0, 20), '/').'/iu', $request->text);
        $action = $isYours && 1 !== preg_match('/^your\b/iu', $action) ? 'your '.$action : $action;
        $title = RequestForm::Question === $request->form ? $this->question($action, $name) : $this->order($action, $name, $request->form);
        if ('' !== $subject
            && (1 === preg_match('/^\p{L}+(?: (?:with|of|into|after|care of|to|at|on))?(?: (?:it|this|that|them|both|these'
                .'|so))?(?: (?:back|over|to \p{L}+|in|up))?$/u', $title) || 'Answer '.$name === $title)) {
            $title .= ': '.$subject;
        }

        return self::shortened(self::capital($title));
    }

    /** @param list<FoundDate> $dates */
    private function withoutDates(Request $request, array $dates): string
    {
        $begin = mb_strpos($request->text, $request->action);
        $action = $request->action;
        if (false === $begin) {
            return $action;
        }
        foreach (array_reverse($dates) as $date) {
            $at = $date->from - $request->from - $begin;
            $isWithin = $at > 0 && $at + $date->to - $date->from <= mb_strlen($action);
            if ($isWithin && DateKind::Deadline === $date->kind) {
                $action = rtrim(mb_substr($action, 0, $at), ' ,').mb_substr($action, $at + $date->to - $date->from);
            }
        }

        return $action;
    }

    private function order(string $action, string $name, RequestForm $form): string
    {
        $action = rtrim($action, '?!. ');
        do {
            $before = $action;
            $action = rtrim((string) preg_replace(self::TRAILING, '', $action), '?!., ');
        } while ($action !== $before);
        do {
            $before = $action;
            $action = (string) preg_replace(self::LEADING, '', $action);
        } while ($action !== $before);
        if (1 === preg_match(self::ATTEND, $action) && RequestForm::Order === $form) {
            return \sprintf('Tell %s whether I can %s', $name, $this->turned($action, $name));
        }
        $action = 1 === preg_match('/^(\p{L}+ing)\b/u', $action, $m)
            && 1 !== preg_match('/^(?:bring|ring|sing|string|thing|anything|something|everything|nothing)/iu', $action)
            ? self::infinitive($m[1]).mb_substr($action, mb_strlen($m[1]))
            : $action;

        return match (true) {
            1 === preg_match(self::UNPAID, $action, $m) => 'payment' === mb_strtolower($m['what'])
                ? 'Pay '.$name
                : 'Pay '.$this->turned(
                    (1 === preg_match('/^(?:your|our|the)\b/iu', $action, $article) ? mb_strtolower($article[0]).' ' : '')
                    .mb_strtolower(mb_substr($m['what'], 0, 1))
                    .mb_substr($m['what'], 1),
                    $name,
                ),
            RequestForm::Need === $form
                && 1 === preg_match(
                    '/^(?:(?:the|your|our) )?(?<what>(?:invoice|bill)\s+(?:(?:no\.?|number|nr\.?)\s*)?\S*\d\S*)$/iu',
                    $action,
                    $m,
                ) => 'Pay '.mb_strtolower(mb_substr($m['what'], 0, 1)).mb_substr($m['what'], 1),
            1 === preg_match('/^(?:an? )?(?:\p{L}+ )?favou?r\b/iu', $action) => 'Answer '.$name,
            RequestForm::Need === $form && 1 === preg_match('/^(?:payable|payment (?:is )?due|due)\b/iu', $action) => 'Pay '.$name,
            1 === preg_match('/^owe\s+(?<what>.+)$/iu', $action, $m) => 'Pay '.$this->turned($m['what'], $name),
            1 === preg_match(
                '/^(?:a|some) (?:hand|help)\b\s*(?<what>.*)$/iu',
                $action,
                $m,
            ) => trim(\sprintf('Help %s %s', $name, $this->turned($m['what'], $name))),
            1 === preg_match('/^(?:let (?:me|us) know|tell (?:me|us)|advise(?: me| us)?|inform (?:me|us))\s*(?:about|of'
                .'|as to)?\s*(?<what>.*)$/iu', $action, $m) => '' === $m['what']
                ? 'Answer '.$name
                : \sprintf('Tell %s %s', $name, $this->turned((string) preg_replace('/^if\b/iu', 'whether', $m['what']), $name)),
            1 === preg_match(
                '/^let(?: me| us|\'s|’s) (?:have|see)\s+(?<what>.+)$/iu',
                $action,
                $m,
            ) => \sprintf('Send %s %s', $name, $this->turned(self::small($m['what']), $name)),
            1 === preg_match(
                '/^(?:give (?:me|us) (?:a )?(?:call|ring|buzz|shout)(?: back)?|(?:call|ring|phone) (?:me|us)(?: back'
                    .'| up)?)\s*(?<what>.*)$/iu',
                $action,
                $m,
            ) => trim(\sprintf('Call %s %s', $name, $this->turned($m['what'], $name))),
            1 === preg_match(
                '/^(?:get back to|come back to|reply to|write to|drop) (?:me|us)\b\s*(?<what>.*)$/iu',
                $action,
                $m,
            ) => trim(\sprintf('Answer %s %s', $name, $this->turned($m['what'], $name))),
            1 === preg_match(
                '/^(?:reply|respond|answer|rsvp)\b\s*(?<to>to (?!me\b|us\b|this\b|that\b|it\b|my\b|our\b))?(?<what>.*)$/iu',
                $action,
                $m,
            ) => trim('Answer '.trim(('' === $m['to'] ? $name : '').' '.$this->turned($m['what'], $name))),
            1 === preg_match('/^(?:if|whether|when|what|which|who|where|how|why|by when)\b/iu', $action) => \sprintf(
                'Tell %s %s',
                $name,
                $this->turned((string) preg_replace('/^if\b/iu', 'whether', $action), $name),
            ),
            1 === preg_match('/
                ^(?:have|get|borrow|see|use)\s+(?<what>
                    (?:
                        the
                        |an?(?!\ (?:look|think|read|go|chat|word|break|rest)\b)
                        |your|some|another|two|three|all|both|\d
                    )\b(?!.*\b(?:out\ of|from)\b(?!\ you\b)).*
                )$
            /xiu', $action, $m) && RequestForm::Order === $form => \sprintf(
                'Send %s %s',
                $name,
                $this->turned(self::small($m['what']), $name),
            ),
            1 === preg_match('/^(?:the|an?|your|some|another|two|three|\d+)\b/iu', $action)
                && RequestForm::Order === $form => \sprintf('Send %s %s', $name, $this->turned(self::small($action), $name)),
            RequestForm::Need === $form || RequestForm::Wish === $form => $this->needed($action, $name),
            default => $this->turned($action, $name),
        };
    }

    /** "your corrections" are sent, "you to call" is called. */
    private function needed(string $action, string $name): string
    {
        if (1 === preg_match('/
            ^(?<what>.+?)\ (?:must|should|ha(?:s|ve)\ to|needs?\ to|(?:is|are)\ to)\ be\ (?<done>
                (?!sent|submitted|returned|received|handed|filed|delivered|given|made|registered|uploaded|need)\p{L}+e
                d
                |written|paid|cut|put|kept|chosen|redone|rebuilt
            )\b\s*(?<rest>.*)$
        /xiu', $action, $m)) {
            return trim(\sprintf(
                '%s %s %s',
                self::ofParticiple($m['done']),
                $this->turned(self::small($m['what']), $name),
                $this->turned((string) preg_replace('/^(?:by\s|,).*$|,.*$/u', '', $m['rest']), $name),
            ));
        }
        if (1 === preg_match('/
            ^(?<what>.+?)\ (?:
                must|should|ha(?:s|ve)\ to|needs?\ to|(?:is|are)\ to|would\ be
                |(?:is|are)\ (?:still\ )?(?:
                    needed|required|requested|missing|outstanding|expected|welcome|\p{L}+\ appreciated
                )
            )\b
        /xiu', $action, $m)) {
            return \sprintf('Send %s %s', $name, $this->turned(self::small($m['what']), $name));
        }
        if (1 === preg_match('/^you to (?<what>.*)$/iu', $action, $m)) {
            return $this->order($m['what'], $name, RequestForm::Order);
        }
        if (1 === preg_match(
            '/^(?:(?:to )?(?:know|hear|have|receive|see|get)\s+)?(?<what>(?:if|whether|when|what|which|who|where|how)\b.*)$/iu',
            $action,
            $m,
        )) {
            return \sprintf('Tell %s %s', $name, $this->turned((string) preg_replace('/^if\b/iu', 'whether', $m['what']), $name));
        }
        if (1 === preg_match(
            '/^(?:(?:to )?(?:have|receive|see|get|borrow)\s+)?(?<what>(?:your|the|a|an|all|both|some|any|two|three|this|these'
                .'|\d+)\b.*)$/iu',
            $action,
            $m,
        )) {
            return \sprintf(
                'Send %s %s',
                $name,
                $this->turned(self::small((string) preg_replace('/\s+(?:back\s+)?from you\b|\s+back$/iu', '', $m['what'])), $name),
            );
        }

        $action = (string) preg_replace_callback(
            '/^(?:(?:\p{L}+(?<!e)ed|told|sent|given|said|paid|brought|chosen|came|put)\b)/iu',
            static fn (array $m): string => self::ofParticiple($m[0]),
            $action,
        );

        // What is nothing that one does is answered.
        return 1 === preg_match(self::NO_ACTION, $action) ? 'Answer '.$name : $this->turned($action, $name);
    }

    /** "signed" is what becomes of what one signs. */
    private static function ofParticiple(string $participle): string
    {
        $irregular = [
            'told' => 'tell', 'sent' => 'send', 'given' => 'give', 'said' => 'say', 'paid' => 'pay', 'brought' => 'bring',
            'chosen' => 'choose', 'came' => 'come', 'written' => 'write', 'kept' => 'keep', 'redone' => 'redo', 'rebuilt' => 'rebuild',
            'cut' => 'cut', 'put' => 'put',
        ];
        $lower = mb_strtolower($participle);

        return $irregular[$lower]
            ?? (str_ends_with($lower, 'ied') ? mb_substr($lower, 0, -3).'y' : self::infinitive(mb_substr($lower, 0, -2).'ing'));
    }

    /** The first letter of a word that has it large only at the beginning of a sentence. */
    private static function small(string $words): string
    {
        return 1 === preg_match('/^(?:The|An?|Your|Our|My|This|That|These|Those|Two|Three|Four|Five|One|All|Both|Some|Any)\b/u', $words)
            ? mb_strtolower(mb_substr($words, 0, 1)).mb_substr($words, 1)
            : $words;
    }

    private function question(string $action, string $name): string
    {
        $action = trim((string) preg_replace('/\?.*$/su', '', $action));
        $asked = (string) preg_replace('/^(?:and|but|so|also|or|by the way|ps|p\.s\.|one more thing|oh)[,:]?\s+/iu', '', $action);
        if (1 === preg_match(self::IS_DONE, $asked, $m)) {
            return $this->order($m['rest'], $name, RequestForm::Wish);
        }
        if (1 === preg_match('/
            ^(?<what>
                (?:
                    when|where|how|why|what(?:\ \p{L}+)?|which(?:\ \p{L}+)?
                    |how\ (?:many|much|long|often|soon|late)(?:\ \p{L}+)?
                )
            )\s+(?<aux>can|could|will|would|do|should|are|have)\s+you\b\s*(?<rest>.*)$
        /xiu', $asked, $m)) {
            $aux = match (mb_strtolower($m['aux'])) {
                'do' => '',
                'are' => 'am ',
                default => mb_strtolower($m['aux']).' ',
            };

            return trim(\sprintf('Tell %s %s I %s%s', $name, mb_strtolower($m['what']), $aux, $this->turned($m['rest'], $name)));
        }
        if (1 === preg_match('/^(?<aux>are|do|have|will|would|can|could) you\s+(?<rest>.+)$/iu', $asked, $m)) {
            $aux = match (mb_strtolower($m['aux'])) {
                'do' => '',
                'are' => 'am ',
                default => mb_strtolower($m['aux']).' ',
            };

            return \sprintf('Tell %s whether I %s%s', $name, $aux, $this->turned($m['rest'], $name));
        }

        $isWord = 1 === preg_match('/^\p{Lu}(?:\p{Ll}|\s|$)/u', $asked);

        return \sprintf(
            'Answer %s: %s?',
            $name,
            $isWord && 1 !== preg_match('/^I\b/u', $asked) ? mb_strtolower(mb_substr($asked, 0, 1)).mb_substr($asked, 1) : $asked,
        );
    }

    /** The words as the person would say them: "me" is the sender, "you" is I. */
    private function turned(string $words, string $name): string
    {
        $pairs = [
            '/\b(?:I am|I\'m|I’m|we are|we\'re|we’re)\b/u' => $name.' is',
            '/\b(?:I have|I\'ve|I’ve|we have|we\'ve|we’ve)\b/u' => $name.' has',
            '/\b(?:I\'ll|I’ll|we\'ll|we’ll)\b/u' => $name.' will',
            '/\b(?:I\'d|I’d|we\'d|we’d)\b/u' => $name.' would',
            '/\b(?:I|we) (?=do\b)/u' => $name.' ',
            '/\bwe\b/iu' => $name,
            '/\bI\b/u' => $name,
            '/\b(?:me|us)\b/iu' => $name,
            '/\b(?:my|our)\b/iu' => $name.('s' === mb_substr($name, -1) ? '’' : '’s'),
            '/\byou are\b|\byou\'re\b|\byou’re\b/iu' => "\u{1}I am",
            '/\byou\'ve\b|\byou’ve\b/iu' => "\u{1}I have",
            '/\byou\'ll\b|\byou’ll\b/iu' => "\u{1}I will",
            '/\byou\'d\b|\byou’d\b/iu' => "\u{1}I would",
            '/\byourself\b/iu' => 'myself',
            '/\byours\b/iu' => 'mine',
            '/\byour\b/iu' => 'my',
            '/
                \b(to|for|with|from|of|suits?|by|sent|gave|told|behind|near|on|about|at)\ you\b(?!
                    \s+(?:
                        are|have|can|could|will|would|need|want|do|did|sent|made|wrote|said|think|like|prefer|had|use
                        |know
                    )
                )
            /xiu' => '$1 me',
            '/\byou(?=\s*$)/iu' => 'me',
            '/\byou\b/iu' => 'I',
        ];
        foreach ($pairs as $pattern => $turned) {
            $words = (string) preg_replace($pattern, $turned, $words);
        }

        return trim(str_replace("\u{1}", '', $words));
    }

    private static function capital(string $text): string
    {
        return mb_strtoupper(mb_substr($text, 0, 1)).mb_substr($text, 1);
    }

    private static function infinitive(string $gerund): string
    {
        $stem = mb_substr($gerund, 0, -3);
        if (1 === preg_match('/([bdgmnprt])\1$/u', $stem) && 1 !== preg_match('/(?:add|putt?ed)$/u', $stem)) {
            return mb_substr($stem, 0, -1);
        }

        return 1 === preg_match('/(?:[^aeiou][aeiou]|[aeiou])(?:v|c|k|t|s|z|g|d|r|l|m|n)$/iu', $stem) && 1 === preg_match('/
            ^(?:re-?)?(?:
                mak|tak|giv|hav|com|writ|clos|shar|prepar|provid|updat|advis|arrang|chang|complet|issu|notic|receiv
                |not|quot|invit|decid|remov|replac|resolv|sav|schedul|reschedul|describ|explor|measur|us|mov|leav|not
                |driv|organis|organiz|translat|includ|stor|rais|phon|approv|ensur|introduc|reserv
            )$
        /xiu', $stem) ? $stem.'e' : $stem;
    }

    private static function shortened(string $title): string
    {
        $title = trim($title);
        if (mb_strlen($title) <= self::LENGTH) {
            return $title;
        }

        return rtrim((string) preg_replace('/\s+\S*$/u', '', mb_substr($title, 0, self::LENGTH)), ' ,;:').' …';
    }
}
