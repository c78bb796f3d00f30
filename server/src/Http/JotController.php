<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\KeepEvents;
use ZippyTray\Core\Agenda\Event\ReadEventJot;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Jot\ClauseKind;
use ZippyTray\Core\Task\Jot\ReadJot;
use ZippyTray\Core\Task\MakeTasks;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Tray\Decided;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Task\JotLine;
use ZippyTray\Server\Read\People\People;

/**
 * A task or an event written down in one line.
 */
final readonly class JotController
{
    public function __construct(private ClockInterface $clock, private People $people)
    {
    }

    #[Route('/api/jot', methods: 'POST')]
    public function read(#[CurrentUser] Account $account, #[MapRequestPayload] JotLine $jot, Tasks $tasks): JsonResponse
    {
        $speaker = $account->profile->speaker($this->clock->now());
        $event = ReadEventJot::of($jot->line, $speaker, $this->whoIs($account));
        if (null !== $event) {
            return new JsonResponse(['makes' => 'event', 'writable' => true, 'clauses' => $event->clauses]);
        }
        $read = ReadJot::of(
            $jot->line,
            $speaker,
            array_map(static fn (TaskList $list): string => $list->name(), $tasks->lists($account->id)),
        );

        return new JsonResponse(
            ['makes' => 'task', 'writable' => ClauseKind::Title === $read->clauses[0]->kind, 'clauses' => $read->clauses],
        );
    }

    #[Route('/api/jot', methods: 'PUT')]
    public function write(
        #[CurrentUser]
        Account $account,
        #[MapRequestPayload]
        JotLine $jot,
        MakeTasks $make,
        KeepEvents $keep,
        DecisionAnswer $answer,
    ): JsonResponse {
        if (null === $jot->entry || null === $jot->id) {
            throw new Refused('What is written down needs an id, and its entry too.', 'id');
        }
        $speaker = $account->profile->speaker($this->clock->now());
        $event = ReadEventJot::of($jot->line, $speaker, $this->whoIs($account));
        if (null !== $event) {
            $entry = $keep->make($account->id, new EntryId($jot->entry), new EventId($jot->id), $event->fields);

            return $answer->of(new Decided($entry, []), Response::HTTP_CREATED);
        }
        $fields = ReadJot::of($jot->line, $speaker)->fields;

        return $answer->of(
            $make($account->id, new EntryId($jot->entry), [new TaskOrder(new TaskId($jot->id), $fields)], $account->timeZone()),
            Response::HTTP_CREATED,
        );
    }

    /** @return \Closure(string): ?Address whom somebody means by a name, when it can only be one */
    private function whoIs(Account $account): \Closure
    {
        return function (string $name) use ($account): ?Address {
            $known = '' === trim($name) ? [] : $this->people->known($account, $name, 2);
            $exact = array_values(array_filter($known, static fn (array $one): bool => 0 === strcasecmp($one['name'], trim($name))));
            $one = 1 === \count($exact) ? $exact[0] : (1 === \count($known) ? $known[0] : null);

            return null === $one ? null : new Address($one['email'], $one['name']);
        };
    }
}
