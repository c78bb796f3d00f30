<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Place;

/**
 * How many conversations are where at a moment, as expressions for a query with the parameters :account and :now; see WhereNow.
 * How many there are in each place is kept by triggers, but knows no time: of what is away, the few that have come back are told
 * apart.
 */
final class CountNow
{
    private const KEPT = 'SELECT COALESCE(SUM(k.conversations), 0) FROM conversation_count k WHERE k.account_id = :account';

    private const FEW = 'SELECT COUNT(*) FROM conversation c WHERE c.account_id = :account AND ';

    /** @param Place|null $place null: all there are */
    public static function in(?Place $place): string
    {
        $kept = '('.self::KEPT.(null === $place ? '' : " AND k.place = '{$place->value}'").')';

        return match ($place) {
            Place::Tray => "{$kept} + (".self::FEW.WhereNow::BACK.')',
            Place::Away => "{$kept} - (".self::FEW.WhereNow::NOT_AWAY.')',
            default => $kept,
        };
    }

    /** Of those that are away, those that are so for a reason. */
    public static function awayFor(AwayReason $reason): string
    {
        return '('.self::KEPT." AND k.place = 'away' AND k.reason = '{$reason->value}') - (".self::FEW.WhereNow::NOT_AWAY."
            AND c.away_reason = '{$reason->value}')";
    }
}
