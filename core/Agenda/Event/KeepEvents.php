<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;

/**
 * Makes events, changes them, and takes them away: all of a series, or one of it.
 */
final readonly class KeepEvents
{
    public function __construct(private Events $events, private TellPeople $tell, private Journal $journal, private Ids $ids)
    {
    }

    /**
     * @param EntryId      $entryId made by the client; the same id again changes nothing
     * @param EventId      $id      made by the client
     * @param EmailId|null $source  the message that it was made from
     * @param Telling|null $telling null: nobody is told
     */
    public function make(
        AccountId $accountId,
        EntryId $entryId,
        EventId $id,
        EventFields $fields,
        ?EmailId $source = null,
        ?Telling $telling = null,
    ): Entry {
        return $this->journal->write($accountId, $entryId, EntryKind::MakeEvent, function (Step $step) use (
            $accountId,
            $id,
            $fields,
            $source,
            $telling,
        ): void {
            $event = new Event($id, $accountId, $fields, source: $source);
            $this->events->add($event);
            $step->made($event);
            null === $telling ?: $this->tell->ask($event, $telling, $step);
            $step->say($fields->title, self::text($fields).self::toldText($event, $telling));
        });
    }

    /**
     * @param string|null  $key     which one of a series is meant (see EventTime::key()); null: all of it
     * @param Telling|null $telling null: nobody is told
     * @param bool         $all     whether what is said of that one is said of all of its series (see Event::asAll())
     *
     * @throws NotFound
     * @throws Refused  when somebody else asks to it: they say when and where it is
     */
    public function change(
        AccountId $accountId,
        EntryId $entryId,
        EventId $id,
        EventFields $fields,
        ?string $key = null,
        ?Telling $telling = null,
        bool $all = false,
    ): Entry {
        return $this->journal->write($accountId, $entryId, EntryKind::EditEvent, function (Step $step) use (
            $accountId,
            $id,
            $fields,
            $key,
            $telling,
            $all,
        ): void {
            $event = $this->events->get($accountId, $id);
            $step->touch($event);
            $this->told($event, $fields, $key, $all);
            null === $telling ?: $this->tell->ask($event, $telling, $step);
            $step->say($fields->title, self::text($fields).self::toldText($event, $telling));
        });
    }

    /**
     * @param non-empty-list<EventMove> $moves
     *
     * @throws NotFound
     * @throws Refused  likewise; then none is moved
     */
    public function move(AccountId $accountId, EntryId $entryId, array $moves): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::EditEvent, function (Step $step) use ($accountId, $moves): void {
            foreach ($moves as $move) {
                $event = $this->events->get($accountId, $move->id);
                $step->touch($event);
                $fields = null === $move->key
                    ? $event->fields()
                    : $event->occurrence($move->key)?->fields() ?? throw new NotFound('occurrence', $move->key);
                $this->told($event, $fields->at($move->time, $move->all ? $event->fields()->repeat : null), $move->key, $move->all);
                $step->say($event->title(), $move->time->text());
            }
        });
    }

    /**
     * @param string|null  $key     likewise
     * @param Telling|null $telling likewise; who had been told of it hears that it is called off
     *
     * @throws NotFound
     */
    public function drop(AccountId $accountId, EntryId $entryId, EventId $id, ?string $key = null, ?Telling $telling = null): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::DropEvent, function (Step $step) use (
            $accountId,
            $id,
            $key,
            $telling,
        ): void {
            $event = $this->events->get($accountId, $id);
            $fields = $event->fields();
            $isOne = null !== $key && $event->isRepeating();
            null === $telling ?: $this->tell->callOff($event, $isOne ? $key : null, $telling, $step);
            if ($isOne) {
                $fields = $event->occurrence($key)?->fields() ?? throw new NotFound('occurrence', $key);
                $step->touch($event);
                $event->except($key, null);
                // Who had been told of the series has heard of this one, too.
                null === $telling || null === $event->toldTo() ?: $event->told($event->toldTo());
            } else {
                $step->removed($event);
                $this->events->remove($event);
            }
            $step->say($fields->title, 'no longer '.self::text($fields));
        });
    }

    /**
     * The same once more, right behind it: of a series that one, and without those who take part, who were not asked to it.
     *
     * @param EventId     $copy made by the client
     * @param string|null $key  likewise
     *
     * @throws NotFound
     */
    public function copy(AccountId $accountId, EntryId $entryId, EventId $copy, EventId $id, ?string $key = null): Entry
    {
        $event = $this->events->get($accountId, $id);
        $fields = null === $key ? $event->fields() : $event->occurrence($key)?->fields() ?? throw new NotFound('occurrence', $key);

        return $this->make($accountId, $entryId, $copy, $fields->alone($fields->time->next()), $event->source());
    }

    /**
     * What another program has told: new events are put into the agenda, known ones are told anew, unless what is known is newer.
     *
     * @param list<ToldEvent> $told
     *
     * @return array{Entry|null, list<ToldEvent>} null: nothing new; and what was known already
     */
    public function takeIn(AccountId $accountId, EntryId $entryId, array $told): array
    {
        $known = $new = [];
        foreach ($told as $one) {
            $event = $this->events->withUid($accountId, $one->uid);
            $isNews = null === $event || ($event->sequence() <= $one->sequence && !$event->isSameAs($one));
            $isNews ? $new[$one->uid] = $one : $known[] = $one;
        }
        if ([] === $new) {
            return [null, $known];
        }
        $entry = $this->journal->write($accountId, $entryId, EntryKind::TakeEvents, function (Step $step) use ($accountId, $new): void {
            foreach ($new as $one) {
                $event = $this->events->withUid($accountId, $one->uid);
                if (null === $event) {
                    $event = new Event(new EventId($this->ids->next()), $accountId, $one->fields, $one->uid);
                    $event->take($one);
                    $this->events->add($event);
                    $step->made($event);
                } else {
                    $step->touch($event);
                    $event->take($one);
                }
                $step->say($one->fields->title, self::text($one->fields));
            }
        });

        return [$entry, $known];
    }

    private function told(Event $event, EventFields $fields, ?string $key, bool $all = false): void
    {
        if ($all && null !== $key && $event->isRepeating()) {
            [$fields, $key] = [$event->asAll($key, $fields), null];
        }
        $isOneOfMany = null !== $key && $event->isRepeating();
        $before = $isOneOfMany ? $event->occurrence($key)?->fields() ?? throw new NotFound('occurrence', $key) : $event->fields();
        if (null !== $event->organiser() && $fields->matters($before)) {
            throw new Refused(\sprintf('%s says when and where “%s” is.', $event->organiser()->label(), $fields->title), 'time');
        }
        $isOneOfMany ? $event->except($key, $fields) : $event->tell($fields);
    }

    /** Who is told, as far as anybody is. */
    private static function toldText(Event $event, ?Telling $telling): string
    {
        $count = null === $telling ? 0 : \count($event->toldTo() ?? []);

        return 0 === $count ? '' : \sprintf('; %s told', 1 === $count ? 'one person is' : $count.' people are');
    }

    private static function text(EventFields $fields): string
    {
        return $fields->time->text().('' === $fields->place ? '' : ', '.$fields->place);
    }
}
