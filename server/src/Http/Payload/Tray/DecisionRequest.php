<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Tray;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Decision;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\ArchiveRest;
use ZippyTray\Core\Tray\Decision\BringBack;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Decision\MoveReturn;
use ZippyTray\Core\Tray\Decision\Mute;
use ZippyTray\Core\Tray\Decision\PutBack;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Core\Tray\NextClearing;
use ZippyTray\Server\Http\Payload\WhenField;

final readonly class DecisionRequest
{
    /** @param list<ClaimField> $conversations */
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        public DecisionKind $kind,
        #[Assert\Count(min: 1, max: 10_000, minMessage: 'Select a conversation first.'), Assert\Valid]
        public array $conversations,
        public ?WhenField $until = null,
        public string $by = '',
        public string $what = '',
        public bool $wholeDomain = false,
        #[Assert\Uuid]
        public ?string $clearing = null,
        #[Assert\Choice(['snooze', 'answer', 'next_clearing'])]
        public string $for = 'snooze',
    ) {
    }

    /** @return list<Claim> */
    public function claims(): array
    {
        return array_map(static fn (ClaimField $field): Claim => $field->claim(), $this->conversations);
    }

    /**
     * @return Decision|null null: the sender is blocked, which is more than a decision about one conversation
     *
     * @throws Refused when something is missing that the decision needs
     */
    public function decision(Speaker $speaker): ?Decision
    {
        return match ($this->kind) {
            DecisionKind::DoNow => new DoNow(),
            DecisionKind::Snooze => $this->snooze($speaker),
            DecisionKind::HandOver => new HandOver($this->by, $this->what, $this->until($speaker)),
            DecisionKind::Archive => new Archive(),
            DecisionKind::Delete => new Delete(),
            DecisionKind::Mute => new Mute(),
            DecisionKind::ArchiveRest => new ArchiveRest(),
            DecisionKind::MoveReturn => new MoveReturn($this->until($speaker)),
            DecisionKind::BringBack => new BringBack(),
            DecisionKind::PutBack => new PutBack(),
            DecisionKind::Block => null,
        };
    }

    private function snooze(Speaker $speaker): Snooze
    {
        $for = AwayReason::from($this->for);

        return new Snooze(
            AwayReason::NextClearing === $for && null === $this->until ? NextClearing::latest($speaker) : $this->until($speaker),
            $for,
        );
    }

    private function until(Speaker $speaker): Moment
    {
        return $this->until?->moment($speaker, 'until') ?? throw new Refused('When should it come back?', 'until');
    }
}
