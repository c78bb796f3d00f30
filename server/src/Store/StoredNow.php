<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Psr\Clock\ClockInterface;
use ZippyTray\Server\Store\Type\UtcDateTimeType;

/**
 * The present moment in the form in which instants are stored, to compare with them in queries.
 */
final readonly class StoredNow
{
    public function __construct(private ClockInterface $clock)
    {
    }

    public function text(): string
    {
        return self::of($this->clock->now());
    }

    /** The instant at which the day began that it is now in $zone. */
    public function startOfDay(\DateTimeZone $zone): string
    {
        return self::of(\DateTimeImmutable::createFromInterface($this->clock->now())->setTimezone($zone)->setTime(0, 0));
    }

    public static function of(\DateTimeInterface $instant): string
    {
        return \DateTimeImmutable::createFromInterface($instant)->setTimezone(new \DateTimeZone('UTC'))->format(UtcDateTimeType::FORMAT);
    }
}
