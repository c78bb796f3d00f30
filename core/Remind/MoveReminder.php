<?php

declare(strict_types=1);

namespace ZippyTray\Core\Remind;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;

/**
 * Moves a reminder that is still to come, or takes it off. What counted from a due comes at a moment of its own then.
 */
final readonly class MoveReminder
{
    public function __construct(private Reminded $reminded, private Journal $journal, private ClockInterface $clock)
    {
    }

    /**
     * @param EntryId     $entryId  made by the client
     * @param ObjectRef   $about    a task or a conversation
     * @param string      $reminder which of its reminders, in words
     * @param Moment|null $to       null: it is taken off
     *
     * @throws NotFound
     * @throws Refused  when there is no such reminder, that moment is past, or it comes again and again
     */
    public function __invoke(AccountId $accountId, EntryId $entryId, ObjectRef $about, string $reminder, ?Moment $to): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::Remind, function (Step $step) use (
            $accountId,
            $about,
            $reminder,
            $to,
        ): void {
            $object = $this->reminded->get($accountId, $about);
            $meant = array_filter($object->reminders(), static fn (Reminder $one): bool => $one->text() === $reminder);
            if ([] === $meant) {
                throw new Refused('This reminder is not there any more. It may have been changed in another window.', 'reminder');
            }
            if (null !== $to && !$meant[array_key_first($meant)]->kind()->hasOneMoment()) {
                throw new Refused('It comes again and again, so it has no one moment to move. Change it where it stands.', 'reminder');
            }
            $to?->mustBeAhead($this->clock->now(), 'to');
            $step->touch($object);
            $object->remind([...array_diff_key($object->reminders(), $meant), ...(null === $to ? [] : [Reminder::at($to)])]);
            $step->say(Reminded::name($object), null === $to ? 'no reminder: '.$reminder : $to->text());
        });
    }
}
