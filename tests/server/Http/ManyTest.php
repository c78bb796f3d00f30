<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use ZippyTray\Server\Read\Find\Find;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Work\KeepLearning;
use ZippyTray\Server\Work\WeighTray;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * A tray that is much too full.
 */
final class ManyTest extends ApiTestCase
{
    private const MANY = ConversationRows::TRAY_MOST + 30;

    public function testTheNewestAreListedAndTheRestComesUpAsTheyAreDecided(): void
    {
        $this->signIn();
        $this->fill();
        $rows = $this->rows('/tray');
        self::assertCount(ConversationRows::TRAY_MOST, $rows);
        self::assertSame(self::MANY, $this->counts()['tray']);
        $subjects = array_column($rows, 'subject');
        self::assertContains('Letter '.(self::MANY - 1), $subjects);
        self::assertContains('Letter 30', $subjects);

        $entry = $this->decide('archive', array_map(static fn (array $row): string => \is_string($row['id']) ? $row['id'] : '', $rows));
        self::assertSame(ConversationRows::TRAY_MOST, $entry['count']);
        self::assertCount(30, $this->rows('/tray'));
        $this->undo($entry);
        self::assertSame(self::MANY, $this->counts()['tray']);
    }

    public function testTheOldestFirstBeginsWithTheOldestOfAll(): void
    {
        $this->signIn();
        $this->fill();
        $subjects = fn (string $order): array => array_column($this->rows('/tray?order='.$order), 'subject');
        $most = ConversationRows::TRAY_MOST;
        self::assertSame(array_map(static fn (int $number): string => "Letter {$number}", range(0, $most - 1)), $subjects('oldest'));
        self::assertSame(
            array_map(static fn (int $number): string => "Letter {$number}", range(self::MANY - 1, self::MANY - $most)),
            $subjects('newest'),
        );
    }

    public function testWhatMattersMostOfAllIsGivenHoweverOldItIs(): void
    {
        $account = $this->signIn();
        $this->fill();
        $id = $this->rows('/tray?order=oldest')[0]['id'];
        $this->call('POST', '/conversations/'.self::text($id).'/corrections', [
            'entry' => self::id(),
            'about' => 'kind',
            'matters' => -1,
        ]);
        $olga = "From: Olga <olga@roofs.example>\r\nTo: {$account->email}\r\nSubject: Keys\r\nDate: Thu, 1 Jan 2026 07:00:00 +0000\r\n"
            ."Message-ID: <keys@roofs.example>\r\n\r\nCould you send me the keys by Friday?\r\n";
        $this->upload(['old.eml' => $olga]);
        self::assertNotContains('Keys', array_column($this->rows('/tray'), 'subject'));
        $this->service(KeepLearning::class)(static fn (): bool => false);
        $weigh = $this->service(WeighTray::class);
        self::assertSame([500, self::MANY + 1 - 500, 0], [$weigh(), $weigh(), $weigh()]);
        $rows = $this->rows('/tray?order=important');
        self::assertCount(ConversationRows::TRAY_MOST, $rows);
        self::assertSame('Keys', $rows[0]['subject']);

        $entry = $this->decide('archive', [self::text($rows[0]['id'])]);
        self::assertNotContains('Keys', array_column($this->rows('/tray?order=important'), 'subject'));
        $this->undo($entry);
        self::assertSame(1, $weigh());
    }

    public function testFindGivesParts(): void
    {
        $this->signIn();
        $this->fill();
        foreach (['words=letter', 'place=tray', 'words=text&place=tray'] as $wanted) {
            [$seen, $after] = [[], ''];
            do {
                $part = $this->call('GET', "/find?{$wanted}&after=".rawurlencode($after));
                self::assertSame(self::MANY, $part['total']);
                self::assertLessThanOrEqual(Find::PAGE, \count((array) $part['rows']));
                array_push($seen, ...array_map(self::text(...), array_column((array) $part['rows'], 'subject')));
                $after = $part['next'];
            } while (\is_string($after));
            self::assertSame(
                array_map(static fn (int $number): string => 'Letter '.(self::MANY - 1 - $number), range(0, self::MANY - 1)),
                $seen,
                $wanted,
            );
        }
    }

    private function fill(): void
    {
        $box = '';
        for ($i = 0; $i < self::MANY; ++$i) {
            $date = (new \DateTimeImmutable('2026-01-01T08:00:00Z'))->modify('+'.$i.' minutes')->format(\DATE_RFC2822);
            $box .= "From a@x.example Tue Nov 24 10:00:00 2026\nFrom: <a@x.example>\nSubject: Letter {$i}\nDate: {$date}\n"
                ."Message-ID: <{$i}@x.example>\n\nText\n\n";
        }
        self::assertSame(self::MANY, $this->upload(['many.mbox' => $box])['new']);
    }
}
