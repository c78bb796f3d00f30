<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Task\PutOffTasks;
use ZippyTray\Core\Time\Due;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Task\PutOffField;
use ZippyTray\Server\Read\DueView;
use ZippyTray\Server\Read\Journal\EntryRows;

/**
 * Putting tasks off, with the difference shown before.
 */
#[Route('/api/tasks/put-offs', methods: 'POST', priority: 1)]
final readonly class PutOffController
{
    public function __construct(private PutOffTasks $putOff, private ClockInterface $clock)
    {
    }

    #[Route('')]
    public function do(#[CurrentUser] Account $account, #[MapRequestPayload] PutOffField $field, EntryRows $entries): JsonResponse
    {
        $entry = ($this->putOff)(
            $account->id,
            new EntryId($field->entry),
            $field->ids(),
            $field->putOff($account->profile->speaker($this->clock->now())),
            $account->timeZone(),
        );

        return new JsonResponse($entries->of($entry));
    }

    #[Route('/preview')]
    public function preview(#[CurrentUser] Account $account, #[MapRequestPayload] PutOffField $field): JsonResponse
    {
        $zone = $account->timeZone();
        $local = static fn (?Due $due): ?array => null === $due ? null : DueView::in($zone, $due);

        return new JsonResponse(array_map(static fn (array $one): array => [
            'id' => $one['task']->id,
            'title' => $one['task']->title(),
            'start' => ['before' => $local($one['task']->start()), 'after' => $local($one['start'])],
            'due' => ['before' => $local($one['task']->due()), 'after' => $local($one['due'])],
            'problem' => $one['problem'],
        ], $this->putOff->preview($account->id, $field->ids(), $field->putOff($account->profile->speaker($this->clock->now())), $zone)));
    }
}
