<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

/**
 * Reads message identifiers (RFC 5322, 3.6.4) out of Message-ID, In-Reply-To and References.
 */
final readonly class MessageIds
{
    /** More than a reader could ever need; longer lists are cut in the middle. */
    private const MOST = 200;

    /** @return list<string> without angle brackets, in their order, each once */
    public static function in(string $header): array
    {
        if (0 === preg_match_all('/<([^<>]+)>/', $header, $m)) {
            return [];
        }
        $ids = array_values(array_unique(array_filter(array_map(
            static fn (string $id): string => (string) preg_replace('/\s+/', '', $id),
            $m[1],
        ))));

        return \count($ids) <= self::MOST ? $ids : [...\array_slice($ids, 0, 1), ...\array_slice($ids, 1 - self::MOST)];
    }

    /** The identifier that a Message-ID field holds, with or without brackets; empty when there is none. */
    public static function own(string $header): string
    {
        return self::in($header)[0] ?? (string) preg_replace('/[\s<>]+/', '', $header);
    }
}
