<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Agenda\Event\ReadEventTime;
use ZippyTray\Core\Time\Distance;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\Reading;
use ZippyTray\Core\Time\Field\ReadReminder;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Recurrence\Rule;
use ZippyTray\Core\Time\Recurrence\RuleText;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\Unreadable;
use ZippyTray\Server\Account\Account;

/**
 * Reads what people write about time while they write it.
 *
 * @phpstan-type ReadingShown array{
 *     kind: string, date: string|null, time: string|null, instant: string|null, rrule: string|null, past: bool, text: string,
 *     distance: string, alternatives: list<string>, minutes?: int, until?: string, fromCompletion?: bool,
 *     corrected?: array<string, string>, odd?: string
 * }
 */
final readonly class WhenController
{
    #[Route('/api/when', methods: 'GET')]
    public function __invoke(
        #[CurrentUser]
        Account $account,
        ClockInterface $clock,
        #[MapQueryParameter]
        string $phrase,
        #[MapQueryParameter]
        string $as = 'when',
        #[MapQueryParameter]
        string $start = '',
        #[MapQueryParameter]
        string $due = '',
    ): JsonResponse {
        $speaker = $account->profile->speaker($clock->now());
        try {
            return new JsonResponse(['understood' => true] + match ($as) {
                'reminder' => self::reminder($phrase, $speaker, self::anchor($start, $speaker), self::anchor($due, $speaker)),
                'estimate' => self::estimate($phrase, $speaker),
                'event' => self::event($phrase, $speaker),
                default => self::when($phrase, $speaker, self::anchor($due, $speaker)),
            });
        } catch (Unreadable $problem) {
            return new JsonResponse(['understood' => false, 'error' => $problem->getMessage(), 'offset' => $problem->offset]);
        }
    }

    /** The reminder that is proposed for a due, as its text; empty when none is. */
    #[Route('/api/first-reminder', methods: 'GET')]
    public function firstReminder(#[CurrentUser] Account $account, ClockInterface $clock, #[MapQueryParameter] string $due): JsonResponse
    {
        $speaker = $account->profile->speaker($clock->now());
        $at = self::anchor($due, $speaker);
        $reminder = null === $at ? null : $account->profile->taskSettings()->firstReminder->of($at, $speaker->now, $speaker->settings);

        return new JsonResponse(['text' => $reminder?->text() ?? '']);
    }

    /** @return ReadingShown */
    private static function when(string $phrase, Speaker $speaker, ?Due $due): array
    {
        $reading = $speaker->read($phrase, $due?->date);

        return $reading->state() + [
            'distance' => Distance::of($reading->date, $reading->moment, $speaker->now),
            'alternatives' => array_map(static fn (Reading $other): string => $other->text(), $reading->alternatives),
            'odd' => null === $due ? '' : $reading->oddBeside($due),
        ];
    }

    /** @return ReadingShown */
    private static function reminder(string $phrase, Speaker $speaker, ?Due $start, ?Due $due): array
    {
        $reminder = ReadReminder::of($phrase, $speaker);
        $moment = $reminder->moment($start, $due, $speaker->now->zone, $speaker->settings, $speaker->now->instant);

        return [
            'kind' => $reminder->kind()->value,
            'date' => $moment?->date()->__toString(),
            'time' => $moment?->time()->__toString(),
            'instant' => $moment?->instant->format(\DATE_ATOM),
            'rrule' => null,
            'past' => null !== $moment && !$moment->isAfter($speaker->now->instant),
            'text' => $reminder->text(),
            'distance' => null === $moment ? '' : Distance::of($moment->date(), $moment, $speaker->now),
            'alternatives' => [],
        ];
    }

    /** @return ReadingShown */
    private static function estimate(string $phrase, Speaker $speaker): array
    {
        $minutes = $speaker->readMinutes($phrase);

        return [
            'kind' => 'span',
            'date' => null,
            'time' => null,
            'instant' => null,
            'rrule' => null,
            'minutes' => $minutes,
            'past' => false,
            'text' => (new Span(minutes: $minutes))->text(),
            'distance' => '',
            'alternatives' => [],
        ];
    }

    /** @return ReadingShown */
    private static function event(string $phrase, Speaker $speaker): array
    {
        $read = ReadEventTime::of($phrase, $speaker);
        $start = $read->time->start();

        return [
            'kind' => null === $start ? 'date' : 'moment',
            'date' => (string) $read->time->begins->date,
            'time' => $read->time->begins->time?->__toString(),
            'instant' => $start?->instant->format(\DATE_ATOM),
            'rrule' => '' === $read->repeat ? null : $read->repeat,
            'past' => '' === $read->repeat && $read->time->seconds($speaker->now->zone)[1] <= $speaker->now->instant->getTimestamp(),
            'text' => $read->text().('' === $read->repeat ? '' : ', '.RuleText::of(Rule::parse($read->repeat, $speaker->now->zone))),
            'distance' => Distance::of($read->time->begins->date, $start, $speaker->now),
            'alternatives' => [],
        ];
    }

    /** What a reminder counts from, as far as it has been written. */
    private static function anchor(string $phrase, Speaker $speaker): ?Due
    {
        try {
            return '' === trim($phrase) ? null : $speaker->read($phrase)->due();
        } catch (Unreadable) {
            return null;
        }
    }
}
