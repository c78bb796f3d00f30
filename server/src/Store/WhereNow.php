<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use ZippyTray\Core\Tray\Place;

/**
 * Where conversations are at a moment, as conditions for a query of c with the parameter :now; what Conversation::placeAt()
 * says of one. A damaged one that is away until nobody knows when is nowhere.
 */
final class WhereNow
{
    public const AWAY = "c.place = 'away' AND c.away_until IS NOT NULL AND c.away_until > :now";

    /** It was away, and has come back to the tray. */
    public const BACK = "c.place = 'away' AND c.away_until IS NOT NULL AND c.away_until <= :now";

    /** It was put away and is not: it has come back, or is damaged. */
    public const NOT_AWAY = "c.place = 'away' AND (c.away_until IS NULL OR c.away_until <= :now)";

    /** In the tray and never away since. */
    public const TRAY = "c.place = 'tray'";

    private function __construct()
    {
    }

    public static function is(Place $place): string
    {
        return match ($place) {
            Place::Tray => '('.self::TRAY.' OR ('.self::BACK.'))',
            Place::Away => '('.self::AWAY.')',
            default => "c.place = '{$place->value}'",
        };
    }
}
