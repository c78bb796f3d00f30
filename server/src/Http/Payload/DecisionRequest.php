<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Tray\Decision;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\BringBack;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\PutBack;
use ZippyTray\Core\Tray\Decision\Snooze;

final readonly class DecisionRequest
{
    /** @param list<string> $conversations */
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        #[Assert\Choice(['archive', 'delete', 'snooze', 'bring_back', 'put_back'])]
        public string $kind,
        #[Assert\Count(min: 1, max: 10_000, minMessage: 'Select a conversation first.'), Assert\All(new Assert\Uuid())]
        public array $conversations,
        public ?LocalMoment $until = null,
    ) {
    }

    /** @throws Refused when something is missing that the decision needs */
    public function decision(\DateTimeZone $zone): Decision
    {
        return match ($this->kind) {
            'delete' => new Delete(),
            'snooze' => new Snooze($this->until?->in($zone) ?? throw new Refused('When should it come back?', 'until')),
            'bring_back' => new BringBack(),
            'put_back' => new PutBack(),
            default => new Archive(),
        };
    }
}
