<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Agenda\Event\AnswerInvitation;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Calendar\OpenInvitation;
use ZippyTray\Server\Http\Payload\Agenda\InvitationAnswer;
use ZippyTray\Server\Read\Agenda\Invitations;
use ZippyTray\Server\Read\Journal\EntryRows;

/**
 * Invitations that came by mail.
 */
#[Route('/api/messages/{id}/invitation', requirements: ['id' => Requirement::UUID])]
final readonly class InvitationController
{
    public function __construct(private Messages $messages, private OpenInvitation $open, private ClockInterface $clock)
    {
    }

    #[Route('', methods: 'GET')]
    public function show(#[CurrentUser] Account $account, string $id, Invitations $invitations): JsonResponse
    {
        $message = $this->messages->get($account->id, new EmailId($id));

        return new JsonResponse($invitations->of($account, $message, $this->open->of($account, $message)->events[0]));
    }

    #[Route('/answers', methods: 'POST')]
    public function answer(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapRequestPayload]
        InvitationAnswer $request,
        AnswerInvitation $answer,
        EntryRows $entries,
    ): JsonResponse {
        if (!$account->canSend()) {
            throw new Refused('No mail goes out from here: connect a mailbox in Settings first.', 'answer');
        }
        $message = $this->messages->get($account->id, new EmailId($id));
        $told = $this->open->of($account, $message)->events[0];
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $seconds = $account->profile->postSettings()->undoSeconds;

        return new JsonResponse($entries->of($answer(
            $account->id,
            new EntryId($request->entry),
            $message,
            $told,
            $account->person(),
            $request->answer,
            $request->comment,
            null === $request->proposed ? null : $request->proposed->read($account->profile->speaker($now), $told->fields->time)[0],
            new Moment($now->modify("+{$seconds} seconds"), $account->timeZone()),
            $request->revision,
            ClearingId::orNull($request->clearing),
        )));
    }
}
