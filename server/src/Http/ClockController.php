<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Agenda\Clock\KeepTime;
use ZippyTray\Core\Agenda\Clock\Stretch;
use ZippyTray\Core\Agenda\Clock\StretchId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Http\Payload\Agenda\ClockStart;
use ZippyTray\Server\Http\Payload\Agenda\DoneAtOnce;
use ZippyTray\Server\Http\Payload\Agenda\TimeCorrection;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Read\Task\Clocks;
use ZippyTray\Server\Store\StoredNow;

/**
 * The clock of tasks.
 */
#[Route('/api', requirements: ['id' => Requirement::UUID])]
final readonly class ClockController
{
    public function __construct(private KeepTime $time, private Clocks $clocks, private EntryRows $entries, private ProgramClock $clock)
    {
    }

    #[Route('/clock', methods: 'PUT')]
    public function start(#[CurrentUser] Account $account, #[MapRequestPayload] ClockStart $start): JsonResponse
    {
        $this->time->start($account->id, new StretchId($start->id), new TaskId($start->task));

        return new JsonResponse(['clock' => $this->clocks->running($account)]);
    }

    #[Route('/clock', methods: 'DELETE')]
    public function pause(#[CurrentUser] Account $account): JsonResponse
    {
        $stretch = $this->time->pause($account->id);

        return new JsonResponse(['paused' => null === $stretch ? null : $this->view($stretch)]);
    }

    #[Route('/clock/at-once', methods: 'POST')]
    public function atOnce(#[CurrentUser] Account $account, #[MapRequestPayload] DoneAtOnce $done): JsonResponse
    {
        $this->time->atOnce(
            $account->id,
            new StretchId($done->id),
            new ConversationId($done->conversation),
            $done->title,
            $done->minutes,
            $done->seconds,
        );

        return new JsonResponse(status: JsonResponse::HTTP_NO_CONTENT);
    }

    /** How long such things usually take that are done at once, in words; empty: not known. */
    #[Route('/clock/at-once', methods: 'GET')]
    public function usual(#[CurrentUser] Account $account, #[MapQueryParameter] string $title = ''): JsonResponse
    {
        return new JsonResponse(['usual' => $this->clocks->experience($account)->text($title, null)]);
    }

    #[Route('/stretches/{id}/corrections', methods: 'POST')]
    public function correct(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] TimeCorrection $correction): JsonResponse
    {
        $entryId = new EntryId($correction->entry);
        $minutes = $correction->minutes($account->profile->speaker($this->clock->now()));

        return new JsonResponse($this->entries->of(
            null === $minutes
                ? $this->time->drop($account->id, $entryId, new StretchId($id))
                : $this->time->correct($account->id, $entryId, new StretchId($id), $minutes),
        ));
    }

    /** @return array{id: string, task: string|null, title: string, begins: string, seconds: int} */
    private function view(Stretch $stretch): array
    {
        return [
            'id' => $stretch->id->text,
            'task' => $stretch->taskId()?->text,
            'title' => $stretch->title(),
            'begins' => StoredNow::of($stretch->begins()),
            'seconds' => $stretch->seconds($this->clock->now()),
        ];
    }
}
