<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Tray\Importance\Correct;
use ZippyTray\Core\Tray\Importance\Correction;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Tray\CorrectionRequest;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Read\Tray\CorrectionView;
use ZippyTray\Server\Read\Tray\Importances;
use ZippyTray\Server\Store\Ports\CorrectionStore;

/**
 * How much conversations matter, why, and what somebody says of that themselves.
 */
#[Route('/api', requirements: ['id' => Requirement::UUID])]
final readonly class ImportanceController
{
    public function __construct(private Importances $importances, private Correct $correct, private EntryRows $entries)
    {
    }

    #[Route('/conversations/{id}/importance', methods: 'GET')]
    public function of(#[CurrentUser] Account $account, string $id): JsonResponse
    {
        return new JsonResponse($this->importances->of($account, $id));
    }

    #[Route('/conversations/{id}/corrections', methods: 'POST')]
    public function correct(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] CorrectionRequest $correction): JsonResponse
    {
        $choice = $this->importances->choice($account, $id, $correction->about)
            ?? throw new Refused('This conversation has no such mail.', 'about');

        return new JsonResponse($this->entries->of(($this->correct)(
            $account->id,
            new EntryId($correction->entry),
            $correction->about,
            $choice['trait'],
            $choice['name'],
            $correction->matters,
            $correction->should,
        )));
    }

    #[Route('/corrections', methods: 'GET')]
    public function all(#[CurrentUser] Account $account, CorrectionStore $corrections): JsonResponse
    {
        return new JsonResponse(array_map(
            static fn (Correction $one): CorrectionView => CorrectionView::of($one),
            $corrections->all($account->id),
        ));
    }

    /** @throws NotFound */
    #[Route('/corrections/{id}', methods: 'DELETE')]
    public function takeBack(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)]
        string $entry,
    ): JsonResponse {
        return new JsonResponse($this->entries->of($this->correct->takeBack($account->id, new EntryId($entry), $id)));
    }
}
