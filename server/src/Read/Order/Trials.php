<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Order;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Order\Condition;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Store\Ports\MessageStore;
use ZippyTray\Server\Store\StoredNow;

/**
 * Which mail that is here already an order would mean, a part at a time.
 */
final readonly class Trials
{
    /** Conversations that are looked at in one part. */
    public const PAGE = 100;

    public function __construct(
        private ConversationRows $conversations,
        private MessageStore $messages,
        private OrderFacts $facts,
        private ClockInterface $clock,
    ) {
    }

    /**
     * Of the conversations of the last year, by the newest message that somebody else wrote.
     *
     * @param string $after `next` of the part before; empty for the first
     *
     * @return array{
     *     found: array<string, Message>, seen: int, next: string|null
     * } the newest message of those that are meant, by conversation
     */
    public function page(Account $account, Condition $condition, string $after): array
    {
        [$at, $id] = explode(' ', $after, 2) + ['', ''];
        $later = '' === $after ? '' : ' AND c.latest_at <= :at AND (c.latest_at < :at OR c.id > :id)';
        $keys = $this->conversations->ids(
            "SELECT c.latest_at || ' ' || c.id FROM conversation c WHERE c.account_id = :account AND c.latest_at >= :since{$later}
                ORDER BY c.latest_at DESC, c.id LIMIT ".self::PAGE,
            $account,
            [
                'since' => StoredNow::of(\DateTimeImmutable::createFromInterface($this->clock->now())->modify('-1 year')),
                'at' => $at,
                'id' => $id,
            ],
        );
        $newest = $this->messages->newestByOthers(
            $account->id,
            array_map(static fn (string $key): string => explode(' ', $key, 2)[1] ?? '', $keys),
        );
        $messages = array_map(
            static fn (Message $message, int|string $conversation): array => [$message, (string) $conversation],
            $newest,
            array_keys($newest),
        );
        $facts = $this->facts->of($account, $messages, [$condition], false);
        $found = [];
        foreach ($messages as [$message, $conversation]) {
            if ($condition->holds($facts[$message->id->text])) {
                $found[$conversation] = $message;
            }
        }

        return ['found' => $found, 'seen' => \count($keys), 'next' => \count($keys) < self::PAGE ? null : (end($keys) ?: null)];
    }
}
