<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Decision;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\BringBack;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Decision\Mute;
use ZippyTray\Core\Tray\Decision\PutBack;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Core\Tray\Decision\Swept;

final readonly class DecisionRequest
{
    /** @param list<ClaimField> $conversations */
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        #[Assert\Choice(['do_now', 'snooze', 'hand_over', 'archive', 'delete', 'block', 'mute', 'sweep', 'bring_back', 'put_back'])]
        public string $kind,
        #[Assert\Count(min: 1, max: 10_000, minMessage: 'Select a conversation first.'), Assert\Valid]
        public array $conversations,
        public ?LocalMoment $until = null,
        public string $by = '',
        public string $what = '',
        public bool $wholeDomain = false,
        #[Assert\Uuid]
        public ?string $clearing = null,
    ) {
    }

    /** @return list<Claim> */
    public function claims(): array
    {
        return array_map(static fn (ClaimField $field): Claim => $field->claim(), $this->conversations);
    }

    public function isBlock(): bool
    {
        return 'block' === $this->kind;
    }

    /** @throws Refused when something is missing that the decision needs */
    public function decision(\DateTimeZone $zone): Decision
    {
        return match ($this->kind) {
            'do_now' => new DoNow(),
            'snooze' => new Snooze($this->until($zone)),
            'hand_over' => new HandOver($this->by, $this->what, $this->until($zone)),
            'delete' => new Delete(),
            'mute' => new Mute(),
            'sweep' => new Swept(),
            'bring_back' => new BringBack(),
            'put_back' => new PutBack(),
            default => new Archive(),
        };
    }

    private function until(\DateTimeZone $zone): Moment
    {
        return $this->until?->in($zone) ?? throw new Refused('When should it come back?', 'until');
    }
}
