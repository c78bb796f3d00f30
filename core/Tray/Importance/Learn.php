<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Change;
use ZippyTray\Core\Journal\Entries;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;

/**
 * Learns from the journal, one entry after the other, what matters to somebody and what they do. What is learned is always what all
 * the decisions that are in effect make of it, in their order, whatever was undone and done again in between.
 */
final readonly class Learn
{
    /** Of so many entries at the end it is kept what was learned before them; who undoes something older has all of it learned again. */
    public const KEPT = 200;

    public function __construct(
        private Entries $entries,
        private Lessons $lessons,
        private DecidedMail $mail,
        private Transaction $transaction,
    ) {
    }

    /**
     * Goes on from where it was, each entry in a transaction of its own.
     *
     * @param int              $most     so many entries
     * @param callable(): bool $isEnding asked before each
     *
     * @return int how many it has learned from; fewer when there are no more, or the mail of one is still to be read
     */
    public function __invoke(AccountId $accountId, int $most, callable $isEnding): int
    {
        $learned = 0;
        $isWaiting = false;
        foreach ($this->entries->after($accountId, $this->lessons->learnedTo($accountId), $most) as $entry) {
            if ($isEnding()) {
                break;
            }
            $lessons = [];
            try {
                $lessons = $this->lessonsOf($entry);
            } catch (NotReadYet) {
                $isWaiting = true;
            } catch (\Throwable $problem) {
                // What is damaged is told of when it is its turn.
                $isWaiting || throw $problem;
            }
            if ($isWaiting) {
                // What comes behind it is wanted already, so that all of it is read together.
                continue;
            }
            $undone = EntryKind::Undo === $entry->kind ? $this->firstUndone($entry) : null;
            if (null !== $undone && $undone < $this->lessons->keptFrom($accountId)) {
                $this->learnAll($accountId, $entry->number);
            } else {
                $this->transaction->run(function () use ($accountId, $entry, $lessons, $undone): void {
                    $this->lessons->add($accountId, $entry->number, $lessons);
                    if (null !== $undone) {
                        $this->lessons->takeBack($accountId, $undone);
                        foreach ($this->lessons->between($accountId, $undone, $entry->number) as $number => $again) {
                            $this->learnFrom($accountId, $number, $again);
                        }
                    } elseif ([] !== $lessons && null === $entry->undoneBy()) {
                        $this->learnFrom($accountId, $entry->number, $lessons);
                    }
                    $this->lessons->setLearnedTo($accountId, $entry->number);
                });
            }
            ++$learned;
        }

        return $learned;
    }

    /**
     * Takes what was decided from the journal anew, as far as the mail is still there, and learns it all from the beginning.
     *
     * @return int how many entries there are lessons of
     *
     * @throws NotReadYet when some of the mail is still to be read; all of that is wanted now, and nothing is learned yet
     */
    public function anew(AccountId $accountId): int
    {
        [$number, $found, $isWaiting] = [0, 0, false];
        do {
            $entries = $this->entries->after($accountId, $number, 100);
            foreach ($entries as $entry) {
                $number = $entry->number;
                try {
                    $lessons = $this->lessonsOf($entry);
                } catch (NotReadYet) {
                    $isWaiting = true;
                    continue;
                }
                if ([] !== $lessons) {
                    $this->transaction->run(fn () => $this->lessons->add($accountId, $entry->number, $lessons));
                    ++$found;
                }
            }
        } while ([] !== $entries);
        if ($isWaiting) {
            throw new NotReadYet();
        }
        $this->learnAll($accountId, $number);

        return $found;
    }

    /** @param non-empty-list<Lesson> $lessons */
    private function learnFrom(AccountId $accountId, int $number, array $lessons): void
    {
        $traits = array_values(array_unique(array_merge(...array_map(static fn (Lesson $one): array => $one->traits->names, $lessons))));
        $before = $this->lessons->weights($accountId, $traits);
        $learned = new Learned($before, $this->lessons->count($accountId));
        $after = [];
        foreach ($lessons as $lesson) {
            $after = [...$after, ...$learned->learn($lesson)];
        }
        $this->lessons->put($accountId, $number, $before + array_fill_keys(array_keys($after), null), $after, \count($lessons));
    }

    /**
     * Learns all of it from the beginning. That takes its time, and is done before the transaction.
     *
     * @param int $to the last entry that counts
     */
    private function learnAll(AccountId $accountId, int $to): void
    {
        [$learned, $weights, $count, $before] = [new Learned(), [], 0, []];
        foreach ($this->lessons->between($accountId, 1, $to) as $number => $lessons) {
            $after = [];
            foreach ($lessons as $lesson) {
                $after = [...$after, ...$learned->learn($lesson)];
            }
            $known = [];
            foreach ($after as $trait => $_) {
                $known[$trait] = $weights[$trait] ?? null;
            }
            $before[$number] = [$known, \count($lessons)];
            $before = \array_slice($before, -self::KEPT, preserve_keys: true);
            foreach ($after as $trait => $weight) {
                $weights[$trait] = $weight;
            }
            $count += \count($lessons);
        }
        $this->transaction->run(function () use ($accountId, $to, $weights, $count, $before): void {
            $this->lessons->replace($accountId, $weights, $count, $before);
            $this->lessons->setLearnedTo($accountId, $to);
        });
    }

    /** The number of the first entry that is no longer in effect by this one, or is again; what else changed came after it. */
    private function firstUndone(Entry $entry): ?int
    {
        while (null !== $entry->undoes && null !== $undone = $this->entries->find($entry->accountId, $entry->undoes)) {
            $entry = $undone;
        }

        return EntryKind::Undo === $entry->kind ? null : $entry->number;
    }

    /**
     * @return list<Lesson>
     *
     * @throws NotReadYet
     */
    private function lessonsOf(Entry $entry): array
    {
        if (!$entry->kind->decides()) {
            return [];
        }
        $decided = $before = [];
        foreach ($entry->changes() as $change) {
            if (self::isDecided($change)) {
                $decided[$change->object->id] = $change;
                $at = $change->before['decidedAt'] ?? null;
                $before[$change->object->id] = \is_string($at) ? $at : null;
            }
        }
        $lessons = [];
        foreach ([] === $before ? [] : $this->mail->of($entry->accountId, $before, $entry->at) as $id => $letter) {
            $as = self::done($entry, $decided[$id]);
            if (null === $as) {
                continue;
            }
            $lessons[] = new Lesson(
                $entry->number,
                new ConversationId($id),
                $letter->findings->head->key,
                Traits::of($letter->findings, $letter->known, $letter->advised),
                Shown::by($entry, $letter->arrivedAt, true === ($decided[$id]->after['decidedUnread'] ?? false)),
                $as,
            );
        }

        return $lessons;
    }

    private static function done(Entry $entry, Change $change): ?AdvisedDecision
    {
        $as = $change->after['decidedAs'] ?? null;

        return match (true) {
            !\is_string($as) => null,
            \in_array($entry->kind, [EntryKind::Send, EntryKind::SendLater], true) => AdvisedDecision::Now,
            default => AdvisedDecision::tryFrom($as),
        };
    }

    private static function isDecided(Change $change): bool
    {
        return ObjectKind::Conversation === $change->object->kind
            && null !== ($change->after['decidedAs'] ?? null)
            && ($change->before['decidedAt'] ?? null) !== ($change->after['decidedAt'] ?? null);
    }
}
