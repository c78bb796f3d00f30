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

    /** Of those, what somebody put away; not what is held back. */
    public const PUT_AWAY = self::AWAY." AND c.away_reason IS NOT 'held'";

    /** It has arrived, and waits for the hour at which mail comes in; what Conversation::isHeld() says of one. */
    public const HELD = self::AWAY." AND (c.away_reason = 'held' OR c.called_back_by IS NOT NULL)";

    /** It was away, and has come back to the tray. */
    public const BACK = "c.place = 'away' AND c.away_until IS NOT NULL AND c.away_until <= :now";

    /** Of those, what somebody had put away; not what was held back. */
    public const CAME_BACK = self::BACK." AND c.away_reason IS NOT 'held'";

    /** Of those, what was held back until the hour at which mail comes in. */
    public const CAME_IN = self::BACK." AND c.away_reason = 'held'";

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
