<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\InStep;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\InStep\Agree;
use ZippyTray\Core\InStep\Agreement;
use ZippyTray\Core\InStep\AgreeRead;
use ZippyTray\Core\InStep\Copy;
use ZippyTray\Core\InStep\FolderRole;

/**
 * What happens on either side when something was done on one of them, or on both.
 */
final class AgreeTest extends TestCase
{
    /** @return iterable<string, list<string>> the table of docs/mailbox.md */
    public static function cases(): iterable
    {
        foreach (file(__DIR__.'/../../../docs/mailbox.md') ?: [] as $line) {
            $cells = array_map(trim(...), explode('|', trim($line, "| \n")));
            if (7 === \count($cells) && null !== FolderRole::tryFrom($cells[0])) {
                yield implode(' ', \array_slice($cells, 0, 4)) => \array_slice($cells, 0, 6);
            }
        }
    }

    #[DataProvider('cases')]
    public function testTheTable(string $was, string $belonged, string $is, string $belongs, string $here, string $there): void
    {
        $copy = new Copy('a', FolderRole::from($is), FolderRole::from($was), FolderRole::from($belonged));
        $agreement = Agree::on(FolderRole::from($belongs), [$copy]);
        self::assertSame($here, $agreement->follow->value ?? 'stays', 'here');
        self::assertSame($there, $agreement->putBack ? 'put back' : ($agreement->moves['a']->value ?? 'stays'), 'there');
    }

    public function testTheTableIsThere(): void
    {
        self::assertGreaterThan(45, iterator_count(self::cases()));
    }

    public function testAConversationStaysAsLongAsSomeOfItDoes(): void
    {
        $archived = self::copy('a', FolderRole::Archive, FolderRole::Inbox, FolderRole::Inbox);
        $there = self::copy('b', FolderRole::Inbox, FolderRole::Inbox, FolderRole::Inbox);
        self::assertEquals(new Agreement(), Agree::on(FolderRole::Inbox, [$archived, $there]));
        $binned = self::copy('c', FolderRole::Bin, FolderRole::Archive, FolderRole::Archive);
        $kept = self::copy('d', FolderRole::Archive, FolderRole::Archive, FolderRole::Archive);
        self::assertEquals(new Agreement(), Agree::on(FolderRole::Archive, [$binned, $kept]));
        // The newest of those that left says where.
        self::assertSame(FolderRole::Bin, Agree::on(FolderRole::Inbox, [
            new Copy('a', FolderRole::Archive, FolderRole::Inbox, FolderRole::Inbox, age: 2),
            new Copy('b', FolderRole::Bin, FolderRole::Inbox, FolderRole::Inbox, age: 1),
        ])->follow);
    }

    public function testWhatComesBackIsWhatHadLeftLast(): void
    {
        $copies = [
            new Copy('first', FolderRole::Archive, FolderRole::Archive, FolderRole::Archive, FolderRole::Inbox, 1, 3),
            new Copy('second', FolderRole::Archive, FolderRole::Archive, FolderRole::Archive, FolderRole::Inbox, 2, 2),
            new Copy('third', FolderRole::Archive, FolderRole::Archive, FolderRole::Archive, FolderRole::Inbox, 2, 1),
            new Copy('sent', FolderRole::Sent, FolderRole::Sent, FolderRole::Archive, own: true),
        ];
        self::assertSame(
            ['second' => FolderRole::Inbox, 'third' => FolderRole::Inbox],
            Agree::on(FolderRole::Inbox, $copies)->moves,
        );
    }

    public function testOutOfTheBinMailGoesWhereItWas(): void
    {
        $copies = [
            new Copy('old', FolderRole::Bin, FolderRole::Bin, FolderRole::Bin, FolderRole::Archive, 0, 3),
            new Copy('filed', FolderRole::Bin, FolderRole::Bin, FolderRole::Bin, FolderRole::Other, 0, 2),
            new Copy('new', FolderRole::Bin, FolderRole::Bin, FolderRole::Bin, FolderRole::Inbox, 1, 1),
        ];
        self::assertSame(
            ['old' => FolderRole::Archive, 'filed' => FolderRole::Other, 'new' => FolderRole::Inbox],
            Agree::on(FolderRole::Inbox, $copies)->moves,
        );
    }

    public function testNewMailGoesWhereItsConversationIs(): void
    {
        $old = self::copy('old', FolderRole::Archive, FolderRole::Archive, FolderRole::Archive);
        foreach ([FolderRole::Archive, FolderRole::Away, FolderRole::Spam, FolderRole::Bin] as $belongs) {
            $known = self::copy('known', FolderRole::Archive, FolderRole::Archive, $belongs);
            self::assertSame(['new' => $belongs], Agree::on($belongs, [$known, new Copy('new', FolderRole::Inbox)])->moves);
        }
        // It opens the conversation: what was archived stays there.
        self::assertSame([], Agree::on(FolderRole::Inbox, [$old, new Copy('new', FolderRole::Inbox)])->moves);
        // What was found in other folders stays there, too.
        foreach ([FolderRole::Archive, FolderRole::Other, FolderRole::Sent, FolderRole::Away] as $lies) {
            self::assertEquals(new Agreement(), Agree::on(FolderRole::Archive, [new Copy('new', $lies)]));
        }
    }

