<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\PassOver;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Touch;
use ZippyTray\Server\Store\Advices;
use ZippyTray\Server\Store\ConversationRows;
use ZippyTray\Server\Store\Counts;
use ZippyTray\Server\Store\EntryRows;
use ZippyTray\Server\Store\FindingsStore;
use ZippyTray\Server\Store\MessageStore;
use ZippyTray\Server\Store\TaskRows;
use ZippyTray\Server\Store\View\AdviceView;
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
        return new JsonResponse($this->rows->tray($account));
    }

    #[Route('/sweep', methods: 'GET')]
    public function sweep(#[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->rows->sweep($account));
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
    public function show(#[CurrentUser] Account $account, string $id, MessageStore $store, TaskRows $tasks, EntryRows $entries, Conversations $conversations, Advices $advices, FindingsStore $findings): JsonResponse
    {
        $messages = $store->ofConversation($account->id, $id);
        $ids = array_map(static fn (Message $message): string => $message->id, $messages);
        $found = $findings->of($account, array_map(static fn (Message $message): string => $message->id, array_values(array_filter($messages, static fn (Message $message): bool => !$message->own))));
        $advice = $advices->of($account, [$id])[$id] ?? null;

        return new JsonResponse([
            'row' => $this->rows->one($account->id, $id),
            'messages' => array_map(static fn (Message $message): MessageView => MessageView::of($message, $found[$message->id] ?? null), $messages),
            'advice' => null === $advice ? null : AdviceView::of($advice),
            'tasks' => $tasks->ofMessages($account->id, $ids),
            'history' => $entries->about($account->id, $conversations->get($account->id, $id)->ref()),
        ]);
    }

    #[Route('/conversations/{id}/touches', requirements: ['id' => Requirement::UUID], methods: 'POST')]
    public function passOver(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] Touch $touch, PassOver $passOver): Response
    {
        $passOver($account->id, $id, $touch->occasion);

        return new Response(status: Response::HTTP_NO_CONTENT);
    }

    #[Route('/conversations/{id}/read', requirements: ['id' => Requirement::UUID], methods: 'PUT')]
    public function read(#[CurrentUser] Account $account, string $id, Conversations $conversations, EntityManagerInterface $orm): Response
    {
        $conversations->get($account->id, $id)->markRead();
        $orm->flush();

        return new Response(status: Response::HTTP_NO_CONTENT);
    }
}
