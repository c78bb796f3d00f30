<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\MailIn\CarryOutMailIn;
use ZippyTray\Core\MailIn\MadeByMail;
use ZippyTray\Core\MailIn\MailInHand;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Store\Attempts;
use ZippyTray\Server\Store\Ports\MailInStore;

/**
 * Carries out what letters to mail-in addresses have asked for since.
 */
final readonly class ObeyMailIn
{
    private const AT_ONCE = 200;

    public function __construct(
        private MailInStore $mailIns,
        private CarryOutMailIn $carryOut,
        private Accounts $accounts,
        private Attempts $attempts,
        private EntityManagerInterface $orm,
        private ClockInterface $clock,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * What goes wrong with one is logged and said where its letter is, and is not tried again.
     *
     * @param callable(): bool $isEnding asked before each
     *
     * @return int how many there were
     */
    public function __invoke(callable $isEnding): int
    {
        $done = 0;
        foreach ($this->mailIns->wanted(self::AT_ONCE) as ['account' => $accountId, 'id' => $id]) {
            if ($isEnding()) {
                break;
            }
            $made = $this->mailIns->find(new AccountId($accountId), $id);
            if (null === $made) {
                continue;
            }
            try {
                if (!$this->attempts->begin('mail-in '.$id)) {
                    throw new \RuntimeException('It has ended the worker several times.');
                }
                ($this->carryOut)($made, $this->hand($this->accounts->get($accountId)));
            } catch (NotFound) {
                // The letter was removed meanwhile.
                $this->giveUp($made, []);
            } catch (\Throwable $problem) {
                $this->logger->error('What a letter asked for could not be done.', ['mail-in' => $id, 'exception' => $problem]);
                $this->giveUp($made, ['This program could not do it; the log says more.']);
            }
            $this->attempts->end();
            $this->orm->clear();
            ++$done;
        }

        return $done;
    }

    /** @param list<string> $troubles */
    private function giveUp(MadeByMail $made, array $troubles): void
    {
        $this->orm->clear();
        $this->mailIns->settle($made->settled('', $troubles, null, null));
    }

    private function hand(Account $account): MailInHand
    {
        return new MailInHand(
            $account->person(),
            new Moment($this->clock->now(), $account->timeZone()),
            $account->profile->mailInSettings(),
            $account->canSend(),
            $account->programAddress(),
        );
    }
}
