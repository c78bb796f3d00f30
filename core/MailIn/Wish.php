<?php

declare(strict_types=1);

namespace ZippyTray\Core\MailIn;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Time\Moment;

/**
 * What a letter to a mail-in address comes to, before it is carried out.
 */
final readonly class Wish
{
    /**
     * @param TaskFields|null $task     a task is made of it
     * @param Moment|null     $until    otherwise it comes back then
     * @param list<Address>   $people   unless these have answered
     * @param list<string>    $troubles what was not understood, a sentence each
     * @param bool            $isWhole  whether each address and the first line were understood
     */
    public function __construct(
        public ?TaskFields $task = null,
        public ?Moment $until = null,
        public array $people = [],
        public array $troubles = [],
        public bool $isWhole = true,
    ) {
    }
}
