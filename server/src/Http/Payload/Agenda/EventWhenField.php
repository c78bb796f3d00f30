<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use ZippyTray\Core\Agenda\Event\EventTime;
use ZippyTray\Core\Agenda\Event\ReadEventTime;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Unreadable;

/**
 * When an event takes place, as a person fills it in: a phrase, or a day with a time or without.
 */
final readonly class EventWhenField
{
    /**
     * @param int|null    $minutes that it lasts; null: as long as it did, or as usual
     * @param int|null    $days    of whole days, likewise
     * @param string|null $zone    whose clocks are meant; null: the person's own
     */
    public function __construct(
        public ?string $phrase = null,
        public ?string $date = null,
        public ?string $time = null,
        public ?int $minutes = null,
        public ?int $days = null,
        public ?string $zone = null,
    ) {
    }

    /**
     * @param EventTime|null $before what it was
     *
     * @return array{EventTime, string} the repeat that a phrase says, too (RECUR)
     *
     * @throws Refused naming the field
     */
    public function read(Speaker $speaker, ?EventTime $before = null): array
    {
        $zone = null === $this->zone || '' === $this->zone ? $speaker->now->zone : Moment::zone($this->zone);
        try {
            if (null === $this->date) {
                $isSame = null !== $before && $before->text() === trim((string) $this->phrase)
                    && ($before->isWholeDays() || $before->start()?->zone->getName() === $zone->getName());
                if ($isSame) {
                    return [$before, ''];
                }
                $read = ReadEventTime::of(
                    (string) $this->phrase,
                    new Speaker(new Moment($speaker->now->instant, $zone), $speaker->settings),
                );

                return [$read->time, $read->repeat];
            }
            $date = LocalDate::parse($this->date);
            if (null === $this->time) {
                return [EventTime::days($date, $this->days ?? max(1, $before->days ?? 1)), ''];
            }
            $at = Moment::at($date, TimeOfDay::parse($this->time), $zone);
            // It stays in the zone in which it was meant.
            $meant = null === $this->zone ? $before->begins->zone ?? $zone : $zone;
            $there = new Moment($at->instant, $meant);

            return [EventTime::from(
                Due::at($there->date(), $there->time(), $meant),
                $this->minutes ?? (null === $before || $before->isWholeDays() ? ReadEventTime::USUAL : $before->minutes),
            ), ''];
        } catch (Unreadable $problem) {
            throw new Refused($problem->getMessage(), 'when');
        } catch (Refused $refused) {
            throw new Refused($refused->getMessage(), 'zone' === $refused->field ? 'zone' : 'when');
        }
    }
}
