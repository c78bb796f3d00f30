<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\View;

use ZippyTray\Core\Tray\Advice\Advice;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Core\Tray\TooOften;

/**
 * A conversation as it stands in a list. Instants are in UTC (RFC 3339).
 */
final readonly class ConversationRow
{
    private function __construct(
        public string $id,
        public string $subject,
        public string $who,
        public string $email,
        public string $excerpt,
        public string $latestAt,
        public int $messages,
        public int $attachments,
        public bool $unread,
        public Place $place,
        public ?string $awayUntil,
        public bool $returned,
        public int $snoozes,
        public ?string $binnedAt,
        public bool $muted,
        public ?string $owedBy,
        public int $touches,
        public ?TooOften $tooOften,
        public int $revision,
        public ?AdviceGlance $advice,
    ) {
    }

    /** @param string $now instant as it is stored */
    public static function of(Row $row, string $now, ?Advice $advice = null): self
    {
        $until = $row->stringOrNull('away_until');
        $returned = null !== $until && $until <= $now;

        return new self(
            $row->string('id'),
            $row->string('subject'),
            $row->string('latest_name'),
            $row->string('latest_email'),
            $row->string('excerpt'),
            $row->string('latest_at'),
            $row->int('messages'),
            $row->int('attachments'),
            $row->bool('unread'),
            $returned ? Place::Tray : Place::from($row->string('place')),
            $until,
            $returned,
            $row->int('snoozes'),
            $row->stringOrNull('binned_at'),
            $row->bool('muted'),
            $row->stringOrNull('owed_by'),
            $row->int('touches'),
            TooOften::of($row->int('snoozes'), $row->int('touches')),
            $row->int('revision'),
            null === $advice ? null : AdviceGlance::of($advice),
        );
    }
}
