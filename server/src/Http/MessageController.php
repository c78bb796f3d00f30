<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\MessageContent;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\NotFound;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Mailroom\FormattedMail;
use ZippyTray\Server\Mailroom\SafeHtmlStore;
use ZippyTray\Server\Read\Post\MessageView;
use ZippyTray\Server\Read\Post\TextPiece;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Store\Ports\FindingsStore;
use ZippyTray\Server\Store\Ports\MessageStore;

#[Route('/api', requirements: ['id' => Requirement::UUID], methods: 'GET')]
final readonly class MessageController
{
    /** Nothing from outside, nothing runs, nothing is sent; the page around it measures it, so it is of the same origin. */
    private const FRAMED = "default-src 'none'; img-src data:; style-src 'unsafe-inline'; form-action 'none'; base-uri 'none'; "
        ."frame-ancestors 'self'; sandbox allow-same-origin allow-popups allow-popups-to-escape-sandbox";

    public function __construct(private MessageStore $messages, private MessageReader $reader, private ClockInterface $clock)
    {
    }

    #[Route('/messages/{id}', methods: 'GET')]
    public function show(
        #[CurrentUser]
        Account $account,
        string $id,
        ConversationRows $rows,
        TaskRows $tasks,
        FindingsStore $findings,
    ): JsonResponse {
        return $this->alone($account, $this->messages->get($account->id, new EmailId($id)), $rows, $tasks, $findings);
    }

    /** A lasting address: of RFC 2392, or only the Message-ID, or the id here. */
    #[Route('/message-addresses', methods: 'GET')]
    public function at(
        #[CurrentUser]
        Account $account,
        #[MapQueryParameter]
        string $address,
        ConversationRows $rows,
        TaskRows $tasks,
        FindingsStore $findings,
    ): JsonResponse {
        return $this->alone($account, $this->messages->at($account->id, $address), $rows, $tasks, $findings);
    }

    private function alone(
        Account $account,
        Message $message,
        ConversationRows $rows,
        TaskRows $tasks,
        FindingsStore $findings,
    ): JsonResponse {
        return new JsonResponse([
            'message' => MessageView::of(
                $message,
                $message->own ? null : $findings->of($account, [$message->id->text])[$message->id->text] ?? null,
            ),
            'conversation' => $rows->one($account, $this->messages->conversationOf($message)->text),
            'tasks' => $tasks->ofMessages($account->id, [$message->id->text]),
        ]);
    }

    #[Route('/messages/{id}/formatted', methods: 'GET')]
    public function formatted(
        #[CurrentUser]
        Account $account,
        string $id,
        FormattedMail $formatted,
        SafeHtmlStore $pages,
        LoggerInterface $logger,
    ): Response {
        try {
            $message = $this->messages->get($account->id, new EmailId($id));
            $content = $this->content($message);
            $safe = $pages->find($message->id);
            if (null === $safe) {
                $safe = $formatted->safe($content);
                $pages->keep($message->id, $safe);
            }

            return self::framed($formatted->page($safe, $content));
        } catch (NotFound) {
            return self::framed(FormattedMail::sorry('This message is not here any more.'), Response::HTTP_NOT_FOUND);
        } catch (\Throwable $problem) {
            $logger->error('A message could not be shown as it was formatted.', ['message' => $id, 'exception' => $problem]);

            return self::framed(
                FormattedMail::sorry('This message cannot be shown as it was formatted. Its plain text and its source can.'),
            );
        }
    }

    private static function framed(string $page, int $status = Response::HTTP_OK): Response
    {
        return new Response($page, $status, ['Content-Type' => 'text/html; charset=utf-8', 'Content-Security-Policy' => self::FRAMED]);
    }

    /** What follows in a long text. */
    #[Route('/messages/{id}/text', methods: 'GET')]
    public function text(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapQueryParameter(options: ['min_range' => 0, 'max_range' => 1_000_000_000])]
        int $from = 0,
    ): JsonResponse {
        return new JsonResponse(TextPiece::of($this->messages->get($account->id, new EmailId($id))->text, $from));
    }

    #[Route('/messages/{id}/source', methods: 'GET')]
    public function source(#[CurrentUser] Account $account, string $id): Response
    {
        $message = $this->messages->get($account->id, new EmailId($id));

        return HarmlessFile::response(
            $this->messages->source($message),
            'message/rfc822',
            ('' === $message->subject ? 'message' : mb_strcut($message->subject, 0, 190)).'.eml',
            true,
        );
    }

    #[Route('/messages/{id}/attachments/{number}', requirements: ['number' => '\d+'], methods: 'GET')]
    public function attachment(#[CurrentUser] Account $account, string $id, int $number): Response
    {
        $found = $this->content($this->messages->get($account->id, new EmailId($id)))->attachments[$number]
            ?? throw new NotFound('attachment', (string) $number);

        return HarmlessFile::response($found->bytes, $found->attachment->type, $found->attachment->name);
    }

    private function content(Message $message): MessageContent
    {
        return $this->reader->read($this->messages->source($message), \DateTimeImmutable::createFromInterface($this->clock->now()));
    }
}
