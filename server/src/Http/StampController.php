<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Stamp\DoneTogether;
use ZippyTray\Core\Stamp\Foresee;
use ZippyTray\Core\Stamp\KeepStamps;
use ZippyTray\Core\Stamp\Stamp;
use ZippyTray\Core\Stamp\StampId;
use ZippyTray\Core\Stamp\StampOf;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Stamp\UseStamp;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Stamp\StampFields;
use ZippyTray\Server\Http\Payload\Stamp\StampUse;
use ZippyTray\Server\Http\Payload\Tray\ProposalsWanted;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Read\Tray\StampHands;
use ZippyTray\Server\Store\Ports\StampStore;

/**
 * Stamps, and what they do.
 */
#[Route('/api', requirements: ['id' => Requirement::UUID])]
final readonly class StampController
{
    public function __construct(
        private StampStore $stamps,
        private KeepStamps $keep,
        private StampHands $hands,
        private EntryRows $entries,
    ) {
    }

    #[Route('/stamps', methods: 'GET')]
    public function all(#[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse(array_map(static fn (Stamp $stamp): array => [
            'id' => $stamp->id,
            'name' => $stamp->name(),
            'key' => $stamp->key(),
            'steps' => self::views($stamp->steps()),
        ], $this->stamps->all($account->id)));
    }

    #[Route('/stamps/{id}', methods: 'PUT')]
    public function keep(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] StampFields $fields): JsonResponse
    {
        $what = [$account->id, new EntryId($fields->entry), new StampId($id), $fields->name, $fields->key, $fields->steps()];
        try {
            $this->stamps->get($account->id, new StampId($id));

            return $this->entry($this->keep->edit(...$what, hand: $this->hands->of($account)));
        } catch (NotFound) {
            return $this->entry($this->keep->add(...$what, hand: $this->hands->of($account)));
        }
    }

    #[Route('/stamps/{id}', methods: 'DELETE')]
    public function delete(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)]
        string $entry,
    ): JsonResponse {
        return $this->entry($this->keep->delete($account->id, new EntryId($entry), new StampId($id)));
    }

    /** What it would do to these very conversations, now. */
    #[Route('/stamps/{id}/foreseen', methods: 'POST')]
    public function foresee(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapRequestPayload]
        ProposalsWanted $wanted,
        Foresee $foresee,
        Conversations $conversations,
    ): JsonResponse {
        $stamp = $this->stamps->get($account->id, new StampId($id));
        $hand = $this->hands->of($account, $wanted->conversations, $stamp->steps());

        return new JsonResponse(array_map(static fn (string $conversation): array => [
            'conversation' => $conversation,
            'steps' => $foresee($stamp, $conversations->get($account->id, new ConversationId($conversation)), $hand),
        ], $wanted->conversations));
    }

    #[Route('/stamps/{id}/uses', methods: 'POST')]
    public function use(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapRequestPayload]
        StampUse $use,
        UseStamp $useStamp,
        DecisionAnswer $answer,
    ): JsonResponse {
        $ids = array_map(static fn ($claim): string => $claim->conversationId->text, $use->claims());

        return $answer->of($useStamp(
            $account->id,
            new EntryId($use->entry),
            new StampId($id),
            $use->claims(),
            $this->hands->of($account, $ids, $this->stamps->get($account->id, new StampId($id))->steps()),
            ClearingId::orNull($use->clearing),
        ));
    }

    /** A stamp of what was just done. */
    #[Route('/stamp-proposal', methods: 'GET')]
    public function propose(
        #[CurrentUser]
        Account $account,
        #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)]
        string $entry,
        DoneTogether $together,
        StampOf $stampOf,
    ): JsonResponse {
        [$steps, $left] = $stampOf($account->id, $together($account->id, new EntryId($entry)), $account->timeZone());

        return new JsonResponse(['steps' => self::views($steps), 'left' => $left]);
    }

    /**
     * @param list<StampStep> $steps
     *
     * @return list<array<string, mixed>>
     */
    private static function views(array $steps): array
    {
        return array_map(static fn (StampStep $step): array => $step->state() + ['text' => $step->text()], $steps);
    }

    private function entry(Entry $entry): JsonResponse
    {
        return new JsonResponse($this->entries->of($entry));
    }
}
