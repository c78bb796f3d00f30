<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Lists\ChangeLists;
use ZippyTray\Core\Lists\MoveCards;
use ZippyTray\Core\Lists\PutIntoLists;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Lists\CardName;
use ZippyTray\Server\Http\Payload\Lists\CardsAlong;
use ZippyTray\Server\Http\Payload\Lists\CardsTo;
use ZippyTray\Server\Http\Payload\Lists\ListFields;
use ZippyTray\Server\Http\Payload\Lists\ListNote;
use ZippyTray\Server\Http\Payload\Lists\ListPlace;
use ZippyTray\Server\Http\Payload\Lists\MailOfLists;
use ZippyTray\Server\Http\Payload\Lists\StagesOfList;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Read\Lists\ListHistory;
use ZippyTray\Server\Read\Lists\ListMarkdown;
use ZippyTray\Server\Read\Lists\ListPeople;
use ZippyTray\Server\Read\Lists\StageCards;
use ZippyTray\Server\Read\Task\TaskRows;

/**
 * The lists of tasks.
 */
#[Route('/api/lists', requirements: ['id' => Requirement::UUID])]
final readonly class ListController
{
    public function __construct(private ChangeLists $change, private EntryRows $entries)
    {
    }

    #[Route('', methods: 'GET')]
    public function all(#[CurrentUser] Account $account, TaskRows $rows): JsonResponse
    {
        return new JsonResponse($rows->lists($account));
    }

    #[Route('', methods: 'POST')]
    public function add(#[CurrentUser] Account $account, #[MapRequestPayload] ListFields $fields): JsonResponse
    {
        return $this->answer(
            $this->change->add(
                $account->id,
                new EntryId($fields->entry),
                new ListId($fields->id ?? throw new Refused('A list needs an id.', 'id')),
                $fields->name,
                $fields->colour,
            ),
            Response::HTTP_CREATED,
        );
    }

    #[Route('/mail', methods: 'POST')]
    public function put(#[CurrentUser] Account $account, #[MapRequestPayload] MailOfLists $mail, PutIntoLists $put): JsonResponse
    {
        return $this->answer($put(
            $account->id,
            new EntryId($mail->entry),
            $mail->ids(),
            MailOfLists::lists($mail->into),
            MailOfLists::lists($mail->outOf),
        ));
    }

    #[Route('/along', methods: 'POST')]
    public function along(#[CurrentUser] Account $account, #[MapRequestPayload] CardsAlong $cards, MoveCards $move): JsonResponse
    {
        return $this->answer($move->along($account->id, new EntryId($cards->entry), CardName::refs($cards->cards), $cards->by));
    }

    #[Route('/{id}/cards', methods: 'PUT')]
    public function to(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] CardsTo $cards, MoveCards $move): JsonResponse
    {
        return $this->answer($move->to(
            $account->id,
            new EntryId($cards->entry),
            new ListId($id),
            CardName::refs($cards->cards),
            $cards->stage,
            $cards->behind?->ref(),
            !$cards->first,
        ));
    }

    #[Route('/{id}/stages', methods: 'GET')]
    public function stages(
        #[CurrentUser]
        Account $account,
        string $id,
        Tasks $tasks,
        StageCards $cards,
        #[MapQueryParameter(options: ['min_range' => 1, 'max_range' => StageCards::MOST])]
        int $most = 100,
    ): JsonResponse {
        return new JsonResponse(['stages' => $cards->of($account, $tasks->getList($account->id, new ListId($id)), $most)]);
    }

    #[Route('/{id}/stages', methods: 'PUT')]
    public function goThrough(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] StagesOfList $stages): JsonResponse
    {
        return $this->answer($this->change->stages(
            $account->id,
            new EntryId($stages->entry),
            new ListId($id),
            $stages->stages(),
            $stages->were,
        ));
    }

    #[Route('/{id}', methods: 'PUT')]
    public function edit(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] ListFields $fields): JsonResponse
    {
        return $this->answer($this->change->edit(
            $account->id,
            new EntryId($fields->entry),
            new ListId($id),
            $fields->name,
            $fields->colour,
            $fields->archived,
        ));
    }

    #[Route('/{id}/history', methods: 'GET')]
    public function history(
        #[CurrentUser]
        Account $account,
        string $id,
        Tasks $tasks,
        ListHistory $history,
        #[MapQueryParameter]
        string $after = '',
    ): JsonResponse {
        return new JsonResponse($history->page($account, $tasks->getList($account->id, new ListId($id))->id, $after));
    }

    #[Route('/{id}/people', methods: 'GET')]
    public function people(#[CurrentUser] Account $account, string $id, Tasks $tasks, ListPeople $people): JsonResponse
    {
        return new JsonResponse($people->of($account, $tasks->getList($account->id, new ListId($id))->id));
    }

    /** All of it as one file that can be read (Markdown). */
    #[Route('/{id}/export', methods: 'GET')]
    public function export(#[CurrentUser] Account $account, string $id, Tasks $tasks, ListMarkdown $markdown): Response
    {
        $list = $tasks->getList($account->id, new ListId($id));
        $response = new StreamedResponse(static function () use ($account, $list, $markdown): void {
            foreach ($markdown->of($account, $list) as $piece) {
                echo $piece;
            }
        });

        return HarmlessFile::download($response, 'text/markdown; charset=utf-8', $list->name().'.md');
    }

    #[Route('/{id}/note', methods: 'GET')]
    public function note(#[CurrentUser] Account $account, string $id, Tasks $tasks): JsonResponse
    {
        return new JsonResponse(['note' => $tasks->getList($account->id, new ListId($id))->note()]);
    }

    #[Route('/{id}/note', methods: 'PUT')]
    public function noteDown(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] ListNote $note): JsonResponse
    {
        return $this->answer($this->change->note($account->id, new EntryId($note->entry), new ListId($id), $note->note, $note->was));
    }

    #[Route('/{id}/place', methods: 'PUT')]
    public function move(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] ListPlace $place): JsonResponse
    {
        return $this->answer($this->change->move(
            $account->id,
            new EntryId($place->entry),
            new ListId($id),
            ListId::orNull($place->behind),
            ListId::orNull($place->parent),
        ));
    }

    #[Route('/{id}', methods: 'DELETE')]
    public function delete(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)]
        string $entry,
        #[MapQueryParameter]
        ?string $moveTo = null,
    ): JsonResponse {
        return $this->answer($this->change->delete($account->id, new EntryId($entry), new ListId($id), ListId::orNull($moveTo)));
    }

    private function answer(Entry $entry, int $status = Response::HTTP_OK): JsonResponse
    {
        return new JsonResponse($this->entries->of($entry), $status);
    }
}
