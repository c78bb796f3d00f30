<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Subscription;

use ZippyTray\Core\Refused;

/**
 * Where somebody else's calendar is read: an address (RFC 3986) with https alone. "webcal:", which programs write for "a calendar to go on
 * reading", means the same.
 */
final readonly class CalendarAddress
{
    /** Characters. */
    public const LONGEST = 2000;

    private function __construct(#[\SensitiveParameter] public string $url, public string $host)
    {
    }

    /** @throws Refused when nothing can be read there */
    public static function parse(#[\SensitiveParameter] string $text): self
    {
        $text = trim($text);
        if (\strlen($text) > self::LONGEST) {
            throw new Refused(\sprintf('An address can have %d characters.', self::LONGEST), 'address');
        }
        $url = (string) preg_replace('~^webcals?://~i', 'https://', $text);
        $url = preg_match('~^[a-z0-9-]+(\.[a-z0-9-]+)+(:\d+)?/~i', $url) ? 'https://'.$url : $url;
        $parts = preg_match('/[\s\x00-\x20\x7f\\\\<>"]/', $url) ? false : parse_url($url);
        $scheme = strtolower($parts['scheme'] ?? '');
        if ('http' === $scheme) {
            throw new Refused('Over http anybody on the way could read and change it: only an address with https is read.', 'address');
        }
        $host = strtolower(rtrim($parts['host'] ?? '', '.'));
        if ('https' !== $scheme || '' === $host || !preg_match('/^(?:\[[0-9a-f:.]+\]|[^\[\]:@\/]+)$/', $host)) {
            throw new Refused('This is no address of a calendar. It begins with https:// or webcal://.', 'address');
        }

        return new self((string) preg_replace('/#.*$/s', '', $url), $host);
    }

    /**
     * Where it leads on to (Location, RFC 9110, 10.2.2).
     *
     * @throws Refused when that is none that is read
     */
    public function next(#[\SensitiveParameter] string $location): self
    {
        $location = trim($location);
        if (preg_match('~^[a-z][a-z0-9+.-]*:~i', $location)) {
            return self::parse($location);
        }
        $origin = (string) preg_replace('~^(https://[^/?]*).*$~is', '$1', $this->url);
        $folder = preg_match('~^https://[^/?]*(/(?:[^?]*/)?)~i', $this->url, $found) ? $found[1] : '/';

        return self::parse(match (true) {
            str_starts_with($location, '//') => 'https:'.$location,
            str_starts_with($location, '/') => $origin.$location,
            str_starts_with($location, '?') => preg_replace('/\?.*$/s', '', $this->url).$location,
            default => $origin.$folder.$location,
        });
    }
}
