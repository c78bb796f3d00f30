<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use ZippyTray\Core\Label\ShownLabels;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Back;
use ZippyTray\Core\Tray\BackBecause;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Core\Tray\TooOften;
use ZippyTray\Server\Read\Label\LabelRows;
use ZippyTray\Server\Read\Label\LabelView;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * A conversation as it stands in a list. Instants are in UTC (RFC 3339).
 */
final readonly class ConversationRow
{
    /**
     * @param list<LabelView> $labels
     * @param list<ListWord>  $lists   that it belongs to
     * @param string          $mailbox in which mailboxes on servers it lies; empty when there are not several
     * @param string          $trouble what was not understood of what it asked for by mail; empty when nothing, or once it was decided
     */
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
        public ?AwayReason $awayReason,
        public ?string $snoozedSince,
        public ?BackView $back,
        public int $reminders,
        public int $touches,
        public ?TooOften $tooOften,
        public array $labels,
        public array $lists,
        public string $mailbox,
        public int $revision,
        public string $trouble,
        public ?AdviceGlance $advice,
    ) {
    }

    /**
     * @param Row                $row       with LabelRows::BORNE
     * @param Moment             $now       in the person's own zone
     * @param bool               $why       whether it is said why it matters as much
     * @param array<int, string> $mailboxes what they are called, by their numbers
     */
    public static function of(
        Row $row,
        Moment $now,
        ShownLabels $labels,
        ?Weighed $weighed = null,
        bool $why = false,
        array $mailboxes = [],
    ): self {
        $until = $row->stringOrNull('away_until');
        $back = self::back($row, $now);
        $returned = null !== $back;
        $reason = AwayReason::tryFrom($row->string('away_reason'));
        $isOver = null !== $until && null !== $reason && $until <= StoredNow::of($now->instant);

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
            $isOver ? Place::Tray : Place::from($row->string('place')),
            $until,
            $returned,
            $row->int('snoozes'),
            $row->stringOrNull('binned_at'),
            $row->bool('muted'),
            $row->stringOrNull('owed_by'),
            $reason,
            0 === $row->int('snoozes') ? null : $row->stringOrNull('snoozed_since'),
            null === $back ? null : BackView::of($back, $now->date()),
            \count($row->json('reminders')),
            $row->int('touches'),
            TooOften::of($row->int('snoozes'), $row->int('touches')),
            LabelRows::on($row, $labels),
            ListWord::each($row->json('lists')),
            [] === $mailboxes ? '' : implode(
                ', ',
                array_intersect_key($mailboxes, array_flip(array_filter($row->json('boxes'), \is_int(...)))),
            ),
            $row->int('revision'),
            $row->string('trouble'),
            null === $weighed ? null : AdviceGlance::of($weighed, $why),
        );
    }

    /** What can be said of one whose row is damaged, so that it is seen and can be decided nevertheless. */
    public static function bare(Row $row): self
    {
        $place = Place::tryFrom($row->string('place')) ?? Place::Tray;

        return new self(
            $row->string('id'),
            $row->string('subject'),
            $row->string('latest_name'),
            $row->string('latest_email'),
            $row->string('excerpt'),
            1 === preg_match('/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\dZ$/D', $row->string('latest_at'))
                ? $row->string('latest_at')
                : '1970-01-01T00:00:00Z',
            $row->int('messages'),
            $row->int('attachments'),
            $row->bool('unread'),
            Place::Away === $place ? Place::Tray : $place,
            null,
            false,
            0,
            null,
            $row->bool('muted'),
            null,
            null,
            null,
            null,
            0,
            0,
            null,
            [],
            [],
            '',
            $row->int('revision'),
            '',
            null,
        );
    }

    /** How it came back, or null when it did not, or when nobody had put it away. */
    public static function back(Row $row, Moment $now): ?Back
    {
        $until = $row->stringOrNull('away_until');
        $reason = AwayReason::tryFrom($row->string('away_reason'));
        if (null === $until || null === $reason || AwayReason::Held === $reason || $until > StoredNow::of($now->instant)) {
            return null;
        }
        $instant = static fn (string $column): ?\DateTimeImmutable => null === $row->stringOrNull($column)
            ? null
            : new \DateTimeImmutable($row->string($column));

        return new Back(
            BackBecause::tryFrom($row->string('called_back_by')) ?? BackBecause::Time,
            $reason,
            new Moment(new \DateTimeImmutable($until), $now->zone),
            $instant('decided_at'),
            $row->int('snoozes'),
            $instant('snoozed_since'),
            $row->string('owed_by'),
            $row->string('owed_what'),
            $row->string('answered_by'),
        );
    }
}
