<?php

declare(strict_types=1);

namespace ZippyTray\Core\InStep;

/**
 * The same for whether it was read: here that is said of the conversation, there of each message (RFC 9051, 2.3.2, \Seen).
 *
 * What was opened or marked here since both agreed goes before a mark there.
 */
final readonly class AgreeRead
{
    /**
     * @param bool|null           $here  whether the conversation counts as read from now on; null: as before
     * @param array<string, bool> $there what is to be marked read there, or unread, by the id of the copy
     */
    private function __construct(public ?bool $here = null, public array $there = [])
    {
    }

    /**
     * @param bool                                                              $isRead whether it is read here
     * @param bool|null                                                         $agreed whether it was when both agreed; null: never yet
     * @param list<array{id: string, seen: bool, settled: bool|null, age: int}> $copies what was received and lies in the inbox, or is away;
     *                                                                                  settled: as it was when both agreed
     */
    public static function on(bool $isRead, ?bool $agreed, array $copies): self
    {
        if ([] === $copies) {
            return new self();
        }
        if (null !== $agreed && $agreed !== $isRead) {
            return new self(there: $isRead ? self::unseen($copies) : self::newestSeen($copies));
        }
        if (!$isRead) {
            return [] === self::unseen($copies) ? new self(true) : new self();
        }
        foreach ($copies as ['seen' => $seen, 'settled' => $settled]) {
            if (!$seen && true === $settled) {
                return new self(false);
            }
        }

        return new self();
    }

    /**
     * @param list<array{id: string, seen: bool, settled: bool|null, age: int}> $copies
     *
     * @return array<string, bool>
     */
    private static function unseen(array $copies): array
    {
        $unseen = array_filter($copies, static fn (array $copy): bool => !$copy['seen']);

        return array_fill_keys(array_column($unseen, 'id'), true);
    }

    /**
     * @param non-empty-list<array{id: string, seen: bool, settled: bool|null, age: int}> $copies
     *
     * @return array<string, bool>
     */
    private static function newestSeen(array $copies): array
    {
        usort($copies, static fn (array $a, array $b): int => $a['age'] <=> $b['age']);

        return $copies[0]['seen'] ? [$copies[0]['id'] => false] : [];
    }
}
