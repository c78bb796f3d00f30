<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Mail;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Mail\Text\SubjectLine;
use ZippyTray\Core\Mail\Thread\Threading;
use ZippyTray\Core\Mail\Thread\ThreadPart;

final class ThreadingTest extends TestCase
{
    /** @return iterable<string, array{list<ThreadPart>, string}> messages, conversations */
    public static function sets(): iterable
    {
        yield 'nothing' => [[], ''];
        yield 'a chain' => [[self::part('a'), self::part('b', 'a'), self::part('c', 'a b')], 'abc'];
        yield 'two conversations, by their first date' => [[self::part('a'), self::part('b'), self::part('c', 'a')], 'ac b'];
        yield 'a parent that never came holds its children together' => [[self::part('b', 'x'), self::part('c', 'x')], 'bc'];
        yield 'so does one further up' => [[self::part('b', 'x y'), self::part('c', 'x z')], 'bc'];
        yield 'the middle never came' => [[self::part('a'), self::part('c', 'a x')], 'ac'];
        yield 'only the direct parent is named' => [[self::part('a'), self::part('b', 'a'), self::part('c', 'b')], 'abc'];
        yield 'an answer dated before its question' => [[self::part('a', '', 5), self::part('b', 'a', 1)], 'ba'];
        yield 'two that refer to each other' => [[self::part('a', 'b'), self::part('b', 'a')], 'ab'];
        yield 'three in a ring' => [[self::part('a', 'c'), self::part('b', 'a'), self::part('c', 'b')], 'abc'];
        yield 'one that refers to itself' => [[self::part('a', 'a'), self::part('b', 'a')], 'ab'];
        yield 'the same id twice' => [[self::part('a'), self::part('a', '', 2), self::part('b', 'a')], 'aab'];
        yield 'what a message says of itself counts more than what another says of it' => [
            [self::part('a'), self::part('c'), self::part('b', 'c'), self::part('m', 'a b')], 'a bcm',
        ];
        yield 'a subject joins a marked reply' => [[self::part('a', subject: 'Glass'), self::part('b', subject: 'Re: glass')], 'ab'];
        yield 'a list name does not matter' => [
            [self::part('a', subject: '[Keepers] Glass'), self::part('b', subject: 'Re: [Keepers]  Glass')],
            'ab',
        ];
        yield 'in other languages too' => [[self::part('a', subject: 'Glas'), self::part('b', subject: 'AW: Glas')], 'ab'];
        yield 'an unmarked subject joins nothing' => [[self::part('a', subject: 'Glass'), self::part('b', subject: 'Glass')], 'a b'];
        yield 'a forwarded one joins nothing' => [[self::part('a', subject: 'Glass'), self::part('b', subject: 'Fwd: Glass')], 'a b'];
        yield 'after 60 days no more' => [[self::part('a', '', 1, 'Glass'), self::part('b', '', 62, 'Re: Glass')], 'a b'];
        yield 'on the 60th day still' => [[self::part('a', '', 1, 'Glass'), self::part('b', '', 61, 'Re: Glass')], 'ab'];
        yield 'without a person in common not' => [
            [self::part('a', '', 1, 'Glass'), self::part('b', '', 2, 'Re: Glass', 'ilse', 'wren')],
            'a b',
        ];
        yield 'the receiver answers' => [[self::part('a', '', 1, 'Glass'), self::part('b', '', 2, 'Re: Glass', 'wren', 'ada')], 'ab'];
        yield 'a reply before what it would answer joins nothing' => [
            [self::part('a', '', 3, 'Glass'), self::part('b', '', 2, 'Re: Glass')],
            'b a',
        ];
        yield 'the newest conversation of that subject' => [
            [self::part('a', '', 1, 'Glass'), self::part('b', '', 10, 'Glass'), self::part('c', '', 11, 'Re: Glass')], 'a bc',
        ];
        yield 'a reply that has its parent is not moved by its subject' => [
            [self::part('a', '', 1, 'Glass'), self::part('b', '', 2, 'Glass'), self::part('c', 'a', 3, 'Re: Glass')], 'ac b',
        ];
        yield 'an empty subject joins nothing' => [[self::part('a', subject: ''), self::part('b', subject: 'Re:')], 'a b'];
        yield 'one reply after the other by subject' => [
            [self::part('a', '', 1, 'Glass'), self::part('b', '', 50, 'Re: Glass'), self::part('c', '', 100, 'Re: Glass')], 'abc',
        ];
    }

