<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Agenda\Event\EventInLetter;
use ZippyTray\Core\Agenda\Event\LetterEvent;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Text\SubjectLine;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Ports\FindingsStore;

/**
 * What event would be made of a message.
 *
 * @phpstan-type Piece array{text: string, marked: bool}
 */
final readonly class EventProposals
{
    /** Characters around what is marked. */
    private const AROUND = 60;

    /** What stands further apart than so many characters is not shown in one piece. */
    private const APART = 400;

    private const MOST_PEOPLE = 50;

    public function __construct(private FindingsStore $findings, private ClockInterface $clock)
    {
    }

    /**
     * @return array{title: string, when: string, place: string, people: string, found: bool, pieces: list<Piece>} when: as it is written
     *                                                                                                             into the field; pieces:
     *                                                                                                             of the letter, in order
     */
    public function of(Account $account, Message $message): array
    {
        $gist = Gist::ofMessage($message);
        $findings = $this->findings->of($account, [$message->id->text])[$message->id->text] ?? null;
        $event = (new EventInLetter($account->profile->timeSettings()))->of(
            $gist->text,
            $findings->dates ?? [],
            $gist->sentAt,
            new Moment($this->clock->now(), $account->timeZone()),
        );

        return [
            'title' => SubjectLine::cleaned($message->subject),
            'when' => $event?->time->text() ?? '',
            'place' => $event->place ?? '',
            'people' => self::people($account, $message),
            'found' => null !== $event,
            'pieces' => null === $event ? [] : self::pieces($gist->text, $event),
        ];
    }

    private static function people(Account $account, Message $message): string
    {
        $person = $account->person();
        $people = [];
        foreach ([$message->from, ...$message->to, ...$message->cc] as $address) {
            if (!$person->isAmong([$address]) && \count($people) < self::MOST_PEOPLE) {
                $people[mb_strtolower($address->email)] ??= $address;
            }
        }

        return implode(', ', array_map(
            static fn (Address $one): string => '' === $one->name ? $one->email : \sprintf('%s <%s>', self::plain($one->name), $one->email),
            array_values($people),
        ));
    }

    /** Without what parts one from the next. */
    private static function plain(string $name): string
    {
        return trim((string) preg_replace('/[,;<>"\s]+/u', ' ', $name));
    }

    /** @return list<Piece> */
    private static function pieces(string $text, LetterEvent $event): array
    {
        $pieces = [];
        $at = null;
        foreach ($event->marks as [$from, $to]) {
            $begin = null !== $at && $from - $at <= self::APART ? $at : max((int) $at, $from - self::AROUND);
            $before = mb_substr($text, $begin, $from - $begin);
            // Neither the first word of a piece nor the last is one that was cut.
            $pieces[] = [$begin > (int) $at ? '… '.preg_replace('/^\S*\s+/u', '', $before) : $before, false];
            $pieces[] = [mb_substr($text, $from, $to - $from), true];
            $at = $to;
        }
        $behind = mb_substr($text, (int) $at, self::AROUND);
        $isCut = (int) $at + self::AROUND < mb_strlen($text);
        $pieces[] = [$isCut ? preg_replace('/\s+\S*$/u', '', $behind).' …' : $behind, false];
        $shown = [];
        foreach ($pieces as [$piece, $isMarked]) {
            if ('' !== $piece) {
                $shown[] = ['text' => (string) preg_replace('/\s*\n\s*\n\s*/u', "\n", $piece), 'marked' => $isMarked];
            }
        }

        return $shown;
    }
}
