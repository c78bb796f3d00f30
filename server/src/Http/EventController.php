<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Agenda\Event\EventFields;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\EventMove;
use ZippyTray\Core\Agenda\Event\Events;
use ZippyTray\Core\Agenda\Event\KeepEvents;
use ZippyTray\Core\Agenda\Event\Telling;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Agenda\EventChange;
use ZippyTray\Server\Http\Payload\Agenda\EventCopy;
use ZippyTray\Server\Http\Payload\Agenda\EventMoveField;
use ZippyTray\Server\Http\Payload\Agenda\EventMoves;
use ZippyTray\Server\Http\Payload\Agenda\EventRemoval;
use ZippyTray\Server\Http\Payload\Agenda\NewEvent;
use ZippyTray\Server\Read\Agenda\EventProposals;
use ZippyTray\Server\Read\Agenda\EventSheets;
use ZippyTray\Server\Read\Journal\EntryRows;

/**
 * What takes place.
 */
#[Route('/api/events', requirements: ['id' => Requirement::UUID])]
final readonly class EventController
{
    public function __construct(
        private KeepEvents $keep,
        private Events $events,
        private EntryRows $entries,
        private ClockInterface $clock,
    ) {
    }

    #[Route('/{id}', methods: 'GET')]
    public function one(
        #[CurrentUser]
        Account $account,
        string $id,
        EventSheets $sheets,
        #[MapQueryParameter]
        ?string $key = null,
    ): JsonResponse {
        return new JsonResponse($sheets->of($account, new EventId($id), $key));
    }

    #[Route('/{id}', methods: 'PUT')]
    public function make(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] NewEvent $event): JsonResponse
    {
        return $this->answer($this->keep->make(
            $account->id,
            new EntryId($event->entry),
            new EventId($id),
            $event->fields->read($this->speaker($account)),
            null === $event->source ? null : new EmailId($event->source),
            $this->telling($account, $event->tell),
        ), Response::HTTP_CREATED);
    }

    #[Route('/{id}/changes', methods: 'POST')]
    public function change(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] EventChange $change): JsonResponse
    {
        return $this->answer($this->keep->change(
            $account->id,
            new EntryId($change->entry),
            new EventId($id),
            $change->fields->read($this->speaker($account), $this->before($account, $id, $change->key, $change->all)),
            $change->key,
            $this->telling($account, $change->tell),
            $change->all,
        ));
    }

    #[Route('/moves', methods: 'POST')]
    public function move(#[CurrentUser] Account $account, #[MapRequestPayload] EventMoves $moves): JsonResponse
    {
        return $this->answer($this->keep->move($account->id, new EntryId($moves->entry), array_map(
            fn (EventMoveField $move): EventMove => new EventMove(
                new EventId($move->id),
                $move->key,
                $move->when->read($this->speaker($account), $this->before($account, $move->id, $move->key)->time)[0],
                $move->all,
            ),
            $moves->moves,
        )));
    }

    /** What event a message would be. */
    #[Route('/proposals/{id}', methods: 'GET')]
    public function propose(#[CurrentUser] Account $account, string $id, Messages $messages, EventProposals $proposals): JsonResponse
    {
        return new JsonResponse($proposals->of($account, $messages->get($account->id, new EmailId($id))));
    }

    #[Route('/{id}/copies', methods: 'POST')]
    public function copy(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] EventCopy $copy): JsonResponse
    {
        return $this->answer($this->keep->copy(
            $account->id,
            new EntryId($copy->entry),
            new EventId($copy->copy),
            new EventId($id),
            $copy->key,
        ), Response::HTTP_CREATED);
    }

    #[Route('/{id}/removals', methods: 'POST')]
    public function drop(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] EventRemoval $removal): JsonResponse
    {
        return $this->answer($this->keep->drop(
            $account->id,
            new EntryId($removal->entry),
            new EventId($id),
            $removal->key,
            $this->telling($account, $removal->tell),
        ));
    }

    /**
     * @param bool $all whether its series is meant, as it is on that day
     *
     * @throws NotFound
     */
    private function before(Account $account, string $id, ?string $key, bool $all = false): EventFields
    {
        $event = $this->events->get($account->id, new EventId($id));
        if (null === $key) {
            return $event->fields();
        }
        $one = $event->occurrence($key) ?? throw new NotFound('occurrence', $key);

        return $all ? $event->fields()->at($one->time) : $one->fields();
    }

    /** @throws Refused when no mail goes out */
    private function telling(Account $account, bool $isMeant): ?Telling
    {
        if (!$isMeant) {
            return null;
        }
        if (!$account->canSend()) {
            throw new Refused('No mail goes out from here: connect a mailbox in Settings first, or tell them yourself.', 'tell');
        }
        $seconds = $account->profile->postSettings()->undoSeconds;
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());

        return new Telling($account->person(), new Moment($now->modify("+{$seconds} seconds"), $account->timeZone()));
    }

    private function speaker(Account $account): Speaker
    {
        return $account->profile->speaker($this->clock->now());
    }

    private function answer(Entry $entry, int $status = Response::HTTP_OK): JsonResponse
    {
        return new JsonResponse($this->entries->of($entry), $status);
    }
}
