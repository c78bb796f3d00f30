<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Post;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Post\Expected;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\SendMail;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Tray\Decision;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Server\Http\Payload\Tray\ClaimField;
use ZippyTray\Server\Http\Payload\WhenField;

final readonly class SendRequest
{
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public ?WhenField $at = null,
        public bool $atOnce = false,
        #[Assert\Choice(['do_now', 'archive', 'hand_over'])]
        public ?string $then = null,
        #[Assert\Valid]
        public ?ClaimField $conversation = null,
        public ?WhenField $until = null,
        public string $what = '',
        #[Assert\Uuid]
        public ?string $task = null,
        #[Assert\Uuid]
        public ?string $clearing = null,
        public bool $despite = false,
    ) {
    }

    /** @throws Refused */
    public function decision(Letter $letter, Speaker $speaker): ?Decision
    {
        return match ($this->then) {
            'do_now' => new DoNow(),
            'archive' => new Archive(),
            'hand_over' => new HandOver(
                SendMail::names($letter->to),
                $this->what,
                $this->until?->moment($speaker, 'until') ?? throw new Refused('Until when?', 'until'),
            ),
            default => null,
        };
    }

    /** @throws Refused */
    public function expected(Speaker $speaker): ?Expected
    {
        $until = $this->until?->moment($speaker, 'until');

        return null === $until ? null : new Expected($this->what, $until, TaskId::orNull($this->task));
    }
}
