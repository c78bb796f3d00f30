<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\Events;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\AgendaAddress;
use ZippyTray\Server\Calendar\AgendaFile;
use ZippyTray\Server\Calendar\TakeCalendar;
use ZippyTray\Server\Read\Journal\EntryRows;

/**
 * The agenda as calendar files, out and in.
 */
#[Route('/api', requirements: ['id' => Requirement::UUID])]
final readonly class CalendarController
{
    /** Bytes of a file that is read while somebody waits. */
    private const LARGEST = 4_194_304;

    private const TYPE = 'text/calendar; charset=utf-8';

    #[Route('/agenda.ics', methods: 'GET')]
    public function all(#[CurrentUser] Account $account, AgendaFile $file): Response
    {
        return HarmlessFile::response($file->all($account), self::TYPE, 'agenda.ics', true);
    }

    /** For other programs: whoever knows the word reads it. */
    #[Route('/calendars/{word}.ics', requirements: ['word' => '[A-Za-z0-9_-]{20,64}'], methods: 'GET')]
    public function feed(string $word, AgendaAddress $address, AgendaFile $file, Request $request): Response
    {
        $account = $address->whose($word) ?? throw new NotFound('calendar', 'of this address');
        $response = HarmlessFile::response($file->feed($account), self::TYPE, 'agenda.ics', true);
        // When it was written says nothing of what is in it.
        $response->setEtag(hash('xxh128', (string) preg_replace('/^DTSTAMP:.*$/m', '', (string) $response->getContent())));
        $response->headers->set('Cache-Control', 'private, no-cache');
        $response->isNotModified($request);

        return $response;
    }

    #[Route('/agenda-address', methods: 'GET')]
    public function address(#[CurrentUser] Account $account, AgendaAddress $address): JsonResponse
    {
        return new JsonResponse(['path' => self::path($address->of($account))]);
    }

    #[Route('/agenda-address', methods: 'PUT')]
    public function renew(#[CurrentUser] Account $account, AgendaAddress $address): JsonResponse
    {
        return new JsonResponse(['path' => self::path($address->renew($account))]);
    }

    #[Route('/agenda-address', methods: 'DELETE')]
    public function close(#[CurrentUser] Account $account, AgendaAddress $address): JsonResponse
    {
        $address->close($account);

        return new JsonResponse(['path' => null]);
    }

    private static function path(?string $word): ?string
    {
        return null === $word ? null : "/api/calendars/{$word}.ics";
    }

    #[Route('/events/{id}.ics', methods: 'GET')]
    public function one(#[CurrentUser] Account $account, string $id, Events $events, AgendaFile $file): Response
    {
        $event = $events->get($account->id, new EventId($id));

        return HarmlessFile::response($file->one($account, $event), self::TYPE, 'event.ics', true);
    }

    #[Route('/agenda/imports', methods: 'POST')]
    public function import(#[CurrentUser] Account $account, Request $request, TakeCalendar $take, EntryRows $entries): JsonResponse
    {
        $file = $request->files->get('file');
        if (!$file instanceof UploadedFile || !$file->isValid()) {
            throw new Refused('No file arrived. Choose one, and try again.', 'file');
        }
        if ($file->getSize() > self::LARGEST) {
            throw new Refused(
                'A file read here can have 4 MB. A larger one is taken in by “./zippy console agenda:import FILE.ics”.',
                'file',
            );
        }
        $outcome = $take($account, $file->getContent());

        return new JsonResponse(['entries' => array_map($entries->of(...), $outcome['entries'])] + $outcome);
    }
}
