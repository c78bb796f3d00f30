<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Arrival;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Thread\Threading;
use ZippyTray\Core\Mail\Thread\ThreadPart;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Core\Tray\Summary;
use ZippyTray\Tests\Core\World\World;

final class SortIntoConversationsTest extends TestCase
{
    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 50; ++$seed) {
            yield 'seed '.$seed => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function testOneAfterTheOtherInAnyOrderGivesTheConversationsOfAllAtOnce(int $seed): void
    {
        $chance = new Randomizer(new Mt19937($seed));
        $sources = $this->letters($chance);
        for ($round = 0; $round < 3; ++$round) {
            $world = new World('2026-11-24T10:00:00Z');
            foreach ($chance->shuffleArray($sources) as $source) {
                ($world->arrive)(World::recipient(), $source);
            }
            self::assertSame($this->allAtOnce($world), $this->asSorted($world));
            foreach ($world->memory->conversations as $conversation) {
                self::assertEquals(
                    Summary::of(array_map(
                        static fn (string $id): Message => $world->memory->messages[$id],
                        array_keys($world->memory->conversationOf, $conversation->id->text, true),
                    )),
                    $conversation->summary(),
                );
            }
        }
    }

    public function testAMessageThatJoinsTwoConversationsBringsThemIntoTheTrayAsOne(): void
    {
        $world = new World('2026-11-24T10:00:00Z');
        foreach (['a' => '', 'c' => 'x'] as $id => $reference) {
            ($world->arrive)(World::recipient(), self::letter($id, $reference, 1, 'One', 'tam'));
        }
        self::assertCount(2, $world->memory->conversations);
        foreach (array_values($world->memory->conversations) as $number => $conversation) {
            ($world->putLabels)(World::account(), new EntryId('label '.$number), [$conversation->id], ['both', 'only '.$number], []);
            $world->decide(new Archive(), [$conversation]);
        }
        ($world->arrive)(World::recipient(), self::letter('x', 'a', 2, 'One', 'tam'));

        self::assertCount(1, $world->memory->conversations);
        $one = array_values($world->memory->conversations)[0];
        self::assertSame(Place::Tray, $one->placeAt($world->clock->now()));
        self::assertSame(['both', 'both', 'only 0', 'only 1'], $world->labelsOn($one));
    }

    public function testAReplyMovesToTheConversationThatItBelongsToWhenThatComesIn(): void
    {
        $world = new World('2026-11-24T10:00:00Z');
        ($world->arrive)(World::recipient(), self::letter('old', '', 1, 'Glass', 'tam'));
        ($world->arrive)(World::recipient(), self::letter('reply', '', 20, 'Re: Glass', 'tam'));
        self::assertCount(1, $world->memory->conversations);
        $both = array_values($world->memory->conversations)[0];
        ($world->putLabels)(World::account(), new EntryId('label'), [$both->id], ['glass'], []);
        ($world->arrive)(World::recipient(), self::letter('new', '', 10, 'Glass', 'tam'));

        self::assertCount(2, $world->memory->conversations);
        self::assertSame(['new reply', 'old'], $this->asSorted($world));
        self::assertSame([['glass'], ['glass']], array_map($world->labelsOn(...), array_values($world->memory->conversations)));
    }

    /** @return list<string> */
    private function letters(Randomizer $chance): array
    {
        $ids = range('a', 'r');
        $letters = [];
        foreach ($ids as $id) {
            $named = 0 === $chance->getInt(0, 1)
                ? ''
                : implode(
                    ' ',
                    array_map(static fn (int|string $key): string => $ids[(int) $key], $chance->pickArrayKeys($ids, $chance->getInt(1, 3))),
                );
            $letters[] = self::letter(
                $id,
                $named,
                $chance->getInt(1, 120),
                ['Glass', 'Re: Glass', 'Rota', 'Re: Rota', 'Re: Glass'][$chance->getInt(0, 4)],
                ['tam', 'ada', 'ilse', 'wren'][$chance->getInt(0, 3)],
            );
        }

        return $letters;
    }

    private static function letter(string $id, string $references, int $day, string $subject, string $sender): string
    {
        $date = (new \DateTimeImmutable('2026-07-01T08:00:00Z'))->modify('+'.$day.' days')->format(\DATE_RFC2822);
        $named = '' === $references ? '' : 'References: '.preg_replace('/\w+/', '<$0@x.example>', $references)."\n";

        return "From: <{$sender}@".('wren' === $sender ? 'ternpoint' : 'x').".example>\nTo: wren@ternpoint.example\n"
            ."Subject: {$subject}\nDate: {$date}\nMessage-ID: <{$id}@x.example>\n{$named}\nText of {$id}.";
    }

    /** @return list<string> */
    private function allAtOnce(World $world): array
    {
        $threads = (new Threading())->threads(array_map(ThreadPart::ofMessage(...), array_values($world->memory->messages)));

        return self::named(array_map(static fn (array $thread): array => array_column($thread, 'header'), $threads));
    }

    /** @return list<string> */
    private function asSorted(World $world): array
    {
        $conversations = [];
        foreach ($world->memory->conversationOf as $message => $conversation) {
            $conversations[$conversation][] = $world->memory->messages[$message]->messageHeader;
        }

        return self::named(array_values($conversations));
    }

    /**
     * @param list<array<mixed>> $conversations
     *
     * @return list<string>
     */
    private static function named(array $conversations): array
    {
        $names = array_map(static function (array $headers): string {
            sort($headers);

            return str_replace('@x.example', '', implode(' ', array_filter($headers, is_string(...))));
        }, $conversations);
        sort($names);

        return $names;
    }
}
