<?php

declare(strict_types=1);

namespace ZippyTray\Core\InStep;

/**
 * A message as it lies on the server, and what was known of it when server and program agreed last.
 */
final readonly class Copy
{
    /**
     * @param FolderRole      $now     where it lies there
     * @param FolderRole|null $settled where it lay there when both agreed; null: it was never looked at before
     * @param FolderRole|null $agreed  where its conversation belonged then
     * @param FolderRole|null $from    where it lay before the program moved it last
     * @param int             $left    the how manieth leaving of the inbox it took part in, of those of its conversation; 0: none
     * @param int             $age     grows with its age: the newest of a conversation has the least
     */
    public function __construct(
        public string $id,
        public FolderRole $now,
        public ?FolderRole $settled = null,
        public ?FolderRole $agreed = null,
        public ?FolderRole $from = null,
        public int $left = 0,
        public int $age = 0,
        public bool $own = false,
    ) {
    }

    public function isNew(): bool
    {
        return null === $this->settled || null === $this->agreed;
    }

    public function hasMoved(): bool
    {
        return !$this->isNew() && $this->settled !== $this->now;
    }

    public function isGone(): bool
    {
        return FolderRole::Gone === $this->now;
    }
}
