<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Time\Distance;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Tray\BlockSender;
use ZippyTray\Core\Tray\Decide;
use ZippyTray\Core\Tray\EmptyBin;
use ZippyTray\Core\Tray\NextClearing;
use ZippyTray\Core\Tray\SnoozePresets;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Tray\DecisionRequest;
use ZippyTray\Server\Read\Journal\EntryRows;

#[Route('/api')]
final readonly class DecisionController
{
    public function __construct(private EntryRows $entries)
    {
    }

    #[Route('/decisions', methods: 'POST')]
    public function decide(
        #[CurrentUser]
        Account $account,
        #[MapRequestPayload]
        DecisionRequest $request,
        Decide $decide,
        BlockSender $block,
        DecisionAnswer $answer,
        ClockInterface $clock,
    ): JsonResponse {
        $decision = $request->decision($account->profile->speaker($clock->now()));

        return $answer->of(null === $decision
            ? $block(
                $account->id,
                new EntryId($request->id),
                $request->claims(),
                $request->wholeDomain,
                $account->person(),
                ClearingId::orNull($request->clearing),
            )
            : $decide($account->id, new EntryId($request->id), $decision, $request->claims(), ClearingId::orNull($request->clearing)));
    }

    #[Route('/snooze-choices', methods: 'GET')]
    public function choices(#[CurrentUser] Account $account, ClockInterface $clock): JsonResponse
    {
        $speaker = $account->profile->speaker($clock->now());
        $choices = [];
        foreach ($account->profile->traySettings()->snoozes->moments($speaker) as $phrase => $moment) {
            $choices[] = ['phrase' => (string) $phrase] + self::offered($moment, $speaker);
        }

        return new JsonResponse([
            'choices' => $choices,
            'nextClearing' => self::offered(NextClearing::latest($speaker), $speaker),
            'usual' => SnoozePresets::USUAL,
            'most' => SnoozePresets::MOST,
        ]);
    }

    /** @return array{date: LocalDate, time: TimeOfDay, distance: string} */
    private static function offered(Moment $moment, Speaker $speaker): array
    {
        return ['date' => $moment->date(), 'time' => $moment->time(), 'distance' => Distance::of($moment->date(), $moment, $speaker->now)];
    }

    #[Route('/bin', methods: 'DELETE')]
    public function emptyBin(
        #[CurrentUser]
        Account $account,
        #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)]
        string $id,
        EmptyBin $emptyBin,
    ): JsonResponse {
        return new JsonResponse($this->entries->of($emptyBin($account->id, new EntryId($id))));
    }
}
