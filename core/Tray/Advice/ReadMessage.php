<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Mail\CalendarEvent;
use ZippyTray\Core\Mail\Text\BodyText;
use ZippyTray\Core\Mail\Text\SubjectLine;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Advice\Language\Tongue;
use ZippyTray\Core\Tray\Advice\Language\Tongues;

/**
 * Reads a message as somebody would who wants to know what it asks for.
 */
final readonly class ReadMessage
{
    /** To be raised whenever the rules change, so that what was found by older ones is found anew. */
    public const VERSION = 11;

    /** What the sender says to come: then it is worth looking at this again. */
    private const PROMISE = '/
        \b(?:i|we)(?:\'ll|\ will|\ shall|\ am\ going\ to|\'m\ going\ to|\ are\ going\ to|\'re\ going\ to)\ (?:
            also\ |then\ |probably\ |certainly\ |definitely\ |try\ to\ |be\ 
        )?(?:
            send|get\ back|come\ back|let\ you\ know|be\ in\ touch|report|confirm|forward|share|return|know
            |have\ (?:it|them|an|the|a|more|news)
            |tell|call|ring|write|update|deliver|post|decide|hear|bring|finish|sending|able\ to
        )\b
        |\b(?:you\'ll|you\ will|you\ should|expect\ to)\ (?:have|hear|receive|get)\ 
        (?:it|them|from|an?|the|our|my|more)\b
    /xu';

    /** Notices of what one has to be at, unlike those of parcels and payments. */
    private const KEPT = '/
        \b(?:
            appointment|reservation|booking|tickets?|check-?in|visit|interview|viewing|departure|flight|crossing
            |meeting|inspection|outage|maintenance|interruption|closure
        )\b
    /xiu';

    public function __construct(
        private KindOfMail $kinds = new KindOfMail(),
        private Suspicion $suspicion = new Suspicion(),
        private RequestFinder $requests = new RequestFinder(),
        private DateFinder $dates = new DateFinder(),
        private ListFinder $lists = new ListFinder(),
        private Effort $effort = new Effort(),
        private TaskTitle $title = new TaskTitle(),
    ) {
    }

    public function __invoke(Gist $gist, Person $person): Findings
    {
        $kind = $this->kinds->of($gist, $person);
        $sentences = (new Sentences())->of($gist->text);
        $tongue = Tongues::of((new BodyText())->written($gist->text)."\n".$gist->subject);
        $requests = $kind->canAsk() ? $this->requests->of($sentences, $gist, $person, $tongue, MailKind::Personal === $kind) : [];
        if (MailKind::Discussion === $kind) {
            $requests = array_values(array_filter($requests, static fn (Request $request): bool => $request->named));
        }
        $dates = $this->dates->of(
            $sentences,
            $requests,
            $gist->sentAt,
            $person,
            $tongue,
            $this->notMine($sentences, $gist, $person, $tongue),
        );
        $event = $gist->event();
        if (MailKind::Invitation === $kind && null !== $event) {
            $dates = [
                self::dateOf($event, $gist, $person),
                ...array_values(array_filter($dates, static fn (FoundDate $date): bool => DateKind::Appointment !== $date->kind)),
            ];
        }
        $items = $this->items($gist->text, $requests);

        return new Findings(
            $kind,
            $person->isAmong($gist->cc) && !$person->isAmong($gist->to),
            $this->effort->minutes(
                (new BodyText())->written($gist->text),
                $requests,
                $items,
                \count($gist->attachments),
                $tongue,
                $dates,
                SubjectLine::cleaned($gist->subject),
            ),
            $this->title->of(Request::strongest($requests), $dates, $gist->from, SubjectLine::cleaned($gist->subject), $tongue),
            MailKind::Suspicious === $kind ? $this->suspicion->reasons($gist, $person) : [],
            $this->isPromise($sentences, $dates),
            MailKind::Personal === $kind
                || (MailKind::Notice === $kind && 1 === preg_match(self::KEPT, $gist->subject.' '.mb_substr($gist->text, 0, 1000))),
            $requests,
            $dates,
            $items,
            Letterhead::of($gist, $person),
        );
    }

    /**
     * Sentences of which a deadline is none of the person's: they turn to somebody else, lift it, or speak of what others do.
     *
     * @param list<Sentence> $sentences
     *
     * @return list<int> first characters
     */
    private function notMine(array $sentences, Gist $gist, Person $person, Tongue $tongue): array
    {
        $others = array_filter($sentences, static fn (Sentence $sentence): bool => (null !== $sentence->addressee
                && !$person->isCalled($sentence->addressee, $gist->addressed()))
            || 1 === preg_match($tongue->notNeeded(), $sentence->lower) || 1 === preg_match($tongue->ofOthers(), $sentence->lower));

        return array_values(array_map(static fn (Sentence $sentence): int => $sentence->from, $others));
    }

    /** The date of an invitation is that of its event, on the person's clock. */
    private static function dateOf(CalendarEvent $event, Gist $gist, Person $person): FoundDate
    {
        $start = null === $event->start ? null : new Moment($event->start->instant, $person->zone ?? $gist->sentAt->zone);
        $date = $start?->date() ?? $event->date;
        $isOver = null === $start
            ? ($event->until ?? $date)->isBefore($gist->sentAt->date())
            : $start->instant < $gist->sentAt->instant
            && '' === $event->rrule;

        return new FoundDate(
            $isOver ? DateKind::Mention : DateKind::Appointment,
            $date,
            $start?->time(),
            null === $start ? $date->text() : $start->text(),
            0,
            0,
        );
    }

    /**
     * Something is said to come, on a day that is named.
     *
     * @param list<Sentence>  $sentences
     * @param list<FoundDate> $dates
     */
    private function isPromise(array $sentences, array $dates): bool
    {
        foreach ($sentences as $sentence) {
            if (1 !== preg_match(self::PROMISE, $sentence->lower)) {
                continue;
            }
            [$from, $to] = [$sentence->from, $sentence->to()];
            if ([] !== array_filter($dates, static fn (FoundDate $date): bool => $date->from >= $from && $date->to <= $to)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param list<Request> $requests
     *
     * @return list<ListItem>
     */
    private function items(string $text, array $requests): array
    {
        $best = [];
        $asked = array_map(static fn (Request $request): int => $request->from, $requests);
        foreach ($this->lists->of($text) as $items) {
            $follows = [] !== array_filter($asked, static fn (int $from): bool => $from <= $items[0]->from);
            if ([] === $best || (\count($items) > \count($best) && ($follows || [] === $asked))) {
                $best = $items;
            }
        }

        return $best;
    }
}
