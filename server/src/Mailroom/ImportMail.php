<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Doctrine\DBAL\Exception as DatabaseProblem;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Mail\UnreadableMessage;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;

/**
 * Takes mail from files into an account. A message that cannot be read is reported, and the rest
 * goes on.
 */
final readonly class ImportMail
{
    /** After so many messages, what the object mapper remembers is let go. */
    private const BATCH = 50;

    public function __construct(
        private MailFiles $files,
        private TakeIn $takeIn,
        private EntityManagerInterface $orm,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * @param iterable<string, string>             $paths    how to call a file in the report => where it is; several may have one name
     * @param (callable(ImportOutcome): void)|null $progress called after each message
     * @param int                                  $advised  so many are read for advice at once; the worker reads the rest
     */
    public function __invoke(Account $account, iterable $paths, Place $into = Place::Tray, ?callable $progress = null, int $advised = \PHP_INT_MAX): ImportOutcome
    {
        $outcome = new ImportOutcome();
        foreach ($paths as $name => $path) {
            foreach ($this->files->in($path, $name) as $found) {
                $this->take($account, $found, $into, $outcome, $outcome->new < $advised);
                if (0 === $outcome->read() % self::BATCH) {
                    $this->orm->clear();
                }
                null === $progress ?: $progress($outcome);
            }
        }

        return $outcome;
    }

    private function take(Account $account, FoundMessage $found, Place $into, ImportOutcome $outcome, bool $advised): void
    {
        if (null === $found->raw) {
            $outcome->refuse($found->file, $found->position, $found->problem);

            return;
        }
        try {
            null === ($this->takeIn)($account, $found->raw, $into, advised: $advised) ? ++$outcome->known : ++$outcome->new;
        } catch (UnreadableMessage $problem) {
            $outcome->refuse($found->file, $found->position, $problem->getMessage());
        } catch (DatabaseProblem $problem) {
            throw $problem;
        } catch (\Throwable $problem) {
            // A fault of ours must not keep the rest of somebody's mail out.
            $this->logger->error('A message could not be read.', ['exception' => $problem, 'file' => $found->file, 'position' => $found->position]);
            $outcome->refuse($found->file, $found->position, 'This program could not read it: '.$problem->getMessage());
        }
    }
}
