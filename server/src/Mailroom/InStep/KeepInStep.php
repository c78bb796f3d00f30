<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Server\Mailroom\Imap\ImapConnection;
use ZippyTray\Server\Mailroom\Imap\NotDone;
use ZippyTray\Server\Mailroom\Imap\NotSignedIn;
use ZippyTray\Server\Mailroom\In\NotReached;
use ZippyTray\Server\Mailroom\SignIn\FreshServer;
use ZippyTray\Server\Store\Attempts;

/**
 * Keeps the mailboxes on servers in step: looks at what has happened there, takes in what is new, and does there what was decided here.
 *
 * Only one of these works at a time (WorkCommand).
 */
final readonly class KeepInStep
{
    /** Seconds that are spent on one mailbox in a round; the worker has other things to do, too. */
    private const LONGEST = 8.0;

    public function __construct(
        private ServerBoxes $boxes,
        private Look $look,
        private TakeIn $takeIn,
        private BringInStep $bringInStep,
        private CarryOut $carryOut,
        private Copies $copies,
        private Wishes $wishes,
        private OlderMail $older,
        private FreshServer $fresh,
        private Attempts $attempts,
        private EntityManagerInterface $orm,
        private LoggerInterface $logger,
    ) {
    }

    /** @param callable(): bool $isEnding asked before each thing that is begun */
    public function __invoke(callable $isEnding): void
    {
        $this->orm->clear();
        $accounts = [];
        foreach ($this->boxes->atWork() as $box) {
            if ($isEnding()) {
                return;
            }
            if (Older::Leaving === $box->settings->older && !$this->older->leave($box)) {
                $this->boxes->change($box->account, $box->number, ['older' => Older::Done->value]);
            }
            if (!isset($accounts[$box->accountId()->text])) {
                $accounts[$box->accountId()->text] = true;
                ($this->bringInStep)($box->account, $isEnding);
            }
            if ($box->isDue || $this->wishes->isAnyDue($box) || $this->takeIn->isAnyWanted($box)) {
                $this->box($box, $isEnding);
            }
        }
    }

    /** @param callable(): bool $isEnding */
    private function box(ServerBox $box, callable $isEnding): void
    {
        $attempt = \sprintf('mailbox %s %d', $box->accountId(), $box->number);
        if (!$this->attempts->begin($attempt)) {
            $this->attempts->forget($attempt);
            $this->boxes->pause($box, 'What the mail server said has ended this program several times.');

            return;
        }
        $connection = null;
        try {
            $connection = new ImapConnection($this->fresh->of($box->account, $box->number) ?? $box->server);
            $connection->open();
            $this->inStep($box, $connection, $isEnding);
        } catch (NotSignedIn $problem) {
            $this->logger->warning('A mail server does not take the password.', ['account' => $box->accountId()->text]);
            $this->boxes->failed($box, $problem->getMessage(), true);
        } catch (NotReached|NotDone $problem) {
            $this->logger->warning(
                'A mailbox could not be looked at.',
                ['account' => $box->accountId()->text, 'problem' => $problem->getMessage()],
            );
            $this->boxes->failed($box, $problem->getMessage(), false);
        } finally {
            $connection?->close();
            $this->attempts->end();
        }
    }

    /** @param callable(): bool $isEnding */
    private function inStep(ServerBox $box, ImapConnection $on, callable $isEnding): void
    {
        $begun = microtime(true);
        $isOver = static function () use ($isEnding, &$begun): bool {
            return $isEnding() || microtime(true) - $begun > self::LONGEST;
        };
        // What is decided here first: what a look finds is compared with it then.
        $isLookNeeded = $box->isDue;
        for ($time = 0; $time < 3 && !$isOver(); ++$time) {
            if ($isLookNeeded) {
                $isMissed = ($this->look)($box, $on, $isEnding);
                // However long that took, what is new comes in now.
                $begun = microtime(true);
                $box = $this->boxes->of($box->account, $box->number) ?? $box;
                ($this->takeIn)($box, $on, $isOver);
                $this->copies->findAgain($box);
                $problem = $this->copies->muchIsGone($box);
                if ('' !== $problem) {
                    $this->boxes->pause($box, $problem);

                    return;
                }
                $this->copies->markGone($box);
                ($this->bringInStep)($box->account, $isEnding);
                $isLookNeeded = $isMissed;
                $isAllowed = $box->settings->mayVanish && !$isMissed;
                !$isAllowed || $this->boxes->change($box->account, $box->number, ['mayVanish' => false]);
            } elseif (0 === $time) {
                ($this->takeIn)($box, $on, $isOver);
                ($this->bringInStep)($box->account, $isEnding);
            } else {
                break;
            }
            $isLookNeeded = ($this->carryOut)($box, $on, $isOver) || $isLookNeeded;
        }
    }
}
