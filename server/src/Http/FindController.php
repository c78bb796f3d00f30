<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Find\KeepSearches;
use ZippyTray\Core\Find\KeptSearch;
use ZippyTray\Core\Find\KeptSearches;
use ZippyTray\Core\Find\Sort;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Label\LabelId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Find\SearchFields;
use ZippyTray\Server\Http\Payload\Find\SearchPlace;
use ZippyTray\Server\Read\Find\Find;
use ZippyTray\Server\Read\Find\FindThings;
use ZippyTray\Server\Read\Find\SearchReading;
use ZippyTray\Server\Read\Journal\EntryRows;

/**
 * Finding, and searches that are kept.
 */
#[Route('/api', requirements: ['id' => Requirement::UUID])]
final readonly class FindController
{
    public function __construct(private KeepSearches $keep, private EntryRows $entries)
    {
    }

    #[Route('/find', methods: 'GET')]
    public function find(
        #[CurrentUser]
        Account $account,
        Find $find,
        #[MapQueryParameter]
        string $words = '',
        #[MapQueryParameter]
        string $place = '',
        #[MapQueryParameter]
        string $after = '',
        #[MapQueryParameter]
        ?string $label = null,
        #[MapQueryParameter]
        ?string $list = null,
    ): JsonResponse {
        return new JsonResponse($find->page(
            $account,
            $words,
            Place::tryFrom($place),
            'muted' === $place,
            $after,
            LabelId::orNull($label),
            ListId::orNull($list),
        ));
    }

    #[Route('/find/read', methods: 'GET')]
    public function readSearch(
        #[CurrentUser]
        Account $account,
        SearchReading $reading,
        #[MapQueryParameter]
        string $words = '',
    ): JsonResponse {
        return new JsonResponse($reading->of($account, $words));
    }

    #[Route('/find/things', methods: 'GET')]
    public function things(
        #[CurrentUser]
        Account $account,
        FindThings $find,
        #[MapQueryParameter]
        string $words = '',
        #[MapQueryParameter]
        ?Sort $whole = null,
    ): JsonResponse {
        return new JsonResponse($find->of($account, $words, $whole));
    }

    #[Route('/searches', methods: 'GET')]
    public function all(#[CurrentUser] Account $account, KeptSearches $searches): JsonResponse
    {
        return new JsonResponse(array_map(static fn (KeptSearch $search): array => [
            'id' => $search->id,
            'name' => $search->name(),
            'words' => $search->words(),
            'sort' => $search->sort(),
            'shownIn' => $search->shownIn(),
        ], $searches->all($account->id)));
    }

    #[Route('/searches/{id}/count', methods: 'GET')]
    public function count(
        #[CurrentUser]
        Account $account,
        string $id,
        KeptSearches $searches,
        Find $find,
        FindThings $things,
    ): JsonResponse {
        foreach ($searches->all($account->id) as $search) {
            if ($search->id === $id) {
                return new JsonResponse(['count' => Sort::Mail === $search->sort()
                    ? $find->count($account, $search->words())
                    : $things->count($account, $search->words(), $search->sort())]);
            }
        }

        throw new NotFound('search', $id);
    }

    #[Route('/searches/{id}', methods: 'PUT')]
    public function keep(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] SearchFields $fields): JsonResponse
    {
        return new JsonResponse($this->entries->of($this->keep->keep(
            $account->id,
            new EntryId($fields->entry),
            $id,
            $fields->name,
            $fields->words,
            $fields->sort,
            $fields->shownIn,
        )));
    }

    #[Route('/searches/{id}/place', methods: 'PUT')]
    public function move(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] SearchPlace $place): JsonResponse
    {
        return new JsonResponse($this->entries->of($this->keep->move($account->id, new EntryId($place->entry), $id, $place->behind)));
    }

    #[Route('/searches/{id}', methods: 'DELETE')]
    public function drop(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)]
        string $entry,
    ): JsonResponse {
        return new JsonResponse($this->entries->of($this->keep->drop($account->id, new EntryId($entry), $id)));
    }
}
