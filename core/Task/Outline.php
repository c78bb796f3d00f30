<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

/**
 * A thing to do as it stands in a written list, with what stands under it.
 */
final readonly class Outline
{
    /**
     * @param list<self>      $under
     * @param string          $notes  what did not fit into the title
     * @param TaskFields|null $fields what else its line says; null: nothing
     */
    public function __construct(
        public string $title,
        public bool $done = false,
        public array $under = [],
        public string $notes = '',
        private ?TaskFields $fields = null,
    ) {
    }

    /** What the task of it is made of. */
    public function fields(): TaskFields
    {
        return null === $this->fields ? new TaskFields($this->title, $this->notes) : $this->fields->noting($this->notes);
    }

    /** How many it is, itself included. */
    public function count(): int
    {
        return 1 + array_sum(array_map(static fn (self $one): int => $one->count(), $this->under));
    }
}
