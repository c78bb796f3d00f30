<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Order\Arrived;
use ZippyTray\Core\Order\CarryOut;
use ZippyTray\Core\Order\Condition;
use ZippyTray\Core\Order\KeepOrders;
use ZippyTray\Core\Order\MessageFacts;
use ZippyTray\Core\Order\OrderId;
use ZippyTray\Core\Order\Propose;
use ZippyTray\Core\Order\Trial;
use ZippyTray\Core\Order\UndoOrders;
use ZippyTray\Core\Stamp\DoneTogether;
use ZippyTray\Core\Stamp\Foresee;
use ZippyTray\Core\Stamp\StampOf;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Order\OrderFields;
use ZippyTray\Server\Http\Payload\Order\OrderOnOld;
use ZippyTray\Server\Http\Payload\Order\OrderPlace;
use ZippyTray\Server\Http\Payload\Order\OrderTrial;
use ZippyTray\Server\Http\Payload\Order\OrderTurn;
use ZippyTray\Server\Http\Payload\Order\OrderUndo;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Read\Order\OrderFacts;
use ZippyTray\Server\Read\Order\OrderRows;
use ZippyTray\Server\Read\Order\Trials;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Read\Tray\StampHands;
use ZippyTray\Server\Store\Ports\OrderStore;

/**
 * Standing orders: what is done by itself with mail that arrives.
 */
#[Route('/api', requirements: ['id' => Requirement::UUID])]
final readonly class OrderController
{
    public function __construct(
        private OrderStore $orders,
        private OrderRows $rows,
        private KeepOrders $keep,
        private StampHands $hands,
        private EntryRows $entries,
        private Conversations $conversations,
    ) {
    }

    #[Route('/orders', methods: 'GET')]
    public function all(#[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->rows->all($account));
    }

    #[Route('/orders/{id}', methods: 'PUT')]
    public function keep(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] OrderFields $fields): JsonResponse
    {
        return $this->entry($this->keep->keep(
            $account->id,
            new EntryId($fields->entry),
            new OrderId($id),
            $fields->name,
            Condition::checked($fields->condition),
            $fields->steps(),
            $fields->on,
            $fields->last,
            $fields->urgent,
            $this->hands->of($account),
        ));
    }

    #[Route('/orders/{id}/on', methods: 'PUT')]
    public function turn(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] OrderTurn $turn): JsonResponse
    {
        return $this->entry($this->keep->turn($account->id, new EntryId($turn->entry), new OrderId($id), $turn->on));
    }

    #[Route('/orders/{id}/place', methods: 'PUT')]
    public function move(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] OrderPlace $place): JsonResponse
    {
        return $this->entry(
            $this->keep->move($account->id, new EntryId($place->entry), new OrderId($id), OrderId::orNull($place->behind)),
        );
    }

    #[Route('/orders/{id}', methods: 'DELETE')]
    public function delete(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)]
        string $entry,
    ): JsonResponse {
        return $this->entry($this->keep->delete($account->id, new EntryId($entry), new OrderId($id)));
    }

    /** Which of the mail of the last year it would have meant, a part at a time, and what it would do with it now. */
    #[Route('/order-trials', methods: 'POST')]
    public function try(
        #[CurrentUser]
        Account $account,
        #[MapRequestPayload]
        OrderTrial $trial,
        Trials $trials,
        Foresee $foresee,
        ConversationRows $rows,
    ): JsonResponse {
        $steps = $trial->steps();
        $page = $trials->page($account, Condition::checked($trial->condition), $trial->after);
        $ids = array_map(strval(...), array_keys($page['found']));
        $shown = $rows->some($account, $ids);
        $hand = $this->hands->of($account, $ids, $steps);
        $found = [];
        $conversations = $this->conversations->several($account->id, array_map(strval(...), array_keys($shown)));
        foreach ($shown as $id => $row) {
            $conversation = $conversations[$id];
            $found[] = [
                'row' => $row,
                'same' => Trial::isSame($steps, $conversation->decidedAs()),
                'steps' => $foresee->steps(Trial::steps($steps, Place::Tray === $row->place), $conversation, $hand),
            ];
        }

        return new JsonResponse(['seen' => $page['seen'], 'next' => $page['next'], 'found' => $found]);
    }

    /** Carries it out on a part of the mail of the last year. */
    #[Route('/orders/{id}/old', methods: 'POST')]
    public function onOld(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapRequestPayload]
        OrderOnOld $old,
        Trials $trials,
        CarryOut $carryOut,
    ): JsonResponse {
        $order = $this->orders->get($account->id, new OrderId($id));
        $page = $trials->page($account, $order->condition(), $old->after);
        $hand = $this->hands->of($account, array_map(strval(...), array_keys($page['found'])), $order->steps());
        [$done, $troubles] = [0, []];
        foreach ($page['found'] as $conversation => $message) {
            $outcome = $carryOut->onOld(
                $account->id,
                $order,
                new Arrived($message, new ConversationId((string) $conversation), new MessageFacts()),
                $hand,
                $old->run,
            );
            $done += null === $outcome->entry ? 0 : 1;
            '' === $outcome->trouble || $troubles[] = $outcome->trouble;
        }

        return new JsonResponse([
            'seen' => $page['seen'],
            'next' => $page['next'],
            'done' => $done,
            'troubles' => \array_slice($troubles, 0, 5),
        ]);
    }

    /** What went past the tray. */
    #[Route('/past', methods: 'GET')]
    public function past(#[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->rows->past($account));
    }

    #[Route('/order-undoings', methods: 'POST')]
    public function undo(#[CurrentUser] Account $account, #[MapRequestPayload] OrderUndo $undo, UndoOrders $undoOrders): JsonResponse
    {
        [$undone, $left] = $undoOrders($account->id, $this->rows->doneOn($account, LocalDate::parse($undo->day), $undo->order));

        return new JsonResponse(['undone' => $undone, 'left' => \array_slice($left, 0, 20)]);
    }

    /** An order that would do again what was just done, and for which mail it may be meant. */
    #[Route('/order-proposal', methods: 'GET')]
    public function propose(
        #[CurrentUser]
        Account $account,
        #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)]
        string $entry,
        DoneTogether $together,
        StampOf $stampOf,
        Messages $messages,
        OrderFacts $facts,
    ): JsonResponse {
        $done = $together($account->id, new EntryId($entry));
        [$steps, $left] = $stampOf($account->id, $done, $account->timeZone());
        $choices = [];
        $conversation = DoneTogether::conversation($done[\count($done) - 1]);
        if (null !== $conversation) {
            $message = $messages->get($account->id, $messages->newestIn($account->id, $conversation));
            $of = $facts->of($account, [[$message, $conversation->text]], [], false)[$message->id->text] ?? new MessageFacts();
            foreach (Propose::of($message, $of, $account->person()) as ['name' => $name, 'condition' => $condition]) {
                $choices[] = ['name' => $name, 'condition' => $condition->state(), 'text' => $condition->text()];
            }
        }

        return new JsonResponse(['choices' => $choices, 'steps' => OrderRows::steps($steps), 'left' => $left]);
    }

    private function entry(Entry $entry): JsonResponse
    {
        return new JsonResponse($this->entries->of($entry));
    }
}
