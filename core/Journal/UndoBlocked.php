<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

/**
 * An entry cannot be taken back, since what it changed has changed again.
 */
final class UndoBlocked extends \RuntimeException
{
    /**
     * @param Entry|null $later the later entry that stands in the way; null when it cannot be told
     * @param int        $steps how many later ones would be undone together with it
     */
    public function __construct(
        public readonly Entry $entry,
        public readonly ObjectRef $object,
        public readonly ?Entry $later,
        public readonly int $steps = 0,
    ) {
        parent::__construct(match ($later?->kind) {
            null => ObjectKind::Task === $object->kind
                ? 'This cannot be undone any more: something lies under the task by now.'
                : 'This cannot be undone any more: mail that arrived since has changed the conversation.',
            EntryKind::EmptyBin => 'This cannot be undone any more: the mail was removed from the bin for good.',
            default => 'This cannot be undone before what came later is undone.',
        });
    }
}
