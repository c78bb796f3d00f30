<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Task\ChangeTask;
use ZippyTray\Core\Task\MakeTasks;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\NewTasks;
use ZippyTray\Server\Http\Payload\TaskEdit;
use ZippyTray\Server\Http\Payload\TaskState;
use ZippyTray\Server\Store\EntryRows;
use ZippyTray\Server\Store\SourceCopies;
use ZippyTray\Server\Store\StoredNow;
use ZippyTray\Server\Store\TaskRows;

#[Route('/api', requirements: ['id' => Requirement::UUID])]
final readonly class TaskController
{
    public function __construct(private TaskRows $rows, private EntryRows $entries, private ChangeTask $change)
    {
    }

    #[Route('/tasks', methods: 'GET')]
    public function all(#[CurrentUser] Account $account, #[MapQueryParameter] string $state = 'open'): JsonResponse
    {
        return new JsonResponse('done' === $state ? $this->rows->done($account->id, $account->timeZone()) : $this->rows->open($account->id, $account->timeZone()));
    }

    #[Route('/tasks', methods: 'POST')]
    public function make(#[CurrentUser] Account $account, #[MapRequestPayload] NewTasks $new, MakeTasks $make, DecisionAnswer $answer): JsonResponse
    {
        return $answer->of($make($account->id, $new->entry, $new->orders($account->timeZone()), $new->clearing), Response::HTTP_CREATED);
    }

    #[Route('/tasks/{id}', methods: 'GET')]
    public function show(#[CurrentUser] Account $account, string $id, Tasks $tasks, SourceCopies $sources): JsonResponse
    {
        $task = $tasks->get($account->id, $id);

        return new JsonResponse([
            'row' => $this->rows->one($account->id, $id, $account->timeZone()),
            'createdAt' => StoredNow::of($task->createdAt),
            'sources' => $sources->ofTask($task),
        ]);
    }

    #[Route('/tasks/{id}', methods: 'PUT')]
    public function edit(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] TaskEdit $edit): JsonResponse
    {
        return $this->answer($this->change->edit($account->id, $edit->entry, $id, $edit->fields->in($account->timeZone())));
    }

    #[Route('/tasks/{id}/state', methods: 'PUT')]
    public function state(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] TaskState $state): JsonResponse
    {
        return $this->answer($state->done ? $this->change->complete($account->id, $state->entry, $id) : $this->change->restore($account->id, $state->entry, $id));
    }

    #[Route('/tasks/{id}', methods: 'DELETE')]
    public function delete(#[CurrentUser] Account $account, string $id, #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)] string $entry): JsonResponse
    {
        return $this->answer($this->change->delete($account->id, $entry, $id));
    }

    #[Route('/lists', methods: 'GET')]
    public function lists(#[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->rows->lists($account->id));
    }

    #[Route('/sources/{id}', methods: 'GET')]
    public function source(#[CurrentUser] Account $account, string $id, SourceCopies $sources): JsonResponse
    {
        return new JsonResponse($sources->one($account->id, $id));
    }

    private function answer(Entry $entry): JsonResponse
    {
        return new JsonResponse($this->entries->one($entry->accountId, $entry->id));
    }
}
