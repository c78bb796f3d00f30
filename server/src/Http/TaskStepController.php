<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Task\ChangeTasks;
use ZippyTray\Core\Task\CompleteTasks;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\MoveTasks;
use ZippyTray\Core\Task\RemoveTasks;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\EntryOnly;
use ZippyTray\Server\Http\Payload\Task\ChangeOfTasks;
use ZippyTray\Server\Http\Payload\Task\TaskDeletion;
use ZippyTray\Server\Http\Payload\Task\TaskMove;
use ZippyTray\Server\Http\Payload\Task\TaskState;
use ZippyTray\Server\Read\Journal\EntryRows;

/**
 * What is done with tasks that exist, one or several at once.
 */
#[Route('/api')]
final readonly class TaskStepController
{
    public function __construct(private EntryRows $entries, private CompleteTasks $complete, private RemoveTasks $remove)
    {
    }

    #[Route('/tasks/state', methods: 'PUT', priority: 1)]
    public function state(#[CurrentUser] Account $account, #[MapRequestPayload] TaskState $state): JsonResponse
    {
        return $this->answer($state->done
            ? $this->complete->complete(
                $account->id,
                new EntryId($state->entry),
                $state->ids(),
                $state->withSubtasks || $account->profile->taskSettings()->completeSubtasks,
                $account->timeZone(),
            )
            : $this->complete->restore($account->id, new EntryId($state->entry), $state->ids()));
    }

    #[Route('/tasks/{id}/skip', requirements: ['id' => Requirement::UUID], methods: 'POST')]
    public function skip(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] EntryOnly $step): JsonResponse
    {
        return $this->answer($this->complete->skip($account->id, new EntryId($step->entry), new TaskId($id), $account->timeZone()));
    }

    #[Route('/tasks/moves', methods: 'POST')]
    public function move(#[CurrentUser] Account $account, #[MapRequestPayload] TaskMove $move, MoveTasks $moveTasks): JsonResponse
    {
        return $this->answer($moveTasks($account->id, new EntryId($move->entry), $move->ids(), $move->spot()));
    }

    #[Route('/tasks/changes', methods: 'POST')]
    public function change(
        #[CurrentUser]
        Account $account,
        #[MapRequestPayload]
        ChangeOfTasks $change,
        ChangeTasks $changeTasks,
        ClockInterface $clock,
    ): JsonResponse {
        return $this->answer($changeTasks(
            $account->id,
            new EntryId($change->entry),
            $change->ids(),
            $change->change($account->profile->speaker($clock->now())),
            $account->timeZone(),
        ));
    }

    #[Route('/tasks/deletions', methods: 'POST')]
    public function delete(#[CurrentUser] Account $account, #[MapRequestPayload] TaskDeletion $deletion): JsonResponse
    {
        return $this->answer($this->remove->delete($account->id, new EntryId($deletion->entry), $deletion->ids()));
    }

    #[Route('/done', methods: 'DELETE')]
    public function clearDone(
        #[CurrentUser]
        Account $account,
        #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)]
        string $entry,
        #[MapQueryParameter]
        ?string $list = null,
    ): JsonResponse {
        return $this->answer($this->remove->clearDone($account->id, new EntryId($entry), ListId::orNull($list)));
    }

    private function answer(Entry $entry): JsonResponse
    {
        return new JsonResponse($this->entries->of($entry));
    }
}
