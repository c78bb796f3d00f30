<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\ConversationRows;
use ZippyTray\Server\Store\Counts;
use ZippyTray\Server\Store\EntryRows;
use ZippyTray\Server\Store\MessageStore;
use ZippyTray\Server\Store\TaskRows;
use ZippyTray\Server\Store\View\MessageView;

#[Route('/api')]
final readonly class ConversationController
{
    public function __construct(private ConversationRows $rows)
    {
    }

    #[Route('/counts', methods: 'GET')]
    public function counts(#[CurrentUser] Account $account, Counts $counts): JsonResponse
    {
        return new JsonResponse($counts->of($account->id, $account->timeZone()));
    }

    #[Route('/tray', methods: 'GET')]
    public function tray(#[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->rows->tray($account->id));
    }

    #[Route('/away', methods: 'GET')]
    public function away(#[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->rows->away($account->id));
    }

    #[Route('/find', methods: 'GET')]
    public function find(#[CurrentUser] Account $account, #[MapQueryParameter] string $words = '', #[MapQueryParameter] string $place = '', #[MapQueryParameter] int $page = 1): JsonResponse
    {
        return new JsonResponse($this->rows->find($account->id, $words, Place::tryFrom($place), $page));
    }

    #[Route('/conversations/{id}', requirements: ['id' => Requirement::UUID], methods: 'GET')]
    public function show(#[CurrentUser] Account $account, string $id, MessageStore $store, TaskRows $tasks, EntryRows $entries, Conversations $conversations): JsonResponse
    {
        $messages = $store->ofConversation($account->id, $id);

        return new JsonResponse([
            'row' => $this->rows->one($account->id, $id),
            'messages' => array_map(MessageView::of(...), $messages),
            'tasks' => $tasks->ofMessages($account->id, array_map(static fn (Message $message): string => $message->id, $messages)),
            'history' => $entries->about($account->id, $conversations->get($account->id, $id)->ref()),
        ]);
    }

    #[Route('/conversations/{id}/read', requirements: ['id' => Requirement::UUID], methods: 'PUT')]
    public function read(#[CurrentUser] Account $account, string $id, Conversations $conversations, EntityManagerInterface $orm): Response
    {
        $conversations->get($account->id, $id)->markRead();
        $orm->flush();

        return new Response(status: Response::HTTP_NO_CONTENT);
    }
}
