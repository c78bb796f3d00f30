<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Lists;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Lists\ReferenceKind;

/**
 * A thing to look up is put into a list.
 */
final readonly class NewReference
{
    /** @param int|null $attachment which of the message's, from 0 */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Uuid]
        public string $id,
        public ReferenceKind $kind,
        #[Assert\Length(max: 10_000)]
        public string $title = '',
        #[Assert\Length(max: 200_000)]
        public string $text = '',
        #[Assert\Length(max: 10_000)]
        public string $url = '',
        #[Assert\Uuid]
        public ?string $message = null,
        #[Assert\PositiveOrZero]
        public ?int $attachment = null,
        #[Assert\Uuid]
        public ?string $file = null,
    ) {
    }
}
