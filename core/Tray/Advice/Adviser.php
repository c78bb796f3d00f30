<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Tray\TooOften;

/**
 * Proposes a decision for a conversation from what was found in its messages.
 */
final readonly class Adviser
{
    /** From so many deletions in a row on, the sender of bulk mail may as well be blocked. */
    private const ENOUGH_OF_IT = 6;

    /** How likely it has to be that what asks for something is let go or put off, before that is proposed. */
    private const SURE = 0.7;

    /** @param non-empty-list<Findings> $found in the messages that are still undecided, oldest first */
    public function advise(array $found, Circumstances $circumstances): Advice
    {
        $main = self::main($found, $circumstances->today);
        $minutes = \count($found) > 1 ? $this->minutes($found, $main) : $main->minutes;
        $deadline = $this->next($found, DateKind::Deadline, $circumstances->today);
        $appointment = $this->next($found, DateKind::Appointment, $circumstances->today);
        [$decision, $reasons, $until] = $this->afterReturn(
            self::asUsual(
                $this->decision($main, $minutes, $deadline, $appointment, $circumstances),
                null !== $main->strongest() || null !== $deadline,
                MailKind::Suspicious === $main->kind,
                $circumstances,
            ),
            $minutes,
            $circumstances,
        );
        if ($circumstances->written > 0 && MailKind::Personal === $main->kind) {
            $reasons[] = 1 === $circumstances->written
                ? 'You have written to this person before.'
                : \sprintf('You have written to this person %d times.', $circumstances->written);
        }
        $often = match (TooOften::of($circumstances->snoozes, $circumstances->touches)) {
            TooOften::Snoozed => \sprintf('You have put it off %d times.', $circumstances->snoozes),
            TooOften::Touched => \sprintf('You have looked at it %d times without deciding.', $circumstances->touches),
            null => '',
        };
        if ('' !== $often) {
            $reasons[] = $often;
        }

        return new Advice(
            $decision,
            $this->group($main, $deadline ?? $appointment),
            $main->kind,
            $main->title,
            $minutes,
            $reasons,
            $main->strongest()->text ?? '',
            $main->kind->isBulk() || MailKind::Suspicious === $main->kind ? null : $deadline ?? $appointment,
            $until,
        );
    }

    /**
     * What is proposed by what was found alone, whoever reads it and whatever they usually do.
     *
     * @param non-empty-list<Findings> $found as above
     */
    public function byRules(array $found, LocalDate $today): AdvisedDecision
    {
        return $this->advise($found, new Circumstances($today, Habit::none()))->decision;
    }

    /**
     * The message that asks most; of equal ones the newest.
     *
     * @param non-empty-list<Findings> $found
     */
    public static function main(array $found, LocalDate $today): Findings
    {
        $weight = static fn (Findings $findings): int => ($findings->strongest()->form->value ?? -1) * 2
            + (null === $findings->next(DateKind::Deadline, $today) ? 0 : 1);
        $main = $found[0];
        foreach ($found as $findings) {
            $main = $weight($findings) >= $weight($main) ? $findings : $main;
        }

        return $main;
    }

    /** @param non-empty-list<Findings> $found */
    private function minutes(array $found, Findings $main): int
    {
        $asking = array_filter($found, static fn (Findings $findings): bool => [] !== $findings->requests);

        return [] === $asking ? $main->minutes : array_sum(array_map(static fn (Findings $findings): int => $findings->minutes, $asking));
    }

    /** @param non-empty-list<Findings> $found */
    private function next(array $found, DateKind $kind, LocalDate $today): ?FoundDate
    {
        $next = null;
        foreach ($found as $findings) {
            $date = $findings->next($kind, $today);
            $next = null === $next || (null !== $date && $date->date->isBefore($next->date)) ? $date : $next;
        }

        return $next;
    }

    /** @return array{AdvisedDecision, list<string>, LocalDate|null} */
    private function decision(
        Findings $main,
        int $minutes,
        ?FoundDate $deadline,
        ?FoundDate $appointment,
        Circumstances $circumstances,
    ): array {
        $byKind = $this->byKind($main, $circumstances);
        if (null !== $byKind) {
            return [...$byKind, null];
        }
        $reasons = [];
        $habit = $circumstances->habit;
        $strongest = $main->strongest();
        if (null !== $strongest) {
            $reasons[] = match ($strongest->form) {
                RequestForm::Question => 'It asks you a question.',
                RequestForm::Likely => 'It may ask you for something.',
                default => 'It asks you for something.',
            };
        }
        if (null !== $deadline) {
            $reasons[] = \sprintf('It names a deadline, %s.', $deadline->date->format('D j M'));
        }
        if ([] !== $main->items && null !== $strongest) {
            $reasons[] = \sprintf('It lists %d things.', \count($main->items));
        }
        if (null !== $strongest && ($strongest->others || $habit->is(AdvisedDecision::Delegate))) {
            $reasons[] = $strongest->others ? 'Somebody else is meant to do it.' : $habit->text;

            return [AdvisedDecision::Delegate, $reasons, null];
        }
        if (null !== $strongest) {
            $reasons[] = $minutes <= Effort::AT_ONCE ? 'It takes two minutes or less.' : \sprintf('It looks like %d minutes.', $minutes);

            return [$minutes <= Effort::AT_ONCE ? AdvisedDecision::Now : AdvisedDecision::Task, $reasons, null];
        }
        if (null !== $deadline && !$main->copied) {
            return [AdvisedDecision::Task, $reasons, null];
        }
        if ($main->copied) {
            return [AdvisedDecision::Archive, ['You are only copied.'], null];
        }
        $waits = $this->waitsFor($main, $appointment, $circumstances->today);
        if (null !== $waits) {
            $isPromise = $waits !== $appointment;

            return [
                AdvisedDecision::Snooze,
                [\sprintf($isPromise ? 'The sender will come back to it on %s.' : 'It is about %s.', $waits->date->format('D j M'))],
                $waits->date,
            ];
        }
        $reasons[] = MailKind::Discussion === $main->kind ? 'It went to a mailing list, and nothing in it turns to '
            .'you.' : 'It asks nothing of you.';
        if ('' !== $habit->text) {
            $reasons[] = $habit->text;
        }

        return [$habit->is(AdvisedDecision::Delete) ? AdvisedDecision::Delete : AdvisedDecision::Archive, $reasons, null];
    }

    /**
     * What somebody usually does with such mail is what is proposed, whatever the rules would say; but nothing that asks for something
     * is let go or put off by a habit that is no more than likely, and nothing suspicious is dealt with otherwise unless they said so.
     *
     * @param array{AdvisedDecision, list<string>, LocalDate|null} $advised by the rules
     *
     * @return array{AdvisedDecision, list<string>, LocalDate|null}
     */
    private static function asUsual(array $advised, bool $asks, bool $isSuspicious, Circumstances $circumstances): array
    {
        [$decision, $reasons, $until] = $advised;
        $leaning = $circumstances->leaning;
        $isBound = AdvisedDecision::Block === $decision || ($isSuspicious && 0 === $circumstances->written);
        if (null === $leaning || ($isBound && !$leaning->said)) {
            return $advised;
        }
        $goes = !\in_array($leaning->decision, [AdvisedDecision::Now, AdvisedDecision::Task, AdvisedDecision::Delegate], true);
        if ($asks && $goes && $decision !== $leaning->decision && !$leaning->said && $leaning->share < self::SURE) {
            return $advised;
        }
        $why = match (true) {
            $leaning->said => 'You said that this is what it should be.',
            $circumstances->habit->mostly === $leaning->decision => $circumstances->habit->text,
            $decision === $leaning->decision => '',
            default => \sprintf('Mail like this you mostly %s.', match ($leaning->decision) {
                AdvisedDecision::Now => 'do at once',
                AdvisedDecision::Task => 'make a task of',
                AdvisedDecision::Snooze => 'put off',
                AdvisedDecision::Delegate => 'hand over',
                AdvisedDecision::Archive => 'archive',
                AdvisedDecision::Delete => 'delete',
                AdvisedDecision::Block => 'block',
            }),
        };
        $reasons = $decision === $leaning->decision && !$leaning->said ? [...$reasons, $why] : [$why, ...$reasons];

        return [
            $leaning->decision,
            array_values(array_unique(array_filter($reasons, static fn (string $reason): bool => '' !== $reason))),
            $decision === $leaning->decision ? $until : null,
        ];
    }

    /**
     * What came back at its time was put off to be done then: letting it go, or putting it off once more, is not what
     * is proposed. What came back with a message is advised by that message.
     *
     * @param array{AdvisedDecision, list<string>, LocalDate|null} $advised as if it had never been away
     *
     * @return array{AdvisedDecision, list<string>, LocalDate|null}
     */
    private function afterReturn(array $advised, int $minutes, Circumstances $circumstances): array
    {
        $back = $circumstances->back;
        if (null === $back) {
            return $advised;
        }
        [$decision, $reasons, $until] = $advised;
        $why = $back->why($circumstances->today);
        if ($back->because->isNews()) {
            return [$decision, [$why, ...$reasons], $until];
        }
        if ($back->isSilence()) {
            return [AdvisedDecision::Now, [$why, 'Asking again takes two minutes or less.'], null];
        }
        if (!\in_array($decision, [AdvisedDecision::Archive, AdvisedDecision::Delete, AdvisedDecision::Snooze], true)) {
            return [$decision, [$why, ...$reasons], $until];
        }
        $atOnce = $minutes <= Effort::AT_ONCE;

        return [
            $atOnce ? AdvisedDecision::Now : AdvisedDecision::Task,
            [$why, $atOnce ? 'It takes two minutes or less.' : \sprintf('It looks like %d minutes.', $minutes)],
            null,
        ];
    }

    /**
     * Mail whose kind says already what to do with it.
     *
     * @return array{AdvisedDecision, list<string>}|null
     */
    private function byKind(Findings $main, Circumstances $circumstances): ?array
    {
        $habit = $circumstances->habit;
        if (MailKind::Suspicious === $main->kind && 0 === $circumstances->written) {
            return [
                AdvisedDecision::Block,
                array_map(
                    static fn (string $sign): string => mb_strtoupper(mb_substr($sign, 0, 1)).mb_substr($sign, 1).'.',
                    $main->suspicions,
                ),
            ];
        }
        if ($main->kind->isBulk() && null !== $habit->decision) {
            $isEnough = $habit->is(AdvisedDecision::Delete) && $habit->times >= self::ENOUGH_OF_IT;

            return [$isEnough ? AdvisedDecision::Block : $habit->decision, ['It went out to many people.', $habit->text]];
        }

        return match ($main->kind) {
            MailKind::Advert => [AdvisedDecision::Delete, ['It wants to sell something, to many people.']],
            MailKind::Newsletter => [AdvisedDecision::Archive, ['It went out to many people.']],
            MailKind::AutoReply => [AdvisedDecision::Archive, ['It is an automatic answer.']],
            MailKind::Delay => [AdvisedDecision::Archive, ['A message of yours is late and is still being tried.']],
            MailKind::Bounce => [
                AdvisedDecision::Now,
                ['A message of yours did not arrive.', 'Finding another address takes two minutes.'],
            ],
            MailKind::InvitationNews => [AdvisedDecision::Archive, ['It tells what became of an invitation.']],
            MailKind::Invitation => [AdvisedDecision::Now, ['It is an invitation, and answering takes two minutes or less.']],
            default => null,
        };
    }

    /** The next day on which there is reason to look at it again. */
    private function waitsFor(Findings $main, ?FoundDate $appointment, LocalDate $today): ?FoundDate
    {
        if (!$main->kept) {
            return null;
        }
        if ($main->promise) {
            foreach ($main->dates as $date) {
                if ($today->isBefore($date->date) && $date !== $appointment) {
                    return $date;
                }
            }
        }

        return null !== $appointment && $today->isBefore($appointment->date) ? $appointment : null;
    }

    private function group(Findings $main, ?FoundDate $date): AdviceGroup
    {
        return match (true) {
            MailKind::Suspicious === $main->kind => AdviceGroup::Suspicious,
            $main->kind->isBulk() => AdviceGroup::Bulk,
            MailKind::Invitation === $main->kind, [] !== $main->requests => AdviceGroup::Asks,
            \in_array(
                $main->kind,
                [MailKind::AutoReply, MailKind::Bounce, MailKind::Delay, MailKind::InvitationNews],
                true,
            ) => AdviceGroup::Automatic,
            null !== $date && MailKind::Discussion !== $main->kind && !$main->copied => AdviceGroup::Dated,
            default => AdviceGroup::Information,
        };
    }
}
