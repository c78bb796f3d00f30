<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar;

use Psr\Log\LoggerInterface;
use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\Component\VTodo;
use Sabre\VObject\Reader;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\Speaker;

/**
 * Calendar files (iCalendar, RFC 5545) by sabre/vobject. What cannot be read is named and left out; the rest is taken.
 */
final readonly class ReadCalendar
{
    /** In bytes. */
    public const LARGEST = 20_971_520;

    /** Components of one file. */
    public const MOST = 20_000;

    public function __construct(private LoggerInterface $logger)
    {
    }

    /** @throws Refused when it is no calendar, or far too large */
    public function __invoke(string $bytes, Speaker $speaker, Person $person): CalendarFile
    {
        if (\strlen($bytes) > self::LARGEST || substr_count(strtoupper($bytes), 'BEGIN:') > self::MOST) {
            throw new Refused('This calendar is too large to be read.', 'file');
        }
        if (1 !== preg_match('/^(?:\xEF\xBB\xBF)?\s*BEGIN:VCALENDAR/i', $bytes)) {
            throw new Refused('This is no calendar file: it does not begin with BEGIN:VCALENDAR.', 'file');
        }
        $events = $todos = $left = [];
        $name = $method = '';
        // Not by one expression for all of it: what is long would be more than it looks through, and be nothing.
        $whole = ltrim(mb_scrub($bytes), "\xEF\xBB\xBF \t\r\n");
        foreach (preg_split('/^(?=BEGIN:VCALENDAR)/mi', $whole, flags: \PREG_SPLIT_NO_EMPTY) ?: [] as $text) {
            try {
                $calendar = Reader::read($text, Reader::OPTION_FORGIVING | Reader::OPTION_IGNORE_INVALID_LINES);
            } catch (\Throwable $problem) {
                $this->logger->info('A calendar could not be read.', ['exception' => $problem]);
                throw new Refused('This calendar is broken, and cannot be read.', 'file');
            }
            if (!$calendar instanceof VCalendar) {
                continue;
            }
            $name = '' === $name ? mb_substr(trim((string) Times::first($calendar, 'X-WR-CALNAME')), 0, 200) : $name;
            $method = '' === $method ? strtolower(trim((string) Times::first($calendar, 'METHOD'))) : $method;
            foreach (Times::children($calendar) as $component) {
                if (!$component instanceof Component) {
                    continue;
                }
                $uid = mb_substr(trim((string) Times::first($component, 'UID')), 0, 255);
                $uid = '' === $uid ? 'without-'.hash('xxh128', $component->serialize()) : $uid;
                if ($component instanceof VEvent) {
                    $events[$uid][] = $component;
                } elseif ($component instanceof VTodo) {
                    $todos[$uid] ??= $component;
                } elseif ('VTIMEZONE' !== $component->name) {
                    $left[] = \sprintf('%s: such things have no place here.', $component->name);
                }
            }
        }

        return $this->told($name, $method, $events, $todos, array_values(array_unique($left)), $speaker, $person);
    }

    /**
     * @param array<string, non-empty-list<VEvent>> $events by UID
     * @param array<string, VTodo>                  $todos
     * @param list<string>                          $left
     */
    private function told(
        string $name,
        string $method,
        array $events,
        array $todos,
        array $left,
        Speaker $speaker,
        Person $person,
    ): CalendarFile {
        $readEvent = new ReadEvent($speaker, $person);
        $readTask = new ReadTask($speaker);
        $told = $tasks = [];
        foreach ($events as $uid => $parts) {
            try {
                $told[] = $readEvent->read((string) $uid, $parts);
            } catch (\Throwable $problem) {
                $left[] = self::lost($parts[0], $problem);
            }
        }
        foreach ($todos as $uid => $todo) {
            try {
                $tasks[] = $readTask->read((string) $uid, $todo);
            } catch (\Throwable $problem) {
                $left[] = self::lost($todo, $problem);
            }
        }

        return new CalendarFile($name, $method, $told, $tasks, [...$left, ...$readEvent->left, ...$readTask->left]);
    }

    private static function lost(VEvent|VTodo $component, \Throwable $problem): string
    {
        return \sprintf(
            '“%s”: %s',
            mb_strimwidth((string) Times::first($component, 'SUMMARY'), 0, 80, '…'),
            $problem instanceof Refused ? $problem->getMessage() : 'It is broken, and cannot be read.',
        );
    }
}
