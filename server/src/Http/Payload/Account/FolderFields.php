<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Account;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\InStep\FolderRole;

/**
 * What a person has chosen for a folder of a mailbox.
 */
final readonly class FolderFields
{
    public function __construct(
        #[Assert\Length(max: 1000)]
        public string $name,
        public FolderRole $role,
        public bool $takenIn,
    ) {
    }
}
