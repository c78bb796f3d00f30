<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice\Language;

use ZippyTray\Core\Tray\Advice\RequestForm;

final readonly class English extends Tongue
{
    private const THANKS = '/^\s*(?:thanks|thank you|cheers|many thanks)(?: so much| very much| a lot)?[,]? (?=(?:please|could|can'
        .'|would)\b)/u';

    /** Where something that is asked can begin within a sentence. */
    private const BEGIN = '(?:^|^(?:hey|hi|hello|hiya|morning|dear)\s+\p{L}+[\s,]+|\b(?:if|when|once|after|before|while'
        .'|as\s+soon\s+as)\b[^,?.]{3,60}\s|[,;:(–—]\s*|\s-\s|\b(?:and|but|so|then|also|or|if\s+so|if\s+not|otherwise|therefore|that\s+said'
        .'|in\s+that\s+case|ps|p\.s\.)[\s,:.]+)';

    private const SOFTLY = '(?:please|pls|plz|kindly|perhaps|possibly|maybe|also|just|still|then|now|quickly|both|all|each|again'
        .'|by\s+any\s+chance|at\s+least|at\s+some\s+point|in\s+the\s+meantime|for\s+me|ever\s+so\s+kindly|go\s+ahead\s+and'
        .'|take\s+a\s+moment\s+to|be\s+so\s+kind\s+as\s+to|be\s+so\s+good\s+as\s+to|try\s+to|try\s+and)[\s,]+';

    private const YOU = '(?:you(?:\s+all|\s+both|\s+guys|\s+two)?|u|ya|someone|somebody|anyone|anybody|one\s+of\s+you|either\s+of\s+you'
        .'|any\s+of\s+you|your\s+(?:team|office|people|side|colleagues?))';

    /** Verbs that, at the beginning of a sentence, tell somebody to do something. */
    private const ORDERS = 'let\s+(?:me|us)\s+(?:know|have|see)|let\'s\s+have\s+your|put\s+me\s+down|send|email|mail|forward|give|tell'
        .'|call|ring|phone|text|drop\s+(?:me|us|by)|have(?=\s+(?:the|your|an?|all|both|some)\b.*\bready\b)|have\s+a\s+(?:look|think|go'
        .'|read)|take\s+a\s+look|look\s+(?:at|into|over|through)|check|double-check|confirm|reply|respond|answer|return|sign|fill\s+(?:in'
        .'|out)|complete|pay|settle|transfer|bring|pass|review|read|update|add|book|reserve|order|print|post|submit|upload|register|rsvp'
        .'|ask|get\s+(?:me|us|in\s+touch|back)|come\s+back\s+to|choose|pick|decide|provide|prepare|write|draft|arrange|organi[sz]e|share'
        .'|state|specify|indicate|advise|inform|include|attach|cancel|change|correct|collect|deliver|hand\s+(?:in|over)|keep\s+(?:me|us)'
        .'|put|set\s+up|find\s+out|report|renew|replace|test(?=\s+(?:the|it|this|that|your|both|all|whether|my|our))|verify|approve'
        .'|translate|list|name|tick|mark|quote|see\s+whether|see\s+if|have\s+your|stop|turn\s+off|switch\s+off|lock|unlock|open|close'
        .'|clear|move|leave|take'
        .'|initial|vote|fax|scan|copy|hold|count\s+me|remove|delete|buy|fetch|find|measure|weigh|count|compare|fix|repair|mend|clean|wash'
        .'|empty|fill|install|deliver|dispatch|ship|issue|reissue|refund|credit|charge|cancel|postpone|reschedule|confirm|schedule|plan'
        .'|finish|start|begin|proofread|edit|shorten|rewrite|format|number|label|sort|file|scan|archive|backup|back\s+up|upgrade|invite'
        .'|remind|warn|introduce|recommend|nominate|appoint|hire|interview|approve|reject|accept|decline|countersign|witness|stamp'
        .'|notarise|claim|apply|enrol|enter|join|say|see\s+(?:that|to)|get\s+hold\s+of|try|work\s+out|sort\s+out|point\s+out|pass'
        .'|note\s+down|write\s+down|jot\s+down|look\s+up|look\s+out|dig\s+out|hunt\s+down|chase|speak\s+to|talk\s+to|meet|visit|pick\s+up'
        .'|drop\s+off|bring\s+back|take\s+back|hand\s+back|give\s+back|pay\s+back|put\s+back|water|feed|walk|wake|drive|park|load|unload'
        .'|pack|unpack|wrap|label|hang|paint|draw|design|make|do|use|allow|grant|extend|shut|secure|cover|wear|mind(?=\s+you\s+\p{L})';

    /** What may follow such a verb, so that it is none of the other words that look like it. */
    private const OBJECT = '(?=\s+(?:\p{L}+\s+(?:whether|if|about|when|what|how)\b|me|us|him|her|them|it|your|my|our|his|their|the|a|an'
        .'|this|that|these|those|both|all|any|each|every|one|two|three|by|before|until|on|in|with|through|over|whether|if|when|how|what'
        .'|which|who|where|why|back|back\s+by|to|some|at|for|as|and|\d|[A-Z]|(?:up|out|down|off|away|together|over|through)\s+(?:the|your'
        .'|my|our|an?|all|both|two|three|some|with|from|what|how|it|them)\b)|\s*[.!,]|\s*$)';

    /** Beginnings of what only sounds like a request. */
    private const COURTESY = [
        'find\b(?=.*\b(?:attach|enclos|below|herewith|here|link|following|annex|included|overleaf))',
        'see (?:attached|below|above|enclosed|the attached|also)',
        'note',
        'be (?:aware|advised|informed|assured|warned)',
        'accept\b.*(?:apolog|thanks|regards|wishes|congrat)',
        'excuse',
        'forgive',
        'bear with',
        'pardon',
        'feel free',
        'don\'t hesitate',
        'do not hesitate',
        'do(?:n\'t| not) (?:reply|respond|answer)',
        'do(?:n\'t| not) (?:worry|bother|feel)',
        'ignore',
        'disregard',
        'give (?:my|our) (?:best|regards|love)',
        'pass on (?:my|our)',
        'remember me to',
        'say hello',
        'take care',
        'enjoy',
        'have a (?:great|good|nice|lovely|wonderful)',
        'stay (?:safe|tuned|well)',
        'refer to',
        'consult (?:our|the) (?:faq|website)',
        'visit (?:our|us|www|http)',
        'click',
        'unsubscribe',
        'follow us',
        'like us',
        'join us on',
        'view (?:this|in)',
        'contact (?:us|me|our|the (?:office|team|helpdesk|support))\b.*\b(?:if|should|question|further|any)',
        '(?:contact|call|ask|email|write to|get in touch with) (?:us|me|our)?\b.*\b(?:if you have|if there|with any|any questions'
            .'|any queries|should you|at any time|any time|for more information|for further)',
        'let (?:me|us) know (?:if|should) (?:you (?:have|need|require|want|would like|run into|notice|spot)\b.*|there(?:\'s|\s+is'
            .'|\s+are) (?:any|something|anything).*|i can.*|we can.*|anything.*|any .*|something.*)',
        'let (?:me|us) know (?:of|about) any',
        'let (?:me|us) (?:start|begin|explain|introduce|say|add|tell|remind|thank|assure|show)',
        '(?:keep|do not share|don\'t share) (?:this|it) (?:confidential|to yourself)',
        'think (?:of|before) (?:the environment|printing)',
        'consider the environment',
        'bring on\b',
        'use (?:the|your) time\b',
        'correct me if',
        'call it (?!off|in\b)',
        'give or take',
        'ask (?:him|her|them|me) no\b',
        'say (?:what you|cheese|no more)',
        'count (?:your|yourself)',
        'leave it to (?!me\b|us\b|you\b)',
        'make (?:no mistake|hay|of it|yourself|do\b)',
        'do (?:the math|as i say|what you|your best|drop by|come (?:again|and visit))',
        'try (?:it out|this at home|our|the new)',
        'use (?:the code|code|it in good)',
        'use .*\binstead$',
        'use .*\binstead\W*$',
        'join (?:us|our)',
        'find out more',
        'start (?:your|saving|now)',
        'begin (?:your|with)',
        'take (?:it (?:easy|slow|or leave)|care\b(?! of)|heart|comfort)',
        'hold (?:on|tight|that thought|your)',
        'see to believe',
        'meet (?:the|our)',
        'walk (?:in|tall)',
        'pass (?:the time)',
        'wear it',
        'note that',
        'enter (?:the|a) (?:room|lion)',
        '(?:call|ring|contact|email) (?:the|our) office\b.*\bfrom \d+ (?:to|until|till) \d+',
        'tell me about it',
        'have fun',
        'see you',
        'mind the',
        'remember (?:that|when|how)',
        'take your time',
        'keep up',
        'keep in touch',
        'keep warm',
        'keep well',
        'get well',
        'thank',
    ];

    /** Conditions under which most readers have nothing to do. */
    private const UNLIKELY = '/
        ^(?:
            (?:if|should|in\ case)\ (?:you|there|anything|something|anyone|this|the|it|not|questions?|any)\b(?:
                [^,]*\b(?:
                    any|questions?|queries|problems?|trouble|need|require|want|wish|would\ like|prefer\ not|no\ longer
                    |unable|cannot|can\'t|can\ not|cannot\ make|can\'t\ make|in\ error|by\ mistake|already|doubt
                    |unclear|wrong|unsure|not\ sure|missing|happen|notice|spot|strange|lost|urgent|fail|not\ work
                    |doesn\'t\ work|does\ not|stops?
                )\b[^,]*
            )
            |in\ case\ of[^,]*
            |for\ (?:further|more|any)[^,]*
            |if\ in\ doubt|when\ in\ doubt
        )(?:,\s*|\s+(?=please\b))
    /xu';

    /** Questions that want no answer, each from its beginning to the question mark. */
    private const RHETORICAL = [
        'how (?:are|r) (?:you|things|u|we|ya|the (?:family|kids|children))\b.*',
        'how(?:\'s| is| was| were| did| have) (?:it going|life|everything|things|your (?:day|week|weekend|holiday|trip|summer|christmas'
            .'|morning|break|vacation)|the (?:family|kids|weather|weekend)|you been|you getting on).*',
        'how (?:lovely|nice|cool|great|good|cute) is (?:that|this).*',
        'how (?:about that|come)\b.{0,12}',
        'what(?:\'s| is) (?:new|up|not to like|the worst|the point|there to)\b.*',
        'what could (?:be|possibly|go).*',
        'what (?:a|an|else is new|else can|more could|did you expect|have i|was i thinking).*',
        'who (?:knows|cares|would have|would\'ve|wouldn\'t|could have|doesn\'t|else but|needs).*',
        'why not(?:\?| (?:treat|try|join|take advantage|come along|visit|make|give|let|start|save|enjoy|discover)).*',
        'where (?:has|did|does) (?:the )?(?:time|year|summer|week|month)s?\b.*',
        '(?:can|could|would) you (?:believe|imagine|guess)\b.*',
        'did (?:i|we) (?:mention|tell you|say)\b.*',
        'did you know\b(?! (?:that )?(?:your|the|we)\b).*',
        'do you (?:remember|recall) (?:how|when|that|our|those|the (?:day|days|time|times|night|summer|winter|evening|year|look|old))\b.*',
        'remember (?:the|when|how|that|our|me|us)\b.*',
        '(?:you )?know what\?',
        'guess (?:what|who).*',
        'could (?:it|this|that|things|life|you|they|he|she) (?:get|be|have been) any (?:more|less|better|worse|\p{L}+er)\b.*',
        '(?:are|is) (?:you|he|she|they|it|this|that) (?:kidding|joking|serious|mad|for real|a joke)\b.*',
        'would it (?:kill|hurt) (?:you|them|anybody)\b.*',
        'do (?:you|they) (?:even|really think|honestly|ever (?:wonder|feel|wish|think|dream|ask yourself|get tired|struggle'
            .'|find yourself))\b.*',
        'since when\b.*',
        '(?:isn\'t|aren\'t|wasn\'t|weren\'t|wouldn\'t|doesn\'t|don\'t|didn\'t|hasn\'t|haven\'t|ain\'t|won\'t) (?:it|that|this|they|we|i|he'
            .'|she|those|these|life|time)\b.*',
        '(?:is|was) (?:it|that|this) (?:just|only) me\b.*',
        '(?:am|are|is|was) (?:i|we) (?:right|mad|wrong|crazy|dreaming|alone)\b(?! (?:that|in|to) ).*',
        '(?:has|have) it (?:really )?been.*',
        '(?:is|has) it (?:that time|already|really)\b.*',
        '(?:ready to|ready for the|looking for|looking to|tired of|fed up with|wanna|bored|struggling with|worried about|curious(?: to'
            .'| about)?|sounds? (?:good|familiar|fun|great|like)|make sense|makes sense|any (?:questions|problems|comments or questions)'
            .'|need (?:help|a hand|inspiration|a break|more)|interested|missed (?:me|us)|sound)\b[^?]{0,60}',
        '(?:all|hope|everything|i hope|hope you are|hope you\'re|are you)\s*(?:all\s+)?(?:well|good|ok|okay|fine|alright)\b(?! (?:with|to'
            .'|if|for)\b)[^?]{0,30}',
        '(?:questions|problems|problem|trouble|really|right|ok|okay|okay then|agreed|no|yes|see|huh|eh|seriously|what|why|when|how|who|me'
            .'|us|and then|so what|then what|the result|the reason|the catch|the answer|the problem|our secret|the best part|sorry'
            .'|pardon)\s*',
        'what if\b.*',
        'why (?:wait|bother|worry|am i|do i|did i|did we|didn\'t we|haven\'t we|would|should)\b.*',
        'where (?:would|to begin|do i|am i)\b.*',
        'what (?:would|will) (?:i|we|the world)\b.*',
        'how (?:could|can|dare|many times|hard can|often have|else) ?(?:i|we|you not|anyone|that|it be|anybody)?\b.*',
        'may i (?:say|add|remind|introduce|congratulate|wish|take this)\b.*',
        'shall we say(?! (?:mon|tue|wed|thu|fri|sat|sun|tomorrow|today|tonight|noon|next|at |half |a quarter|quarter|one|two|three|four'
            .'|five|six|seven|eight|nine|ten|eleven|twelve|\d)).*',
        'need i (?:say|go on|add|tell|mention).*',
        'where were we.*',
    ];

    /** What a question may begin with. */
    /** What one does to a machine: where somebody is told to, it is explained rather than asked. */
    private const HOW_TO = '(?:first\s+|just\s+|simply\s+|only\s+|then\s+)*(?:restart|reboot|reset|click|press|tap|scroll|select|install'
        .'|uninstall|run|type|unplug|plug|hold|turn\s+(?:it|the|your)\s+.*(?:off|on)\b|switch\s+(?:it|the)\s+(?:off|on)|log\s+(?:in|out'
        .'|off)|sign\s+(?:in|out)\b|go\s+to|clear\s+(?:the|your)\s+cache|right-click|double-click|drag|refresh|reinstall|enter\s+your'
        .'|open\s+(?:the|your)\s+(?:settings|menu|app|browser|control))\b'
        .'(?!.*\b(?:by|before|until)\s+(?:mon|tues|wednes|thurs|fri|satur|sun|tomorrow|tonight|noon|the\s+\d|\d))';

    private const OPENING = '["\'(]*(?:(?:so|and|but|well|oh|now|hey|great|wonderful|brilliant|fantastic|lovely|marvellous|perfect|super'
        .'|ps|p\.s\.)[,:.!]?\s+)*';

    /** Some leave the mark out. */
    private const ASKED_WITHOUT_MARK = '/
        ^(?:(?:and|so|but|also)\s+)?(?:can|could|would|will|do|did|are|have|shall|may)\ (?:you|we|i)\b
        (?!\ (?:believe|imagine|guess))[^?!]{4,140}$
    /xu';

    /** No action is wanted. */
    private const NOT_NEEDED = '/
        \b(?:
            no\ need
            |not\ (?:necessary|needed|required)
            |need(?:n\'t|\ not)
            |do(?:n\'t|\ not)\ (?:need|have)\ to
            |no\ (?:longer\ (?:needed|required|necessary)|rush|hurry)
            |(?<!n\'t\ )(?<!not\ )forget\ (?:about\ (?:the|that|it|my)|it)\b
            |scrap\ (?:that|the)
            |(?:deadline|date)\ (?:is|has\ been)\ (?:off|dropped|cancelled|lifted)
            |no\ (?:action|reply|answer|response)(?:\ is)?\ (?:needed|required|necessary|expected)
            |nothing\ (?:for\ you\ )?to\ do
            |not\ asking\ you
        )\b
    /xu';

    private const TO_OTHERS = '/
        \b(?:
            (?<!and\ )(?<!then\ )pass\ (?:this|it)\ (?:on|along)
            |forward\ (?:this|it)\ (?:on\ )?to
            |(?:who|whom)\ (?:is|would\ be|should\ i|can\ i|do\ i|could\ i|may\ i)\ .*\b(?:
                right\ person|contact|speak|talk|ask|responsible|in\ charge|turn\ to
            )
            |(?:point|put)\ (?:me|us)\ (?:to|in\ touch\ with|in\ the\ direction\ of)
            |(?<!are\ you\ )(?<!you\ are\ )the\ right\ person
            |ask\ (?!(?:me|us|you|for|about|whether|if|anybody|anyone|somebody|someone|the)\b)\p{L}+\ to\b
            |ask\ (?:your|one\ of\ your)\ [\p{L} ]{3,30}\ to
            |have\ (?:somebody|someone|one\ of\ your\ \p{L}+)\ [\p{L} ]{0,30}(?:
                call|contact|send|sign|look|check|reply|measure|come|ring
            )
            |get\ (?!(?:me|us|it|this|that|back|ready|used|to|in|on|the|you|here|there|home|out|rid|hold)\b)\p{L}+\ to
            \ (?!(?:me|us|you|the|work)\b)\p{L}+
            |(?:someone|somebody|anyone|one)\ (?:from|in|on|of)\ your\b
            |(?:
                your\ (?:
                    colleague|treasurer|accountant|assistant|electrician|carpenter|caretaker|bookkeeper|secretary|team
                    |office|people|volunteers?|staff|warden
                )
            )\b
        )
    /xu';

    /** The sender answers it at once. */
    private const SELF_ANSWER = '/
        ^(?:
            yes|no|well|i\ think|we\ think|i\ guess|of\ course|absolutely|because|maybe|perhaps|probably|exactly
            |nobody|no\ one|nothing|certainly|the\ answer|i\ don\'t\ know|i\ doubt|i\ for\ one
            |it\ (?:was|is|turns\ out)
            |that\'s\ (?:right|what)|you\ guessed
            |not\ (?:yet|me|at\ all|really)
        )\b
    /xu';

    public function name(): string
    {
        return 'en';
    }

    public function words(): array
    {
        return [
            'a', 'the', 'and', 'of', 'to', 'is', 'you', 'that', 'it', 'for', 'with', 'are', 'this', 'have', 'your', 'we', 'be', 'on',
            'will', 'not', 'can', 'please', 'from', 'by', 'at', 'would', 'if', 'our', 'us', 'could', 'i', 'my', 'has', 'was', 'or', 'but',
            'they', 'what', 'as', 'an', 'any', 'me', 'do', 'all', 'there', 'here', 'just', 'been', 'so', 'up', 'out', 'when', 'which',
            'who', 'how', 'about', 'them', 'their', 'he', 'she', 'get', 'let', 'know', 'thanks', 'see', 'need', 'yes', 'new', 'one',
            'day', 'good', 'time', 'only', 'some', 'very', 'too', 'into', 'than', 'over', 'now', 'then', 'also', 'were', 'had', 'did',
            'does', 'should', 'am', 'i\'m', 'it\'s', 'don\'t', 'we\'re', 'you\'re', 'i\'ll',
        ];
    }

    public function moving(): array
    {
        return [
            'verb' => 'mov(?:e[sd]?|ing)\b|postpon|reschedul|chang(?:e[sd]?|ing)\b|shift(?:s|ed|ing)?\b|br(?:ought|ing(?:ing)?) forward'
                .'|put(?:ting)? (?:back|off|forward)|push(?:ed|ing)? (?:back|out)|swap|switch|extend|delay|defer|slip(?:s|ped)\b'
                .'|go(?:es)? back',
            'from' => 'from',
            'to' => 'to|until|till',
            'instead' => 'instead of|rather than|in place of|(?<=,) (?:and )?not|no longer',
            'not' => 'not(?: due)?',
            'but' => 'but',
        ];
    }

    public function thanks(): string
    {
        return self::THANKS;
    }

    public function courtesy(): string
    {
        return '/^(?:'.implode('|', self::COURTESY).')/u';
    }

    public function unlikely(): string
    {
        return self::UNLIKELY;
    }

    public function notNeeded(): string
    {
        return self::NOT_NEEDED;
    }

    public function troubles(): string
    {
        return '/
            ^(?!
                .*\b(?:
                    nothing|none|nobody|no|if|should|when|in\s+case|version|issue|edition|book|news|results?|tide|sun
                    |secret|word|album|film|piece|article
                )\b
            ).*\b(?:is|are)\s+(?:(?:now|still|again|completely|all)\s+)*(?:
                out|broken|down|stuck|leaking|missing|blocked|flooded|dead|frozen|jammed|burst|cracked|on\s+fire
            )(?:\s+(?:again|now|since\b.*))?[.!]*$
            |^(?!.*\b(?:if|should|when|in\s+case)\b).*\b(?:does|do|will|would)(?:n\'t|\s+not)\s+
            (?:work|open|close|start|run|light|turn|lock|shut)\b
            |\bstopped\s+working\b
            |\b(?:has|have|\'s|\'ve)\s+(?:gone|packed)\s+(?:cold|dead|out|off|up|wrong|missing|again)\b
            |\b(?:found|noticed|spotted|there\s+is|there\'s)\s+(?:a|an|another|one)\s+(?:\p{L}+\s+)?
            (?:bug|error|mistake|typo|fault|leak|crack)\b
            |^(?!.*\bif\b).*\b(?:leaks|drips|smokes|flickers|squeaks|smells\s+of\s+gas)\b
        /xum';
    }

    public function mended(): string
    {
        return '/\b(?:fixed|mended|repaired|replaced|solved|settled|sorted|works?\s+again|is\s+ordered|have\s+ordered|on\s+its\s+way)\b/u';
    }

    public function dutiesOfAll(): string
    {
        return '/
            ^(?:everyone|everybody|all\b|each\ of\ (?:you|us)|members|staff|colleagues|participants)\b
            |\b(?:must|ha(?:s|ve)\ to|needs?\ to)\ be\ (?:
                in|back|with\ us|submitted|returned|completed|paid|sent|here|done|handed\ in
            )\b
        /xu';
    }

    public function ofOthers(): string
    {
        return '/
            ^(?:(?:and|but|so|well)[, ]+)?(?:if|unless|in\ case|once|when)\ (?:
                they|he|she|nobody|no\ one|somebody|someone|the\ \p{L}+|that|it|we|i
            )\b(?!
                \ (?:isn\'t|is\ not|aren\'t|are\ not)\ (?:
                    paid|received|signed|returned|settled|renewed|confirmed|collected|claimed
                )\b
            )(?![^,]*\b(?:your|from\ you)\b)[^,]*\b(?:
                have(?:n\'t|\ not)|has(?:n\'t|\ not)|do(?:n\'t|\ not)|does(?:n\'t|\ not)|did(?:n\'t|\ not)
                |is(?:n\'t|\ not)|are(?:n\'t|\ not)
            )\b
        /xu';
    }

    public function untilWhen(): string
    {
        return '/
            ^(?:[^,;]{3,60},\ so\ )?(?:it|this|that|they|these|those|all\ of\ (?:it|this|them)|everything)\s+
            (?:must|should|ha(?:s|ve)\ to|needs?\ to)\s+(?:be|reach|arrive|come|get|go)\b
        /xu';
    }

    public function rhetorical(): string
    {
        return '/^'.self::OPENING.'(?:'.implode('|', self::RHETORICAL).')\?/u';
    }

    public function askedWithoutMark(): string
    {
        return self::ASKED_WITHOUT_MARK;
    }

    public function selfAnswer(): string
    {
        return self::SELF_ANSWER;
    }

    public function toOthers(): string
    {
        return self::TO_OTHERS;
    }

    public function reported(): string
    {
        return '/
            \b(?:he|she|they|tom|people|visitors?|somebody|someone|customers?)\s+(?:\p{L}+\s+)?(?:
                asked|asks|said|says|wrote|writes|told|wondered|wanted|were\ told
            )\b[^.]*$
        /xu';
    }

    /** @return list<array{RequestForm, string}> patterns whose group "do" is what is asked */
    public function forms(): array
    {
        /** @var list<array{RequestForm, string}> $forms */
        static $forms = [];

        return [] === $forms ? $forms = [...$this->direct(), ...$this->indirect(), ...$this->implied()] : $forms;
    }

    /** @return list<array{RequestForm, string}> */
    private function direct(): array
    {
        [$begin, $softly, $you, $orders, $object] = [self::BEGIN, self::SOFTLY, self::YOU, self::ORDERS, self::OBJECT];
        $verb = '(?!not\b|mind\b|have\s+been\b|be\s+(?:surprised|interested|pleased|delighted|aware)|believe|imagine|guess|see\s+(?:that'
            .'|why|how)|tell\s+(?:that|from)|hardly|only|never|always|probably|expect|find\s+(?:more|out\s+more|us|our)|save\s+up|feel'
            .'|like\b|prefer|rather)(?<do>\p{L}.*)';

        return [
            // "Could you please send me the plan?"
            [RequestForm::Order, '/
                '.$begin.'(?:'.$softly.')*(?:could|can|would|will|may|might|cn|cld|cud|wld|wud|cd)\s+'.$you.'[\s,]+
                (?:be\s+able\s+to\s+|be\s+willing\s+to\s+|be\s+so\s+kind(?:\s+as)?\s+to\s+|be\s+kind\s+enough\s+to\s+)?
                (?:'.$softly.')*'.$verb.'
            /xu'],
            // "Would you be able to come?"
            [RequestForm::Order, '/
                '.$begin.'(?:are|would)\s+you\s+(?:be\s+)?(?:able|willing|happy|prepared)\s+to\s+'.$verb.'
            /xu'],
            // "Please also check the list"
            [RequestForm::Order, '/
                '.$begin.'(?:please|pls|plz|kindly)[\s,]+(?:(?:could|can|would|will)\s+you[\s,]+)?
                (?:(?:also|just|do(?!\s+not)|then|now|kindly|quickly|at\s+least|always|both|all)\s+)*
                (?<do>\p{L}.*)
            /xu'],
            // "Would you mind checking it?"
            [RequestForm::Order, '/
                '.$begin.'(?:do\s+you\s+mind|would\s+you\s+mind|mind)\s+
                (?:please\s+)?(?<do>\p{L}+ing\b.*)
            /xu'],
            // "May I ask you to send it?"
            [RequestForm::Order, '/
                '.$begin.'(?:can|could|may|might)\s+(?:i|we)\s+
                (?:please\s+|also\s+|just\s+|quickly\s+)*
                (?:ask|trouble|bother|get|persuade|invite|beg|request|remind)\s+
                (?:that\s+)?(?:you(?:\s+both|\s+all)?\s+)?
                (?:please\s+)?(?:to|for)\s+(?<do>\p{L}.*)
            /xu'],
            // "Could I have your numbers?"
            [RequestForm::Order, '/
                '.$begin.'(?:can|could|may|might)\s+(?:i|we)\s+
                (?:please\s+|also\s+|just\s+|perhaps\s+|possibly\s+)*
                (?<do>(?:have|get|borrow|see|use|take)\s+.*)
            /xu'],
            // "Would it be possible to move it?"
            [RequestForm::Order, '/
                '.$begin.'(?:would\s+it\s+be|is\s+it|is\s+there\s+any\s+way|would\s+there\s+be\s+any\s+way|any\s+chance|
                is\s+there\s+a\s+chance|is\s+there\s+any\s+chance|would\s+it\s+be\s+at\s+all)\s*
                (?:at\s+all\s+)?(?:possible\s+|ok\s+|okay\s+|alright\s+|all\s+right\s+|of\s+|that\s+|for\s+|if\s+)*
                (?:you|your)?\s*(?:could|can|would|might|to)?\s*
                (?<do>(?:to\s+|send|give|get|have|move|bring|look|come|let|borrow|reschedul|sending|getting|having|moving|
                bringing)\p{L}*.*)
            /xu'],
            // "It would be great if you could look at it"
            [RequestForm::Wish, '/
                \b(?:i|we|it|that)(?:\'d|\'ll|\s+would|\s+will|\s+should)?
                (?:\s+really|\s+very\s+much|\s+also|\s+just|\s+greatly)*\s+
                (?:appreciate|be\s+(?:\p{L}+\s+)?(?:great|good|grateful|glad|happy|helpful|kind|lovely|nice|wonderful|
                delighted|obliged|useful|fantastic|brilliant|super|ideal|perfect|best|thankful|a\s+great\s+help|a\s+big\s+help|
                much\s+appreciated))(?:\s+it)?(?:\s+of\s+you)?
                (?:\s+to\s+me|\s+for\s+us|\s+for\s+me)?,?\s+if\s+
                (?:you|someone|somebody)\s+(?:could|would|can|might|were\s+able\s+to|will)?\s*
                (?:'.self::SOFTLY.')*(?<do>\p{L}.*)
            /xu'],
            // "Grateful if you would sign"
            [RequestForm::Wish, '/
                \b(?:grateful|appreciated|appreciate\s+it|helpful|great|good)\s+if\s+you\s+
                (?:could|would|can)\s+(?:'.self::SOFTLY.')*
                (?<do>\p{L}.*)
            /xu'],
            // "If you could send it, that would help"
            [RequestForm::Wish, '/
                ^if\s+you\s+(?:could|would|can)\s+(?:'.self::SOFTLY.')*
                (?<do>\p{L}.*),?\s+(?:that\s+would|that\'d|i\s+would|i\'d|we\s+would|we\'d|it\s+would|it\'d)
            /xu'],
            // "I was hoping that you might have a key"
            [RequestForm::Wish, '/
                \b(?:i|we)(?:\'m|\s+am|\'re|\s+are|\s+was|\s+were|\'d\s+been)?\s*
                (?:just\s+)?(?:hop(?:e|ed|ing)|wonder(?:ed|ing)?|trust)
                (?:\s+that|\s+if|\s+whether)?\s+(?:you|someone|somebody)\s+
                (?:could|would|can|might|will|may)(?:\s+be\s+able\s+to|\s+be\s+willing\s+to)?\s+
                (?:'.self::SOFTLY.')*(?<do>\p{L}.*)
            /xu'],
            // "I wonder whether it is open"
            [RequestForm::Wish, '/
                \b(?:i|we)(?:\'m|\s+am|\'re|\s+are|\s+was|\s+were)?\s*
                (?:just\s+)?(?:wonder(?:ed|ing)?|curious|keen\s+to\s+know|would\s+like\s+to\s+know|\'d\s+like\s+to\s+know|
                need\s+to\s+know|want\s+to\s+know|must\s+know|have\s+to\s+know)[,]?\s+
                (?<do>(?!(?:how|why|what|who|where)\s+(?:he|she|they|our|people|everybody|others|on\s+earth|the\s+(?:sea|
                world|weather|future))\b)(?:if|whether|when|what|which|how|who|where|why|by\s+when)\s+.*)
            /xu'],
            // "I would like you to chair it"
            [RequestForm::Wish, '/
                \b(?:i|we)(?:\'d|\s+would|\s+should|\'ll|\s+must|\s+have\s+to)?\s+
                (?:also\s+|just\s+|really\s+|very\s+much\s+)*
                (?:like|love|want|wish|have|ask|request|urge|remind|need|require|expect)
                (?:\s+to\s+(?:ask|invite|remind|request))?\s+
                (?:that\s+)?(?:you(?:\s+all|\s+both)?|someone|somebody|one\s+of\s+you)\s+
                (?:please\s+)?(?:to|for)\s+(?<do>(?!know\s+that|know\s+how|be\s+aware)\p{L}.*)
            /xu'],
            // "I would appreciate your comments"
            [RequestForm::Wish, '/
                \b(?:i|we)(?:\'d|\s+would)\s+(?:also\s+|really\s+|very\s+much\s+)*
                (?:like|love|appreciate|welcome|be\s+grateful\s+for|be\s+glad\s+of|value)\s+
                (?:to\s+(?:have|get|see|hear|receive|know)\s+)?
                (?<do>(?:your|the|a|an|any|some)\b\s+.*\b(?:from\s+you|by|before|comments?|views?|opinions?|feedback|thoughts?|
                input|help|advice|reply|answer|confirmation|approval|signature|decision)\b.*)
            /xu'],
            // "I am writing to ask for a copy"
            [RequestForm::Wish, '/
                \b(?:i|we)(?:\s+am|\s+are|\'m|\'re)\s+(?:writing\s+to\s+ask|asking|inviting)\s+
                (?:you\s+|whether\s+|if\s+|for\s+|to\s+)+
                (?<do>\p{L}.*)
            /xu'],
            // "Grateful for an answer"
            [RequestForm::Wish, '/
                ^grateful\s+(?:for|if\s+you\s+(?:could|would))\s+
                (?<do>\p{L}.*)
            /xu'],
            // "We still need your figures"
            [RequestForm::Need, '/
                \b(?:i|we|they)(?:\'d|\'ll|\s+would|\s+will|\s+do|\'re|\s+are|\'m|\s+am)?
                (?:\s+still|\s+also|\s+urgently|\s+now|\s+just|\s+really|\s+currently|\s+therefore)*\s+
                (?:need|needing|require|lack|missing|awaiting|await|waiting\s+(?:for|on)|waiting\s+to\s+(?:receive|hear)|
                chasing|short\s+of)\s+(?<do>(?:(?:only\s+|just\s+|still\s+)?(?:your|you)\b|(?:from\s+you|the\s+following|
                back\s+from\s+you|an?\s+(?:answer|reply|decision|confirmation|signature)|(?:(?!\.).)*\b(?:from\s+you|back\s+from\s+you|
                from\s+your\s+side)\b)).*)
            /xu'],
            // "I need the list by noon"
            [RequestForm::Need, '/
                \b(?:i|we)(?:\'d|\'ll|\s+would|\s+will|\s+do)?
                (?:\s+still|\s+also|\s+urgently|\s+now|\s+just|\s+really)*\s+
                (?:need|require)\s+(?<do>(?:the|a|an|to\s+know|to\s+have|to\s+receive|it|them|this|these|those|all|both|
                two|three|\d+)\s+.*\b(?:by|before|no\s+later|until|latest|at\s+the\s+latest|as\s+soon\s+as|asap|today|
                tomorrow|this\s+week|in\s+time|back)\b.*)
            /xu'],
            // "You need to sign page four"
            [RequestForm::Need, '/
                \byou(?:\s+and\s+\p{L}+|\s+both|\s+all)?(?:\'ll|\s+will|\s+would)?
                (?:\s+still|\s+also|\s+now|\s+just|\s+do|\s+both|\s+all|\s+therefore)*\s+
                (?:need\s+to|have\s+to|must|are\s+(?:(?:kindly|hereby|therefore|cordially)\s+)*(?:asked|required|requested|
                invited|summoned|ordered|instructed|directed|called(?:\s+up)?on)\s+to|are\s+(?:due|supposed|meant)\s+to|
                ought\s+to)\s+(?<do>(?!not\b|never\b)(?!'.self::HOW_TO.')(?!be\s+(?:tired|joking|kidding|mad|busy|so)|have\s+(?:heard|seen|
                been|noticed|had)|know|see\s+it|(?:come|visit|drop\s+in|stay|try)\b.*\b(?:one\s+day|some\s*day|some\s*time|
                again\s+soon)\b|have\s+(?:gone|left|been|had)\b|laugh|love|admire|hand\s+it|understand|smile|wait\s+and\s+see|
                think|feel|remember\s+that|admit|agree\s+that|try\s+it)\p{L}.*)
            /xu'],
            // "Perhaps you could ask around"
            [RequestForm::Order, '/
                '.$begin.'(?:perhaps|maybe|possibly)\s+'.$you.'\s+
                (?:could|can|would)\s+'.$verb.'
            /xu'],
            // "I was wondering if we could meet"
            [RequestForm::Wish, '/
                \bwonder(?:ed|ing)?,?\s+(?<do>(?:if|whether)\s+(?:we|i|it|there)\b.*)
            /xu'],
            // "Your comments would be welcome"
            [RequestForm::Wish, '/
                \byour\s+(?<do>[\p{L} -]{3,40}?\s+(?:would\s+be|is|are|will\s+be)\s+(?:\p{L}+\s+)?(?:appreciated|welcome)\b.*)
            /xu'],
            // "Looking forward to receiving your draft by Friday"
            [RequestForm::Need, '/
                \blook(?:ing)?\s+forward\s+to\s+(?:receiving|getting|having|seeing)\s+
                (?<do>your\s+.*\b(?:by|before|until|no\s+later)\b.*)
            /xu'],
            // "I look forward to hearing from you by Friday"
            [RequestForm::Need, '/
                \blook(?:ing)?\s+forward\s+to\s+hearing\s+from\s+you\s+
                (?<do>(?:by|before|no\s+later)\b.*)
            /xu'],
            // "Still waiting for your answer"
            [RequestForm::Need, '/
                ^(?:still\s+|just\s+|urgently\s+)?(?:need|needing|waiting\s+for|waiting\s+on|awaiting|missing)\s+
                (?<do>(?:your|this|it|these|the\s+\p{L}+\s+(?:by|before|from)|an\s+answer|a\s+reply|a\s+decision)\b.*)
            /xu'],
            // "Here is the form for you to sign"
            [RequestForm::Need, '/
                \bfor\s+(?:you\s+to\s+(?<do>(?:sign|return|review|complete|check|fill|read|approve|confirm|look|comment|
                decide|choose|pay)\b.*))
            /xu'],
            // "The draft is attached for your approval"
            [RequestForm::Need, '/
                \b(?:attached|enclosed|here|below|sent)\b.*\bfor\s+
                (?<do>your\s+(?:signature|approval|review|comments?|correction|confirmation|decision|feedback|consent|
                attention\s+and\s+signature)\b.*)
            /xu'],
            // "The report has to be in by Friday"
            [RequestForm::Need, '/
                ^(?<do>(?!(?:he|she|we|i|you)\s+)[\p{L}\d .,€$£%\/\'-]{3,80}?\s+(?:must|should|ha(?:s|ve)\s+to|needs?\s+to|
                (?:is|are)\s+to)\s+(?:reach\s+us|arrive|be\s+(?:sent|returned|submitted|received|paid|in|back|ready|done|
                finished|out|up|online|cleared|approved|signed\s+off|corrected|ordered|\p{L}+(?:ed|wn|pt)|with\s+(?:us|
                me)|here|filed|handed\s+in|signed|completed|made|registered|settled|sent\s+in|uploaded|delivered))\b.*\b(?:by(?!\s+now)|
                before|no\s+later|until|within)\b.*)
            /xu'],
            // "Your answer is still needed"
            [RequestForm::Need, '/
                \b(?:your|an?\s+(?:answer|reply|decision|confirmation))\s+
                (?<do>[\p{L} -]{3,40}?(?:is|are)\s+(?:still\s+)?(?:needed|required|requested|missing|outstanding|expected)\b.*)
            /xu'],
            // "Send me the plan"
            [RequestForm::Order, '/
                ^(?!first\b.*\bthen\b(?!.*\b(?:me|us)\b))
                (?:(?:do|action(?:\s+required|\s+needed)?|to\s*do|reminder|important|urgent|next\s+step|so|then|and|also|
                first|next|finally|ok|okay|now|just|but|in\s+return|meanwhile|in\s+the\s+meantime|when\s+you\s+(?:can|
                have\s+a\s+moment|get\s+a\s+chance|are\s+back)|if\s+(?:possible|you\s+can|you\s+agree|it\s+suits(?:\s+you)?|
                that\s+works(?:\s+for\s+you)?|that\s+suits(?:\s+you)?|you\s+don\'t\s+mind|convenient|so|yes|not)|once\s+(?:done|
                you\s+have\s+it))[,:]?\s+(?:[–-]\s+)?)?(?<do>(?:'.$orders.')\b(?<!let\sme\sstart)'.$object.'.*)
            /xu'],
            // "Remember to bring the key"
            [RequestForm::Order, '/
                '.$begin.'(?<do>(?:remember\s+to|do(?:n\'t|\s+not)\s+forget\s+(?:to|that|your|the)|
                make\s+sure(?!\s+(?:that\s+)?you\s+(?:'.self::HOW_TO.'|
                have|use|keep|are))|be\s+sure\s+to(?!\s+'.self::HOW_TO.'))\\b.*)
            /xu'],
            // "Please find the form attached and sign it"
            [RequestForm::Order, '/
                ^(?:please|pls|plz|kindly)\s+(?:find|see|note|read)\b.*\band\s+
                (?:please\s+)?(?<do>(?:'.$orders.')\b'.$object.'.*)
            /xu'],
            // "The list, please"
            [RequestForm::Order, '/
                ^(?<do>[^?]{3,120}?),?\s+(?:please|pls)[.!]*$
            /xu'],
        ];
    }

    /**
     * What is asked without a request: softly, with a reproach, in passing, as a duty. Each alternative stands on a line
     * of its own.
     *
     * @return list<array{RequestForm, string}>
     */
    private function indirect(): array
    {
        $your = '(?:your|ur|yr)';
        $answer = '(?:answers?|repl(?:y|ies)|responses?|confirmation|decision|approval|signature|comments?|feedback|views?|opinions?'
            .'|thoughts|input|go-ahead|sign-?\s?off|ok|okay|numbers|figures|details)';
        $all = '(?:everyone|everybody|all(?:\s+of\s+you)?(?:\s+\p{L}+)?|(?:each|every)\s+(?:of\s+you|\p{L}+(?:\s+(?:holder|owner|member'
            .'|user|driver|exhibitor))?)|members|staff|colleagues|participants|tenants|residents|owners|volunteers|exhibitors|speakers'
            .'|authors|parents|drivers|managers|teams|employees|applicants|customers|guests|students)';
        $duty = '(?:must|ha(?:s|ve)\s+to|needs?\s+to|(?:is|are)\s+(?:kindly\s+)?(?:asked|requested|required|reminded|urged|expected'
            .'|obliged)\s+to)';

        return [
            // "It would be really helpful to have your numbers"
            [RequestForm::Wish, "/
                \\b(?:it|that|this)(?:'d|'s|\\s+would|\\s+will|\\s+is)\\s+(?:
                    (?:really|very|so|most|also|be|a|great|big|of|extremely)\\s+
                )*(?:
                    helpful|useful|great|good|lovely|nice|wonderful|fantastic|ideal|brilliant|kind|super|important
                    |essential|vital|crucial|necessary|help|help\\s+(?:me|us)
                    |help\\s+(?:me\\s+|us\\s+)?a\\s+lot
                )\\s+(?:
                    to\\s+(?<do>
                        (?:have|get|see|hear|know|receive)\\s+(?!you\\b|that\\b|again|from\\s+you\\s*[.!]|how\\s+you)
                        .*
                    )
                )
            /xu"],
            // "It would be great if the plans could be here by Friday", "it is essential that you reply"
            [RequestForm::Wish, "/
                \\b(?:it|that)(?:'d|'s|\\s+would|\\s+will|\\s+is)\\s+(?:be\\s+)?
                (?:(?:really|very|so|most|absolutely)\\s+)*(?:
                    helpful|useful|great|good|lovely|nice|wonderful|fantastic|ideal|brilliant|super|important
                    |essential|vital|crucial|necessary|imperative
                )\\s+(?:if|that)\\s+(?<do>
                    (?:you\\b.*|(?:the|{$your}|this|these|those|we|i)\\b.*\\b(?:could|can|were|was|had|got|have)\\b.*)
                )
            /xu"],
            // "I'd love to get your view", "I would like to have the key back"
            [RequestForm::Wish, "/
                \\b(?:i|we)(?:'d|\\s+would)\\s+(?:(?:really|also|very\\s+much|just)\\s+)*
                (?:love|like|want|be\\s+glad|be\\s+happy|be\\s+keen)\\s+to\\s+
                (?:have|get|see|hear|know|receive|borrow|collect)\\s+(?<do>
                    (?:
                        {$your}\\b(?!\\s+(?:face|garden|house|family|place|new)).*
                        |(?:the|a|an|some|any|all|both|these|those|my|our)\\b.*\\b
                        (?:back|from\\s+you|by|before|soon|asap)\\b.*
                        |(?:what|how|whether|if|when|which|who)\\b(?!\\s+you(?:'re|\\s+are)).*
                    )
                )
            /xu"],
            // "I would like my money back", "we'd like to book a table"
            [RequestForm::Wish, "/
                \\b(?:i|we)(?:'d|\\s+would)?\\s+(?:(?:also|just|really)\\s+)*(?:like|want|wish)\\s+(?<do>
                    (?:
                        my\\s+(?:money|deposit|key|keys|book|ladder|copy|things)
                        |(?:an?|one|two|three|four|five|six|\\d+)\\s+(?:\\p{L}+\\s+)?(?:
                            refund|cop(?:y|ies)|quotes?|receipt|tables?|rooms?|tickets?|places?|seats?|word|reply
                            |answer|list|appointment|call|replacement|sample|brochure|catalogue
                        )
                        |to\\s+(?:
                            order|book|reserve|cancel|return|exchange|buy|register|apply|arrange
                            |change\\s+(?:my|our|the)|speak|talk\\s+(?:to|with)|come\\s+and|visit\\s+you
                        )
                    )\\b.*
                )
            /xu"],
            // "I'd be grateful for a quick call"
            [RequestForm::Wish, "/
                \\b(?:
                    (?:i|we)(?:'d|\\s+would|\\s+should)\\s+(?:be\\s+)?(?:(?:very|most|so|really|ever\\s+so)\\s+)*
                    (?:grateful|thankful|glad|pleased|obliged)\\s+(?:for|of|about)
                    |(?:would|i'd|we'd)\\s+appreciate
                )\\s+(?<do>(?:an?|any|{$your}|some)\\b.*)
            /xu"],
            // "A short answer would do"
            [RequestForm::Wish, "/
                (?<do>
                    \\ban?\\s+(?:(?:short|quick|brief|simple|one-line)\\s+)*(?:
                        {$answer}|note|line|call|ring|word|yes\\s+or\\s+no|nod|thumbs\\s+up|message|email
                    )\\b[^.]{0,60}\\b(?:would|will|is)\\s+(?:
                        do|help|suffice
                        |(?:be\\s+)?(?:
                            enough|fine|great|good|nice|helpful|appreciated|all|plenty|useful|lovely|perfect
                        )
                    ).*
                )
            /xu"],
            // "Looking for your approval", "hoping for a reply by Friday", "would appreciate a reply"
            [RequestForm::Need, "/
                ^(?:(?:just|still|also|really)\\s+)*(?:
                    looking\\s+for|hoping\\s+for|would\\s+appreciate|appreciate|awaiting|await|expecting|requesting
                    |chasing
                )\\s+(?<do>(?:an?|{$your})\\b(?!\\s+(?:help|understanding|patience|kindness|support)\\b).*)
            /xu"],
            // "Looking forward to your answer by Friday"
            [RequestForm::Need, "/
                \\blook(?:ing)?\\s+forward\\s+to\\s+(?<do>
                    {$your}\\s+(?:\\p{L}+\\s+)?{$answer}\\b.*\\b(?:
                        by|before|until|no\\s+later|today|tomorrow|this\\s+week
                    )\\b.*
                )
            /xu"],
            // "I still don't have your timesheet", "we haven't heard back on the offer"
            [RequestForm::Need, "/
                \\b(?:i|we)\\s+(?:still\\s+|apparently\\s+|so\\s+far\\s+)?(?:
                    do(?:n't|\\s+not)\\s+(?:yet\\s+|seem\\s+to\\s+|appear\\s+to\\s+)?have
                    |have(?:n't|\\s+not)(?:\\s+yet|\\s+still)?\\s+(?:received|got|had|seen)
                    |(?:have|'ve)\\s+(?:still\\s+)?not\\s+(?:yet\\s+)?(?:received|got|had|seen)
                )\\s+(?<do>
                    (?:
                        {$your}\\b|an?\\s+(?:{$answer})\\b
                        |any(?:thing)?\\b(?=.*\\b(?:from\\s+you|back|yet|answer|reply|response)\\b)
                        |(?:the|it|them)\\b(?=.*\\b(?:yet|from\\s+you|back)\\b)
                    ).*
                )
            /xu"],
            [RequestForm::Need, "/
                \\b(?:i|we)\\s+still\\s+(?:do(?:n't|\\s+not)\\s+have|have(?:n't|\\s+not)\\s+(?:received|got|had|seen))
                \\s+(?<do>
                    (?:the|your|any|it|them|an?\\s+(?:{$answer}))\\b(?!
                        \\s+(?:faintest|foggiest|time|money|heart|energy|slightest)
                    ).*
                )
            /xu"],
            [RequestForm::Need, "/
                \\b(?:(?:i|we)\\s+)?have(?:n't|\\s+not)\\s+(?:yet\\s+|still\\s+)?heard\\s+(?:anything\\s+)?(?<do>
                    (?:back\\b|from\\s+you\\b)(?!\\s+(?:since|for|in)\\b).*
                )
            /xu"],
            [
                RequestForm::Need,
                "/\\b(?:i|we)(?:\\s+have|'ve)?\\s+(?:still\\s+)?(?:had|heard|received|got)\\s+(?:nothing|no)\\s+"
                    ."(?<do>(?:from\\s+you|back|{$answer}).*)/xu",
            ],
            [RequestForm::Need, "/
                \\b(?:(?:i|we)(?:'m|'re|\\s+am|\\s+are|'ve\\s+been|\\s+have\\s+been)?\\s+)?still\\s+
                (?:waiting\\s+(?:for|on)|missing|lacking|short\\s+of)\\s+(?<do>
                    (?:you|{$your}|the|an?|some|two|three|\\d+)\\b(?!.*\\bfrom\\s+(?!you)\\p{L})(?!
                        \\s+(?:parts?|delivery|bus|train|weather|results?|council|insurance|supplier)\\b
                    ).*
                )
            /xu"],
            [
                RequestForm::Need,
                "/\\b(?:i|we)(?:'m|'re|\\s+am|\\s+are)\\s+(?:(?:only|just|now|still)\\s+)*missing\\s+(?<do>{$your}\\b.*)/xu",
            ],
            // "This is now overdue", "payment is still outstanding"
            [RequestForm::Need, "/
                (?<do>
                    (?:
                        \\b(?:
                            this|it|that|which|{$your}\\s[\\p{L}\\d .\\/-]{2,60}?
                            |(?:the|an?|our|my)?\\s*(?:
                                payment|invoice|bill|rent|report|form|timesheet|return|answer|reply|fee|contribution
                                |instalment|subscription|book|books|balance
                            )\\b(?:[^.,;]|[.,](?=\\d)){0,50}?
                        )
                    )\\s(?:is|are|was|remains?|has\\s+been)\\s+(?:
                        (?:now|already|still|long|well|rather|badly|\\w+\\s+(?:days?|weeks?|months?))\\s+
                    )*(?:overdue|outstanding|past\\s+due|unpaid|unanswered)\\b.*
                )
            /xu"],
            // "You were going to send me the list", "you promised the list"
            [RequestForm::Need, "/
                \\byou\\s+(?:
                    were\\s+(?:going|supposed|meant|due)\\s+to
                    |(?:had\\s+)?promised(?:\\s+me|\\s+us)?(?=\\s+(?:to|the|an?|your|it|them|that|this|some|me|us)\\b)
                    (?:\\s+to)?
                    |said\\s+you(?:'d|\\s+would|'ll|\\s+will)
                )\\s+(?<do>(?!be\\b)\\p{L}.*)
            /xu"],
            // "I'm chasing the captions again"
            [RequestForm::Need, '/\bchasing\s+(?:up\s+)?(?:(?:you\s+)?(?:for|about|on)\s+)?(?<do>(?:the|your|this|these|those|my)\b.*)/xu'],
            // "This is a friendly reminder that invoice 310 was due"
            [RequestForm::Need, '/\\breminder\\s+(?:to\\s+(?<do>\\p{L}.*))/xu'],
            [RequestForm::Need, '/
                \\breminder\\s+(?:that|about|of|for)\\s+(?<do>
                    (?:(?:your|the|our|an?)\\s+)?(?:\\p{L}+\\s+)?(?:
                        invoice|payment|bill|form|report|fee|rent|subscription|contribution|account|balance|timesheet
                        |return|instalment|deadline
                    )\\b.*
                )
            /xu'],
            // "We urgently need the spare key"
            [RequestForm::Need, '/\\b(?:i|we)\\s+(?:urgently|badly|desperately)\\s+need\\s+(?<do>\\p{L}.*)/xu'],
            [RequestForm::Need, '/
                \\b(?:i|we)\\s+need\\s+(?<do>
                    (?:the|your|it|them|this|that|an?)\\b.*\\b(?:
                        urgently|asap|badly|right\\s+away|at\\s+once|straight\\s+away|quickly|immediately
                    )\\b.*
                )
            /xu'],
            // "You forgot to sign page three"
            [RequestForm::Need, "/
                \\byou(?:'ve|\\s+have)?\\s+(?:
                    forgot(?:ten)?|missed|omitted|failed|(?:did|have)(?:n't|\\s+not)(?:\\s+yet)?
                )\\s+(?:to\\s+)?(?<do>
                    (?:
                        told|given|said|chosen|picked|brought|decided|replied|paid|put|sign|send|sent|fill|include
                        |attach|say|tell|return|pay|answer|reply|confirm|enclose|put|add|date|register|submit
                    )(?:\\p{L}{0,3})\\b.*
                )
            /xu"],
            // "need ur sign off on this"
            [RequestForm::Need, "/
                (?:
                    ^
                    |\\b(?:i|we|it|this|they|council|office|bank|customer|client|board|committee|printer|insurance)
                    \\s+
                )(?:(?:still|also|urgently|really|just)\\s+)*(?:
                    needs?|wants?|requires?|expects?|(?:is|are)\\s+waiting\\s+for|asks?\\s+for
                )\\s+(?<do>{$your}\\s.*)
            /xu"],
            // "I need the keys on Monday"
            [RequestForm::Need, "/
                \\b(?:i|we)(?:'ll|\\s+will)?\\s+(?:(?:still|also|urgently|really)\\s+)*need\\s+(?<do>
                    (?:
                        the|it|them|this|these|those|all|both|your
                        |an?\\s+(?:copy|list|answer|reply|decision|quote|receipt|scan)
                    )\\b.*\\b(?:on|for|in)\\s+(?:mon|tues|wednes|thurs|fri|satur|sun)day\\b.*
                )
            /xu"],
            // "This needs to go out today"
            [RequestForm::Need, '/
                (?<do>
                    \\b(?:this|it|that|these|they|the\\s+\\p{L}+(?:\\s+\\p{L}+)?)\\s+(?:needs?|ha(?:s|ve))\\s+to\\s+
                    (?:go\\s+(?:out|off|back|in)|leave|be\\s+\\p{L}+)\\b.*\\b(?:
                        today|tonight|tomorrow|by|before|this\\s+(?:week|morning|afternoon|evening)|asap|eod|cob
                    )\\b.*
                )
            /xu'],
            // "Everyone needs to complete the training", "members are asked to send their photos"
            [RequestForm::Need, "/
                ^(?:(?:so|and|but|also|reminder|note)[,:]?\\s+)?{$all}\\s+(?:\\p{L}+\\s+){0,6}?{$duty}\\s+(?<do>
                    (?!be\\s+(?:aware|proud|happy|glad)|have\\s+(?:gone|left|been|had|\\p{L}+ed)\\b)\\p{L}.*
                )
            /xu"],
            [RequestForm::Need, "/
                \\b(?:we|i)(?:'re|'m|\\s+are|\\s+am|\\s+would\\s+like\\s+to|'d\\s+like\\s+to)?\\s+
                (?:(?:kindly|also|now|therefore)\\s+)*(?:
                    ask|asking|request|requesting|urge|urging|remind|reminding|expect|expecting
                )\\s+(?:you|{$all})(?:\\s+\\p{L}+)?\\s+to\\s+(?<do>\\p{L}.*)
            /xu"],
            // "The report is due on Friday"
            [RequestForm::Need, "/
                (?<do>
                    (?:\\b(?:{$your}|the|our)\\s+|^)(?:\\p{L}+\\s+){0,2}?(?:
                        expenses|deposits?|premiums?|membership|subscriptions?|taxes|tax|bills?|books?|reports?|forms?
                        |payments?|invoices?|returns?|answers?|repl(?:y|ies)|proposals?|applications?|drafts?
                        |timesheets?|contributions?|rent|fees?|articles?|abstracts?|slides|reviews?|corrections
                        |comments|statements?|entries|entry|manuscript|chapter|accounts|figures|numbers
                    )\\s+(?:(?:is|are)|falls?|becomes?|comes?)\\s+due\\s+(?:back\\s+)?(?:
                        on|by|today|tomorrow|tonight|this|next|in|at|before|end|mon|tue|wed|thu|fri|sat|sun
                    ).*
                )
            /xu"],
            // "Feedback welcome by Friday"
            [RequestForm::Need, "/
                (?<do>
                    ^(?:\\p{L}+\\s+){0,2}?(?:
                        {$answer}|suggestions|corrections|photos|entries|abstracts|contributions|questions|votes
                        |offers|quotes|applications|registrations
                    )\\s+(?:(?:is|are|will\\s+be)\\s+)?(?:
                        welcome|please|wanted|invited|due|needed|required|expected|accepted|taken
                    )\\b.*\\b(?:by|before|until|till|no\\s+later|today|tomorrow)\\b.*
                )
            /xu"],
            // "When you have a minute, ring me"
            [
                RequestForm::Order,
                '/^(?:if|should|when|whenever|once|before|after|as\s+soon\s+as|while|next\s+time|at\s+your)\b[^,?.!]{3,60},\s+(?:(?:please'
                    .'|just|do|also|could\s+you)\s+)*(?<do>(?:'.self::ORDERS.')\b'.self::OBJECT.'.*)/u',
            ],
        ];
    }

    /**
     * What is asked by telling what is wanted, by whom, what it hangs on, or whose turn it is. One alternative a line.
     *
     * @return list<array{RequestForm, string}>
     */
    private function implied(): array
    {
        $your = '(?:your|ur|yr)';
        $deed = '(?:send|pay|sign|return|reply|respond|answer|confirm|register|complete|fill\s+(?:in|out)|call|ring|phone|text|email'
            .'|write\s+to|contact|bring|provide|submit|renew|book|give|tell|let\s+(?:me|us)\s+(?:know|have)|hand\s+in|get\s+(?:me|us|it'
            .'|back|in\s+touch))';
        $thing = '(?:cop(?:y|ies)|pictures?|photos?|list|answer|reply|decision|quote|estimate|date|call|word|version|report|summary|look'
            .'|receipt|signature|confirmation|statement|invoice|explanation|meeting|proof|number|address|figures|numbers|drawings?|plans?)';

        return [
            // "Be so kind as to return the slip"
            [
                RequestForm::Order,
                '/^(?:(?:and|also)\s+)?be\s+(?:so|very)?\s*(?:kind|good)\s+(?:enough\s+)?(?:as\s+)?to\s+(?<do>\p{L}.*)/xu',
            ],
            // "To keep your place, pay the deposit by Monday"
            [RequestForm::Order, "/
                ^(?:to|in\\s+order\\s+to|so\\s+that)\\b[^,?.!]{3,80},\\s+(?:
                    (?:please|just|you\\s+(?:only\\s+)?(?:have|need)\\s+to)\\s+
                )*(?<do>{$deed}\\b.*)
            /xu"],
            // "Ready when you are: send me the text"
            [RequestForm::Order, "/
                [:;–—]\\s*(?:(?:otherwise|so|or|and|just|then|if\\s+not)[,\\s]+)*(?:please\\s+)?(?<do>
                    {$deed}\\b\\s+(?:me|us|it|them|{$your}|the|this|by|to|with|back|both|all|what|when|which|whether)
                    \\b.*
                )
            /xu"],
            // "This is to ask you to confirm the address"
            [RequestForm::Order, '/
                (?<!need\s)(?<!not\s)(?<!used\s)(?<!wanted\s)\bto\s+(?:ask|remind|urge|beg|request|invite)\s+
                (?:that\s+)?you\s+(?:all\s+|both\s+)?(?:to|for|whether|if|about)\s+(?<do>\p{L}.*)
            /xu'],
            // "I'd suggest you call him", "you'd better tell them", "you may want to renew it"
            [RequestForm::Need, '/
                \b(?:i|we)(?:\'d|\s+would|\s+strongly)?\s+(?:suggest|recommend|propose|advise)\s+(?:that\s+)?you\s+
                (?:to\s+)?(?<do>(?!are\b|have\b|is\b)\p{L}.*)
            /xu'],
            [RequestForm::Need, '/\byou(?:\'d|\s+had)\s+better\s+(?<do>(?!be\b|believe\b|not\b)\p{L}.*)/xu'],
            [RequestForm::Need, '/
                \byou(?:\'ll|\s+will|\s+might|\s+may)\s+(?:also\s+)?want\s+to\s+(?<do>
                    (?!know\b|see\b|hear\b|be\b|try\b|visit\b|join\b|sit\b|look\s+away|note\b)\p{L}.*
                )
            /xu'],
            // "You should reply to the council"
            [
                RequestForm::Need,
                '/\\byou\\s+(?:really\\s+)?should\\s+(?:really\\s+|also\\s+|now\\s+)*'
                    ."(?<do>(?:{$deed}|check|renew|replace|repair|clean|cancel|change|update|inform|warn|insure|"
                    .'test|lock|order)\\b'.str_replace(
                        '[A-Z]',
                        '\\p{Lu}',
                        self::OBJECT,
                    ).'.*)/xu',
            ],
            // "Members vote by post until 10 December"
            [RequestForm::Need, '/
                ^(?:
                    everyone|everybody|all\s+of\s+you|members|staff|colleagues|participants|exhibitors|volunteers
                    |parents|tenants|residents|students|guests
                )\s+(?<do>
                    (?:vote|register|apply|pay|send|renew|return|book|sign|bring|reply|answer)\b.*\b
                    (?:by|until|till|before|no\s+later)\b.*
                )
            /xu'],
            // "Any chance of the missing page?"
            [
                RequestForm::Wish,
                '/\bany\s+chance\s+of\s+(?:getting\s+|having\s+|seeing\s+)?(?<do>(?:the|an?|your|some|another|those|these)\b.*)/xu',
            ],
            // "We'd like to use your photograph"
            [RequestForm::Wish, '/
                \b(?:i|we)(?:\'d|\s+would|\s+should)?\s+(?:(?:also|very\s+much|really)\s+)*
                (?:like|love|want|wish|hope)\s+to\s+(?<do>
                    (?:use|print|publish|quote|show|exhibit|borrow|hire|rent|film|photograph|buy|reprint)\s+
                    (?:your|one\s+of\s+your|some\s+of\s+your|the)\b.*
                )
            /xu'],
            // "You should have it swept"
            [RequestForm::Need, '/
                \byou\s+(?:really\s+|also\s+)?(?:should|ought\s+to|had\s+better|want\s+to)\s+(?<do>
                    (?:have|get)\s+(?:it|them|this|that|the\s+\p{L}+|your\s+\p{L}+)\s+\p{L}+(?:ed|pt|wn|t)\b.*
                )
            /xu'],
            // "For the year-end we're missing two receipts"
            [RequestForm::Need, '/
                ^(?:for\s[^,?]{3,40}?,?\s+)?(?:i|we)(?:\'m|\'re|\s+am|\s+are)\s+(?:still\s+|only\s+|just\s+)?missing
                \s+(?<do>(?:the|your|an?|one|two|three|some|all)\b.*)
            /xu'],
            // "To take it further, we require photographs"
            [RequestForm::Need, '/
                ^(?:to|in\s+order\s+to|for|before)\s[^,?]{3,80},\s+(?:i|we)
                (?:\'ll|\'d|\s+will|\s+would|\s+do|\s+still)?\s+(?:also\s+)?(?:require|need)\s+
                (?<do>(?!to\b|more\s+time)\p{L}.*)
            /xu'],
            // "We could do with a few more cakes"
            [RequestForm::Wish, '/
                \b(?:i|we)\s+(?:could|can)\s+(?:really\s+|still\s+|also\s+)?(?:do|use)\s+(?:with\s+)?(?<do>
                    (?:
                        an?\s+(?:few\s+|couple\s+of\s+|bit\s+of\s+)?(?:more\s+)?
                        |some|more|another|one\s+more|your|two\s+more|three\s+more
                    )(?!\s*(?:holiday|rest|drink|break|nap|sleep|coffee|tea|sun|rain)\b)\b.*
                )
            /xu'],
            // "You have one document to sign"
            [RequestForm::Need, '/
                \byou(?:\'ve|\s+have|\'ve\s+got|\s+have\s+got)\s+(?:still\s+|got\s+)?(?:an?|one|two|three|four|\d+)\s+
                (?:\p{L}+\s+){1,3}to\s+(?<do>
                    (?:sign|approve|review|confirm|pay|complete|answer|return|accept|check|fill)\b.*
                )
            /xu'],
            // "The final report falls due at the end of December"
            [RequestForm::Need, '/
                (?<do>
                    \b(?:the|your|our|this)\s(?:[\p{L}-]+\s){0,4}?(?:
                        dues|report|return|declaration|form|payment|fee|fees|subscription|contribution|rent|instalment
                        |deposit|balance|application|review|draft|chapter|essay|accounts|figures|proofs?|statement
                        |invoice
                    )\b[^,;.?!]{0,40}?\s(?:falls?\s+due|(?:is|are)\s+(?:due|payable))\b.*
                )
            /xu'],
            // "From next week please pack a towel"
            [
                RequestForm::Order,
                '/^(?:from|on|after|before|until|in|at|by|next|this|during)\b[^,?.!]{2,40}?,?\s+please\s+(?<do>\p{L}.*)/xu',
            ],
            // "Would everybody please shut the gate"
            [RequestForm::Order, '/
                ^(?:would|could|can|will)\s+(?:
                    everybody|everyone|anybody|anyone|somebody|someone|all\s+of\s+you|the\s+two\s+of\s+you
                    |you\s+(?:two|all|both)|whoever\b[^?]{3,60}?
                )\s+(?:please\s+|kindly\s+)(?<do>\p{L}.*)
            /xu'],
            // "I was expecting your chapter last Friday"
            [RequestForm::Need, '/
                \b(?:i|we)(?:\s+(?:was|were|had\s+been)|\'d\s+been)\s+(?:really\s+)?(?:
                    expecting|hoping\s+for|waiting\s+for|counting\s+on|promised
                )\s+(?<do>
                    (?:your|the(?!\s+(?:sun|rain|wind|weather|tide|snow|bus|train|ferry|best|worst))|an?|those|these)
                    \b.*
                )
            /xu'],
            // "My invoice is attached, payable by 18 December"
            [
                RequestForm::Need,
                '/(?<do>\b(?:invoice|bill|account|statement)\b[^;.?!]{0,60}?\bpayable\s+(?:by|within|before|until|on)\b.*)/xu',
            ],
            // "Time to submit your expenses"
            [RequestForm::Order, "/
                ^(?:it(?:'s|\\s+is)\\s+)?(?:high\\s+)?time\\s+(?:for\\s+you\\s+)?to\\s+(?<do>
                    (?:{$deed}|update|file|order|choose)\\s+(?:in\\s+)?{$your}\\b.*
                )
            /xu"],
            // "All that's left is your go-ahead", "the only thing missing is the signed form"
            [RequestForm::Need, "/
                \\b(?:all|(?:the\\s+)?(?:only|last|one)\\s+(?:thing|piece|bit|item|paper|document))\\b[^.,;]{0,40}\\b(?:
                    left|missing|needs?|needed|require|required|outstanding|lacking|remains|lack|want
                )\\b[^.,;]{0,20}\\b(?:is|are)\\s+(?<do>
                    (?:{$your}|for\\s+you\\s+to|an?|the)\\b(?!.*,?\\s(?:and|which)\\s+(?:i|we)\\b).*
                )
            /xu"],
            // "Just need a yes or no from you"
            [
                RequestForm::Need,
                '/^(?:(?:still|just|only|urgently|now)\s+)*(?:needs?|needing|want|missing|lacking)\s+(?<do>.*\bfrom\s+you\b.*)/xu',
            ],
            // "We send you a draft and need your remarks then"
            [RequestForm::Need, '/\band\s+(?:(?:will|then|now|still|also)\s+)*need\s+(?<do>your\b(?!\s+(?:help|support)\s+no).*)/xu'],
            // "Before we can begin, we need the signed contract"
            [RequestForm::Need, '/
                ^(?:before|to|in\s+order\s+to|until|so\s+that|for\s+(?:this|that))\b[^,?.!]{3,80}?,?\s+(?:we|i)\s+
                (?:(?:still|also|will|now|first)\s+)*(?:need|require|lack)\s+(?<do>
                    (?:the|an?|your|two|three|all|both|proof|some)\b.*
                )
            /xu'],
            // "We need the bank statements and the list of members"
            [RequestForm::Need, "/
                ^(?:(?:and|so|also|therefore|for\\s+[^,;.]{3,30}?|to\\s+[^,;.]{3,40}?)[,\\s]+)?(?:we|i)\\s+
                (?:(?:still|also|now|only|just|will|would)\\s+)*(?:need|require|lack)\\s+(?<do>
                    (?:the|your|an?|two|three|both|all)\\s+(?:\\p{L}+\\s+){0,2}?(?:
                        {$thing}|statements?|documents?|papers?|forms?|details|receipts?|minutes|measurements?
                        |accounts?|contract|certificates?|files?|passport|information|proof
                    )\\b(?!.*\\b(?:and|but|so|which)\\s+(?:i|we|he|she|they)\\b).*
                )
            /xu"],
            // "Your signature on the minutes is the last that is missing"
            [
                RequestForm::Need,
                "/(?<do>\\b{$your}\\s+\\p{L}+\\b[^.;,]{0,60}\\b(?:is|are)\\b[^.;,]{0,30}"
                    .'\\b(?:missing|outstanding|lacking|needed)\\b(?!\\s+no).*)/xu',
            ],
            // "To keep it, log in before the end of the month"
            [
                RequestForm::Order,
                '/^(?:if|to|in\s+order\s+to|should)\b[^,?.!]{3,60},\s+(?:please\s+)?(?<do>(?:log|sign)\s+(?:in|on)\b.*\b(?:by|before|until'
                    .'|within)\b.*)/xu',
            ],
            // "For your approval"
            [RequestForm::Need, "/
                ^(?:for|awaiting)\\s+(?<do>
                    {$your}\\s+(?:
                        approval|signature|review|comments?|confirmation|decision|consent|sign-?\\s?off|correction
                        |action|attention\\s+and
                    )\\b.*
                )
            /xu"],
            // "The balance of £120 is due", "payment is two weeks late"
            [
                RequestForm::Need,
                '/(?<do>^[^.;?!]{0,60}[£$€]\s?\d[\d.,]*\b[^.;?!]{0,20}\s(?:is|are|falls?|becomes?|was)\s+(?:now\s+)?(?:due|payable|owed'
                    .'|owing)\b.*)/xu',
            ],
            [RequestForm::Need, "/
                (?<do>
                    (?:^|\\b{$your}\\s+|\\bthe\\s+)(?:\\p{L}+\\s+){0,2}?(?:
                        payment|report|form|timesheet|return|rent|fee|expenses|reply|answer|draft|proofs?|books?
                    )\\s+(?:is|are)\\s+(?:(?:now|already|very|rather|\\p{L}+\\s+(?:days?|weeks?|months?))\\s+)*late\\b
                    .*
                )
            /xu"],
            // "The inspector would like to see the log book", "she would love a picture", "Sennen wants to know whether"
            [RequestForm::Wish, "/
                ^(?:(?:and|but|so|also)\\s+)?(?:
                    the\\s+(?:\\p{L}+\\s+)?\\p{L}+
                    |my\\s+\\p{L}+|he|she|they
                    |(?!(?:i|we|you|who|it|that|this|nobody|everybody|everyone)\\b)\\p{L}+
                )\\s+(?:(?:also|still|now|really)\\s+)*(?:
                    would\\s+(?:(?:also|really)\\s+)?(?:like|love|appreciate|welcome)
                    |wants?|asks?\\s+for
                    |(?:is|are|keeps?)\\s+asking\\s+(?:\\p{L}+\\s+){0,2}?for
                    |needs?
                )\\s+(?<do>
                    (?:
                        to\\s+(?:know|hear|be\\s+told)\\s+(?:if|whether|when|what|which|who|where|how)\\b.*
                        |to\\s+(?:see|have|get|receive)\\s+(?:{$your}|the|an?|all|both)\\b(?!.*\\bworld\\b).*
                        |(?:an?|the|{$your}|some|more|another)\\s+(?:\\p{L}+\\s+)?{$thing}\\b.*
                    )
                )
            /xu"],
            [RequestForm::Order, '/
                \b(?:asked|asks|asking|requests|requested|insists|insisted|suggests|suggested|demands)\s+that\s+you\s+
                (?<do>(?!are\b|were\b|had\b|have\s+been\b)\p{L}.*)
            /xu'],
            // "Curious to hear what you make of it", "keen to get your view"
            [RequestForm::Wish, "/
                (?:^|\\b(?:i|we)(?:'m|'re|\\s+am|\\s+are|'d\\s+be|\\s+would\\s+be)\\s+)
                (?:(?:very|really|just|also|so)\\s+)*(?:curious|keen|eager|interested|anxious|dying)\\s+
                (?:to\\s+(?:hear|get|know|see|learn|have)|in)\\s+(?<do>
                    (?:{$your}\\b|(?:what|how|whether|if|when|which|where)\\s+(?:you|the|it|this)\\b).*
                )
            /xu"],
            // "Could use a hand with the tent"
            [RequestForm::Wish, "/
                (?:^|\\b(?:i|we)\\s+)could\\s+(?:really\\s+)?(?:use|do\\s+with)\\s+(?<do>
                    (?:
                        a\\s+(?:hand|pair|second|bit\\s+of\\s+help)
                        |some\\s+help|help|{$your}|an\\s+extra|another|an\\s+opinion|more\\s+hands
                    )\\b.*
                )
            /xu"],
            // "Whatever you have would do"
            [
                RequestForm::Wish,
                '/(?<do>\b(?:whatever|anything)\s+you\s+(?:have|can|know)\b[^.,;]{0,30}\b(?:would|will)\s+(?:do|help|suffice|be)\b.*)/xu',
            ],
            // "Counting on you for the speech", "we depend on your figures", "without your signature we cannot start"
            [RequestForm::Need, "/
                (?<!can\\s)\\b(?:counting|relying|banking|depend(?:ing|s)?|rely|hinges?|hangs?|count)\\s+(?:up)?on\\s+(?<do>
                    (?:you\\s+(?:for|to)|{$your})\\b(?!\\s+(?:support|help|continued|needs?|point|budget|taste|mood))
                    \\s.*
                )
            /xu"],
            [RequestForm::Need, "/
                \\bwithout\\s+(?<do>
                    {$your}\\s[^.;]*\\b(?:
                        cannot|can't|can\\s+not|won't|will\\s+not|unable|impossible|no\\s+way
                        |there\\s+(?:will|would)\\s+be
                        |nothing
                    )\\b.*
                )
            /xu"],
            // "Unless we hear from you by Friday", "failing a reply by 1 December"
            [RequestForm::Need, "/
                ^(?:
                    unless|failing
                    |if\\s+(?:we|i)\\s+(?:do(?:n't|\\s+not)|have(?:n't|\\s+not)|hear\\s+nothing|get\\s+no)
                )\\s+(?<do>
                    [^.;]*\\b(?:you|{$your}|reply|answer|payment|response|word)\\b[^.;]*\\b(?:by|before|within|until)
                    \\b.*
                )
            /xu"],
            // "No word from you about the tiles", "they won't let me order without a number from you"
            [RequestForm::Need, '/\bno\s+(?:word|news|answer|reply|response|sign)\s+(?:yet\s+|so\s+far\s+)?(?<do>from\s+you\b.*)/xu'],
            [RequestForm::Need, '/\bwithout\s+(?<do>[^.;]{3,60}\bfrom\s+you\b.*)/xu'],
            // "It would mean a lot if you came"
            [
                RequestForm::Wish,
                '/\bmean\s+(?:a\s+lot|so\s+much|the\s+world|a\s+great\s+deal)\s+(?:to\s+\p{L}+\s+(?:\p{L}+\s+)?)?'
                    .'if\s+you\s+(?<do>\p{L}.*)/xu',
            ],
            // "It must reach me today"
            [RequestForm::Need, '/
                (?<do>
                    \b(?:must|ha(?:s|ve)\s+to|needs?\s+to)\s+(?:
                        reach|be\s+(?:back\s+)?with|get\s+to|come\s+to|arrive\s+(?:at|with)
                    )\s+(?:me|us|my|our)\b.*
                )
            /xu'],
            // "I expect an answer in writing"
            [RequestForm::Need, '/
                \b(?:i|we)(?:\'m|\'re|\s+am|\s+are)?\s+(?:(?:still|therefore|now|also|hereby)\s+)*(?:
                    expect|demand|await|awaiting|claim|insist\s+on|ask\s+for|asking\s+for|request|requesting
                    |must\s+insist\s+on
                )\s+(?<do>
                    (?:an?|your|the|full|immediate|prompt|at\s+least)\s+(?:\p{L}+\s+)?(?:
                        answer|reply|response|refund|explanation|apology|payment|action|compensation|confirmation
                        |statement|replacement|decision
                    )\b.*
                )
            /xu'],
            // "Small favour: water my tomatoes", "I need a favour"
            [RequestForm::Order, '/\bfavou?r(?:\s+to\s+ask)?\s*[:–—-]\s*(?:(?:could|would|can)\s+you\s+)?(?<do>\p{L}.*)/xu'],
            [RequestForm::Wish, '/
                (?:^|\b(?:need|ask|beg|have)\s+)(?<do>
                    (?:an?\s+)?(?:\p{L}+\s+)?favou?r(?:\s+(?:to\s+ask|of\s+you|from\s+you|again|today|please))?\s*
                    (?:[.:?!,]|$).*
                )
            /xu'],
            // "Pages 3 and 7 want your initials"
            [RequestForm::Need, "/
                ^(?!(?:i|you|who|nobody|it\\s+doesn't)\\b)[^.,;?!]{2,60}\\s(?:needs?|wants?|requires?|lacks?)\\s+
                (?:only\\s+|still\\s+|both\\s+)*(?<do>
                    {$your}\\s+(?:\\p{L}+\\s+)?(?:
                        initials?|name|approval|signatures?|attention|help|advice|input|opinion|view|answer|decision
                        |consent|eyes?|hand|blessing|okay?|address|number|details|stamp|comments?|corrections?
                    )\\b.*
                )
            /xu"],
            [RequestForm::Need, '/\bneeds?\s+(?<do>[^.;]{3,60}\b(?:yours|your\s+own)\b.*)/xu'],
            // "We can only hold the room unless you confirm"
            [RequestForm::Need, "/
                \\bunless\\s+you\\s+(?:first\\s+|also\\s+|now\\s+)?(?<do>
                    (?:{$deed}|log|act|verify|update|accept|agree|collect|claim|apply|object)\\b.*
                )
            /xu"],
            // "You owe the fund 12 euros", "you are overdue on two books"
            [RequestForm::Need, '/\byou\s+(?:still\s+|now\s+|also\s+)*(?<do>owe\s+(?!nothing|me\s+nothing|it\s+to|nobody|yourself).*)/xu'],
            [RequestForm::Need, '/\byou(?:\'re|\s+are)\s+(?:now\s+|already\s+)?(?<do>(?:overdue|late|behind)\s+(?:on|with)\b.*)/xu'],
            // "The form is in your pigeonhole to be signed"
            [RequestForm::Need, '/
                \b(?:put|left|sent|enclosed|attached|laid|is|are|here)\b.*\bto\s+be\s+(?<do>
                    (?:signed|filled|checked|returned|paid|approved|corrected|completed|countersigned|initialled)\b(?!
                        .*\bby\s+(?!you\b|mon|tue|wed|thu|fri|sat|sun|the|tomorrow|noon|\d)\p{L}
                    ).*
                )
            /xu'],
            [RequestForm::Need, "/\\b(?:gap|space|room|blank|line|page)s?\\b[^.;]*\\bfor\\s+(?<do>{$your}\\s.*)/xu"],
            // "We're looking for two people to man the stall"
            [RequestForm::Wish, '/
                \blooking\s+for\s+(?<do>
                    (?:
                        someone|somebody|volunteers?|helpers?|people
                        |(?:one|two|three|four|five|six|\d+|a\s+few|more|some)\s+(?:more\s+)?(?:
                            people|volunteers|helpers|persons|hands|drivers|stewards
                        )
                    )\b.*\b(?:to|who|for|on)\b.*
                )
            /xu'],
            [RequestForm::Wish, '/^(?:last|final)\s+(?:call|chance|reminder)\s+(?<do>(?:for|to)\s+\p{L}.*)/xu'],
            // "Just following up on my mail", "sorry to pester you about the keys"
            [RequestForm::Need, '/
                \b(?:
                    checking\s+(?:in|back)|following\s+up|follow(?:ing)?-?\s?up|bumping|nudg(?:e|ing)(?:\s+you)?
                    |pester(?:ing)?\s+you|chas(?:e|ing)\s+you|bother(?:ing)?\s+you|nag(?:ging)?(?:\s+you)?
                    |hassl(?:e|ing)\s+you
                )\s+(?:again\s+)?(?<do>(?:on|about|for|over|up|this|with|to)\b.*)
            /xu'],
            // "Do not pay the second invoice"
            [RequestForm::Order, '/
                ^(?<do>
                    do(?:n\'t|\s+not)\s+(?:
                        let|pay|sign|send|order|touch|lock|throw|park|accept|book|cancel|leave|lose|give|move|print
                        |publish|ship|start
                    )\b(?!\s+(?:it|that|this)\s+(?:get|bother|worry|stop)).*
                )
            /xu'],
            // "The editor insists on having the captions"
            [RequestForm::Need, '/\binsists?\s+on\s+(?<do>(?:having|getting|seeing|receiving)\b.*)/xu'],
            // "I need my drill back"
            [RequestForm::Need, '/
                \b(?:i|we)(?:\'ll|\s+will|\s+would)?\s+(?:(?:still|really|urgently|also|now)\s+)*
                (?:need|want|would\s+like)\s+(?<do>(?:my|our|the|it|them|those|that)\b[^.;]*\bback\b.*)
            /xu'],
            // "We were promised the drawings for last Friday"
            [RequestForm::Need, '/\b(?:i|we)\s+(?:were|was|have\s+been)\s+promised\s+(?<do>(?!to\s+be)\p{L}.*)/xu'],
            // "It can be picked up until six", "payable within 10 days"
            [RequestForm::Need, '/
                (?<do>
                    \b(?:it|they|this|your\s+[^.;,]{2,30})\s+(?:can|may|must|should)\s+be\s+
                    (?:picked\s+up|collected|fetched)\b(?!\s+(?:at\s+)?any\s*time).*
                )
            /xu'],
            [RequestForm::Need, '/^(?<do>(?:payable|due|payment\s+(?:is\s+)?due)\b.*\b(?:within|by|before|until|on)\b.*)/xu'],
            // "He would like you to ring him"
            [RequestForm::Order, '/
                \b(?:he|she|they|(?:the|my|our)\s+(?:\p{L}+\s+)?\p{L}+)\s+(?:
                    would\s+like|wants?|needs?|asks?|expects?|begs?|is\s+asking|are\s+asking
                )\s+(?:for\s+)?you\s+to\s+(?<do>\p{L}.*)
            /xu'],
            // "If you still have a bed free, we would take it"
            [RequestForm::Wish, '/
                ^if\s+you\s+(?:still\s+)?(?:have|had|could\s+spare|can\s+spare)\b[^,.;]{3,60},\s+(?:i|we)
                (?:\'d|\s+would|\s+should)\s+(?:
                    like\s+to\s+|love\s+to\s+|gladly\s+|be\s+glad\s+of\s+|be\s+happy\s+to\s+
                )?(?<do>\p{L}.*)
            /xu'],
            // "I have a question how many stairs are there"
            [RequestForm::Wish, '/
                \b(?:i\s+have\s+a|my|one|another|a\s+quick|a\s+small)\s+question[:,]?\s+(?:is\s+)?(?<do>
                    (?:how|what|when|where|who|which|why|whether|if)\b.*
                )
            /xu'],
            // "Enclosed is a form, which must be returned to us"
            [RequestForm::Need, '/
                (?<do>
                    \b(?:form|slip|declaration|copy|copies|questionnaire|contract|agreement|receipt|card|invoice|part)
                    \b,?\s+(?:which\s+|that\s+)?(?:must|has\s+to|have\s+to|needs?\s+to|should|is\s+to|are\s+to)\s+be
                    \s+(?:returned|sent|signed|completed|filled|paid|handed|given)\b.*
                )
            /xu'],
            // "Your fee has not been paid"
            [RequestForm::Need, '/
                (?<do>
                    \byour\s+[^.;,!?]{2,60}?\s(?:has|have|is|are|was|were)(?:\s+still|\s+yet|\s+so\s+far)?
                    (?:\s+not|n\'t)\s+(?:yet\s+)?(?:been\s+)?(?:
                        paid|received|returned|signed|arrived|reached|come\s+in|settled|sent|completed|handed\s+in
                        |confirmed|renewed
                    )\b.*
                )
            /xu'],
            // "Get hold of Mick", "see to it that", "mind you lock up"
            [RequestForm::Order, "/
                ^(?:(?:please|just|and|also|then|so)\\s+)*(?<do>
                    (?:
                        get\\s+hold\\s+of|get\\s+on\\s+to|get\\s+in\\s+touch\\s+with|see\\s+to\\s+it|look\\s+after
                        |take\\s+care\\s+of(?!\\s+your)
                        |deal\\s+with
                        |say\\s+(?:yes|no|when|which)\\b
                        |(?:let\\s+me|let\\s+us|let's)\\s+have\\s+{$your}
                        |mind\\s+you\\s+(?!,)\\p{L}+
                    )\\b(?!,).*
                )
            /xu"],
            // "Over to you", "the ball is in your court", "I leave it to you"
            [RequestForm::Need, '/
                (?<do>
                    (?:
                        \bover\s+to\s+you
                        |ball(?:\'s|\s+is)\s+in\s+your\s+court
                        |(?:^|(?:it\'s|is|now)\s+)your\s+turn
                        |waiting\s+on\s+you
                        |(?:leave|leaving)\s+(?:it|this|that|the\s+rest)\s+(?:up\s+)?(?:to|with)\s+you
                        |up\s+to\s+you\s+to
                    )\b.*
                )
            /xu'],
        ];
    }
}
