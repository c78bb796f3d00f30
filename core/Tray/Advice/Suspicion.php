<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Mail\Remark\Hosts;
use ZippyTray\Core\Mail\Remark\Remark;
use ZippyTray\Core\Mail\Remark\RemarkKind;
use ZippyTray\Core\Person\Person;

/**
 * Weighs the signs of fraud and spam in a message.
 */
final readonly class Suspicion
{
    /** From this weight on it is pointed out. */
    private const ENOUGH = 4;

    /** Pattern over subject and text => weight, and what to say of it. */
    private const WORDS = [
        '/
            \b(?:verify|confirm|update|validate|re-?activate|restore|unlock|secure)\ your\ (?:\p{L}+\ )?(?:
                account|mailbox|e-?mail|password|identity|billing|payment|bank|credentials|details|information
            )\b
        /xiu' => [2, 'it wants you to confirm an account'],
        '/
            \b(?:account|mailbox|access|e-?mail|profile|card)\b[^.\n]{0,30}\b(?:has\ been|will\ be|is|was)\b
            [^.\n]{0,25}\b(?:
                suspended|limited|locked|closed|deactivated|disabled|blocked|terminated|full|restricted|on\ hold
            )\b
            |\bmailbox\ is\ (?:almost\ )?full\b
            |\bquota\b[^.\n]{0,30}\b(?:exceeded|full|reached)\b
            |password[^.\n]{0,20}expire
        /xiu' => [2, 'it threatens to close something'],
        '/
            \b(?:
                lottery
                |you(?:\'ve|\ have)\ (?:just\ )?(?:won|been\ (?:selected|chosen))
                |you\ are\ (?:a|the|our)\ (?:lucky\ )?winner
                |inheritance|unclaimed|beneficiary|next\ of\ kin|compensation\ fund
                |claim\ your\ (?:prize|reward|winnings|gift)
                |late\ (?:client|husband|father)
                |million\ (?:us\ )?(?:dollars|pounds|euros?|usd|eur|gbp)
            )\b
        /xiu' => [3, 'it promises money'],
        '/
            \b(?:
                bitcoin|btc|crypto(?:currency)?|gift\ ?cards?|wire\ transfer
                |guaranteed\ (?:returns?|profits?|ranking|results)
                |risk[- ]free|investment\ opportunity|earn\ \S{1,3}\d+|work\ from\ home|make\ money|double\ your
                |passive\ income|business\ proposal|mutual\ benefit
            )\b
        /xiu' => [2, 'it speaks of easy money'],
        '/\b(?:webcam|recorded you|hacked (?:your|you)|i have (?:full )?access to your (?:device|computer'
            .'|phone))\b/iu' => [4, 'it tries to blackmail'],
        '/
            \b(?:
                viagra|cialis|pharmacy|pills|weight\ loss|lose\ \d+\ (?:kg|pounds)|enlarge|hot\ (?:girls|singles)
                |dating|casino|free\ spins|replica\ watches
                |seo\ (?:services|packages?)
                |backlinks
                |first\ page\ of\ (?:search|the\ search)
                |rank\ (?:higher|your\ (?:web)?site)
            )\b
        /xiu' => [3, 'it sells what junk mail sells'],
        '/
            \b(?:
                within\ (?:the\ next\ )?(?:12|24|48)\ hours
                |act\ now
                |immediate(?:ly)?\ (?:action|attention)
                |final\ (?:notice|warning)
                |last\ warning
                |urgent(?:ly)?\b[^.\n]{0,20}(?:action|response|reply|attention)
            )\b
        /xiu' => [1, 'it presses you'],
        '/
            \b(?:
                click\ (?:here|below|the\ (?:link|button)|on\ the\ (?:link|button))
                |follow\ (?:this|the)\ link
                |log\ ?in\ (?:here|below)
                |open\ the\ attached\ (?:file|document|form)
            )\b
        /xiu' => [1, 'it wants you to click'],
        '/
            ^\s*(?:dear|hello|hi|attention|greetings)\s*:?\s*(?:(?:valued|dear)\ )?(?:
                customer|user|client|friend|beneficiary|member|account\ ?holder|e-?mail\ user|sir\s*\/?\s*madam
                |webmaster|owner|winner|\S+@\S+
            )
        /ximu' => [1, 'it does not know your name'],
        '/\b(?:kindly|confidential|strictly private)\b[^.\n]{0,40}\b(?:bank|account|transfer|details|funds?|phone number)\b/iu' => [
            2,
            'it asks for bank details',
        ],
        '/
            \b(?:parcel|package|shipment|delivery|fine|toll)\b[^\n]{0,120}\b(?:fee|charge|duty|customs|unpaid)\b
            [^\n]{0,120}https?:
            |\bfee\ of\ (?:[€£$]\ ?)?[0-4][.,]\d\d\b
        /xiu' => [3, 'it wants a small fee by a link'],
        '/
            \b(?:
                are\ you\ (?:available|at\ your\ desk|free|in\ the\ office)
                |i\ need\ (?:a|you\ to\ do\ a)\ (?:quick\ )?(?:favou?r|task)
            )\b[^\n]{0,120}\b(?:gift\ ?cards?|urgent|discreet|can\'t\ talk|cannot\ talk|in\ a\ meeting)\b
        /xiu' => [3, 'it asks for a favour in a hurry'],
    ];

    public function isSuspicious(Gist $gist, Person $person): bool
    {
        return $this->weight($gist, $person) >= self::ENOUGH;
    }

    /** @return list<string> what is suspicious, in words; empty when there is nothing */
    public function reasons(Gist $gist, Person $person): array
    {
        return array_values(array_unique(array_column($this->signs($gist, $person), 1)));
    }

    private function weight(Gist $gist, Person $person): int
    {
        return array_sum(array_column($this->signs($gist, $person), 0));
    }

    /** @return list<array{int, string}> */
    private function signs(Gist $gist, Person $person): array
    {
        $signs = [];
        $words = $gist->subject."\n".mb_substr($gist->text, 0, 6000);
        foreach (self::WORDS as $pattern => $sign) {
            if (1 === preg_match($pattern, $words)) {
                $signs[] = $sign;
            }
        }
        $domain = self::domain($gist->from->email);
        $own = self::domain($person->email);
        if ('' !== $own && $domain !== $own && self::looksLike($domain, $own)) {
            $signs[] = [4, \sprintf('its address looks like %s and is not', $own)];
        }
        $told = array_map(static fn (Remark $remark): RemarkKind => $remark->kind, $gist->remarks);
        $named = Hosts::named($gist->from->name);
        if ('' !== $named && !Hosts::areRelated($named, $domain) && !\in_array(RemarkKind::OtherAddress, $told, true)) {
            $signs[] = [3, 'the sender calls itself by another address'];
        }
        if (self::isNameOf($gist->from->name, $person) && !$person->is($gist->from)) {
            $signs[] = [2, 'it bears your own name, and is not from your address'];
        }
        $isForMany = '' !== $gist->header('list-unsubscribe') || '' !== $gist->header('list-id');
        foreach ($gist->remarks as $remark) {
            // Newsletters count who follows their links, and go another way for that.
            $weight = match ($remark->kind) {
                RemarkKind::TurnedFile, RemarkKind::DoubleEnding, RemarkKind::MixedHost, RemarkKind::MixedLink => 4,
                RemarkKind::OtherAddress => 0 === strcasecmp($remark->about, $person->email) ? 4 : 3,
                RemarkKind::TurnedName, RemarkKind::MixedName => 3,
                RemarkKind::Link => $isForMany ? 1 : 3,
                RemarkKind::TurnedSubject => 2,
                default => 0,
            };
            if ($weight > 0) {
                $signs[$remark->kind->value] = [$weight, $remark->words()];
            }
        }
        $reply = self::domain($gist->replyTo[0]->email ?? '');
        if ('' !== $reply && '' === $gist->header('list-id') && !Hosts::areRelated($reply, $domain)) {
            $signs[] = [1, 'answers go to another address'];
        }
        if (!isset($signs[RemarkKind::Link->value])) {
            foreach ($this->disguisedLinks($gist->text) as $shown) {
                $signs[] = [$isForMany ? 1 : 3, \sprintf('a link says %s and leads elsewhere', $shown)];
            }
        }
        if (1 === preg_match('#https?://(?:\d{1,3}(?:\.\d{1,3}){3}|[\w.-]*xn--)#i', $gist->text)) {
            $signs[] = [2, 'a link hides where it leads'];
        }
        foreach (\in_array(RemarkKind::DoubleEnding, $told, true) ? [] : $gist->attachments as $attachment) {
            if (1 === preg_match('/\.(exe|scr|js|vbs|bat|cmd|com|jar|iso|img|lnk|hta|html?|docm|xlsm)$/i', $attachment->name)) {
                $signs[] = [2, \sprintf('"%s" can do harm', $attachment->name)];
                break;
            }
        }
        if (1 === preg_match('/!{3,}|\${2,}|€{2,}/u', $words)
            || (mb_strlen($gist->subject) > 12
                && $gist->subject === mb_strtoupper($gist->subject)
                && 1 === preg_match('/\p{Lu}{4}/u', $gist->subject))) {
            $signs[] = [1, 'it shouts'];
        }
        if (!$person->isAmong($gist->to)
            && !$person->isAmong($gist->cc)
            && '' === $gist->header('list-id')
            && '' !== $person->email) {
            $signs[] = [1, 'it is not addressed to you'];
        }

        return array_values($signs);
    }

    /** @return list<string> domains that are shown as links to another one */
    private function disguisedLinks(string $text): array
    {
        preg_match_all(
            '#(?<shown>(?:https?://)?(?:[\w-]{1,63}\.){1,10}[a-z]{2,24})\S{0,80}\s+<(?<address>https?://[^\s>]+)#iu',
            mb_substr($text, 0, 6000),
            $links,
            \PREG_SET_ORDER,
        );
        $found = [];
        foreach ($links as $link) {
            $shown = Hosts::named($link['shown']);
            if ('' !== $shown && !Hosts::areRelated($shown, Hosts::of($link['address']))) {
                $found[] = $shown;
            }
        }

        return \array_slice(array_unique($found), 0, 2);
    }

    private static function domain(string $email): string
    {
        return strtolower(substr((string) strrchr($email, '@'), 1));
    }

    private static function isNameOf(string $name, Person $person): bool
    {
        $plain = static fn (string $text): string => trim(mb_strtolower((string) preg_replace('/[^\p{L}]+/u', ' ', $text)));

        return '' !== $person->name && str_contains($plain($person->name), ' ') && $plain($name) === $plain($person->name);
    }

    private static function looksLike(string $domain, string $own): bool
    {
        [$a, $b] = [explode('.', $domain)[0], explode('.', $own)[0]];
        $folded = strtr($a, ['0' => 'o', '1' => 'l', '5' => 's', 'rn' => 'm', 'vv' => 'w']);

        return \strlen($b) >= 5
            && ($folded === strtr($b, ['rn' => 'm', 'vv' => 'w'])
                || $folded === $b
                || ($a !== $b && \strlen($b) >= 7 && levenshtein($a, $b) <= 1)
                || 1 === preg_match(
                    '/^'.preg_quote($b, '/').'[-_](?:support|admin|it|help|mail|secure|hr|payroll)/',
                    $a,
                ));
    }
}
