<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Agenda\MakeAndLay;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Task\EditTask;
use ZippyTray\Core\Task\Outline;
use ZippyTray\Core\Task\Priority;
use ZippyTray\Core\Task\ReadOutline;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Task\NewTasks;
use ZippyTray\Server\Http\Payload\Task\TaskEdit;
use ZippyTray\Server\Http\Payload\Task\WrittenList;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Read\Task\OutlineView;
use ZippyTray\Server\Read\Task\SourceCopies;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Task\TaskSheets;
use ZippyTray\Server\Read\Task\TasksWanted;

#[Route('/api', requirements: ['id' => Requirement::UUID])]
final readonly class TaskController
{
    public function __construct(private TaskRows $rows, private ClockInterface $clock)
    {
    }

    /**
     * @param bool   $parts with what is only a part of another
     * @param string $after `next` of the part before
     */
    #[Route('/tasks', methods: 'GET')]
    public function some(
        #[CurrentUser]
        Account $account,
        #[MapQueryParameter]
        string $state = 'open',
        #[MapQueryParameter]
        ?string $list = null,
        #[MapQueryParameter]
        string $words = '',
        #[MapQueryParameter]
        string $label = '',
        #[MapQueryParameter]
        ?Priority $priority = null,
        #[MapQueryParameter]
        bool $parts = false,
        #[MapQueryParameter]
        string $after = '',
    ): JsonResponse {
        $wanted = new TasksWanted(\in_array($state, ['waiting', 'done'], true) ? $state : 'open', $list, $words, $label, $priority);

        return new JsonResponse($this->rows->page($account, $wanted, $parts, $after));
    }

    /** All of a list that can be done now, each with what it is a part of. */
    #[Route('/task-tree', methods: 'GET')]
    public function tree(
        #[CurrentUser]
        Account $account,
        #[MapQueryParameter]
        string $list,
        #[MapQueryParameter]
        string $words = '',
        #[MapQueryParameter]
        string $label = '',
        #[MapQueryParameter]
        ?Priority $priority = null,
    ): JsonResponse {
        return new JsonResponse($this->rows->all($account, new TasksWanted('open', $list, $words, $label, $priority)));
    }

    #[Route('/tasks', methods: 'POST')]
    public function make(
        #[CurrentUser]
        Account $account,
        #[MapRequestPayload]
        NewTasks $new,
        MakeAndLay $make,
        DecisionAnswer $answer,
    ): JsonResponse {
        $speaker = $account->profile->speaker($this->clock->now());

        return $answer->of(
            $make(
                $account->id,
                new EntryId($new->entry),
                $new->orders($speaker),
                $account->timeZone(),
                $new->slots($speaker),
                null === $new->asked ? null : ['id' => $new->asked->id, 'until' => $new->asked->until->moment($speaker, 'until')],
                ClearingId::orNull($new->clearing),
            ),
            Response::HTTP_CREATED,
        );
    }

    #[Route('/tasks/{id}', methods: 'GET')]
    public function show(#[CurrentUser] Account $account, string $id, Tasks $tasks, TaskSheets $sheets): JsonResponse
    {
        return new JsonResponse($sheets->of($tasks->get($account->id, new TaskId($id))));
    }

    #[Route('/tasks/{id}', methods: 'PUT')]
    public function edit(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapRequestPayload]
        TaskEdit $edit,
        EditTask $editTask,
        EntryRows $entries,
    ): JsonResponse {
        $entry = $editTask(
            $account->id,
            new EntryId($edit->entry),
            new TaskId($id),
            $edit->revision,
            $edit->fields->read($account->profile->speaker($this->clock->now())),
            $account->timeZone(),
        );

        return new JsonResponse($entries->of($entry));
    }

    #[Route('/outlines', methods: 'POST')]
    public function outline(#[CurrentUser] Account $account, #[MapRequestPayload] WrittenList $list, Tasks $tasks): JsonResponse
    {
        $speaker = $account->profile->speaker($this->clock->now());
        $lists = array_map(static fn (TaskList $list): string => $list->name(), $tasks->lists($account->id));

        return new JsonResponse(array_map(
            static fn (Outline $outline): OutlineView => OutlineView::of($outline, $speaker, $lists),
            ReadOutline::of($list->text),
        ));
    }

    /** Of a message that is gone for good. */
    #[Route('/sources', methods: 'GET')]
    public function copies(#[CurrentUser] Account $account, #[MapQueryParameter] string $address, SourceCopies $sources): JsonResponse
    {
        return new JsonResponse($sources->of($account, $address));
    }

    #[Route('/sources/{id}', methods: 'GET')]
    public function source(#[CurrentUser] Account $account, string $id, SourceCopies $sources): JsonResponse
    {
        return new JsonResponse($sources->one($account, $id));
    }
}
