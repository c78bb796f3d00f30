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
use ZippyTray\Core\Lists\KeepReferences;
use ZippyTray\Core\Lists\ReferenceFields;
use ZippyTray\Core\Lists\ReferenceKind;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Lists\NewReference;
use ZippyTray\Server\Http\Payload\Lists\ReferenceChange;
use ZippyTray\Server\Http\Payload\Lists\ReferencePlace;
use ZippyTray\Server\Http\Payload\Lists\ReferencesOut;
use ZippyTray\Server\Mailroom\AttachedFiles;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Read\Lists\ReferenceRows;

/**
 * Things to look up: what belongs to a list and asks nothing.
 */
#[Route('/api', requirements: ['id' => Requirement::UUID])]
final readonly class ReferenceController
{
    public function __construct(private KeepReferences $keep, private EntryRows $entries)
    {
    }

    #[Route('/lists/{id}/references', methods: 'GET')]
    public function all(
        #[CurrentUser]
        Account $account,
        string $id,
        Tasks $tasks,
        ReferenceRows $rows,
        #[MapQueryParameter]
        string $after = '',
    ): JsonResponse {
        return new JsonResponse($rows->page($account, $tasks->getList($account->id, new ListId($id))->id, $after));
    }

    /** What was attached is kept as a file of its own, so that it is there when the mail is gone. */
    #[Route('/lists/{id}/references', methods: 'POST')]
    public function add(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapRequestPayload]
        NewReference $new,
        AttachedFiles $attached,
        Tasks $tasks,
    ): JsonResponse {
        $list = $tasks->getList($account->id, new ListId($id));
        [$file, $title] = [$new->file, $new->title];
        if (ReferenceKind::Attachment === $new->kind) {
            if (null === $new->message || null === $new->attachment) {
                throw new Refused('Which attachment?', 'attachment');
            }
            $kept = $attached->keep($account->id, new EmailId($new->message), $new->attachment);
            [$file, $title] = [$kept['id'], '' === $title ? $kept['name'] : $title];
        }

        return $this->answer($this->keep->add(
            $account->id,
            new EntryId($new->entry),
            $new->id,
            $list->id,
            $new->kind,
            new ReferenceFields($title, $new->text, $new->url),
            EmailId::orNull($new->message),
            $file,
        ), Response::HTTP_CREATED);
    }

    #[Route('/references/{id}', methods: 'PUT')]
    public function edit(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] ReferenceChange $change): JsonResponse
    {
        return $this->answer($this->keep->edit(
            $account->id,
            new EntryId($change->entry),
            $id,
            $change->now->fields(),
            $change->was->fields(),
        ));
    }

    #[Route('/references/{id}/place', methods: 'PUT')]
    public function move(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] ReferencePlace $place): JsonResponse
    {
        return $this->answer($this->keep->move($account->id, new EntryId($place->entry), $id, new ListId($place->list), $place->behind));
    }

    #[Route('/references/removals', methods: 'POST')]
    public function delete(#[CurrentUser] Account $account, #[MapRequestPayload] ReferencesOut $out): JsonResponse
    {
        return $this->answer($this->keep->delete($account->id, new EntryId($out->entry), $out->references));
    }

    private function answer(Entry $entry, int $status = Response::HTTP_OK): JsonResponse
    {
        return new JsonResponse($this->entries->of($entry), $status);
    }
}
