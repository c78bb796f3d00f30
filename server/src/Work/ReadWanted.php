<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Mail\Remark\Remark;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Store\Attempts;
use ZippyTray\Server\Store\Ports\FindingsStore;

/**
 * Reads messages that somebody has looked at and that have not been read by the present rules, a part of them at a time.
 */
final readonly class ReadWanted
{
    private const AT_ONCE = 500;

    public function __construct(
        private FindingsStore $findings,
        private Messages $messages,
        private Accounts $accounts,
        private MessageReader $reader,
        private Transaction $transaction,
        private Connection $connection,
        private EntityManagerInterface $orm,
        private Attempts $attempts,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * @param callable(): bool $isEnding asked before each message
     *
     * @return int how many were read
     */
    public function __invoke(callable $isEnding): int
    {
        $read = 0;
        foreach ($this->findings->wanted(self::AT_ONCE) as ['account' => $accountId, 'message' => $id]) {
            if ($isEnding()) {
                break;
            }
            $account = $this->accounts->get($accountId);
            try {
                if (!$this->attempts->begin('read '.$id)) {
                    throw new \RuntimeException('It has ended the worker several times.');
                }
                $message = $this->messages->get(new AccountId($accountId), new EmailId($id));
                $remarks = $message->isLookedThrough()
                    ? null
                    : $this->reader->read($this->messages->source($message), $message->importedAt)->remarks;
                $findings = $this->findings->read($account->recipient(), Gist::ofMessage($message, $remarks), $id);
            } catch (NotFound) {
                continue;
            } catch (\Throwable $problem) {
                $this->logger->error('A message could not be read again.', ['message' => $id, 'exception' => $problem]);
                [$remarks, $findings] = [null, null];
            }
            $this->attempts->end();
            $this->transaction->run(function () use ($account, $id, $findings, $remarks): void {
                $this->findings->keep($account->recipient(), new EmailId($id), $findings);
                if (null !== $remarks) {
                    $this->connection->update(
                        'message',
                        ['remarks' => json_encode(
                            array_map(static fn (Remark $remark): array => $remark->state(), $remarks),
                            \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE,
                        )],
                        ['id' => $id],
                    );
                }
            });
            ++$read;
        }
        $this->orm->clear();

        return $read;
    }
}
