<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Importance;

use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Advice\DateKind;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\FoundDate;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\Letterhead;
use ZippyTray\Core\Tray\Advice\MailKind;
use ZippyTray\Core\Tray\Advice\Request;
use ZippyTray\Core\Tray\Advice\RequestForm;

/**
 * The mail of somebody who does not exist: few write often and many seldom, of about ten subjects, and machines and shops besides.
 */
final class Correspondence
{
    public const OWN = 'wren@ternpoint.example';

    public const TOPICS = [
        'grant' => ['grant', 'budget', 'report', 'council', 'figures', 'funding'],
        'glass' => ['lantern', 'glass', 'pane', 'putty', 'frame', 'glazier'],
        'rota' => ['rota', 'volunteers', 'saturday', 'shift', 'swap', 'keys'],
        'roof' => ['roof', 'slates', 'survey', 'gutter', 'scaffold', 'leak'],
        'school' => ['school', 'visit', 'class', 'children', 'coach', 'risk'],
        'shop' => ['shop', 'order', 'postcards', 'stock', 'mugs', 'delivery'],
        'tide' => ['tide', 'boat', 'crossing', 'weather', 'landing', 'crew'],
        'party' => ['summer', 'party', 'cake', 'music', 'tents', 'guests'],
    ];

    private const ELSEWHERE = ['update', 'news', 'hello', 'question', 'monday', 'plan', 'photos', 'meeting', 'thanks', 'week'];

    private Randomizer $chance;

    /** @var list<array{string, MailKind, string, list<string>}> address, kind, list, topics */
    private array $senders = [];

    public function __construct(int $seed)
    {
        $this->chance = new Randomizer(new Mt19937($seed));
        $topics = array_keys(self::TOPICS);
        for ($number = 0; $number < 40; ++$number) {
            $this->senders[] = ["p{$number}@firm".($number % 13).'.example', MailKind::Personal, '', $this->some($topics, 2)];
        }
        for ($number = 0; $number < 12; ++$number) {
            $list = "news{$number}.lists.example";
            $this->senders[] = ["editor@news{$number}.example", MailKind::Newsletter, $list, $this->some($topics, 1)];
        }
        for ($number = 0; $number < 5; ++$number) {
            $this->senders[] = [
                "talk{$number}@members.example",
                MailKind::Discussion,
                "talk{$number}.lists.example",
                $this->some($topics, 2),
            ];
        }
        for ($number = 0; $number < 8; ++$number) {
            $this->senders[] = ["offers@shop{$number}.example", MailKind::Advert, '', $this->some($topics, 1)];
            $this->senders[] = ["no-reply@service{$number}.example", MailKind::Notice, '', $this->some($topics, 1)];
        }
        $this->senders = $this->chance->shuffleArray($this->senders);
    }

    public function chance(): Randomizer
    {
        return $this->chance;
    }

    public function letter(): SimulatedLetter
    {
        // Who writes often writes much more often than who writes seldom (Zipf).
        $rank = (int) (\count($this->senders) ** $this->share()) - 1;
        [$email, $kind, $list, $topics] = $this->senders[min(\count($this->senders) - 1, max(0, $rank))];
        $topic = $topics[$this->chance->getInt(0, \count($topics) - 1)];
        $words = [
            ...$this->some(self::TOPICS[$topic], $this->chance->getInt(1, 3)),
            ...$this->some(self::ELSEWHERE, $this->chance->getInt(0, 2)),
        ];
        $asks = $kind->canAsk() && $this->share() < (MailKind::Personal === $kind ? 0.5 : 0.2);
        $dated = $this->share() < ($asks ? 0.4 : 0.2);
        $copied = MailKind::Personal === $kind && $this->share() < 0.2;
        $alone = !$copied && (MailKind::Personal !== $kind || $this->share() < 0.6);
        $own = new Address(self::OWN, 'Wren');
        $other = new Address('petra@ternpoint.example', 'Petra');
        $gist = new Gist(
            new Address($email),
            [],
            $copied ? [$other] : ($alone ? [$own] : [$own, $other]),
            $copied ? [$own] : [],
            ucfirst(implode(' ', $words)),
            new Moment(new \DateTimeImmutable('2026-11-24T10:00:00Z'), new \DateTimeZone('UTC')),
            '',
            '' === $list ? [] : ['list-id' => '<'.$list.'>'],
            [],
        );
        $findings = new Findings(
            $kind,
            $copied,
            2,
            '',
            [],
            false,
            false,
            $asks ? [new Request('Could you send it?', 0, 18, RequestForm::Order, 'send it', false, false)] : [],
            $dated ? [new FoundDate(DateKind::Deadline, LocalDate::parse('2026-12-04'), null, 'by 4 December', 0, 13)] : [],
            [],
            Letterhead::of($gist, new Person(self::OWN)),
        );

        return new SimulatedLetter($findings, $topic, $list, $alone);
    }

    /** From 0 to less than 1. */
    public function share(): float
    {
        return $this->chance->getInt(0, 999_999) / 1_000_000;
    }

    /**
     * @param non-empty-list<string> $of
     *
     * @return list<string>
     */
    private function some(array $of, int $count): array
    {
        return array_map(
            static fn (int|string $key): string => $of[(int) $key],
            $count < 1 ? [] : $this->chance->pickArrayKeys($of, $count),
        );
    }
}
