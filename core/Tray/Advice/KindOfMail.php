<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * Tells what kind of mail a message is, from its header fields (RFC 2369, 2919, 3464, 3834), its
 * sender and its words.
 */
final readonly class KindOfMail
{
    private const MACHINE = '/^(?:no-?_?reply|do-?not-?reply|donotreply|noreply.*|.*-?no-?reply|notifications?|notify|alerts?|mailer|automailer|system|robot|bot|automatic|info-?mail|orders?|billing|invoices?|receipts?|shipping|tracking|confirmations?|tickets?|reservations?|security|account|accounts|updates?|postmaster|mailer-daemon|daemon|root|cron|monitor|backup|calendar|service)$/';

    private const DAEMON = '/^(?:mailer-daemon|postmaster|mail-daemon|mdaemon)$/';

    private const UNDELIVERED = '/undeliver|delivery (?:status|failure|failed|has failed|report)|returned mail|failure notice|could not be delivered|not delivered|mail delivery|unzustellbar|delivery incomplete/';

    private const STILL_TRYING = '/delayed|(?:will|still) (?:keep |be )?(?:retry|try|tried)|no action is (?:needed|required)|has not (?:yet )?been delivered yet|warning: message/';

    private const AWAY = '/^\s*(?:out of (?:the )?office|automatic reply|auto(?:matic)?[- ]?(?:reply|response|antwort)|away from (?:my|the) (?:desk|office|email)|on (?:leave|holiday|vacation)|abwesenheit|absence|réponse automatique|respuesta automática|resposta automática|risposta automatica|i am away)\b/u';

    private const COMMERCE = '/\d+\s?% (?:off|discount|less|cheaper|rabatt|auf)|\b(?:sale|sales|discounts?|deals?|bargains?|vouchers?|coupons?|promo(?:tion)?(?:al)?(?: code)?|code [A-Z0-9]{4,}|save (?:up to|over|big|\d)|free (?:shipping|delivery|gift|trial|sample)|shop now|buy now|order now|buy one|limited (?:time|offer|edition)|last chance|ends (?:tonight|today|soon|sunday)|special offer|exclusive offer|best price|lowest price|from only|only \d|new arrivals|new collection|clearance|black friday|cyber monday|subscribe now|upgrade (?:now|today)|don\'t miss|hurry|while stocks last|unbeatable|treat yourself|we miss you|prices? (?:start|from|cut|drop))\b/iu';

    private const MADE_FOR_MANY = '/\bunsubscribe\b|\bview (?:this|it|the) (?:e-?mail|message|newsletter|mail)?\s*(?:in|online)|you(?:\'re| are)? (?:are )?(?:receiving|received|getting|get) this (?:e-?mail|message|newsletter|mail|because)|update your preferences|manage (?:your )?(?:preferences|subscriptions?)|to stop (?:receiving|getting) (?:these|this)|\babmelden\b|se désinscrire|darse de baja/iu';

    private const TRANSACTION = '/\b(?:your (?:order|invoice|receipt|booking|reservation|ticket|payment|parcel|delivery|shipment|statement|appointment|subscription|account|password|registration|application|refund|bill|library|loan|prescription|test results|visit|claim)|order (?:no|number|#|\d)|invoice (?:no|number|#|\d)|tracking number|has (?:been )?shipped|been dispatched|verification code|sign-?in|log-?in)\b/iu';

    public function __construct(private Suspicion $suspicion = new Suspicion())
    {
    }

    public function of(Letter $letter, Person $person): MailKind
    {
        $subject = mb_strtolower($letter->subject);
        $local = strtolower(explode('@', $letter->from->email)[0]);

        return match (true) {
            $this->isReport($letter, $subject, $local) => 1 === preg_match(self::STILL_TRYING, mb_strtolower($subject.' '.mb_substr($letter->text, 0, 2000))) ? MailKind::Delay : MailKind::Bounce,
            $this->isAutoReply($letter, $subject) => MailKind::AutoReply,
            $letter->hasAttachment('text/calendar') || $letter->hasAttachment('application/ics') => $this->isAnsweredInvitation($letter, $subject) ? MailKind::InvitationNews : MailKind::Invitation,
            $this->suspicion->isSuspicious($letter, $person) => MailKind::Suspicious,
            $this->isDiscussion($letter, $local) => MailKind::Discussion,
            $this->isForMany($letter) => $this->manyKind($letter, $local),
            1 === preg_match(self::MACHINE, $local) || str_starts_with(strtolower($letter->header('auto-submitted')), 'auto-generated') => MailKind::Notice,
            default => MailKind::Personal,
        };
    }

    /** Somebody answers an invitation or takes one back, and asks nothing: the object says so, or else the subject. */
    private function isAnsweredInvitation(Letter $letter, string $subject): bool
    {
        foreach ($letter->attachments as $attachment) {
            if ('' !== $attachment->method) {
                return \in_array($attachment->method, ['reply', 'cancel', 'declinecounter', 'refresh'], true);
            }
        }

        return 1 === preg_match('/^(?:accepted|declined|tentative(?:ly accepted)?|cancel+ed|updated invitation cancelled|zugesagt|abgesagt|accepté|refusé)\b/u', $subject);
    }

    private function isReport(Letter $letter, string $subject, string $local): bool
    {
        return $letter->hasAttachment('message/delivery-status')
            || (1 === preg_match(self::DAEMON, $local) && 1 === preg_match(self::UNDELIVERED.'u', $subject.' '.mb_strtolower(mb_substr($letter->text, 0, 600))));
    }

    private function isAutoReply(Letter $letter, string $subject): bool
    {
        $auto = strtolower($letter->header('auto-submitted'));

        return str_starts_with($auto, 'auto-replied') || 'auto_reply' === strtolower($letter->header('precedence')) || 1 === preg_match(self::AWAY, $subject);
    }

    private function isDiscussion(Letter $letter, string $local): bool
    {
        return '' !== $letter->header('list-id') && '' !== $letter->header('list-post') && 1 !== preg_match('/^\s*no\b/i', $letter->header('list-post')) && 1 !== preg_match(self::MACHINE, $local);
    }

    private function isForMany(Letter $letter): bool
    {
        return '' !== $letter->header('list-unsubscribe') || '' !== $letter->header('list-id')
            || \in_array(strtolower(trim($letter->header('precedence'))), ['bulk', 'list', 'junk'], true)
            || 1 === preg_match(self::MADE_FOR_MANY, $letter->ending);
    }

    private function manyKind(Letter $letter, string $local): MailKind
    {
        $beginning = $letter->subject."\n".mb_substr($letter->text, 0, 4000);
        $sales = preg_match_all(self::COMMERCE, $beginning);
        if (0 === $sales && 1 === preg_match(self::TRANSACTION, $letter->subject."\n".mb_substr($letter->text, 0, 600))) {
            return MailKind::Notice;
        }
        $isLoud = 1 === preg_match(self::COMMERCE, $letter->subject);

        return $sales >= 3 || ($isLoud && $sales >= 2) || ($isLoud && mb_strlen($letter->text) < 600) ? MailKind::Advert : MailKind::Newsletter;
    }
}
