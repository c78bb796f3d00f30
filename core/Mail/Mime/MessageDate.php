<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

use ZippyTray\Core\Mail\DateSource;
use ZippyTray\Core\Time\Moment;

/**
 * Finds out when a message was written: from Date, else from the newest Received line, else it is
 * the moment at which it came in.
 */
final readonly class MessageDate
{
    /** Nobody sent mail with such headers before. */
    private const EARLIEST = 1980;

    /** How far a sender's clock may be ahead. */
    private const AHEAD = 'P2D';

    /** Zones by name of RFC 5322, 4.3, which are all that have one meaning. */
    private const ZONES = [
        'UT' => '+0000', 'GMT' => '+0000', 'Z' => '+0000', 'EST' => '-0500', 'EDT' => '-0400', 'CST' => '-0600', 'CDT' => '-0500',
        'MST' => '-0700', 'MDT' => '-0600', 'PST' => '-0800', 'PDT' => '-0700',
    ];

    /** @return array{Moment, DateSource} */
    public function of(Headers $headers, \DateTimeImmutable $importedAt): array
    {
        $sent = $this->parse($headers->get('date'), $importedAt);
        if (null !== $sent) {
            return [$sent, DateSource::Header];
        }
        foreach ($headers->all('received') as $received) {
            $stamp = strrpos($received, ';');
            $moment = false === $stamp ? null : $this->parse(substr($received, $stamp + 1), $importedAt);
            if (null !== $moment) {
                return [$moment, DateSource::Received];
            }
        }

        return [new Moment($importedAt, new \DateTimeZone('UTC')), DateSource::Import];
    }

    /** Null when it is no date, or an absurd one. */
    private function parse(string $text, \DateTimeImmutable $importedAt): ?Moment
    {
        $pattern = '/
            (?<day>\d{1,2})[\s-]+(?<month>[A-Za-z]{3})[a-z]*\.?[\s-]+(?<year>\d{2,4})[\s,]+(?<hour>\d{1,2})[:.]
            (?<minute>\d{2})(?:[:.](?<second>\d{2}))?\s*(?<zone>[+-]\d{3,4}|[A-Za-z]+)?
        /x';
        $american = '/
            (?<month>[A-Za-z]{3})[a-z]*\.?\s+(?<day>\d{1,2})(?:st|nd|rd|th)?,?\s+(?<year>\d{4}),?\s+(?:at\s+)?
            (?<hour>\d{1,2})[:.](?<minute>\d{2})(?:[:.](?<second>\d{2}))?\s*(?<half>[AP]M)?\s*
            (?<zone>[+-]\d{3,4}|[A-Za-z]+)?
        /xi';
        if (1 !== preg_match($pattern, $text, $m) && 1 !== preg_match($american, $text, $m)) {
            return null;
        }
        $hour = (int) $m['hour'];
        $half = strtoupper($m['half'] ?? '');
        if ('' !== $half) {
            $hour = $hour % 12 + ('PM' === $half ? 12 : 0);
        }
        $month = array_search(
            ucfirst(strtolower($m['month'])),
            [1 => 'Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'],
            true,
        );
        $year = $this->year($m['year']);
        $second = min(59, (int) ($m['second'] ?? 0));
        if (false === $month || !checkdate($month, (int) $m['day'], max(1, $year)) || $hour > 24 || (int) $m['minute'] > 59) {
            return null;
        }
        $zone = strtoupper($m['zone'] ?? '');
        // Some leave out the nought of "-0600".
        $zone = (string) preg_replace('/^([+-])(\d{3})$/', '${1}0$2', $zone);
        $offset = self::ZONES[$zone] ?? (1 === preg_match('/^[+-](0\d|1[0-4])[0-5]\d$/', $zone) ? $zone : '+0000');
        $instant = new \DateTimeImmutable(\sprintf('%04d-%02d-%02d', $year, $month, (int) $m['day']).' 00:00:00 '.$offset);
        $moment = new Moment(
            $instant->modify(\sprintf('+%d seconds', ($hour * 60 + (int) $m['minute']) * 60 + $second)),
            new \DateTimeZone($offset),
        );

        return $year < self::EARLIEST || $moment->instant > $importedAt->add(new \DateInterval(self::AHEAD)) ? null : $moment;
    }

    /** Years of two and three digits as in RFC 5322, 4.3. */
    private function year(string $digits): int
    {
        return match (\strlen($digits)) {
            2 => (int) $digits + ((int) $digits < 50 ? 2000 : 1900),
            3 => (int) $digits + 1900,
            default => (int) $digits,
        };
    }
}
