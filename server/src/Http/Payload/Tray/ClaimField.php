<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Tray;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Tray\Claim;

/**
 * A conversation as the page last saw it.
 */
final readonly class ClaimField
{
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        public ?int $revision = null,
    ) {
    }

    public function claim(): Claim
    {
        return new Claim(new ConversationId($this->id), $this->revision);
    }
}
