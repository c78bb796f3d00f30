<?php

declare(strict_types=1);

namespace ZippyTray\Core\Stamp;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Label\LabelName;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\Placeholders;
use ZippyTray\Core\Post\Templates;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Jot\ClauseKind;
use ZippyTray\Core\Task\Jot\ReadJot;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Decision\HandOver;

/**
 * Whether steps make sense, each by itself and together, before a stamp is made of them.
 */
final readonly class CheckSteps
{
    public const MOST = 12;

    public function __construct(private Templates $templates, private Tasks $tasks)
    {
    }

    /**
     * @param list<StampStep> $steps
     *
     * @throws Refused when they make none
     */
    public function __invoke(AccountId $accountId, array $steps, StampHand $hand): void
    {
        if ([] === $steps) {
            throw new Refused('What is it to do? A stamp needs a step.', 'steps');
        }
        if (\count($steps) > self::MOST) {
            throw new Refused(\sprintf('A stamp can have %d steps at most.', self::MOST), 'steps');
        }
        $this->together($steps);
        foreach ($steps as $step) {
            $this->one($accountId, $step, $hand);
        }
    }

    /**
     * @param list<StampStep> $steps
     *
     * @throws Refused
     */
    private function together(array $steps): void
    {
        $decisions = array_values(array_filter($steps, static fn (StampStep $step): bool => $step->do->decides()));
        if (\count($decisions) > 1) {
            throw new Refused(\sprintf(
                'A conversation is decided once: "%s" and "%s" do not go together.',
                $decisions[0]->text(),
                $decisions[1]->text(),
            ), 'steps');
        }
        $decision = ($decisions[0] ?? null)?->do;
        $answers = array_values(array_filter($steps, static fn (StampStep $step): bool => StepKind::Answer === $step->do));
        if (\count($answers) > 1) {
            throw new Refused('A stamp can answer once.', 'steps');
        }
        if ([] !== $answers && \in_array($decision, [StepKind::Block, StepKind::Delete], true)) {
            throw new Refused('Whoever is answered is not blocked or deleted in the same breath.', 'steps');
        }
        if ([] !== $answers && !$answers[0]->send && \in_array($decision, [StepKind::Archive, StepKind::Mute, StepKind::DoNow], true)) {
            throw new Refused(
                'An answer that is only drafted would be forgotten in the archive. Send it, or leave the mail in the tray.',
                'steps',
            );
        }
        $names = static fn (StepKind $kind): array => array_map(LabelName::folded(...), array_merge(...array_map(
            static fn (StampStep $step): array => $step->do === $kind ? $step->labels : [],
            $steps,
        )));
        $both = array_values(array_intersect($names(StepKind::Label), $names(StepKind::Unlabel)));
        if ([] !== $both) {
            throw new Refused(\sprintf('The label "%s" would be put on and taken off.', $both[0]), 'steps');
        }
    }

    /** @throws Refused */
    private function one(AccountId $accountId, StampStep $step, StampHand $hand): void
    {
        match ($step->do) {
            StepKind::Label, StepKind::Unlabel => [] === LabelName::each($step->labels) ? throw new Refused('Which label?', 'steps') : null,
            StepKind::PutIntoList => $this->tasks->listNamed($accountId, $step->list) ?? throw new Refused('Into which list?', 'steps'),
            StepKind::Snooze => AwayReason::NextClearing === $step->for && '' === $step->until
                ? null
                : $this->when($step->until, $hand),
            StepKind::HandOver => $this->handOver($step, $hand),
            StepKind::Task => $this->task($step->line, $hand),
            StepKind::Answer => $this->answer($accountId, $step, $hand),
            default => null,
        };
    }

    /** @throws Refused */
    private function when(string $phrase, StampHand $hand): void
    {
        if ('' === trim($phrase)) {
            throw new Refused('Until when?', 'steps');
        }
        try {
            $hand->speaker->moment($phrase, 'steps')->mustBeAhead($hand->speaker->now->instant, 'steps');
        } catch (Refused $refused) {
            throw new Refused(\sprintf('"%s": %s', $phrase, $refused->getMessage()), 'steps');
        }
    }

    /** @throws Refused */
    private function handOver(StampStep $step, StampHand $hand): void
    {
        if ('' === trim($step->to)) {
            throw new Refused('Who owes you the answer? Write a name or an address.', 'steps');
        }
        if (max(mb_strlen($step->to), mb_strlen($step->what)) > HandOver::LENGTH) {
            throw new Refused(\sprintf('This can have %d characters at most.', HandOver::LENGTH), 'steps');
        }
        $this->when($step->until, $hand);
    }

    /** @throws Refused */
    private function task(string $line, StampHand $hand): void
    {
        $fault = Gaps::fault($line);
        if ('' !== $fault) {
            throw new Refused($fault, 'steps');
        }
        $jot = ReadJot::of($line, $hand->speaker);
        foreach ($jot->clauses as $clause) {
            if (ClauseKind::Unread === $clause->kind) {
                throw new Refused(\sprintf('"%s": %s', $clause->text, $clause->reading), 'steps');
            }
        }
        if ('' === $jot->fields->title) {
            throw new Refused('A task needs a title: what is to be done? {asked} stands for what the mail asks.', 'steps');
        }
    }

    /** @throws Refused */
    private function answer(AccountId $accountId, StampStep $step, StampHand $hand): void
    {
        try {
            $template = $this->templates->get($accountId, $step->template);
        } catch (NotFound) {
            throw new Refused('With which text is it answered? Choose a template.', 'steps');
        }
        $questions = Placeholders::questions($template->subject().' '.$template->text());
        if ($step->send && [] !== $questions) {
            throw new Refused(
                \sprintf('"%s" asks each time: %s. It can only be left as a draft.', $template->name(), $questions[0]),
                'steps',
            );
        }
        if ($step->send && !$hand->canSend) {
            throw new Refused(
                'There is no way out for your mail yet. Choose one in Settings, under Mail, or leave the answer as a draft.',
                'steps',
            );
        }
    }
}
