<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;

/**
 * Somebody says how much mail matters, or what is to be advised for it; or takes back that they did.
 */
final readonly class Correct
{
    public function __construct(
        private Corrections $corrections,
        private Journal $journal,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /**
     * Of mail about which something was said already, the later word counts; what is null stays as it was said.
     *
     * @param EntryId  $entryId made by the client; the same id again changes nothing
     * @param string   $trait   see Traits
     * @param string   $name    of the sender, the list or the kind of mail
     * @param int|null $matters 1 when it matters more, -1 less
     *
     * @throws Refused when nothing is said
     */
    public function __invoke(
        AccountId $accountId,
        EntryId $entryId,
        CorrectionAbout $about,
        string $trait,
        string $name,
        ?int $matters,
        ?AdvisedDecision $should,
    ): Entry {
        if (null === $matters && null === $should) {
            throw new Refused('What should be different?', 'matters');
        }

        return $this->journal->write($accountId, $entryId, EntryKind::Correct, function (Step $step) use (
            $accountId,
            $about,
            $trait,
            $name,
            $matters,
            $should,
        ): void {
            $correction = $this->corrections->of($accountId, $trait);
            if (null === $correction) {
                $now = \DateTimeImmutable::createFromInterface($this->clock->now());
                $correction = new Correction($this->ids->next(), $accountId, $about, $trait, $name, $now);
                $this->corrections->add($correction);
                $step->made($correction);
            } else {
                $step->touch($correction);
            }
            $correction->say($matters ?? $correction->matters(), $should ?? $correction->should());
            $step->say($name, implode('; ', array_filter([
                match ($matters) {
                    1 => 'matters more',
                    -1 => 'matters less',
                    default => '',
                },
                null === $should ? '' : 'is to be advised otherwise',
            ])));
        });
    }

    /** @throws NotFound */
    public function takeBack(AccountId $accountId, EntryId $entryId, string $id): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::DropCorrection, function (Step $step) use ($accountId, $id): void {
            $correction = $this->corrections->get($accountId, $id);
            $step->removed($correction);
            $this->corrections->remove($correction);
            $step->say($correction->name);
        });
    }
}
