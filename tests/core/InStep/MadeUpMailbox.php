<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\InStep;

use ZippyTray\Core\InStep\Agree;
use ZippyTray\Core\InStep\Agreement;
use ZippyTray\Core\InStep\Copy;
use ZippyTray\Core\InStep\FolderRole;

/**
 * The mail of one conversation on a server that is made up, with what is noted of it.
 */
final class MadeUpMailbox
{
    /** @var array<string, array{now: FolderRole, settled: ?FolderRole, agreed: ?FolderRole, from: ?FolderRole, left: int, age: int}> */
    private array $copies = [];

    private int $count = 0;

    /** @return FolderRole where the conversation belongs then: what comes into the inbox opens it */
    public function arrives(FolderRole $in, FolderRole $belongs): FolderRole
    {
        $this->put($in, null, null);

        return FolderRole::Inbox === $in && 0 === $this->count % 2 ? FolderRole::Inbox : $belongs;
    }

    public function isMoved(int $which, FolderRole $to): void
    {
        $there = array_keys(array_filter(
            $this->copies,
            static fn (array $copy): bool => FolderRole::Gone !== $copy['now'] && $copy['now']->follows() && null !== $copy['settled'],
        ));
        if ([] !== $there) {
            $this->copies[$there[$which % \count($there)]]['now'] = $to;
        }
    }

    /** @return FolderRole where the conversation belongs then */
    public function bringInStep(FolderRole $belongs): FolderRole
    {
        $agreement = $this->agreement($belongs);
        if (null !== $agreement->follow) {
            $belongs = $agreement->follow;
            foreach ($this->copies as $id => $copy) {
                if (null !== $copy['settled']) {
                    $this->settle($id, $belongs);
                }
            }
            $agreement = $this->agreement($belongs);
        }
        $round = 1 + max([0, ...array_column($this->copies, 'left')]);
        foreach ($agreement->moves as $id => $to) {
            $now = $this->copies[$id]['now'];
            $left = FolderRole::Inbox === $now ? $round : $this->copies[$id]['left'];
            $this->copies[$id] = [
                'now' => $to,
                'settled' => $to,
                'agreed' => $belongs,
                'from' => $now,
                'left' => $left,
                'age' => $this->copies[$id]['age'],
            ];
        }
        if ($agreement->putBack) {
            $this->put(FolderRole::Inbox, FolderRole::Inbox, $belongs);
        }
        foreach (array_keys($this->copies) as $id) {
            $this->settle($id, $belongs);
        }

        return $belongs;
    }

    private function settle(string $id, FolderRole $belongs): void
    {
        $copy = $this->copies[$id];
        // Where it was before is of no use any more once somebody else has moved it.
        $from = $copy['settled'] === $copy['now'] ? $copy['from'] : null;
        $this->copies[$id] = ['settled' => $copy['now'], 'agreed' => $belongs, 'from' => $from] + $copy;
    }

    public function agreement(FolderRole $belongs): Agreement
    {
        return Agree::on($belongs, array_map(
            static fn (string $id, array $copy): Copy => new Copy(
                $id,
                $copy['now'],
                $copy['settled'],
                $copy['agreed'],
                $copy['from'],
                $copy['left'],
                $copy['age'],
            ),
            array_keys($this->copies),
            array_values($this->copies),
        ));
    }

    /** @return list<FolderRole> of what follows the conversation */
    public function lies(): array
    {
        return array_values(array_filter(
            array_column($this->copies, 'now'),
            static fn (FolderRole $now): bool => $now->follows(),
        ));
    }

    private function put(FolderRole $now, ?FolderRole $settled, ?FolderRole $agreed): void
    {
        ++$this->count;
        $this->copies['m'.$this->count] = [
            'now' => $now,
            'settled' => $settled,
            'agreed' => $agreed,
            'from' => null,
            'left' => 0,
            'age' => -$this->count,
        ];
    }
}
