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
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Label\LabelId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\MailIn\MadeByMail;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Owed\OwedState;
use ZippyTray\Core\Owed\Promise;
use ZippyTray\Core\Remind\RemindOf;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\ClearingOrder;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\PassOver;
use ZippyTray\Core\Tray\Undecided;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Tray\ConversationReminders;
use ZippyTray\Server\Http\Payload\Tray\ProposalsWanted;
use ZippyTray\Server\Http\Payload\Tray\Touch;
use ZippyTray\Server\Http\Payload\Tray\Unread;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Read\Post\MessageView;
use ZippyTray\Server\Read\Post\OutgoingRows;
use ZippyTray\Server\Read\Post\OwedRow;
use ZippyTray\Server\Read\Post\OwedRows;
use ZippyTray\Server\Read\Task\Proposals;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Tray\Advices;
use ZippyTray\Server\Read\Tray\AdviceView;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Read\Tray\RestRows;
use ZippyTray\Server\Store\Ports\FindingsStore;
use ZippyTray\Server\Store\Ports\MailInStore;
use ZippyTray\Server\Store\Ports\MessageStore;
use ZippyTray\Server\Store\StoredNow;

#[Route('/api')]
final readonly class ConversationController
{
    public function __construct(private ConversationRows $rows, private LoggerInterface $logger)
    {
    }

    #[Route('/tray', methods: 'GET')]
    public function tray(
        #[CurrentUser]
        Account $account,
        #[MapQueryParameter]
        ClearingOrder $order = ClearingOrder::Grouped,
        #[MapQueryParameter]
        ?string $label = null,
    ): JsonResponse {
        return new JsonResponse($this->rows->tray($account, $order, LabelId::orNull($label)));
    }

    #[Route('/rest', methods: 'GET')]
    public function rest(#[CurrentUser] Account $account, RestRows $rest, #[MapQueryParameter] string $after = ''): JsonResponse
    {
        return new JsonResponse($rest->page($account, $after));
    }

    #[Route('/conversations/{id}', requirements: ['id' => Requirement::UUID], methods: 'GET')]
    public function show(
        #[CurrentUser]
        Account $account,
        string $id,
        MessageStore $store,
        TaskRows $tasks,
        EntryRows $entries,
        Conversations $conversations,
        Advices $advices,
        Proposals $proposals,
        FindingsStore $findings,
        OutgoingRows $drafts,
        OwedRows $owed,
        MailInStore $mailIns,
        ClockInterface $clock,
    ): JsonResponse {
        $messages = $store->ofConversation($account->id, new ConversationId($id));
        $conversation = $conversations->get($account->id, new ConversationId($id));
        $ids = array_map(static fn (Message $message): string => $message->id->text, $messages);
        $found = $findings->of(
            $account,
            array_map(
                static fn (Message $message): string => $message->id->text,
                array_values(array_filter($messages, static fn (Message $message): bool => !$message->own)),
            ),
        );
        $weighed = $advices->weighed($account, [$id])[$id] ?? null;
        $advice = $weighed?->advice;

        return new JsonResponse([
            'row' => $this->rows->one($account, $id, $weighed),
            'messages' => $this->views($messages, $found),
            'undecided' => Undecided::of(
                array_map(
                    static fn (Message $message): array => [
                        'id' => $message->id->text,
                        'own' => $message->own,
                        'byItself' => $message->own && $message->isAutomatic(),
                        'importedAt' => StoredNow::of($message->importedAt),
                    ],
                    $messages,
                ),
                null === $conversation->decidedAt() ? '' : StoredNow::of($conversation->decidedAt()),
            ),
            'advice' => null === $advice ? null : AdviceView::of($advice),
            'proposal' => null === $advice ? null : $proposals->from($account, [$id => $advice])[$id] ?? null,
            'tasks' => $tasks->ofMessages($account->id, $ids),
            'drafts' => $drafts->draftsIn($account, new ConversationId($id)),
            'owed' => $this->owed($account, $owed->in($account, new ConversationId($id)), $messages, $found, $clock),
            'reminders' => $this->reminders($conversation, $account->profile->speaker($clock->now())),
            'history' => $entries->ofConversation($account->id, $id),
            'byMail' => array_map(
                static fn (MadeByMail $made): array => [
                    'message' => $made->messageId,
                    'state' => $made->state,
                    'did' => $made->did,
                    'troubles' => $made->troubles,
                    'task' => $made->taskId,
                ],
                $mailIns->of($account->id, $ids),
            ),
        ]);
    }

    #[Route('/proposals', methods: 'POST')]
    public function proposals(
        #[CurrentUser]
        Account $account,
        #[MapRequestPayload]
        ProposalsWanted $wanted,
        Proposals $proposals,
    ): JsonResponse {
        $of = $proposals->of($account, $wanted->conversations);

        return new JsonResponse(array_map(
            static fn (string $id): array => ['conversation' => $id, 'proposal' => $of[$id] ?? null],
            $wanted->conversations,
        ));
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
                return MessageView::of($message, $found[$message->id->text] ?? null);
            } catch (\Throwable $problem) {
                $this->logger->error('A message cannot be shown as it should be.', ['message' => $message->id, 'exception' => $problem]);

                return MessageView::bare($message);
            }
        }, $messages);
    }

    /**
     * Of what was settled by an answer that only promises one, the promise.
     *
     * @param list<OwedRow>           $rows
     * @param list<Message>           $messages oldest first
     * @param array<string, Findings> $found    by message
     *
     * @return list<OwedRow>
     */
    private function owed(Account $account, array $rows, array $messages, array $found, ClockInterface $clock): array
    {
        $now = $account->profile->speaker($clock->now())->now;

        return array_map(static function (OwedRow $row) use ($account, $messages, $found, $now): OwedRow {
            $promise = OwedState::Answered === $row->state
                ? Promise::lastWord($row->person['email'], $messages, $found, $now->date())
                : null;

            return null === $promise ? $row : $row->promising($promise, $promise->until($now, $account->profile->timeSettings()));
        }, $rows);
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
    public function remind(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapRequestPayload]
        ConversationReminders $wanted,
        RemindOf $remind,
        EntryRows $entries,
        ClockInterface $clock,
    ): JsonResponse {
        $entry = $remind(
            $account->id,
            new EntryId($wanted->entry),
            new ConversationId($id),
            $wanted->read($account->profile->speaker($clock->now())),
        );

        return new JsonResponse($entries->of($entry));
    }

    #[Route('/conversations/{id}/touches', requirements: ['id' => Requirement::UUID], methods: 'POST')]
    public function passOver(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] Touch $touch, PassOver $passOver): Response
    {
        $passOver($account->id, new ConversationId($id), $touch->occasion);

        return new Response(status: Response::HTTP_NO_CONTENT);
    }

    #[Route('/conversations/{id}/read', requirements: ['id' => Requirement::UUID], methods: 'PUT')]
    public function read(#[CurrentUser] Account $account, string $id, Conversations $conversations, EntityManagerInterface $orm): Response
    {
        $conversations->get($account->id, new ConversationId($id))->markRead();
        $orm->flush();

        return new Response(status: Response::HTTP_NO_CONTENT);
    }

    /** @throws NotFound when one of them is not there; then none is changed */
    #[Route('/unread', methods: 'PUT')]
    public function unread(
        #[CurrentUser]
        Account $account,
        #[MapRequestPayload]
        Unread $unread,
        Conversations $conversations,
        EntityManagerInterface $orm,
    ): Response {
        foreach ($conversations->several($account->id, $unread->conversations) as $conversation) {
            $unread->unread ? $conversation->markUnread() : $conversation->markRead();
        }
        $orm->flush();

        return new Response(status: Response::HTTP_NO_CONTENT);
    }
}
