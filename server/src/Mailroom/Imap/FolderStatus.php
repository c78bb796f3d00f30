<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Imap;

use ZippyTray\Core\InStep\FolderRoles;

/**
 * A folder as the server lists it (RFC 9051, 6.3.9 and 6.3.11).
 */
final readonly class FolderStatus
{
    /**
     * @param string       $name       in UTF-8
     * @param list<string> $attributes in small letters, as \archive
     * @param int          $validity   UIDVALIDITY; 0 when it cannot be opened
     * @param int          $next       UIDNEXT
     * @param int          $modSeq     HIGHESTMODSEQ (RFC 7162); 0 where the server has none
     */
    public function __construct(
        public string $name,
        public string $delimiter,
        public array $attributes,
        public int $validity,
        public int $next,
        public int $messages,
        public int $modSeq,
    ) {
    }

    public function canBeOpened(): bool
    {
        return $this->validity > 0;
    }

    /** Whether it is there, and the server does not say now how it stands with it. */
    public function isShut(): bool
    {
        return !$this->canBeOpened() && [] === array_intersect(['\noselect', '\nonexistent'], $this->attributes);
    }

    /**
     * What each folder stands for, as FolderRoles reads it.
     *
     * @param list<self> $folders
     *
     * @return array<string, string> names by roles
     */
    public static function roles(array $folders): array
    {
        return FolderRoles::of(array_map(
            static fn (self $one): array => ['name' => $one->name, 'attributes' => $one->attributes, 'delimiter' => $one->delimiter],
            $folders,
        ));
    }
}
