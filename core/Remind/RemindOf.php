<?php

declare(strict_types=1);

namespace ZippyTray\Core\Remind;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Tray\Conversations;

/**
 * Sets when a conversation reminds, wherever it is.
 */
final readonly class RemindOf
{
    public const MOST = 20;

    public function __construct(private Conversations $conversations, private Journal $journal)
    {
    }

    /**
     * @param list<Reminder> $reminders all that it has from now on
     *
     * @throws NotFound
     * @throws Refused  when there are too many, or a lead has nothing to count from
     */
    public function __invoke(AccountId $accountId, EntryId $entryId, ConversationId $conversationId, array $reminders): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::Remind, function (Step $step) use (
            $accountId,
            $conversationId,
            $reminders,
        ): void {
            $conversation = $this->conversations->get($accountId, $conversationId);
            if (\count($reminders) > self::MOST) {
                throw new Refused(\sprintf('A conversation can have %d reminders at most.', self::MOST), 'reminders');
            }
            foreach ($reminders as $reminder) {
                if (null !== $reminder->lead && null === $conversation->due()) {
                    throw new Refused(
                        \sprintf(
                            '"%s" counts from the moment at which it comes back, and it is not away. Write a moment.',
                            $reminder->text(),
                        ),
                        'reminders',
                    );
                }
            }
            $step->touch($conversation);
            $conversation->remind($reminders);
            $step->say(
                $conversation->subject(),
                implode('; ', array_map(static fn (Reminder $reminder): string => $reminder->text(), $reminders)),
            );
        });
    }
}
