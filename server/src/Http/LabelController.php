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
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Label\KeepLabels;
use ZippyTray\Core\Label\LabelId;
use ZippyTray\Core\Tray\PutLabels;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Label\LabelFields;
use ZippyTray\Server\Http\Payload\Label\LabelMerge;
use ZippyTray\Server\Http\Payload\Label\LabelsOnMail;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Read\Label\LabelRows;

/**
 * Labels, and which conversations bear them.
 */
#[Route('/api', requirements: ['id' => Requirement::UUID])]
final readonly class LabelController
{
    public function __construct(private KeepLabels $keep, private EntryRows $entries)
    {
    }

    #[Route('/labels', methods: 'GET')]
    public function all(#[CurrentUser] Account $account, LabelRows $rows): JsonResponse
    {
        return new JsonResponse($rows->all($account->id));
    }

    #[Route('/labels', methods: 'POST')]
    public function add(#[CurrentUser] Account $account, #[MapRequestPayload] LabelFields $fields): JsonResponse
    {
        return $this->answer(
            $this->keep->add($account->id, new EntryId($fields->entry), $fields->name, $fields->colour, $fields->untilDealt),
            Response::HTTP_CREATED,
        );
    }

    #[Route('/labels/{id}', methods: 'PUT')]
    public function edit(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] LabelFields $fields): JsonResponse
    {
        return $this->answer($this->keep->edit(
            $account->id,
            new EntryId($fields->entry),
            new LabelId($id),
            $fields->name,
            $fields->colour,
            $fields->untilDealt,
        ));
    }

    #[Route('/labels/{id}/into', methods: 'PUT')]
    public function merge(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] LabelMerge $merge): JsonResponse
    {
        return $this->answer($this->keep->merge($account->id, new EntryId($merge->entry), new LabelId($id), new LabelId($merge->into)));
    }

    #[Route('/labels/{id}', methods: 'DELETE')]
    public function delete(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)]
        string $entry,
    ): JsonResponse {
        return $this->answer($this->keep->delete($account->id, new EntryId($entry), new LabelId($id)));
    }

    #[Route('/labelled', methods: 'POST')]
    public function put(#[CurrentUser] Account $account, #[MapRequestPayload] LabelsOnMail $labels, PutLabels $put): JsonResponse
    {
        return $this->answer($put($account->id, new EntryId($labels->entry), $labels->ids(), $labels->on, $labels->off));
    }

    private function answer(Entry $entry, int $status = Response::HTTP_OK): JsonResponse
    {
        return new JsonResponse($this->entries->of($entry), $status);
    }
}
