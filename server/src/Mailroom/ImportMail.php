<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use ZippyTray\Core\Arrival\Incoming;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Statistics;

/**
 * Takes mail from files into an account. A message that cannot be read is reported, and the rest goes on.
 *
 * A few at a time are read first, which takes its time, and then kept in one transaction, for which others wait.
 */
final readonly class ImportMail
{
    /** After so many new ones, what the planner knows is old. */
    private const MANY = 1000;

    public function __construct(
        private MailFiles $files,
        private TakeLetters $take,
        private Statistics $statistics,
    ) {
    }

    /**
     * @param iterable<string, string>             $paths    how to call a file in the report => where it is; several may have one name
     * @param (callable(ImportOutcome): void)|null $progress called after each few messages
     * @param int                                  $advised  so many are read for advice at once; the worker reads the rest
     */
    public function __invoke(
        Account $account,
        iterable $paths,
        Place $into = Place::Tray,
        ?callable $progress = null,
        int $advised = \PHP_INT_MAX,
    ): ImportOutcome {
        $outcome = new ImportOutcome();
        $batch = [];
        $bytes = 0;
        foreach ($paths as $name => $path) {
            foreach ($this->files->in($path, $name) as $found) {
                $letter = $this->read($account, $found, $into, $outcome, $advised > 0);
                $outcome->bytes += \strlen($found->raw ?? '');
                if (null !== $letter) {
                    $advised -= $letter->isDecided && $letter->isAdvised ? 1 : 0;
                    $batch[] = [$found, $letter];
                    $bytes += \strlen($letter->raw);
                }
                if (\count($batch) >= TakeLetters::BATCH || $bytes >= TakeLetters::BATCH_BYTES) {
                    $this->keep($account, $batch, $outcome);
                    $batch = [];
                    $bytes = 0;
                    null === $progress ?: $progress($outcome);
                }
            }
        }
        $this->keep($account, $batch, $outcome);
        if ($outcome->new >= self::MANY) {
            $this->statistics->refresh();
        }
        null === $progress ?: $progress($outcome);

        return $outcome;
    }

    private function read(Account $account, FoundMessage $found, Place $into, ImportOutcome $outcome, bool $advised): ?Incoming
    {
        $letter = null === $found->raw
            ? $found->problem
            : $this->take->read($account->recipient(), $found->raw, $into, self::where($found), advised: $advised);
        if (\is_string($letter)) {
            $outcome->refuse($found->file, $found->position, $letter);

            return null;
        }

        return $letter;
    }

    /** @param list<array{FoundMessage, Incoming}> $batch in the order of the file */
    private function keep(Account $account, array $batch, ImportOutcome $outcome): void
    {
        if ([] === $batch) {
            return;
        }
        $kept = $this->take->keep(
            $account->recipient(),
            array_map(static fn (array $one): array => [$one[1], self::where($one[0]), null], $batch),
        );
        foreach ($kept as $at => $isNew) {
            if (\is_string($isNew)) {
                $outcome->refuse($batch[$at][0]->file, $batch[$at][0]->position, $isNew);
            } else {
                $outcome->new += $isNew ? 1 : 0;
                $outcome->known += $isNew ? 0 : 1;
            }
        }
        $outcome->position = end($batch)[0]->position;
    }

    /** @return array<string, mixed> */
    private static function where(FoundMessage $found): array
    {
        return ['file' => $found->file, 'position' => $found->position];
    }
}
