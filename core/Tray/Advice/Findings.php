<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * Everything that was found in one message. It depends on the message and on who reads it, and on
 * nothing else.
 *
 * @phpstan-import-type LetterheadState from Letterhead
 *
 * @phpstan-type FindingsState array{
 *     kind: string, copied: bool, minutes: int, title: string, suspicions: list<string>, promise: bool, kept: bool,
 *     requests: list<array{text: string, from: int, to: int, form: int, action: string, others: bool, named: bool}>,
 *     dates: list<array{kind: string, date: string, time: ?string, text: string, from: int, to: int}>,
 *     items: list<array{text: string, from: int, to: int}>, head: LetterheadState
 * }
 */
final readonly class Findings
{
    /**
     * @param bool            $copied     the person is only copied
     * @param int             $minutes    how long it takes to do what it asks for
     * @param string          $title      of a task that could be made of it
     * @param list<string>    $suspicions what is suspicious about it, in words
     * @param bool            $promise    the sender says what comes from their side
     * @param bool            $kept       it is worth another look on the day that it speaks of
     * @param list<Request>   $requests   in order
     * @param list<FoundDate> $dates      in order
     * @param list<ListItem>  $items      the list that belongs to what is asked, otherwise the longest one
     */
    public function __construct(
        public MailKind $kind,
        public bool $copied,
        public int $minutes,
        public string $title,
        public array $suspicions,
        public bool $promise,
        public bool $kept,
        public array $requests,
        public array $dates,
        public array $items,
        public Letterhead $head,
    ) {
    }

    public function strongest(): ?Request
    {
        return Request::strongest($this->requests);
    }

    /** @return FoundDate|null the earliest of this kind that is not before $today */
    public function next(DateKind $kind, LocalDate $today): ?FoundDate
    {
        $next = null;
        foreach ($this->dates as $date) {
            if ($date->kind === $kind && !$date->date->isBefore($today) && (null === $next || $date->date->isBefore($next->date))) {
                $next = $date;
            }
        }

        return $next;
    }

    /** @return FindingsState plain values, from which fromState() makes the same again */
    public function state(): array
    {
        return [
            'kind' => $this->kind->value,
            'copied' => $this->copied,
            'minutes' => $this->minutes,
            'title' => $this->title,
            'suspicions' => $this->suspicions,
            'promise' => $this->promise,
            'kept' => $this->kept,
            'requests' => array_map(
                static fn (Request $r): array => [
                    'text' => $r->text,
                    'from' => $r->from,
                    'to' => $r->to,
                    'form' => $r->form->value,
                    'action' => $r->action,
                    'others' => $r->others,
                    'named' => $r->named,
                ],
                $this->requests,
            ),
            'dates' => array_map(
                static fn (FoundDate $d): array => [
                    'kind' => $d->kind->value,
                    'date' => (string) $d->date,
                    'time' => $d->time?->__toString(),
                    'text' => $d->text,
                    'from' => $d->from,
                    'to' => $d->to,
                ],
                $this->dates,
            ),
            'items' => array_map(static fn (ListItem $i): array => ['text' => $i->text, 'from' => $i->from, 'to' => $i->to], $this->items),
            'head' => $this->head->state(),
        ];
    }

    /** @param FindingsState $state */
    public static function fromState(array $state): self
    {
        return new self(
            MailKind::from($state['kind']),
            $state['copied'],
            $state['minutes'],
            $state['title'],
            $state['suspicions'],
            $state['promise'],
            $state['kept'],
            array_map(
                static fn (array $r): Request => new Request(
                    $r['text'],
                    $r['from'],
                    $r['to'],
                    RequestForm::from($r['form']),
                    $r['action'],
                    $r['others'],
                    $r['named'],
                ),
                $state['requests'],
            ),
            array_map(
                static fn (array $d): FoundDate => new FoundDate(
                    DateKind::from($d['kind']),
                    LocalDate::parse($d['date']),
                    null === $d['time'] ? null : TimeOfDay::parse($d['time']),
                    $d['text'],
                    $d['from'],
                    $d['to'],
                ),
                $state['dates'],
            ),
            array_map(static fn (array $i): ListItem => new ListItem($i['text'], $i['from'], $i['to']), $state['items']),
            Letterhead::fromState($state['head']),
        );
    }
}
