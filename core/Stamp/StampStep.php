<?php

declare(strict_types=1);

namespace ZippyTray\Core\Stamp;

use ZippyTray\Core\Tray\AwayReason;

/**
 * One step of a stamp, as the person made it: what it says of time and names is read anew whenever it is carried out.
 *
 * @phpstan-type StepState array{
 *     do: string, labels?: list<string>, line?: string, template?: string, send?: bool, all?: bool, until?: string, for?: string,
 *     to?: string, what?: string, list?: string
 * }
 */
final readonly class StampStep
{
    /**
     * @param list<string> $labels   names, put on or taken off
     * @param string       $line     of a task: a title with gaps (see Gaps) and clauses, as they are jotted
     * @param string       $template the id of the text of an answer
     * @param bool         $send     whether the answer goes out; otherwise it is left as a draft
     * @param bool         $all      whether it goes to everybody, not to the sender alone
     * @param string       $until    a when phrase; with none it comes back at the next clearing
     * @param AwayReason   $for      what ends a snooze before
     * @param string       $to       to whom it is handed over: names or addresses
     * @param string       $what     what they owe
     * @param string       $list     the name of the list that it is put into
     */
    public function __construct(
        public StepKind $do,
        public array $labels = [],
        public string $line = '',
        public string $template = '',
        public bool $send = false,
        public bool $all = false,
        public string $until = '',
        public AwayReason $for = AwayReason::Snooze,
        public string $to = '',
        public string $what = '',
        public string $list = '',
    ) {
    }

    /** @return StepState without what it has nothing of, keys in a fixed order */
    public function state(): array
    {
        return match ($this->do) {
            StepKind::Label, StepKind::Unlabel => ['do' => $this->do->value, 'labels' => $this->labels],
            StepKind::PutIntoList => ['do' => $this->do->value, 'list' => $this->list],
            StepKind::Answer => ['do' => $this->do->value, 'template' => $this->template, 'send' => $this->send, 'all' => $this->all],
            StepKind::Task => ['do' => $this->do->value, 'line' => $this->line],
            StepKind::Snooze => ['do' => $this->do->value, 'until' => $this->until, 'for' => $this->for->value],
            StepKind::HandOver => ['do' => $this->do->value, 'until' => $this->until, 'to' => $this->to, 'what' => $this->what],
            default => ['do' => $this->do->value],
        };
    }

    /** @param StepState $state */
    public static function fromState(array $state): self
    {
        return new self(
            StepKind::from($state['do']),
            $state['labels'] ?? [],
            $state['line'] ?? '',
            $state['template'] ?? '',
            $state['send'] ?? false,
            $state['all'] ?? false,
            $state['until'] ?? '',
            AwayReason::from($state['for'] ?? AwayReason::Snooze->value),
            $state['to'] ?? '',
            $state['what'] ?? '',
            $state['list'] ?? '',
        );
    }

    /** What it does, whatever it is applied to. */
    public function text(): string
    {
        $until = '' === $this->until ? '' : ' '.$this->until;

        return match ($this->do) {
            StepKind::Label => 'label '.implode(', ', $this->labels),
            StepKind::Unlabel => 'without label '.implode(', ', $this->labels),
            StepKind::PutIntoList => 'into '.$this->list,
            StepKind::Read => 'read',
            StepKind::Answer => $this->send ? 'answered' : 'an answer drafted',
            StepKind::Task => 'task '.$this->line,
            StepKind::Snooze => match ($this->for) {
                AwayReason::Answer => 'away until they answer, at the latest'.$until,
                AwayReason::NextClearing => 'away until the next clearing',
                default => 'away until'.$until,
            },
            StepKind::HandOver => \sprintf('handed over to %s, until%s', $this->to, $until),
            StepKind::DoNow => 'done',
            StepKind::Archive => 'archived',
            StepKind::Delete => 'deleted',
            StepKind::Block => 'sender blocked',
            StepKind::Mute => 'muted',
        };
    }
}
