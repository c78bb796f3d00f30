<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\InStep\Part;
use ZippyTray\Core\InStep\Security;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Mailbox;
use ZippyTray\Server\Account\MailServer;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Http\Payload\Account\ComingFields;
use ZippyTray\Server\Http\Payload\Account\MailboxAddress;
use ZippyTray\Server\Http\Payload\Account\MailboxFields;
use ZippyTray\Server\Http\Payload\Account\OlderFields;
use ZippyTray\Server\Http\Payload\Account\SignInAnswer;
use ZippyTray\Server\Mailroom\InStep\BoxSettings;
use ZippyTray\Server\Mailroom\InStep\BoxStates;
use ZippyTray\Server\Mailroom\InStep\Older;
use ZippyTray\Server\Mailroom\InStep\ProposeServer;
use ZippyTray\Server\Mailroom\InStep\ServerBoxes;
use ZippyTray\Server\Mailroom\InStep\TryServer;
use ZippyTray\Server\Mailroom\InStep\Wishes;
use ZippyTray\Server\Read\Tray\OlderRows;
use ZippyTray\Server\Store\StoredNow;

/**
 * Mailboxes on mail servers: found, tried, connected, looked at, disconnected.
 */
#[Route('/api/mailboxes')]
final readonly class MailboxController
{
    public function __construct(
        private BoxStates $states,
        private ServerBoxes $boxes,
        private EntityManagerInterface $orm,
        private Transaction $transaction,
        private ClockInterface $clock,
        private MailSignIns $signIns,
        private Wishes $wishes,
    ) {
    }

    #[Route('', methods: 'GET')]
    public function all(#[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse(['mailboxes' => $this->states->of($account)]);
    }

    #[Route('/proposals', methods: 'POST')]
    public function propose(#[MapRequestPayload] MailboxAddress $of, ProposeServer $propose): JsonResponse
    {
        $found = $propose($of->address);
        $server = static fn (array $one): array => [
            'security' => $one['security'] instanceof Security ? $one['security']->value : '',
        ] + $one;

        return new JsonResponse([
            'imap' => $server($found['imap']),
            'smtp' => $server($found['smtp']),
            'isSaid' => $found['isSaid'],
            'provider' => $found['provider'],
        ]);
    }

    /** Signs in there and says what is there; nothing is kept. */
    #[Route('/trials', methods: 'POST')]
    public function try(#[CurrentUser] Account $account, #[MapRequestPayload] MailboxFields $fields, TryServer $try): JsonResponse
    {
        return new JsonResponse($try($this->server($account, $fields), $this->speaker($account)->now->date()));
    }

    /** Reads which part of the inbox is to be decided, and says how much that is. */
    #[Route('/parts', methods: 'POST')]
    public function part(#[CurrentUser] Account $account, #[MapRequestPayload] MailboxFields $fields, TryServer $try): JsonResponse
    {
        $part = Part::read($fields->part, $this->speaker($account));
        $server = $this->server($account, $fields);

        return new JsonResponse([
            'text' => $part->text(),
            'messages' => null === $part->since ? null : $try->since($server, $part->since),
        ]);
    }

    /** Where one signs in at the provider of an address, in a page of its own. */
    #[Route('/sign-ins', methods: 'POST')]
    public function signIn(#[CurrentUser] Account $account, #[MapRequestPayload] MailboxAddress $of, Request $request): JsonResponse
    {
        return new JsonResponse(['url' => $this->signIns->begin($account, $of->address, $request->getSchemeAndHttpHost())]);
    }

    /** The provider has led back. */
    #[Route('/sign-ins/answers', methods: 'POST')]
    public function signedIn(#[CurrentUser] Account $account, #[MapRequestPayload] SignInAnswer $answer): JsonResponse
    {
        return new JsonResponse($this->signIns->answer($account, $answer));
    }

    /** Connects a mailbox, or changes one that has the same address. */
    #[Route('', methods: 'PUT')]
    public function connect(#[CurrentUser] Account $account, #[MapRequestPayload] MailboxFields $fields): JsonResponse
    {
        $this->transaction->run(function () use ($account, $fields): void {
            $mailbox = $this->known($account, $fields);
            $server = $this->server($account, $fields);
            // The first one may be there already, for the ways by which mail goes out and comes in.
            $first = $account->mailboxes()[0] ?? null;
            $mailbox ??= null === $first || $first->isOnServer() ? $account->addMailbox(MailWays::none()) : $first;
            $mailbox->keepInStepWith($server, trim($fields->address), $fields->aliases);
            $this->orm->flush();
            $number = $mailbox->position;
            $isNew = null === $this->boxes->settings($account, $number);
            $this->boxes->begin($account, $number, $isNew ? $this->settings($account, $fields) : new BoxSettings());
            $isNew || $this->boxes->change($account, $number, ['hasAway' => $fields->hasAway, 'keepsSent' => $fields->keepsSent]);
            $isNew || $this->boxes->choose($account, $number, $fields->chosen());
            $this->wishes->again($account->id);
        });

        return $this->all($account);
    }

    /** There nothing changes, and here everything stays. */
    #[Route('/{number}', methods: 'DELETE', requirements: ['number' => '\d{1,4}'])]
    public function disconnect(#[CurrentUser] Account $account, int $number): JsonResponse
    {
        $this->transaction->run(function () use ($account, $number): void {
            $this->at($account, $number)->disconnect();
            $this->orm->flush();
            $this->boxes->forget($account, $number);
        });

        return $this->all($account);
    }

    /** What lay in the inbox before the part that is to be decided, a part at a time, with what had better stay. */
    #[Route('/{number}/older', methods: 'GET', requirements: ['number' => '\d{1,4}'])]
    public function older(
        #[CurrentUser]
        Account $account,
        int $number,
        OlderRows $older,
        #[MapQueryParameter]
        string $after = '',
    ): JsonResponse {
        return new JsonResponse($older->page($account, $this->at($account, $number)->position, $after));
    }

    /** What had better stay has been said, and was brought back; the rest is archived. */
    #[Route('/{number}/older', methods: 'POST', requirements: ['number' => '\d{1,4}'])]
    public function archiveOlder(#[CurrentUser] Account $account, int $number, #[MapRequestPayload] OlderFields $fields): JsonResponse
    {
        $this->at($account, $number);
        $this->boxes->change($account, $number, ['older' => ($fields->archiveThere ? Older::Leaving : Older::Done)->value]);

        return $this->all($account);
    }

    /** Stops that older mail comes in, or lets it go on. */
    #[Route('/{number}/coming', methods: 'PUT', requirements: ['number' => '\d{1,4}'])]
    public function coming(#[CurrentUser] Account $account, int $number, #[MapRequestPayload] ComingFields $fields): JsonResponse
    {
        $this->at($account, $number);
        $this->boxes->change($account, $number, ['takesOlder' => $fields->takesOlder]);

        return $this->all($account);
    }

    /** Something that the server would not do is not wished any more: there it stays as it is, and here too. */
    #[Route('/{number}/troubles/{trouble}', methods: 'DELETE', requirements: ['number' => '\d{1,4}', 'trouble' => '\d{1,18}'])]
    public function giveUp(#[CurrentUser] Account $account, int $number, int $trouble): JsonResponse
    {
        $this->transaction->run(
            fn (): bool => $this->wishes->giveUp($account->id, $this->at($account, $number)->position, $trouble)
                || throw new NotFound('trouble', (string) $trouble),
        );

        return $this->all($account);
    }

    /** Makes the folders that are missing there, and says what is there then. */
    #[Route('/folders', methods: 'POST')]
    public function makeFolders(#[CurrentUser] Account $account, #[MapRequestPayload] MailboxFields $fields, TryServer $try): JsonResponse
    {
        $server = $this->server($account, $fields);
        $try->makeMissing($server);

        return new JsonResponse($try($server, $this->speaker($account)->now->date()));
    }

    /** All are looked at as soon as can be; one that was paused goes on. */
    #[Route('/looks', methods: 'POST')]
    public function look(#[CurrentUser] Account $account): Response
    {
        $this->boxes->lookNow($account);
        $this->wishes->again($account->id);

        return new Response(status: Response::HTTP_NO_CONTENT);
    }

    private function settings(Account $account, MailboxFields $fields): BoxSettings
    {
        $part = Part::read($fields->part, $this->speaker($account));
        $begins = $part->begins($account->timeZone());

        return new BoxSettings(
            $fields->hasAway,
            $fields->keepsSent,
            since: null === $begins ? null : StoredNow::of($begins),
            older: null === $begins ? Older::None : Older::Waiting,
            folders: $fields->chosen(),
            begunAt: StoredNow::of($this->clock->now()),
        );
    }

    private function speaker(Account $account): Speaker
    {
        return $account->profile->speaker($this->clock->now());
    }

    /** @throws Refused */
    private function server(Account $account, MailboxFields $fields): MailServer
    {
        $grant = $fields->signedIn ? $this->signIns->grant($account, $fields->address) : null;

        return $fields->server($this->known($account, $fields)?->server(), $grant);
    }

    private function known(Account $account, MailboxFields $fields): ?Mailbox
    {
        foreach ($account->mailboxes() as $mailbox) {
            if ($mailbox->isOnServer() && mb_strtolower($mailbox->address()) === mb_strtolower(trim($fields->address))) {
                return $mailbox;
            }
        }

        return null;
    }

    /** @throws NotFound */
    private function at(Account $account, int $number): Mailbox
    {
        $mailbox = $account->mailbox($number);

        return true === $mailbox?->isOnServer() ? $mailbox : throw new NotFound('mailbox', (string) $number);
    }
}
