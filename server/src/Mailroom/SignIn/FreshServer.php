<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\SignIn;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Symfony\Component\Lock\LockFactory;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Grant;
use ZippyTray\Server\Account\Mailbox;
use ZippyTray\Server\Account\MailServer;
use ZippyTray\Server\Mailroom\Imap\NotSignedIn;
use ZippyTray\Server\Mailroom\In\NotReached;
use ZippyTray\Server\PrivateLocks;

/**
 * A mail server with an access token that holds. A new one is kept at once: the provider may have ended the one before with it.
 */
final readonly class FreshServer
{
    public function __construct(
        private Providers $providers,
        private AskForGrant $ask,
        private Transaction $transaction,
        private EntityManagerInterface $orm,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @return MailServer|null null when it is on none
     *
     * @throws NotSignedIn when the person has to sign in anew
     * @throws NotReached  when the provider cannot be asked
     */
    public function of(Account $account, int $number): ?MailServer
    {
        $known = $account->mailbox($number);
        $server = $known?->server();
        if (null === $known || null === $server?->grant || !$this->isOver($server->grant)) {
            return $server;
        }
        // Only one asks: what it is given ends what the other one would ask with.
        $lock = (new LockFactory(new PrivateLocks()))->createLock(\sprintf('grant %s %d', $account->id, $number));
        $lock->acquire(true);
        try {
            $mailbox = $this->orm->find(Mailbox::class, ['account' => $account->id, 'position' => $number]);
            if (null === $mailbox) {
                return null;
            }
            $this->orm->refresh($mailbox);
            $server = $mailbox->server();
            if (null === $server?->grant || !$this->isOver($server->grant)) {
                return $server;
            }
            $provider = $this->providers->named($server->grant->provider)
                ?? throw new NotSignedIn(AskForGrant::anew($server->grant->provider));
            $fresh = $server->with($this->ask->renew($provider, $server->grant));
            $this->transaction->run(static fn () => $mailbox->signInTo($fresh));
            // Who goes on with what was read before has it, too.
            $known->signInTo($fresh);

            return $fresh;
        } finally {
            $lock->release();
        }
    }

    private function isOver(Grant $grant): bool
    {
        return $grant->isOver($this->clock->now()->getTimestamp());
    }
}
