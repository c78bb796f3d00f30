<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Tray\ArchiveOld;
use ZippyTray\Core\Tray\RestCheck;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Read\Label\LabelView;
use ZippyTray\Server\Read\Tray\Advices;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Store\StoredNow;

/**
 * Archives, once a day, what nobody decided and is older than the person wants it to lie there; never what asks for something, names a
 * day ahead or has not been read: the same check as before the rest is archived.
 */
final readonly class ArchiveOldMail implements Chore
{
    /** So many of the oldest are looked at in a day. */
    private const MOST = 500;

    public function __construct(
        private Accounts $accounts,
        private ConversationRows $rows,
        private Advices $advices,
        private ArchiveOld $archive,
        private Ids $ids,
    ) {
    }

    public function name(): string
    {
        return 'old-mail';
    }

    public function every(): int
    {
        return 86400;
    }

    public function do(\DateTimeImmutable $now): void
    {
        foreach ($this->accounts->all() as $account) {
            ($this->archive)($account->id, new EntryId($this->ids->next()), $this->old($account, $now));
        }
    }

    /** @return list<ConversationId> */
    private function old(Account $account, \DateTimeImmutable $now): array
    {
        $rules = $account->profile->traySettings()->oldMail;
        $soonest = $rules->soonest();
        if (null === $soonest) {
            return [];
        }
        $ids = $this->rows->ids(
            ConversationRows::OF_TRAY.' AND c.latest_at < :before ORDER BY c.latest_at, c.id LIMIT '.self::MOST,
            $account,
            ['before' => StoredNow::of($now->modify("-{$soonest} days"))],
        );
        $weighed = $this->advices->weighed($account, $ids);
        $old = [];
        foreach ($this->rows->some($account, $ids, $weighed) as $id => $row) {
            $one = $weighed[$id] ?? null;
            $age = intdiv($now->getTimestamp() - (new \DateTimeImmutable($row->latestAt))->getTimestamp(), 86400);
            $labels = array_map(static fn (LabelView $label): string => $label->name, $row->labels);
            if (null !== $one && '' === RestCheck::reason($one->advice, $row->returned) && $rules->goes($one->main->kind, $labels, $age)) {
                $old[] = new ConversationId($id);
            }
        }

        return $old;
    }
}
