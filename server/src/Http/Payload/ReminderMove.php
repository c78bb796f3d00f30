<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;

final readonly class ReminderMove
{
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public string $reminder,
        #[Assert\Uuid]
        public ?string $task = null,
        #[Assert\Uuid]
        public ?string $conversation = null,
        public ?WhenField $to = null,
    ) {
    }

    /** @throws Refused */
    public function about(): ObjectRef
    {
        return match (true) {
            null !== $this->task => new ObjectRef(ObjectKind::Task, $this->task),
            null !== $this->conversation => new ObjectRef(ObjectKind::Conversation, $this->conversation),
            default => throw new Refused('Whose reminder?'),
        };
    }

    /** @throws Refused */
    public function moment(Speaker $speaker): ?Moment
    {
        return $this->to?->moment($speaker, 'to');
    }
}
