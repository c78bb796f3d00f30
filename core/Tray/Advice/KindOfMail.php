<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Mail\Mime\Undelivered;
use ZippyTray\Core\Person\Person;

/**
 * Tells what kind of mail a message is, from its header fields (RFC 2369, 2919, 3464, 3834), its
 * sender and its words.
 */
final readonly class KindOfMail
{
    private const MACHINE = '/
        ^(?:
            no-?_?reply|do-?not-?reply|donotreply|noreply.*|.*-?no-?reply|notifications?|notify|alerts?|mailer
            |automailer|system|robot|bot|automatic|info-?mail|orders?|billing|invoices?|receipts?|shipping|tracking
            |confirmations?|tickets?|reservations?|security|account|accounts|updates?|postmaster|mailer-daemon|daemon
            |root|cron|monitor|backup|calendar|service
        )$
    /x';

    private const AWAY = '/
        ^\s*(?:
            out\ of\ (?:the\ )?office
            |automatic\ reply
            |auto(?:matic)?[- ]?(?:reply|response|antwort)
            |away\ from\ (?:my|the)\ (?:desk|office|email)
            |on\ (?:leave|holiday|vacation)
            |abwesenheit|absence|réponse\ automatique|respuesta\ automática|resposta\ automática|risposta\ automatica
            |i\ am\ away
        )\b
    /xu';

    private const COLD = '/
        \bi\s+(?:came|stumbled)\s+across\s+(?:your|you)\b
        |\b(?:noticed|saw|looking\s+at|visited|reviewing)\s+your\s+(?:web\s?site|profile|company|page|store|shop)
        |\bwe\s+(?:help|work\s+with|have\s+helped|partner\s+with|specialise|specialize)\s+(?:\w+\s+){0,3}(?:
            companies|businesses|firms|teams|organisations|organizations|leaders|owners|founders|brands|charities
            |museums|agencies|professionals
        )
        |\b(?:quick|short|brief|15[- ]?min(?:ute)?s?|10[- ]?min(?:ute)?s?|20[- ]?min(?:ute)?s?)\s+
        (?:intro(?:ductory)?\s+|discovery\s+)?(?:call|chat|demo|meeting)\b
        |\bbook\s+a\s+(?:demo|call|slot)\b
        |\bhop\s+on\s+a\b
        |\b(?:boost|increase|double|triple|grow|skyrocket|scale|supercharge)\s+(?:your|the)\s+(?:
            sales|traffic|revenue|rankings?|leads|business|visibility|conversions?|roi|pipeline|bookings
            |online\s+presence
        )
        |\b(?:first\s+page|top)\s+(?:of|on|in)\s+(?:the\s+)?(?:search|results)
        |\bseo\b|\bbacklinks?\b|\bguest\s+post|\blead\s+generation\b
        |\bexciting\s+(?:new\s+)?(?:opportunity|role|position)
        |\bopen\s+to\s+(?:new\s+)?(?:opportunities|roles|a\s+(?:new\s+)?(?:role|challenge|conversation))
        |\bour\s+client\b.{0,60}\b(?:looking|seeking|hiring|search)
        |\byour\s+(?:background|experience|profile|cv)\b.{0,40}\b(?:fit|match|impress|caught)
        |\b(?:salary|package)\s+(?:of|up\s+to|range)
        |\brecruit(?:er|ment|ing)\b
        |\btalent\s+(?:partner|acquisition)
        |\b(?:follow(?:ing)?[- ]?up|circling\s+back|bumping\s+this|checking\s+in)\b.{0,40}\b(?:my|our)\s+
        (?:previous|last|earlier|first)\s+(?:e?-?mail|message|note)
        |\b(?:floating|bumping|bubbling|pushing)\s+this\b.{0,30}\binbox\b
        |\b(?:teams|companies|firms|businesses|people|shops)\s+like\s+yours\b
        |\b(?:10|15|20|ten|fifteen|twenty)\s+minutes\b.{0,20}\b(?:this|next|on|for)\b
        |\b(?:do|would)\s+you\s+have\s+(?:10|15|20|30|ten|fifteen|twenty|thirty)\s+minutes\b
        |\b(?:love|like)\s+to\s+show\s+you\s+how\b
        |\bdid\s+you\s+get\s+my\s+(?:last|previous|earlier)\s+(?:e?-?mail|message|note)
        |\binvestment\s+opportunit
        |\bguaranteed\s+(?:returns?|profits?)\b
        |\breply\s+for\s+(?:more\s+)?(?:details|information)\b
        |\bfree\s+webinar\b
        |\bsave\s+your\s+(?:seat|spot)\b
        |\blearn\s+how\s+(?:\w+\s+){1,4}(?:save|boost|grow|increase|double|cut|win)\b
        |\bwould\s+you\s+be\s+(?:interested|open)\b
        |\bno\s+obligation\b
        |\bfree\s+(?:audit|consultation|quote|trial|sample|assessment|mock-?up)\b
        |\bright\s+person\s+(?:to|for)\b
        |\bwho\s+(?:is|handles|looks\s+after)\b.{0,40}\bat\s+your\s+(?:company|organi)
        |\bour\s+(?:award-winning|cutting-edge|innovative|all-in-one|ai-powered|leading)\b
        |\bcompetitive\s+(?:price|pricing|rates?|quote)\b
        |\bwe\s+are\s+(?:a\s+)?(?:leading|professional)\s+(?:\w+\s+){0,3}
        (?:manufacturer|supplier|provider|agency|company|factory)
    /xu';

    /** A machine has written down what was asked, and somebody will read it. */
    private const LOGGED = '/
        \b(?:request|ticket|message|enquiry|inquiry|case|report|question)\b.{0,40}\b(?:has|have)\s+been\s+(?:
            logged|received|registered|recorded|created|opened|assigned
        )\b.{0,200}\bwill\s+(?:get\s+back|be\s+in\s+touch|reply|respond|answer|contact\s+you|look\s+into)
    /xsu';

    private const AWAY_TEXT = '/
        \b(?:i(?:\s+am|[’\']m)|we\s+are)\s+(?:currently\s+|now\s+|presently\s+)?(?:
            out\s+of\s+(?:the\s+)?office
            |away
            |on\s+(?:annual\s+|maternity\s+|parental\s+|sick\s+)?(?:leave|holiday|vacation)
            |travelling|not\s+in\s+the\s+office|closed
        )
        |thank\s+you\s+for\s+(?:your\s+(?:e-?mail|message|mail|enquiry)|contacting)
        |this\s+is\s+an\s+automat
        |ich\s+bin\s+.{0,40}(?:nicht\s+(?:im\s+(?:büro|haus)|erreichbar)|abwesend|im\s+urlaub|außer\s+haus)
        |je\s+suis\s+(?:actuellement\s+)?(?:absente?|en\s+congés?)
        |(?:estoy|estaré)\s+(?:fuera|ausente|de\s+vacaciones)
        |sono\s+(?:fuori|assente|in\s+ferie)
        |ik\s+ben\s+(?:afwezig|niet\s+aanwezig|met\s+vakantie)
        |estou\s+(?:fora|ausente|de\s+férias)
        |jag\s+är\s+(?:inte\s+på\s+kontoret|ledig|på\s+semester)
        |jeg\s+er\s+(?:ikke\s+på\s+kontoret|bortreist|på\s+ferie)
        |jestem\s+(?:nieobecn|na\s+urlopie)
        |меня\s+нет\s+в\s+офисе
        |olen\s+(?:poissa|lomalla)
    /xu';

    private const COMMERCE = '/
        \d+\s?%\ (?:off|discount|less|cheaper|rabatt|auf)
        |\b(?:
            sale|sales|discounts?|deals?|bargains?|vouchers?|coupons?
            |promo(?:tion)?(?:al)?(?:\ code)?
            |code\ [A-Z0-9]{4,}
            |save\ (?:up\ to|over|big|\d)
            |free\ (?:shipping|delivery|gift|trial|sample)
            |shop\ now|buy\ now|order\ now|buy\ one
            |limited\ (?:time|offer|edition)
            |last\ chance
            |ends\ (?:tonight|today|soon|sunday)
            |special\ offer|exclusive\ offer|best\ price|lowest\ price|from\ only|only\ \d|new\ arrivals
            |new\ collection|clearance|black\ friday|cyber\ monday|subscribe\ now|upgrade\ (?:now|today)|don\'t\ miss
            |hurry|while\ stocks\ last|unbeatable|treat\ yourself|we\ miss\ you
            |prices?\ (?:start|from|cut|drop)
        )\b
    /xiu';

    private const MADE_FOR_MANY = '/
        \bunsubscribe\b
        |\bview\ (?:this|it|the)\ (?:e-?mail|message|newsletter|mail)?\s*(?:in|online)
        |you(?:\'re|\ are)?\ (?:are\ )?(?:receiving|received|getting|get)\ this\ 
        (?:e-?mail|message|newsletter|mail|because)
        |update\ your\ preferences
        |manage\ (?:your\ )?(?:preferences|subscriptions?)
        |to\ stop\ (?:receiving|getting)\ (?:these|this)
        |\babmelden\b|se\ désinscrire|darse\ de\ baja
    /xiu';

    private const TRANSACTION = '/
        \b(?:
            your\ (?:
                order|invoice|receipt|booking|reservation|ticket|payment|parcel|delivery|shipment|statement
                |appointment|subscription|account|password|registration|application|refund|bill|library|loan
                |prescription|test\ results|visit|claim
            )
            |order\ (?:no|number|\#|\d)
            |invoice\ (?:no|number|\#|\d)
            |tracking\ number|has\ (?:been\ )?shipped|been\ dispatched|verification\ code|sign-?in|log-?in
        )\b
    /xiu';

    public function __construct(private Suspicion $suspicion = new Suspicion())
    {
    }

    public function of(Gist $gist, Person $person): MailKind
    {
        $subject = mb_strtolower($gist->subject);
        $local = strtolower(explode('@', $gist->from->email)[0]);

        return match (true) {
            $this->isReport($gist) => Undelivered::isDelay($gist->subject, $gist->text) ? MailKind::Delay : MailKind::Bounce,
            $this->isAutoReply($gist, $subject) => MailKind::AutoReply,
            $gist->hasAttachment('text/calendar')
                || $gist->hasAttachment('application/ics') => $this->isAnsweredInvitation($gist, $subject)
                ? MailKind::InvitationNews
                : MailKind::Invitation,
            $this->suspicion->isSuspicious($gist, $person) => MailKind::Suspicious,
            $this->isDiscussion($gist, $local) => MailKind::Discussion,
            $this->isForMany($gist) => $this->manyKind($gist, $local),
            $this->isCold($gist) => MailKind::Advert,
            1 === preg_match(self::MACHINE, $local)
                || str_starts_with(strtolower($gist->header('auto-submitted')), 'auto-generated') => MailKind::Notice,
            default => MailKind::Personal,
        };
    }

    /** Somebody answers an invitation or takes one back, and asks nothing: the object says so, or else the subject. */
    private function isAnsweredInvitation(Gist $gist, string $subject): bool
    {
        $event = $gist->event();
        if (true === $event?->takesBack() || true === $event?->isAnswer()) {
            return true;
        }
        foreach ($gist->attachments as $attachment) {
            if ('' !== $attachment->method) {
                return \in_array($attachment->method, ['reply', 'cancel', 'declinecounter', 'refresh'], true);
            }
        }

        return 1 === preg_match(
            '/^(?:accepted|declined|tentative(?:ly accepted)?|cancel+ed|updated invitation cancelled|zugesagt|abgesagt|accepté|refusé)\b/u',
            $subject,
        );
    }

    private function isReport(Gist $gist): bool
    {
        return $gist->hasAttachment('message/delivery-status')
            || Undelivered::isSaid($gist->from, $gist->header('return-path'), $gist->subject, $gist->text);
    }

    private function isAutoReply(Gist $gist, string $subject): bool
    {
        $auto = strtolower($gist->header('auto-submitted'));
        $precedence = strtolower(trim($gist->header('precedence')));
        if (str_starts_with($auto, 'auto-replied')
            || \in_array($precedence, ['auto_reply', 'auto-reply'], true)
            || '' !== $gist->header('x-autoreply').$gist->header('x-autorespond')
            || 1 === preg_match(self::AWAY, $subject)) {
            return true;
        }
        $beginning = mb_strtolower(mb_substr($gist->text, 0, 500));
        if (1 === preg_match(self::LOGGED, $beginning)) {
            return true;
        }
        // Under a subject of one's own, or as mail for many, it is told by how it begins.
        $isHinted = '' !== $auto && 'no' !== $auto
            || \in_array($precedence, ['bulk', 'junk'], true)
            || '' !== $gist->header('x-auto-response-suppress');

        return '' === $gist->header('list-id')
            && 1 === preg_match(self::AWAY_TEXT, $beginning)
            && ($isHinted || 1 === preg_match(
                '/\b(?:automatic(?:ally)?|automat(?:ed|isch\p{L}*)|automatique|automátic[ao]|automatic[ao]|automatisk|автоматическ)/u',
                $beginning,
            ));
    }

    /** A stranger who sells something, or somebody else's post, to one person at a time. */
    private function isCold(Gist $gist): bool
    {
        if (1 === preg_match('/^\s*(?:re|aw|sv|antw)\s*:/i', $gist->subject) && str_contains($gist->text, "\n>")) {
            return false;
        }
        preg_match_all(self::COLD, mb_strtolower(str_replace('’', "'", $gist->subject."\n".mb_substr($gist->text, 0, 3000))), $found);

        return \count(array_unique(array_filter(array_map(static fn (string $words): string => mb_substr($words, 0, 12), $found[0])))) > 1;
    }

    private function isDiscussion(Gist $gist, string $local): bool
    {
        if ('' === $gist->header('list-id')
            || 1 === preg_match('/^\s*no\b/i', $gist->header('list-post'))
            || 1 === preg_match(self::MACHINE, $local)) {
            return false;
        }

        // A list whose address is not told: people answer one another there, and nobody sells.
        return '' !== $gist->header('list-post')
            || (1 === preg_match('/^\s*(?:re|aw|sv|antw|\[[^\]]{2,40}\])\s*:?/i', $gist->subject) && 0 === preg_match_all(
                self::COMMERCE,
                mb_substr($gist->text, 0, 2000),
            ));
    }

    private function isForMany(Gist $gist): bool
    {
        return '' !== $gist->header('list-unsubscribe') || '' !== $gist->header('list-id')
            || \in_array(strtolower(trim($gist->header('precedence'))), ['bulk', 'list', 'junk'], true)
            || 1 === preg_match(self::MADE_FOR_MANY, $gist->ending);
    }

    private function manyKind(Gist $gist, string $local): MailKind
    {
        $beginning = $gist->subject."\n".mb_substr($gist->text, 0, 4000);
        $sales = preg_match_all(self::COMMERCE, $beginning);
        if (0 === $sales && 1 === preg_match(self::TRANSACTION, $gist->subject."\n".mb_substr($gist->text, 0, 600))) {
            return MailKind::Notice;
        }
        $isLoud = 1 === preg_match(self::COMMERCE, $gist->subject);

        return $sales >= 3 || ($isLoud && $sales >= 2) || ($isLoud && mb_strlen($gist->text) < 600)
            ? MailKind::Advert
            : MailKind::Newsletter;
    }
}
