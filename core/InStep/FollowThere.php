<?php

declare(strict_types=1);

namespace ZippyTray\Core\InStep;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Conversation;

/**
 * What was decided elsewhere, with another program on the same mailbox, is done here, too: an entry of the journal that can be undone
 * like any other, upon which the server follows.
 */
final readonly class FollowThere
{
    public function __construct(private Journal $journal, private ClockInterface $clock)
    {
    }

    /**
     * @param EntryId    $entryId  a new one
     * @param FolderRole $to       where its mail lies there now, see FolderRole::decides()
     * @param bool       $isGone   whether it was removed there for good
     * @param Moment     $tomorrow when it comes back, where nobody has said so
     */
    public function __invoke(EntryId $entryId, Conversation $conversation, FolderRole $to, bool $isGone, Moment $tomorrow): void
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $this->journal->write($conversation->accountId, $entryId, EntryKind::Elsewhere, static function (Step $step) use (
            $conversation,
            $to,
            $isGone,
            $tomorrow,
            $now,
        ): void {
            $step->touch($conversation);
            match ($to) {
                FolderRole::Inbox => $conversation->bringBack(),
                FolderRole::Away => $conversation->snooze($tomorrow, $now),
                FolderRole::Bin, FolderRole::Spam, FolderRole::Gone => $conversation->delete($now),
                default => $conversation->archive($now),
            };
            $step->say($conversation->subject(), match ($to) {
                FolderRole::Inbox => 'put back into the inbox elsewhere',
                FolderRole::Away => 'put away elsewhere; it comes back '.$tomorrow->text(),
                FolderRole::Bin, FolderRole::Spam, FolderRole::Gone => $isGone
                    ? 'removed elsewhere; it is in the bin here'
                    : 'deleted elsewhere',
                default => 'archived elsewhere',
            });
        });
    }
}
