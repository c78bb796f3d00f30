<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\MessageContent;
use ZippyTray\Core\Mail\MessageReader;
use ZippyTray\Core\NotFound;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Mailroom\FormattedMail;
use ZippyTray\Server\Store\ConversationRows;
use ZippyTray\Server\Store\FindingsStore;
use ZippyTray\Server\Store\MessageStore;
use ZippyTray\Server\Store\TaskRows;
use ZippyTray\Server\Store\View\MessageView;

#[Route('/api', requirements: ['id' => Requirement::UUID], methods: 'GET')]
final readonly class MessageController
{
    private const NOTHING_FROM_OUTSIDE = "default-src 'none'; img-src data:; style-src 'unsafe-inline'; frame-ancestors 'self'";

    public function __construct(private MessageStore $messages, private MessageReader $reader, private ClockInterface $clock)
    {
    }

    #[Route('/messages/{id}', methods: 'GET')]
    public function show(#[CurrentUser] Account $account, string $id, ConversationRows $rows, TaskRows $tasks, FindingsStore $findings): JsonResponse
    {
        return $this->alone($account, $this->messages->get($account->id, $id), $rows, $tasks, $findings);
    }

    /** A lasting address: of RFC 2392, or only the Message-ID, or the id here. */
    #[Route('/message-addresses', methods: 'GET')]
    public function at(#[CurrentUser] Account $account, #[MapQueryParameter] string $address, ConversationRows $rows, TaskRows $tasks, FindingsStore $findings): JsonResponse
    {
        return $this->alone($account, $this->messages->at($account->id, $address), $rows, $tasks, $findings);
    }

    private function alone(Account $account, Message $message, ConversationRows $rows, TaskRows $tasks, FindingsStore $findings): JsonResponse
    {
        return new JsonResponse([
            'message' => MessageView::of($message, $message->own ? null : $findings->of($account, [$message->id])[$message->id] ?? null),
            'conversation' => $rows->one($account, $this->messages->conversationOf($message)),
            'tasks' => $tasks->ofMessages($account->id, [$message->id]),
        ]);
    }

    #[Route('/messages/{id}/formatted', methods: 'GET')]
    public function formatted(#[CurrentUser] Account $account, string $id, FormattedMail $formatted): Response
    {
        $content = $this->content($this->messages->get($account->id, $id));

        return new Response($formatted->page($content), headers: [
            'Content-Type' => 'text/html; charset=utf-8',
            'Content-Security-Policy' => self::NOTHING_FROM_OUTSIDE,
        ]);
    }

    #[Route('/messages/{id}/source', methods: 'GET')]
    public function source(#[CurrentUser] Account $account, string $id): Response
    {
        $message = $this->messages->get($account->id, $id);

        return HarmlessFile::response($this->messages->source($message), 'message/rfc822', ('' === $message->subject ? 'message' : $message->subject).'.eml', true);
    }

    #[Route('/messages/{id}/attachments/{number}', requirements: ['number' => '\d+'], methods: 'GET')]
    public function attachment(#[CurrentUser] Account $account, string $id, int $number): Response
    {
        $found = $this->content($this->messages->get($account->id, $id))->attachments[$number] ?? throw new NotFound('attachment', (string) $number);

        return HarmlessFile::response($found->bytes, $found->attachment->type, $found->attachment->name);
    }

    private function content(Message $message): MessageContent
    {
        return $this->reader->read($this->messages->source($message), \DateTimeImmutable::createFromInterface($this->clock->now()));
    }
}
