<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use Psr\Log\LoggerInterface;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Tray\ArchiveOld;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\OldMail;
use ZippyTray\Core\Tray\RestCheck;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Read\Label\LabelView;
use ZippyTray\Server\Read\Tray\Advices;
use ZippyTray\Server\Read\Tray\ConversationRow;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Read\Tray\Weighed;
use ZippyTray\Server\Store\StoredNow;

/**
 * Archives, once a day, what nobody decided and is older than the person wants it to lie there; never what asks for something, names a
 * day ahead or has not been read: the same check as before the rest is archived.
 */
final readonly class ArchiveOldMail implements LongChore
{
    /** So many go in a day at the most: one entry of the journal, which can still be undone as one. */
    private const MOST = 500;

    /** So many are looked at in a day at the most, the oldest first, and so many at once. */
    private const LOOKED_AT = 20000;

    private const AT_ONCE = 200;

    public function __construct(
        private Accounts $accounts,
        private ConversationRows $rows,
        private Advices $advices,
        private ArchiveOld $archive,
        private Ids $ids,
        private LoggerInterface $logger,
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
            try {
                ($this->archive)($account->id, new EntryId($this->ids->next()), $this->old($account, $now));
            } catch (\Throwable $problem) {
                $this->logger->error('Old mail could not be archived.', ['account' => $account->id->text, 'exception' => $problem]);
            }
        }
    }

    /** @return list<Claim> */
    private function old(Account $account, \DateTimeImmutable $now): array
    {
        $soonest = $account->profile->traySettings()->oldMail->soonest();
        if (null === $soonest) {
            return [];
        }
        $before = StoredNow::of($now->modify("-{$soonest} days"));
        [$old, $at, $id] = [[], '', ''];
        $few = ' AND c.latest_at < :before AND c.latest_at >= :at AND (c.latest_at > :at OR c.id > :id)
            ORDER BY c.latest_at, c.id LIMIT '.self::AT_ONCE;
        for ($seen = 0; $seen < self::LOOKED_AT && \count($old) < self::MOST; $seen += self::AT_ONCE) {
            $keys = $this->rows->ids(
                "SELECT c.latest_at || ' ' || c.id FROM conversation c WHERE c.id IN (SELECT * FROM (".ConversationRows::OF_TRAY.$few.')
                    UNION ALL SELECT * FROM ('.ConversationRows::CAME_IN.$few.')) ORDER BY c.latest_at, c.id LIMIT '.self::AT_ONCE,
                $account,
                ['before' => $before, 'at' => $at, 'id' => $id],
            );
            $ids = array_map(static fn (string $key): string => explode(' ', $key, 2)[1] ?? '', $keys);
            $weighed = $this->advices->weighed($account, $ids);
            foreach ($this->rows->some($account, $ids, $weighed) as $row) {
                if ($this->goes($account->profile->traySettings()->oldMail, $row, $weighed[$row->id] ?? null, $now)) {
                    $old[] = new Claim(new ConversationId($row->id), $row->revision);
                }
            }
            if (\count($keys) < self::AT_ONCE) {
                break;
            }
            [$at, $id] = explode(' ', end($keys), 2) + ['', ''];
        }

        return \array_slice($old, 0, self::MOST);
    }

    private function goes(OldMail $rules, ConversationRow $row, ?Weighed $weighed, \DateTimeImmutable $now): bool
    {
        $age = intdiv($now->getTimestamp() - (new \DateTimeImmutable($row->latestAt))->getTimestamp(), 86400);
        $labels = array_map(static fn (LabelView $label): string => $label->name, $row->labels);

        return null !== $weighed && null === RestCheck::of($weighed->advice, $row->returned, $row->trouble)
            && $rules->goes($weighed->main->kind, $labels, $age);
    }
}
