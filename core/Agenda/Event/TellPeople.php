<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\Outgoings;
use ZippyTray\Core\Refused;

/**
 * Asks others to an event of one's own, tells them what has become of it, and that it does not take place (iTIP, RFC 5546, 3.2.2 and
 * 3.2.5), in the step in which that is done: until the letters are out, all of it can be undone.
 */
final readonly class TellPeople
{
    public function __construct(
        private CalendarLetters $letters,
        private Outgoings $outgoings,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /**
     * Whoever takes part gets it as it is now; who was told before and takes part no more hears that.
     *
     * @param Event $event touched already by the step, or made in it
     *
     * @throws Refused when somebody else asks to it
     */
    public function ask(Event $event, Telling $telling, Step $step): void
    {
        if (null !== $event->organiser()) {
            throw new Refused(\sprintf('%s asks to it.', $event->organiser()->label()), 'tell');
        }
        $owner = self::owner($telling);
        $others = self::others($event, $telling);
        $known = $event->toldTo();
        $gone = array_values(array_filter($known ?? [], static fn (string $email): bool => !self::has($others, $email)));
        if ([] !== $gone) {
            $out = array_map(static fn (string $email): Participant => new Participant(new Address($email)), $gone);
            $this->send($event, $telling, $step, 'Called off', $out, $this->letters->cancel($event, $owner, $out, null), 'cancel');
        }
        if (null !== $known || [] !== $others) {
            $event->told(array_map(static fn (Participant $one): string => mb_strtolower($one->who->email), $others));
        }
        if ([] !== $others) {
            $word = null === $known ? 'Invitation' : 'Changed';
            $this->send($event, $telling, $step, $word, $others, $this->letters->request($event, $owner), 'request');
        }
    }

    /**
     * It does not take place. Only who was told that it does hears of it.
     *
     * @param string|null $key which one of a series (see EventTime::key()); null: all of it
     */
    public function callOff(Event $event, ?string $key, Telling $telling, Step $step): void
    {
        $others = array_values(array_filter(
            self::others($event, $telling),
            static fn (Participant $one): bool => \in_array(mb_strtolower($one->who->email), $event->toldTo() ?? [], true),
        ));
        if (null === $event->organiser() && [] !== $others) {
            $object = $this->letters->cancel($event, self::owner($telling), $others, $key);
            $this->send($event, $telling, $step, 'Called off', $others, $object, 'cancel', $key);
        }
    }

    /** @param non-empty-list<Participant> $others */
    private function send(
        Event $event,
        Telling $telling,
        Step $step,
        string $word,
        array $others,
        string $object,
        string $method,
        ?string $key = null,
    ): void {
        $fields = null === $key ? $event->fields() : $event->occurrence($key)?->fields() ?? $event->fields();
        $where = '' === $fields->place ? '' : ', '.$fields->place;
        $again = '' === $event->fields()->repeat || null !== $key ? '' : "\nIt comes again and again; the calendar file says when.";
        $text = "{$word}: {$fields->title}\n{$fields->time->text()}{$where}{$again}";
        $email = $telling->by->email;
        $outgoing = new Outgoing(
            new OutgoingId($this->ids->next()),
            $event->accountId,
            $this->ids->next().'@'.(substr((string) strrchr($email, '@'), 1) ?: 'localhost'),
            AnswerKind::New,
            null,
            null,
            new Letter(
                array_map(static fn (Participant $one): Address => $one->who, $others),
                subject: mb_substr($word.': '.$fields->title, 0, 200),
                text: '' === $fields->notes || 'cancel' === $method ? $text : $text."\n\n".$fields->notes,
                calendar: $object,
                method: $method,
            ),
            \DateTimeImmutable::createFromInterface($this->clock->now()),
        );
        $outgoing->queue($telling->at, false);
        $this->outgoings->add($outgoing);
        $step->made($outgoing);
    }

    /** @return list<Participant> without the person themselves */
    private static function others(Event $event, Telling $telling): array
    {
        return array_values(array_filter(
            $event->fields()->participants,
            static fn (Participant $one): bool => !$telling->by->is($one->who),
        ));
    }

    /** @param list<Participant> $others */
    private static function has(array $others, string $email): bool
    {
        return [] !== array_filter($others, static fn (Participant $one): bool => mb_strtolower($one->who->email) === $email);
    }

    private static function owner(Telling $telling): Address
    {
        return new Address($telling->by->email, $telling->by->name);
    }
}
