<?php

declare(strict_types=1);

namespace ZippyTray\Core\Remind;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Tray\Conversation;

/**
 * What a person answers to reminders that have come, apart from doing what they remind of.
 */
final readonly class AnswerRings
{
    public function __construct(private Rings $rings, private Reminded $reminded, private Journal $journal, private ClockInterface $clock)
    {
    }

    /**
     * Seen, and nothing follows.
     *
     * @param EntryId                $entryId made by the client
     * @param non-empty-list<string> $ringIds
     *
     * @throws NotFound
     */
    public function letGo(AccountId $accountId, EntryId $entryId, array $ringIds): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::LetGo, function (Step $step) use ($accountId, $ringIds): void {
            foreach ($ringIds as $id) {
                $this->answer($this->rings->get($accountId, $id), $step, '');
            }
        });
    }

    /**
     * Once more at another moment, as a reminder of its own.
     *
     * @param EntryId                $entryId made by the client
     * @param non-empty-list<string> $ringIds
     *
     * @throws NotFound
     * @throws Refused  when that moment is past
     */
    public function again(AccountId $accountId, EntryId $entryId, array $ringIds, Moment $at): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::RemindAgain, function (Step $step) use (
            $accountId,
            $ringIds,
            $at,
        ): void {
            $at->mustBeAhead($this->clock->now(), 'at');
            foreach ($ringIds as $id) {
                $about = $this->answer($this->rings->get($accountId, $id), $step, 'again '.$at->text());
                $step->touch($about);
                $about->remind([
                    ...array_filter(
                        $about->reminders(),
                        fn (Reminder $old): bool => null === $old->at || $old->at->isAfter($this->clock->now()),
                    ),
                    Reminder::at($at),
                ]);
            }
        });
    }

    private function answer(Ring $ring, Step $step, string $consequence): Task|Conversation|Event
    {
        $about = $this->reminded->get($ring->accountId, $ring->about());
        $step->touch($ring);
        $ring->answer(\DateTimeImmutable::createFromInterface($this->clock->now()));
        $step->say(Reminded::name($about), $consequence);

        return $about;
    }
}
