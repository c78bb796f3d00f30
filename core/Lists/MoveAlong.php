<?php

declare(strict_types=1);

namespace ZippyTray\Core\Lists;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Change;
use ZippyTray\Core\Journal\Follow;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Stage\AtStage;
use ZippyTray\Core\Task\Stage\Onwards;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;

/**
 * A stage may say that what stands there goes on once somebody has answered, handed over, made a task or dealt with it. What they did is
 * told by what it changed, so it makes no difference whether a key, a stamp or a standing order did it.
 */
final readonly class MoveAlong implements Follow
{
    public function __construct(private Tasks $tasks, private Cards $cards, private MoveAtStages $move)
    {
    }

    public function after(AccountId $accountId, Step $step): void
    {
        $lists = $this->lists($accountId);
        $done = [] === $lists ? [] : $this->done($step->changes());
        if ([] === $done) {
            return;
        }
        $moves = [];
        foreach ($this->atStages($accountId, array_keys($done), $lists) as [$key, $one]) {
            $list = $lists[$one->listId()->text] ?? null;
            $at = $list?->stages()->at($one->stage()?->stage);
            $to = null === $list || null === $at ? null : $list->stages()->along($at, 1);
            if (null !== $to && $to->id !== $at->id && \in_array($at->onwards, $done[$key] ?? [], true)) {
                $moves[$list->id->text.' '.$to->id] ??= [$list, $to, []];
                $moves[$list->id->text.' '.$to->id][2][] = $one;
            }
        }
        foreach ($moves as [$list, $stage, $cards]) {
            $this->move->put($cards, $list, $stage, null, $step);
            $step->addTo(MoveAtStages::said($list, $stage));
        }
    }

    /**
     * @param list<Change> $changes
     *
     * @return array<string, list<Onwards>> by kind and id, of conversations and tasks
     */
    private function done(array $changes): array
    {
        $done = [];
        foreach ($changes as $change) {
            [$before, $after] = [$change->before ?? [], $change->after ?? []];
            $conversation = \is_string($after['conversation'] ?? null) ? 'conversation '.$after['conversation'] : '';
            [$key, $onwards] = match ($change->object->kind) {
                ObjectKind::Conversation => ['conversation '.$change->object->id, self::decided($before, $after)],
                ObjectKind::Task => [
                    'task '.$change->object->id,
                    [] !== $before && null === ($before['completedAt'] ?? null) && null !== ($after['completedAt'] ?? null)
                        ? Onwards::Done
                        : null,
                ],
                ObjectKind::Owed => [$conversation, [] === $before ? Onwards::HandedOver : null],
                ObjectKind::Outgoing => [
                    $conversation,
                    'draft' === ($before['state'] ?? 'draft') && 'waiting' === ($after['state'] ?? '') ? Onwards::Answered : null,
                ],
                default => ['', null],
            };
            if ('' !== $key && null !== $onwards) {
                $done[$key][] = $onwards;
            }
        }

        return $done;
    }

    /**
     * @param array<string, mixed> $before the states of a conversation
     * @param array<string, mixed> $after
     */
    private static function decided(array $before, array $after): ?Onwards
    {
        return match (true) {
            ($before['decidedAt'] ?? null) === ($after['decidedAt'] ?? null) => null,
            'hand_over' === ($after['awayReason'] ?? null) => Onwards::HandedOver,
            'archive' !== ($after['place'] ?? null) => null,
            default => AdvisedDecision::Task->value === ($after['decidedAs'] ?? null) ? Onwards::MadeTask : Onwards::Done,
        };
    }

    /** @return array<string, TaskList> those with a stage that is left by itself, by id */
    private function lists(AccountId $accountId): array
    {
        $lists = [];
        foreach ($this->tasks->lists($accountId) as $list) {
            if ($list->stages()->goOn()) {
                $lists[$list->id->text] = $list;
            }
        }

        return $lists;
    }

    /**
     * @param list<string>            $keys
     * @param array<string, TaskList> $lists
     *
     * @return iterable<array{string, AtStage}>
     */
    private function atStages(AccountId $accountId, array $keys, array $lists): iterable
    {
        $conversations = [];
        foreach ($keys as $key) {
            [$kind, $id] = explode(' ', $key, 2);
            if ('task' === $kind) {
                yield [$key, $this->tasks->get($accountId, new TaskId($id))];
            } else {
                $conversations[] = new ConversationId($id);
            }
        }
        $listIds = array_map(static fn (TaskList $list): ListId => $list->id, array_values($lists));
        foreach ([] === $conversations ? [] : $this->cards->atStages($accountId, $conversations, $listIds) as $card) {
            yield ['conversation '.$card->conversationId()->text, $card];
        }
    }
}