    public function testTimeAloneIsNoDecision(): void
    {
        $archived = self::copy('a', FolderRole::Archive, FolderRole::Away, FolderRole::Away);
        self::assertSame(FolderRole::Archive, Agree::on(FolderRole::Inbox, [$archived], FolderRole::Away)->follow);
        $lies = self::copy('a', FolderRole::Away, FolderRole::Away, FolderRole::Away);
        self::assertSame(['a' => FolderRole::Inbox], Agree::on(FolderRole::Inbox, [$lies], FolderRole::Away)->moves);
        // It was seen back in the tray by both, and is archived there then.
        $later = self::copy('a', FolderRole::Archive, FolderRole::Inbox, FolderRole::Inbox);
        self::assertSame(FolderRole::Archive, Agree::on(FolderRole::Inbox, [$later], FolderRole::Away)->follow);
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 200) as $seed) {
            yield "seed {$seed}" => [$seed];
        }
    }

    /**
     * Whatever is done on either side, in whatever order: once both are in step nothing is left to do, and what is in the tray is in the
     * inbox.
     */
    #[DataProvider('seeds')]
    public function testItSettles(int $seed): void
    {
        mt_srand($seed);
        $any = static fn (FolderRole ...$of): FolderRole => array_values($of)[mt_rand(0, \count($of) - 1)];
        $places = [FolderRole::Inbox, FolderRole::Archive, FolderRole::Away, FolderRole::Bin, FolderRole::Spam];
        $mailbox = new MadeUpMailbox();
        $belongs = FolderRole::Inbox;
        for ($step = 0; $step < 60; ++$step) {
            for ($event = mt_rand(1, 3); $event > 0; --$event) {
                match (mt_rand(0, 3)) {
                    0 => $belongs = $mailbox->arrives($any(FolderRole::Inbox, FolderRole::Inbox, FolderRole::Sent), $belongs),
                    1 => $mailbox->isMoved(mt_rand(), $any(...$places, ...[FolderRole::Other, FolderRole::Gone])),
                    default => $belongs = $any(...$places),
                };
            }
            $belongs = $mailbox->bringInStep($belongs);
            self::assertEquals(new Agreement(), $mailbox->agreement($belongs), "step {$step}");
            $lies = $mailbox->lies();
            if (FolderRole::Inbox === $belongs && [] !== array_filter(
                $lies,
                static fn (FolderRole $at): bool => FolderRole::Gone !== $at,
            )) {
                self::assertContains(FolderRole::Inbox, $lies, "step {$step}");
            }
            if (FolderRole::Inbox !== $belongs) {
                self::assertNotContains(FolderRole::Inbox, $lies, "step {$step}");
            }
            if (FolderRole::Archive === $belongs) {
                self::assertNotContains(FolderRole::Away, $lies, "step {$step}");
            }
        }
    }

    /** @return iterable<string, array{bool, bool|null, list<array{bool, bool|null}>, bool|null, array<int, bool>}> */
    public static function reads(): iterable
    {
        yield 'new and unread' => [false, null, [[false, null]], null, []];
        yield 'read there before it came' => [false, null, [[true, null]], true, []];
        yield 'opened here' => [true, false, [[false, false]], null, [0 => true]];
        yield 'opened here, several' => [true, false, [[false, false], [true, true], [false, false]], null, [0 => true, 2 => true]];
        yield 'marked unread here' => [false, true, [[true, true], [true, true]], null, [0 => false]];
        yield 'read there' => [false, false, [[true, false]], true, []];
        yield 'one of two read there' => [false, false, [[true, false], [false, false]], null, []];
        yield 'marked unread there' => [true, true, [[false, true]], false, []];
        yield 'both: marked unread here, read there' => [false, true, [[true, false]], null, [0 => false]];
        yield 'both: read here, unread there' => [true, false, [[false, true]], null, [0 => true]];
        yield 'read on both sides' => [true, false, [[true, false]], null, []];
        yield 'never seen there, and read here all along' => [true, true, [[false, false]], null, []];
        yield 'nothing of it in the inbox' => [true, false, [], null, []];
    }

    /**
     * @param list<array{bool, bool|null}> $copies the newest first: seen, and as it was when both agreed
     * @param array<int, bool>             $there
     */
    #[DataProvider('reads')]
    public function testWhetherItWasRead(bool $isRead, ?bool $agreed, array $copies, ?bool $here, array $there): void
    {
        $read = AgreeRead::on($isRead, $agreed, array_map(
            static fn (array $copy, int $at): array => ['id' => "m{$at}", 'seen' => $copy[0], 'settled' => $copy[1], 'age' => $at],
            $copies,
            array_keys($copies),
        ));
        self::assertSame($here, $read->here);
        self::assertSame($there, array_combine(
            array_map(static fn (string $id): int => (int) substr($id, 1), array_keys($read->there)),
            $read->there,
        ));
    }

    private static function copy(string $id, FolderRole $now, FolderRole $settled, FolderRole $agreed): Copy
    {
        return new Copy($id, $now, $settled, $agreed);
    }
}
