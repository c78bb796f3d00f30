<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
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

#[Route('/api/messages/{id}', requirements: ['id' => Requirement::UUID], methods: 'GET')]
final readonly class MessageController
{
    /** Pictures that a browser shows without running anything; all else is only ever downloaded. */
    private const SHOWN = ['image/png', 'image/jpeg', 'image/gif', 'image/webp'];

    private const NOTHING_FROM_OUTSIDE = "default-src 'none'; img-src data:; style-src 'unsafe-inline'; frame-ancestors 'self'";

    public function __construct(private MessageStore $messages, private MessageReader $reader, private ClockInterface $clock)
    {
    }

    #[Route('', methods: 'GET')]
    public function show(#[CurrentUser] Account $account, string $id, ConversationRows $rows, TaskRows $tasks, FindingsStore $findings): JsonResponse
    {
        $message = $this->messages->get($account->id, $id);

        return new JsonResponse([
            'message' => MessageView::of($message, $message->own ? null : $findings->of($account, [$message->id])[$message->id] ?? null),
            'conversation' => $rows->one($account->id, $this->messages->conversationOf($message)),
            'tasks' => $tasks->ofMessages($account->id, [$message->id]),
        ]);
    }

    #[Route('/formatted', methods: 'GET')]
    public function formatted(#[CurrentUser] Account $account, string $id, FormattedMail $formatted): Response
    {
        $content = $this->content($this->messages->get($account->id, $id));

        return new Response($formatted->page($content), headers: [
            'Content-Type' => 'text/html; charset=utf-8',
            'Content-Security-Policy' => self::NOTHING_FROM_OUTSIDE,
        ]);
    }

    #[Route('/source', methods: 'GET')]
    public function source(#[CurrentUser] Account $account, string $id): Response
    {
        $message = $this->messages->get($account->id, $id);

        return $this->file($this->messages->source($message), 'message/rfc822', ('' === $message->subject ? 'message' : $message->subject).'.eml');
    }

    #[Route('/attachments/{number}', requirements: ['number' => '\d+'], methods: 'GET')]
    public function attachment(#[CurrentUser] Account $account, string $id, int $number): Response
    {
        $found = $this->content($this->messages->get($account->id, $id))->attachments[$number] ?? throw new NotFound('attachment', (string) $number);
        $type = $found->attachment->type;

        return $this->file($found->bytes, \in_array($type, self::SHOWN, true) ? $type : 'application/octet-stream', $found->attachment->name);
    }

    private function content(Message $message): MessageContent
    {
        return $this->reader->read($this->messages->source($message), \DateTimeImmutable::createFromInterface($this->clock->now()));
    }

    private function file(string $bytes, string $type, string $name): Response
    {
        $name = str_replace(['/', '\\', '%'], ' ', $name);
        $plain = (string) preg_replace('/[^\x20-\x7e]/', '_', $name);

        return new Response($bytes, headers: [
            'Content-Type' => $type,
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, $name, $plain),
            'Content-Security-Policy' => "default-src 'none'; sandbox",
        ]);
    }
}
