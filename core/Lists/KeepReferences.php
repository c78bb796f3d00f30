<?php

declare(strict_types=1);

namespace ZippyTray\Core\Lists;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Rank;
use ZippyTray\Core\Task\SourceCopy;
use ZippyTray\Core\Task\Tasks;

/**
 * What can be done with things to look up.
 */
final readonly class KeepReferences
{
    public function __construct(
        private References $references,
        private Tasks $tasks,
        private Messages $messages,
        private Journal $journal,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /**
     * @param string       $id        made by the client
     * @param EmailId|null $messageId the message that it is, or was attached to; a copy of it is kept
     * @param string|null  $fileId    the file that it is, or a copy of what was attached
     *
     * @throws NotFound
     * @throws Refused  when something cannot be taken as it is
     */
    public function add(
        AccountId $accountId,
        EntryId $entryId,
        string $id,
        ListId $listId,
        ReferenceKind $kind,
        ReferenceFields $fields,
        ?EmailId $messageId = null,
        ?string $fileId = null,
    ): Entry {
        $isMail = ReferenceKind::Message === $kind || ReferenceKind::Attachment === $kind;
        if ($isMail !== (null !== $messageId)) {
            throw new Refused('Which message?', 'message');
        }
        if ((ReferenceKind::File === $kind || ReferenceKind::Attachment === $kind) !== (null !== $fileId)) {
            throw new Refused('Which file?', 'file');
        }

        return $this->journal->write($accountId, $entryId, EntryKind::AddReference, function (Step $step) use (
            $accountId,
            $id,
            $listId,
            $kind,
            $fields,
            $messageId,
            $fileId,
        ): void {
            $list = $this->tasks->getList($accountId, $listId);
            if (null !== $fileId && !$this->tasks->hasFile($accountId, $fileId)) {
                throw new Refused('The file is not there any more. Choose it again.', 'file');
            }
            $message = null === $messageId ? null : $this->messages->get($accountId, $messageId);
            $copy = null === $message ? null : SourceCopy::of($this->ids->next(), $message, $this->messages->source($message));
            if (null !== $copy) {
                $this->tasks->addSource($copy);
            }
            $reference = new Reference(
                $id,
                $accountId,
                $list->id,
                $kind,
                '' === $fields->title && null !== $message ? new ReferenceFields($message->subject, $fields->text) : $fields,
                $fileId,
                $copy?->id,
                \DateTimeImmutable::createFromInterface($this->clock->now()),
                Rank::between($this->references->lastRank($accountId, $list->id), null),
            );
            $this->references->add($reference);
            $step->made($reference);
            $step->say($reference->title(), 'to look up in '.$list->name());
        });
    }

    /**
     * @param ReferenceFields $was what stood there when somebody began to write
     *
     * @throws NotFound
     * @throws Refused  when something cannot be taken as it is, or something else stands there by now
     */
    public function edit(AccountId $accountId, EntryId $entryId, string $id, ReferenceFields $fields, ReferenceFields $was): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::EditReference, function (Step $step) use (
            $accountId,
            $id,
            $fields,
            $was,
        ): void {
            $reference = $this->references->get($accountId, $id);
            if ([$reference->title(), $reference->text(), $reference->url()] !== [$was->title, $was->text, $was->url]) {
                throw new Refused('This was changed in another window meanwhile. Look at it, then save yours once more.', 'text');
            }
            $step->touch($reference);
            $reference->say($fields);
            $step->say($reference->title());
        });
    }

    /**
     * @param ListId      $listId   the list that it is to be in
     * @param string|null $behindId what it is to stand behind there; null: the first
     *
     * @throws NotFound
     */
    public function move(AccountId $accountId, EntryId $entryId, string $id, ListId $listId, ?string $behindId): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::EditReference, function (Step $step) use (
            $accountId,
            $id,
            $listId,
            $behindId,
        ): void {
            $reference = $this->references->get($accountId, $id);
            $list = $this->tasks->getList($accountId, $listId);
            $behind = null === $behindId ? null : $this->references->get($accountId, $behindId);
            if (null !== $behind && (!$behind->listId()->is($listId) || $behindId === $id)) {
                throw new NotFound('thing to look up', $behindId);
            }
            $step->touch($reference);
            $reference->place($list->id, Rank::between(
                $behind?->rank(),
                $this->references->rankBehind($accountId, $list->id, $behind?->rank(), $id),
            ));
            $step->say($reference->title(), 'in '.$list->name());
        });
    }

    /**
     * @param list<string> $ids
     *
     * @throws NotFound
     */
    public function delete(AccountId $accountId, EntryId $entryId, array $ids): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::DeleteReference, function (Step $step) use ($accountId, $ids): void {
            foreach ($ids as $id) {
                $reference = $this->references->get($accountId, $id);
                $step->removed($reference);
                $this->references->remove($reference);
                $step->say($reference->title());
            }
        });
    }
}
