<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Text\BodyText;

/**
 * What somebody who looks over one's shoulder would ask before a letter is sent. None of it keeps it from being sent.
 */
final readonly class Misgivings
{
    /** Many people at once is rarely meant. */
    private const MANY = 15;

    private const ATTACHED = '/
        \b(?:
            attach(?:ed|ing|ment|ments)?
            |enclos(?:ed|ing|ure)
            |(?:see|find|in)\ the\ (?:file|document|pdf|spreadsheet|drawing)s?\ (?:attached|enclosed|below)
        )\b
    /xiu';

    /** Speaks of what somebody else attached, or of attaching nothing. */
    private const NOT_OURS = '/
        \b(?:your|you|the\ other|no|without|without\ an|not|n\'t|previously|already)\s+(?:have\ |had\ )?
        (?:attach|enclos)
        |\battach(?:ed|ment)s?\ (?:you|that\ you|to\ your|in\ your)\b
        |\bemotionally\ attached\b
    /xiu';

    private const NO_REPLY = '/^(?:no[-_.]?reply|do[-_.]?not[-_.]?reply|mailer-daemon|postmaster|bounces?|notifications?'
        .'|automailer)(?:[+.@-]|$)/i';

    /**
     * @param list<string> $own addresses of the person
     *
     * @return list<string> sentences
     */
    public function of(Letter $letter, AnswerKind $kind, array $own): array
    {
        $found = [];
        $written = (new BodyText())->written($letter->text);
        if ([] === $letter->files && [] === $letter->carried && $this->speaksOfAttachment($written)) {
            $found[] = 'The text speaks of an attachment, and there is none.';
        }
        foreach ($letter->recipients() as $address) {
            if (1 === preg_match(self::NO_REPLY, $address->email)) {
                $found[] = \sprintf('%s does not read answers.', $address->email);
            }
        }
        if (\count($letter->recipients()) > self::MANY) {
            $found[] = \sprintf('It goes to %d people.', \count($letter->recipients()));
        }
        foreach (\array_slice(Placeholders::left($letter->subject."\n".$written), 0, 3) as $gap) {
            $found[] = \sprintf('"%s" has not been filled in.', mb_strimwidth($gap, 0, 60, '…'));
        }
        if ('' === $letter->subject) {
            $found[] = 'It has no subject.';
        }
        if (AnswerKind::Forward !== $kind && '' === $written && [] === $letter->files) {
            $found[] = 'Nothing is written in it.';
        }
        if ([] !== $letter->recipients()
            && [] === array_filter($letter->recipients(), static fn (Address $one): bool => [] === array_filter($own, $one->is(...)))) {
            $found[] = 'It goes to nobody but yourself.';
        }

        return $found;
    }

    private function speaksOfAttachment(string $text): bool
    {
        foreach (preg_split('/(?<=[.!?])\s+|\n+/u', $text) ?: [] as $sentence) {
            if (1 === preg_match(self::ATTACHED, $sentence) && 1 !== preg_match(self::NOT_OURS, $sentence)) {
                return true;
            }
        }

        return false;
    }
}
