<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar\Subscription;

use ZippyTray\Core\Agenda\Subscription\CalendarAddress;
use ZippyTray\Server\DataFolder;

/**
 * Stands in for servers under ".example", where there are none (RFC 2606): what they would answer lies in a folder for each, as files.
 */
final readonly class CalendarRoom
{
    public static function isMeant(CalendarAddress $address): bool
    {
        return str_ends_with($address->host, '.example');
    }

    /** @return string|null null: there is no such one */
    public static function read(CalendarAddress $address): ?string
    {
        $path = self::path($address);

        return is_file($path) ? (string) file_get_contents($path) : null;
    }

    public static function put(CalendarAddress $address, string $calendar): void
    {
        $path = self::path($address);
        is_dir(\dirname($path)) || mkdir(\dirname($path), 0o700, true);
        DataFolder::write($path, $calendar);
    }

    private static function path(CalendarAddress $address): string
    {
        $name = basename((string) parse_url($address->url, \PHP_URL_PATH));

        return \sprintf('%s/calendar-room/%s/%s', DataFolder::path(), basename($address->host), 'file-'.$name);
    }
}
