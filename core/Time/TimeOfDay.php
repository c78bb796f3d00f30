<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

use ZippyTray\Core\Refused;

/**
 * What a clock on the wall shows, to the minute: 00:00 to 23:59.
 */
final readonly class TimeOfDay implements \JsonSerializable, \Stringable
{
    private function __construct(private string $text)
    {
    }

    /** @throws Refused when the text is not of the form HH:MM, or no time of a day */
    public static function parse(string $text): self
    {
        if (1 !== preg_match('/^([01]\d|2[0-3]):[0-5]\d$/D', $text)) {
            throw new Refused(\sprintf('"%s" is not a time of the day.', $text), 'time');
        }

        return new self($text);
    }

    public static function of(\DateTimeInterface $instant, \DateTimeZone $zone): self
    {
        return new self(\DateTimeImmutable::createFromInterface($instant)->setTimezone($zone)->format('H:i'));
    }

    public function __toString(): string
    {
        return $this->text;
    }

    public function jsonSerialize(): string
    {
        return $this->text;
    }
}
