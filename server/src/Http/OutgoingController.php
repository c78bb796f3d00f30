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
use Symfony\Component\Uid\Uuid;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Post\KeepDrafts;
use ZippyTray\Core\Post\Misgivings;
use ZippyTray\Core\Post\Outgoings;
use ZippyTray\Core\Post\Recipients;
use ZippyTray\Core\Post\SendMail;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\EntryOnly;
use ZippyTray\Server\Http\Payload\Post\DraftRequest;
use ZippyTray\Server\Http\Payload\Post\SendRequest;
use ZippyTray\Server\Mailroom\Out\BuildMessage;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Read\Post\OutgoingRows;
use ZippyTray\Server\Store\Files;

/**
 * Mail that goes out, from the first word of its draft on.
 */
#[Route('/api/outgoing', requirements: ['id' => Requirement::UUID])]
final readonly class OutgoingController
{
    public function __construct(
        private Outgoings $outgoings,
        private OutgoingRows $rows,
        private KeepDrafts $drafts,
        private EntryRows $entries,
        private ClockInterface $clock,
    ) {
    }

    #[Route('', methods: 'GET')]
    public function all(#[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse($this->rows->open($account));
    }

    #[Route('/{id}', methods: 'GET')]
    public function read(#[CurrentUser] Account $account, string $id): JsonResponse
    {
        return new JsonResponse($this->rows->one($account, $this->outgoings->get($account->id, new OutgoingId($id))));
    }

    #[Route('/{id}', methods: 'PUT')]
    public function write(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] DraftRequest $draft, Files $files): JsonResponse
    {
        $letter = $draft->letter->letter();
        BuildMessage::checkSize(array_sum(array_column($files->some($account->id, $letter->files), 'size')));
        if ('' !== $letter->from && strtolower($account->sender($letter->from)) !== strtolower($letter->from)) {
            throw new Refused('That is none of your addresses.', 'from');
        }
        $domain = substr((string) strrchr($account->email, '@'), 1);

        return new JsonResponse($this->rows->one(
            $account,
            $this->drafts->write(
                $account->id,
                new OutgoingId($id),
                $draft->revision,
                $draft->kind,
                EmailId::orNull($draft->message),
                Uuid::v7()->toRfc4122().'@'.('' === $domain ? 'localhost' : $domain),
                $letter,
            ),
        ));
    }

    #[Route('/{id}', methods: 'DELETE')]
    public function drop(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)]
        string $entry,
    ): JsonResponse {
        return $this->entry($this->drafts->drop($account->id, new EntryId($entry), new OutgoingId($id)));
    }

    #[Route('/{id}/send', methods: 'POST')]
    public function send(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapRequestPayload]
        SendRequest $request,
        SendMail $send,
    ): JsonResponse {
        if (!$account->canSend()) {
            throw new Refused('There is no way out for your mail yet. Choose one in Settings, under Mail. The draft is kept.');
        }
        $outgoing = $this->outgoings->get($account->id, new OutgoingId($id));
        $letter = Recipients::checkAll($outgoing->letter());
        $misgivings = $request->despite ? [] : (new Misgivings())->of($letter, $outgoing->kind, $account->person()->addresses());
        if ([] !== $misgivings) {
            return Problem::of(Response::HTTP_CONFLICT, implode(' ', $misgivings), ['misgivings' => $misgivings]);
        }
        $speaker = $account->profile->speaker($this->clock->now());

        return $this->entry($send(
            $account->id,
            new EntryId($request->entry),
            new OutgoingId($id),
            $request->at?->moment($speaker, 'at') ?? $this->soon($account, $request->atOnce),
            null !== $request->at,
            $request->decision($letter, $speaker),
            $request->conversation?->claim(),
            $request->expected($speaker),
            ClearingId::orNull($request->clearing),
        ));
    }

    #[Route('/{id}/take-back', methods: 'POST')]
    public function takeBack(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] EntryOnly $request): JsonResponse
    {
        return $this->entry($this->drafts->takeBack($account->id, new EntryId($request->entry), new OutgoingId($id)));
    }

    #[Route('/{id}/arrived', methods: 'POST')]
    public function arrived(#[CurrentUser] Account $account, string $id): Response
    {
        $this->drafts->arrived($account->id, new OutgoingId($id));

        return new Response(status: Response::HTTP_NO_CONTENT);
    }

    private function soon(Account $account, bool $atOnce): Moment
    {
        $seconds = $atOnce ? 0 : $account->profile->postSettings()->undoSeconds;

        return new Moment(
            \DateTimeImmutable::createFromInterface($this->clock->now())->modify(\sprintf('+%d seconds', $seconds)),
            $account->timeZone(),
        );
    }

    private function entry(Entry $entry): JsonResponse
    {
        return new JsonResponse($this->entries->of($entry));
    }
}
