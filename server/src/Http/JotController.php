<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Jot\ClauseKind;
use ZippyTray\Core\Task\Jot\ReadJot;
use ZippyTray\Core\Task\MakeTasks;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Task\JotLine;

/**
 * A task written down in one line.
 */
final readonly class JotController
{
    public function __construct(private ClockInterface $clock)
    {
    }

    #[Route('/api/jot', methods: 'POST')]
    public function read(#[CurrentUser] Account $account, #[MapRequestPayload] JotLine $jot, Tasks $tasks): JsonResponse
    {
        $read = ReadJot::of(
            $jot->line,
            $account->profile->speaker($this->clock->now()),
            array_map(static fn (TaskList $list): string => $list->name(), $tasks->lists($account->id)),
        );

        return new JsonResponse(['writable' => ClauseKind::Title === $read->clauses[0]->kind, 'clauses' => $read->clauses]);
    }

    #[Route('/api/jot', methods: 'PUT')]
    public function write(
        #[CurrentUser]
        Account $account,
        #[MapRequestPayload]
        JotLine $jot,
        MakeTasks $make,
        DecisionAnswer $answer,
    ): JsonResponse {
        if (null === $jot->entry || null === $jot->id) {
            throw new Refused('What is written down needs an id, and its entry too.', 'id');
        }
        $fields = ReadJot::of($jot->line, $account->profile->speaker($this->clock->now()))->fields;

        return $answer->of(
            $make($account->id, new EntryId($jot->entry), [new TaskOrder(new TaskId($jot->id), $fields)], $account->timeZone()),
            Response::HTTP_CREATED,
        );
    }
}
