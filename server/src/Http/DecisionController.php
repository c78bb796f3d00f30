<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Time\SnoozeChoice;
use ZippyTray\Core\Tray\BlockSender;
use ZippyTray\Core\Tray\Decide;
use ZippyTray\Core\Tray\EmptyBin;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\DecisionRequest;
use ZippyTray\Server\Store\EntryRows;

#[Route('/api')]
final readonly class DecisionController
{
    public function __construct(private EntryRows $entries)
    {
    }

    #[Route('/decisions', methods: 'POST')]
    public function decide(#[CurrentUser] Account $account, #[MapRequestPayload] DecisionRequest $request, Decide $decide, BlockSender $block, DecisionAnswer $answer): JsonResponse
    {
        return $answer->of($request->isBlock()
            ? $block($account->id, $request->id, $request->claims(), $request->wholeDomain, $account->email, $request->clearing)
            : $decide($account->id, $request->id, $request->decision($account->timeZone()), $request->claims(), $request->clearing));
    }

    #[Route('/snooze-choices', methods: 'GET')]
    public function choices(#[CurrentUser] Account $account, ClockInterface $clock): JsonResponse
    {
        $choices = [];
        foreach (SnoozeChoice::cases() as $choice) {
            $moment = $choice->moment($clock->now(), $account->timeZone());
            if (null !== $moment) {
                $choices[] = ['choice' => $choice->value, 'date' => $moment->date(), 'time' => $moment->time()];
            }
        }

        return new JsonResponse($choices);
    }

    #[Route('/bin', methods: 'DELETE')]
    public function emptyBin(#[CurrentUser] Account $account, #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)] string $id, EmptyBin $emptyBin): JsonResponse
    {
        return new JsonResponse($this->entries->one($account->id, $emptyBin($account->id, $id)->id));
    }
}
