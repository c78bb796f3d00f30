<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\Id;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Person\Person;

/**
 * Follows what letters say of events that are in the agenda: who asks to one changes it or calls it off, who is asked to one of the
 * person's own answers (iTIP, RFC 5546, 3.2.2, 3.2.3 and 3.2.5). Nobody else has a say.
 */
final readonly class Follow
{
    public function __construct(private Events $events, private Journal $journal)
    {
    }

    /** The entry of what followed from a letter, when something did. */
    public static function entryOf(Message $message): EntryId
    {
        return new EntryId(Id::hashed('follow', $message->id->text));
    }

    /**
     * @param string          $method in lower case
     * @param list<ToldEvent> $told
     *
     * @return Entry|null null when nothing follows
     */
    public function __invoke(Message $message, string $method, array $told, Person $person): ?Entry
    {
        $steps = [];
        foreach ($message->own ? [] : $told as $one) {
            $event = $this->events->withUid($message->accountId, $one->uid);
            $do = null === $event ? null : match ($method) {
                'request', 'publish' => $this->changed($event, $one, $message, $person),
                'cancel' => $this->calledOff($event, $one, $message),
                'reply' => $this->answered($event, $one, $message),
                default => null,
            };
            null === $event || null === $do ?: $steps[] = [$event, ...$do];
        }
        if ([] === $steps) {
            return null;
        }

        $follow = static function (Step $step) use ($steps): void {
            foreach ($steps as [$event, $do, $text]) {
                $step->touch($event);
                $do();
                $step->say($event->title(), $text);
            }
        };

        return $this->journal->write($message->accountId, self::entryOf($message), EntryKind::FollowEvent, $follow);
    }

    /**
     * @return array{\Closure(): mixed, string}|null what is done, and what is said of it
     */
    private function changed(Event $event, ToldEvent $told, Message $message, Person $person): ?array
    {
        if (!$this->asks($event, $message) || $told->sequence < $event->sequence()) {
            return null;
        }
        $before = $event->fields();
        $said = self::saidBy($event, $person);
        $isSame = !$told->fields->matters($before);
        $after = Event::revived($event->id, $event->accountId, $event->state());
        $after->take($told);
        // When somebody wants to be reminded is their own.
        [] === $before->reminders ?: $after->remind($before->reminders);
        !$isSame || null === $said ?: $after->answer($person, $said);
        if ($after->state() === $event->state()) {
            return null;
        }
        $changes = $told->fields->otherwise($before);

        return [
            static fn () => $event->restore($after->state()),
            \sprintf('%s has changed it%s', $message->from->label(), [] === $changes ? '' : ': '.implode(', ', $changes)),
        ];
    }

    /** @return array{\Closure(): mixed, string}|null */
    private function calledOff(Event $event, ToldEvent $told, Message $message): ?array
    {
        if (!$this->asks($event, $message) || EventStatus::Cancelled === $event->status()) {
            return null;
        }
        $one = null === $told->partOf ? null : $event->occurrence($told->partOf);

        return [
            static fn () => null === $one ? $event->callOff($told->sequence) : $event->except($one->key, null),
            \sprintf(
                '%s has called it off%s',
                $message->from->label(),
                null === $one ? '' : ' for '.$one->time->begins->date->text(),
            ),
        ];
    }

    /** @return array{\Closure(): mixed, string}|null */
    private function answered(Event $event, ToldEvent $told, Message $message): ?array
    {
        if (null !== $event->organiser()) {
            return null;
        }
        foreach ($told->fields->participants as $said) {
            foreach ($event->fields()->participants as $one) {
                if ($one->who->is($message->from->email) && $said->who->is($message->from->email) && $said->answer !== $one->answer) {
                    return [
                        static fn () => $event->answer(new Person($one->who->email, $one->who->name), $said->answer),
                        \sprintf('%s %s', $one->who->label(), match ($said->answer) {
                            Answer::Accepted => 'comes',
                            Answer::Tentative => 'perhaps comes',
                            Answer::Declined => 'does not come',
                            Answer::Delegated => 'sends somebody else',
                            Answer::None => 'has not said whether they come',
                        }),
                    ];
                }
            }
        }

        return null;
    }

    private function asks(Event $event, Message $message): bool
    {
        return true === $event->organiser()?->is($message->from->email);
    }

    private static function saidBy(Event $event, Person $person): ?Answer
    {
        foreach ($event->fields()->participants as $one) {
            if ($person->is($one->who)) {
                return $one->answer;
            }
        }

        return null;
    }
}
