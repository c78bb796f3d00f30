<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use ZippyTray\Core\AccountId;

/**
 * What is kept of what was learned: the lessons, what they make of each trait, and what it was before the last ones. Every call is
 * bound to one account.
 */
interface Lessons
{
    /** The number of the journal's last entry that was learned from; 0 when there is none. */
    public function learnedTo(AccountId $accountId): int;

    public function setLearnedTo(AccountId $accountId, int $number): void;

    /** How many lessons make up what is learned. */
    public function count(AccountId $accountId): int;

    /**
     * @param list<string> $traits
     *
     * @return array<string, Weight> by trait, those that there are
     */
    public function weights(AccountId $accountId, array $traits): array;

    /**
     * Keeps what the lessons of one entry have made of their traits, and what was there before.
     *
     * @param array<string, Weight|null> $before by trait; null: nothing was known of it
     * @param array<string, Weight>      $after  by trait
     * @param int                        $count  how many lessons they are
     */
    public function put(AccountId $accountId, int $number, array $before, array $after, int $count): void;

    /** The first entry of which it is known what was there before it, and before all that came after it. */
    public function keptFrom(AccountId $accountId): int;

    /**
     * Takes back what was learned from this entry and from those after it.
     *
     * @param int $number not before keptFrom()
     */
    public function takeBack(AccountId $accountId, int $number): void;

    /**
     * Puts something else in the place of all that is learned; the lessons stay.
     *
     * @param array<string, Weight>                              $weights by trait
     * @param int                                                $count   how many lessons that is
     * @param array<int, array{array<string, Weight|null>, int}> $before  by the number of each of the last entries, in order: what
     *                                                                    was there before, and how many lessons it has
     */
    public function replace(AccountId $accountId, array $weights, int $count, array $before): void;

    /** @param list<Lesson> $lessons of one entry; those that there were of it go */
    public function add(AccountId $accountId, int $number, array $lessons): void;

    /**
     * @return iterable<int, non-empty-list<Lesson>> by the number of their entry, in order: those from $from to $to which are still in
     *                                               effect
     */
    public function between(AccountId $accountId, int $from, int $to): iterable;
}
