<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Event\Follow;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Calendar\OpenInvitation;
use ZippyTray\Server\Store\Attempts;
use ZippyTray\Server\Store\Ports\CalendarMailStore;

/**
 * Follows what letters that have arrived since say of events.
 */
final readonly class FollowCalendarMail
{
    private const AT_ONCE = 100;

    public function __construct(
        private CalendarMailStore $mail,
        private OpenInvitation $open,
        private Follow $follow,
        private Messages $messages,
        private Accounts $accounts,
        private Attempts $attempts,
        private EntityManagerInterface $orm,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * What cannot be followed is logged, and not tried again.
     *
     * @param callable(): bool $isEnding asked before each
     *
     * @return int how many there were
     */
    public function __invoke(callable $isEnding): int
    {
        $done = 0;
        foreach ($this->mail->wanted(self::AT_ONCE) as ['account' => $accountId, 'message' => $id]) {
            if ($isEnding()) {
                break;
            }
            try {
                if (!$this->attempts->begin('calendar '.$id)) {
                    throw new \RuntimeException('It has ended the worker several times.');
                }
                $account = $this->accounts->get($accountId);
                $message = $this->messages->get(new AccountId($accountId), new EmailId($id));
                $file = $this->open->of($account, $message);
                ($this->follow)($message, $file->method, $file->events, $account->person());
            } catch (NotFound) {
                // It was removed meanwhile, or holds nothing that can be read.
            } catch (\Throwable $problem) {
                $this->logger->error('What a letter says of an event could not be followed.', ['message' => $id, 'exception' => $problem]);
            }
            $this->attempts->end();
            $this->orm->clear();
            $this->mail->settled(new EmailId($id));
            ++$done;
        }

        return $done;
    }
}
