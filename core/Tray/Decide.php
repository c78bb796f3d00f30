<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Page;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;

/**
 * Takes one decision for one conversation or for many, in one step.
 */
final readonly class Decide
{
    public function __construct(private Conversations $conversations, private Journal $journal, private ClockInterface $clock)
    {
    }

    /**
     * @param string       $entryId         made by the client; the same id again changes nothing
     * @param list<string> $conversationIds
     *
     * @throws NotFound when one of them is not there; then nothing is decided
     * @throws Refused  when the decision makes no sense for one of them; then nothing is decided
     */
    public function __invoke(string $accountId, string $entryId, Decision $decision, array $conversationIds): Entry
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());

        return $this->journal->write($accountId, $entryId, $decision->kind(), function (Page $page) use ($accountId, $decision, $conversationIds, $now): void {
            foreach (array_unique($conversationIds) as $id) {
                $conversation = $this->conversations->get($accountId, $id);
                $page->touch($conversation);
                $decision->apply($conversation, $now);
                $page->say($conversation->subject(), $decision->consequence());
            }
        });
    }
}
