<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\InStep\Security;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\NotFound;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Mailbox;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Http\Payload\Account\MailboxAddress;
use ZippyTray\Server\Http\Payload\Account\MailboxFields;
use ZippyTray\Server\Mailroom\InStep\BoxSettings;
use ZippyTray\Server\Mailroom\InStep\BoxStates;
use ZippyTray\Server\Mailroom\InStep\ProposeServer;
use ZippyTray\Server\Mailroom\InStep\ServerBoxes;
use ZippyTray\Server\Mailroom\InStep\TryServer;
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

        return new JsonResponse(['imap' => $server($found['imap']), 'smtp' => $server($found['smtp']), 'isSaid' => $found['isSaid']]);
    }

    /** Signs in there and says what is there; nothing is kept. */
    #[Route('/trials', methods: 'POST')]
    public function try(#[CurrentUser] Account $account, #[MapRequestPayload] MailboxFields $fields, TryServer $try): JsonResponse
    {
        return new JsonResponse($try($fields->server($this->known($account, $fields)?->server())));
    }

    /** Connects a mailbox, or changes one that has the same address. */
    #[Route('', methods: 'PUT')]
    public function connect(#[CurrentUser] Account $account, #[MapRequestPayload] MailboxFields $fields): JsonResponse
    {
        $this->transaction->run(function () use ($account, $fields): void {
            $mailbox = $this->known($account, $fields);
            $server = $fields->server($mailbox?->server());
            // The first one may be there already, for the ways by which mail goes out and comes in.
            $first = $account->mailboxes()[0] ?? null;
            $mailbox ??= null === $first || $first->isOnServer() ? $account->addMailbox(MailWays::none()) : $first;
            $mailbox->keepInStepWith($server, trim($fields->address));
            $this->orm->flush();
            $this->boxes->begin($account, $mailbox->position, $this->settings($account, $mailbox->position, $fields));
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

    /** All are looked at as soon as can be; one that was paused goes on. */
    #[Route('/looks', methods: 'POST')]
    public function look(#[CurrentUser] Account $account): Response
    {
        $this->boxes->lookNow($account);

        return new Response(status: Response::HTTP_NO_CONTENT);
    }

    private function settings(Account $account, int $number, MailboxFields $fields): BoxSettings
    {
        $known = $this->boxes->settings($account, $number);
        if (null !== $known) {
            return $known->with(['hasAway' => $fields->hasAway]);
        }
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $since = null === $fields->days ? null : StoredNow::of($now->modify("-{$fields->days} days"));

        return new BoxSettings($fields->hasAway, null, $since, $fields->archiveThere, begunAt: StoredNow::of($now));
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
        foreach ($account->mailboxes() as $mailbox) {
            if ($mailbox->position === $number && $mailbox->isOnServer()) {
                return $mailbox;
            }
        }

        throw new NotFound('mailbox', (string) $number);
    }
}