    /** @param list<ThreadPart> $parts */
    #[DataProvider('sets')]
    public function testConversations(array $parts, string $expected): void
    {
        self::assertSame($expected, self::threads($parts));
        self::assertSame($expected, self::threads(array_reverse($parts)));
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 40; ++$seed) {
            yield 'seed '.$seed => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function testTheOrderOfArrivalDoesNotMatter(int $seed): void
    {
        $chance = new Randomizer(new Mt19937($seed));
        $letters = range('a', 'z');
        $parts = [];
        foreach ($letters as $letter) {
            $references = implode(
                ' ',
                array_map(
                    static fn (int|string $key): string => $letters[(int) $key],
                    $chance->pickArrayKeys($letters, $chance->getInt(1, 4)),
                ),
            );
            $parts[] = self::part(
                $letter,
                0 === $chance->getInt(0, 2) ? $references : '',
                $chance->getInt(1, 90),
                ['Glass', 'Re: Glass', 'Rota', 'Re: Rota', 'Fwd: Rota', ''][$chance->getInt(0, 5)],
                ['tam', 'ada', 'wren'][$chance->getInt(0, 2)],
            );
        }
        $expected = self::threads($parts);
        self::assertSame(26, \strlen(str_replace(' ', '', $expected)), 'Every message is in one conversation.');
        for ($i = 0; $i < 12; ++$i) {
            self::assertSame($expected, self::threads($chance->shuffleArray($parts)));
        }
    }

    public function testThousandsAreSortedWithoutEffortAndDeepChainsDoNoHarm(): void
    {
        $parts = [];
        for ($i = 0; $i < 4000; ++$i) {
            $parts[] = new ThreadPart(
                (string) $i,
                $i.'@x',
                0 === $i ? [] : [($i - 1).'@x'],
                'Long',
                new \DateTimeImmutable('@'.$i * 60),
                'a@x',
                ['a@x'],
            );
        }
        self::assertCount(1, (new Threading())->threads($parts));
    }

    /** @return iterable<string, array{string, string, bool}> subject, base, whether it is a reply */
    public static function subjects(): iterable
    {
        yield 'plain' => ['Lantern  Glass', 'lantern glass', false];
        yield 'reply' => ['Re: Lantern Glass', 'lantern glass', true];
        yield 'reply with a list' => ['[Keepers] Re: [Keepers] Paint', 'paint', true];
        yield 'forward of a reply' => ['Fwd: Re: Paint', 'paint', false];
        yield 'trailing fwd' => ['Paint (fwd)', 'paint', false];
        yield 'only a list' => ['[Keepers]', '[keepers]', false];
        yield 'counted' => ['Re[4]: Paint', 'paint', true];
        yield 'Chinese' => ['回复：灯塔', '灯塔', true];
        yield 'nothing' => ['Re: ', '', true];
    }

    #[DataProvider('subjects')]
    public function testBaseSubjects(string $subject, string $base, bool $reply): void
    {
        self::assertSame([$base, $reply], [SubjectLine::base($subject), SubjectLine::isReply($subject)]);
    }

    private static function part(
        string $id,
        string $references = '',
        int $day = 0,
        string $subject = 'Any',
        string $sender = 'tam',
        string $to = 'wren',
    ): ThreadPart {
        $day = 0 === $day ? \ord($id) - 90 : $day;

        return new ThreadPart(
            $id.$day.$subject.$sender.$references,
            $id,
            '' === $references ? [] : explode(' ', $references),
            $subject,
            new \DateTimeImmutable('2026-01-01T00:00:00Z +'.$day.' days'),
            $sender,
            [$sender, $to],
        );
    }

    /** @param list<ThreadPart> $parts */
    private static function threads(array $parts): string
    {
        return implode(
            ' ',
            array_map(
                static fn (array $thread): string => implode('', array_column($thread, 'header')),
                (new Threading())->threads($parts),
            ),
        );
    }
}
