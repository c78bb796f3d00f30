<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Remind\AnswerRings;
use ZippyTray\Core\Remind\MoveReminder;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\ReminderMove;
use ZippyTray\Server\Http\Payload\RingAnswer;
use ZippyTray\Server\Read\Journal\EntryRows;

/**
 * What is answered to reminders that have come, and what becomes of those that are still to come.
 */
#[Route('/api', methods: 'POST')]
final readonly class RingController
{
    public function __construct(private AnswerRings $answers, private EntryRows $entries)
    {
    }

    #[Route('/rings/let-go')]
    public function letGo(#[CurrentUser] Account $account, #[MapRequestPayload] RingAnswer $answer): JsonResponse
    {
        return $this->answer($this->answers->letGo($account->id, new EntryId($answer->entry), $answer->ids()));
    }

    #[Route('/rings/again')]
    public function again(#[CurrentUser] Account $account, #[MapRequestPayload] RingAnswer $answer, ClockInterface $clock): JsonResponse
    {
        return $this->answer($this->answers->again(
            $account->id,
            new EntryId($answer->entry),
            $answer->ids(),
            $answer->moment($account->profile->speaker($clock->now())),
        ));
    }

    #[Route('/reminder-moves')]
    public function move(
        #[CurrentUser]
        Account $account,
        #[MapRequestPayload]
        ReminderMove $move,
        MoveReminder $moveReminder,
        ClockInterface $clock,
    ): JsonResponse {
        return $this->answer($moveReminder(
            $account->id,
            new EntryId($move->entry),
            $move->about(),
            $move->reminder,
            $move->moment($account->profile->speaker($clock->now())),
        ));
    }

    private function answer(Entry $entry): JsonResponse
    {
        return new JsonResponse($this->entries->of($entry));
    }
}
