<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Remind\RemindOf;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\When\Speaker;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\PassOver;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\ConversationReminders;
use ZippyTray\Server\Http\Payload\ProposalsWanted;
use ZippyTray\Server\Http\Payload\Touch;
use ZippyTray\Server\Store\Advices;
use ZippyTray\Server\Store\ConversationRows;
use ZippyTray\Server\Store\EntryRows;
use ZippyTray\Server\Store\FindingsStore;
use ZippyTray\Server\Store\MessageStore;
use ZippyTray\Server\Store\OutgoingRows;
use ZippyTray\Server\Store\OwedRows;
use ZippyTray\Server\Store\Proposals;
use ZippyTray\Server\Store\StoredNow;
use ZippyTray\Server\Store\TaskRows;
use ZippyTray\Server\Store\View\AdviceView;
use ZippyTray\Server\Store\View\MessageView;

#[Route('/api')]
final readonly class ConversationController
{
    public function __construct(private ConversationRows $rows, private LoggerInterface $logger)
    {
    }

    #[Route('/tray', methods: 'GET')]
    public function tray(#[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->rows->tray($account));
    }

    #[Route('/rest', methods: 'GET')]
    public function rest(#[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->rows->rest($account));
    }

    #[Route('/find', methods: 'GET')]
    public function find(#[CurrentUser] Account $account, #[MapQueryParameter] string $words = '', #[MapQueryParameter] string $place = '', #[MapQueryParameter(options: ['min_range' => 1, 'max_range' => 1_000_000])] int $page = 1): JsonResponse
    {
        return new JsonResponse($this->rows->find($account, $words, Place::tryFrom($place), $page, 'muted' === $place));
    }

    #[Route('/conversations/{id}', requirements: ['id' => Requirement::UUID], methods: 'GET')]
    public function show(#[CurrentUser] Account $account, string $id, MessageStore $store, TaskRows $tasks, EntryRows $entries, Conversations $conversations, Advices $advices, Proposals $proposals, FindingsStore $findings, OutgoingRows $drafts, OwedRows $owed, ClockInterface $clock): JsonResponse
    {
        $messages = $store->ofConversation($account->id, $id);
        $conversation = $conversations->get($account->id, $id);
        $ids = array_map(static fn (Message $message): string => $message->id, $messages);
        $found = $findings->of($account, array_map(static fn (Message $message): string => $message->id, array_values(array_filter($messages, static fn (Message $message): bool => !$message->own))));
        $advice = $advices->of($account, [$id])[$id] ?? null;

        return new JsonResponse([
            'row' => $this->rows->one($account, $id),
            'messages' => $this->views($messages, $found),
            'advice' => null === $advice ? null : AdviceView::of($advice),
            'proposal' => null === $advice ? null : $proposals->from($account, [$id => $advice])[$id] ?? null,
            'tasks' => $tasks->ofMessages($account->id, $ids),
            'drafts' => $drafts->draftsIn($account, $id),
            'owed' => $owed->in($account, $id),
            'reminders' => $this->reminders($conversation, $account->speaker($clock->now())),
            'history' => $entries->about($account->id, $conversation->ref()),
        ]);
    }

    #[Route('/proposals', methods: 'POST')]
    public function proposals(#[CurrentUser] Account $account, #[MapRequestPayload] ProposalsWanted $wanted, Proposals $proposals): JsonResponse
    {
        $of = $proposals->of($account, $wanted->conversations);

        return new JsonResponse(array_map(static fn (string $id): array => ['conversation' => $id, 'proposal' => $of[$id] ?? null], $wanted->conversations));
    }

    /**
     * What cannot be shown as it should be is logged, and shown as it is.
     *
     * @param list<Message>           $messages
     * @param array<string, Findings> $found
     *
     * @return list<MessageView>
     */
    private function views(array $messages, array $found): array
    {
        return array_map(function (Message $message) use ($found): MessageView {
            try {
                return MessageView::of($message, $found[$message->id] ?? null);
            } catch (\Throwable $problem) {
                $this->logger->error('A message cannot be shown as it should be.', ['message' => $message->id, 'exception' => $problem]);

                return MessageView::bare($message);
            }
        }, $messages);
    }

    /** @return list<array{text: string, at: ?string}> */
    private function reminders(Conversation $conversation, Speaker $speaker): array
    {
        return array_map(static function (Reminder $reminder) use ($conversation, $speaker): array {
            $moment = $reminder->moment(null, $conversation->due(), $speaker->now->zone, $speaker->settings, $speaker->now->instant);

            return ['text' => $reminder->text(), 'at' => null === $moment ? null : StoredNow::of($moment->instant)];
        }, $conversation->reminders());
    }

    #[Route('/conversations/{id}/reminders', requirements: ['id' => Requirement::UUID], methods: 'PUT')]
    public function remind(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] ConversationReminders $wanted, RemindOf $remind, EntryRows $entries, ClockInterface $clock): JsonResponse
    {
        $entry = $remind($account->id, $wanted->entry, $id, $wanted->read($account->speaker($clock->now())));

        return new JsonResponse($entries->one($account->id, $entry->id));
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
