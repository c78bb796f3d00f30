<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use ZippyTray\Core\InStep\FolderRole;
use ZippyTray\Server\Store\Row;

/**
 * A folder of a mailbox, as it was when it was looked at last.
 */
final readonly class ServerFolder
{
    /**
     * @param bool $isTakenIn whether what lies there is taken in; otherwise only what is known is found again there
     * @param int  $next      the first number that was not listed yet
     */
    public function __construct(
        public int $id,
        public string $name,
        public FolderRole $role,
        public bool $isTakenIn,
        public int $validity,
        public int $next,
        public int $modSeq,
        public int $messages,
    ) {
    }

    public static function of(Row $row): self
    {
        return new self(
            $row->int('id'),
            $row->string('name'),
            FolderRole::tryFrom($row->string('role')) ?? FolderRole::Other,
            $row->bool('taken_in'),
            $row->int('validity'),
            $row->int('next'),
            $row->int('mod_seq'),
            $row->int('messages'),
        );
    }
}
