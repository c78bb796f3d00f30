<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Stamp;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Stamp\StepKind;
use ZippyTray\Core\Tray\AwayReason;

final readonly class StampStepField
{
    /** @param list<string> $labels */
    public function __construct(
        public StepKind $do,
        #[Assert\Count(max: 20), Assert\All([new Assert\Type('string')])]
        public array $labels = [],
        #[Assert\Length(max: 1000)]
        public string $line = '',
        #[Assert\Length(max: 36)]
        public string $template = '',
        public bool $send = false,
        public bool $all = false,
        #[Assert\Length(max: 200)]
        public string $until = '',
        #[Assert\Choice(['snooze', 'answer', 'next_clearing'])]
        public string $for = 'snooze',
        #[Assert\Length(max: 500)]
        public string $to = '',
        #[Assert\Length(max: 500)]
        public string $what = '',
        #[Assert\Length(max: 500)]
        public string $list = '',
    ) {
    }

    public function step(): StampStep
    {
        return new StampStep(
            $this->do,
            $this->labels,
            $this->line,
            $this->template,
            $this->send,
            $this->all,
            $this->until,
            AwayReason::from($this->for),
            $this->to,
            $this->what,
            $this->list,
        );
    }
}
