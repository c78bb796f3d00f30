<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use ZippyTray\Core\Tray\Advice\AdviceGroup;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Tests\Server\ApiTestCase;

final class TrayTest extends ApiTestCase
{
    public function testAnEmptyTray(): void
    {
        $this->signIn();
        self::assertSame([], $this->rows('/tray'));
        $counts = $this->counts();
        self::assertSame([0, 0, 0, null], [$counts['tray'], $counts['away'], $counts['decidedToday'], $counts['nextReturn']]);
    }

    public function testManyAreDecidedAndUndoneInOneStep(): void
    {
        $this->signIn();
        $ids = [$this->receive('One'), $this->receive('Two'), $this->receive('Three')];
        $entry = $this->decide('archive', $ids);

        self::assertSame(3, $entry['count']);
        self::assertSame([], $this->rows('/tray'));
        self::assertSame(3, $this->call('GET', '/find?place=archive')['total']);
        self::assertSame(3, $this->counts()['decidedToday']);

        $this->undo($entry);
        self::assertCount(3, $this->rows('/tray'));
        self::assertSame(0, $this->counts()['decidedToday']);
    }

    public function testWhatIsSnoozedLeavesAndComesBackByItself(): void
    {
        $this->signIn();
        $id = $this->receive();
        $tomorrow = $this->service(ProgramClock::class)->now()
            ->setTimezone(new \DateTimeZone('Europe/Dublin'))
            ->modify('+1 day')
            ->format('Y-m-d');
        $this->decide('snooze', [$id], ['date' => $tomorrow, 'time' => '09:00']);

        self::assertSame([], $this->rows('/tray'));
        self::assertSame($id, $this->away()[0]['id']);
        self::assertSame($this->away()[0]['awayUntil'], $this->counts()['nextReturn']);

        $this->call('POST', '/demo/clock', ['to' => 'morning']);

        self::assertSame([], $this->away());
        $row = $this->rows('/tray')[0];
        self::assertSame([$id, 'tray', true, 1], [$row['id'], $row['place'], $row['returned'], $row['snoozes']]);
    }

    public function testWhatCameBackStandsFirst(): void
    {
        $this->signIn();
        $back = $this->receive('Older');
        $this->decide('snooze', [$back], $this->inAnHour());
        $this->call('POST', '/demo/clock', ['to' => 'week']);
        $this->receive('Newer');
        self::assertSame(['Older', 'Newer'], array_column($this->rows('/tray'), 'subject'));
    }

    public function testInGroupsWhatCameBackStandsFirstThenByAdvice(): void
    {
        $this->signIn();
        $this->receive(
            'Offer',
            from: 'Shop <news@shop.example>',
            text: 'All mugs cost less this week.',
            headers: "List-Id: <offers.shop.example>\r\nList-Unsubscribe: <mailto:off@shop.example>\r\n",
        );
        $this->receive('Drawings', text: 'Could you send me the drawings by 4 December?');
        $back = $this->receive('Slates', text: 'Forty are enough.');
        $this->receive('Ropes', text: 'Shall I get the thick one?');
        $this->decide('snooze', [$back], ['phrase' => 'tomorrow']);
        $this->call('POST', '/demo/clock', ['to' => 'week']);
        $rows = $this->rows('/tray');
        self::assertSame('Slates', $rows[0]['subject']);
        $groups = array_column(
            array_column(array_map(static fn (array $row): array => (array) $row, \array_slice($rows, 1)), 'advice'),
            'group',
        );
        $order = array_map(static fn (AdviceGroup $group): string => $group->value, AdviceGroup::cases());
        $ranks = array_map(static fn (mixed $group): int => (int) array_search($group, $order, true), $groups);
        $sorted = $ranks;
        sort($sorted);
        self::assertSame($sorted, $ranks);
        self::assertGreaterThan(1, \count(array_unique($ranks)));
    }

    public function testTheSnoozeChoicesCanAllBeTaken(): void
    {
        $this->signIn();
        $id = $this->receive();
        $answer = $this->call('GET', '/snooze-choices');
        $choices = (array) $answer['choices'];
        self::assertGreaterThanOrEqual(4, \count($choices));
        $choices[] = $answer['nextClearing'];
        foreach ($choices as $choice) {
            self::assertIsArray($choice);
            $this->decide('snooze', [$id], ['date' => $choice['date'], 'time' => $choice['time']]);
        }
        self::assertSame(\count($choices), $this->away()[0]['snoozes']);
    }

    public function testBadDecisionsAreRefusedWithASentenceAndNothingIsDecided(): void
    {
        $this->signIn();
        $id = $this->receive();
        $refused = [
            [
                ['kind' => 'snooze', 'conversations' => self::claims([$id]), 'until' => ['date' => '2020-01-01', 'time' => '09:00']],
                422,
                'already past',
            ],
            [
                ['kind' => 'snooze', 'conversations' => self::claims([$id]), 'until' => ['date' => '2030-02-31', 'time' => '09:00']],
                422,
                'not a date',
            ],
            [
                ['kind' => 'snooze', 'conversations' => self::claims([$id]), 'until' => ['date' => '2030-02-01', 'time' => '25:00']],
                422,
                'not a time',
            ],
            [['kind' => 'snooze', 'conversations' => self::claims([$id])], 422, 'When should it come back?'],
            [['kind' => 'frobnicate', 'conversations' => self::claims([$id])], 422, ''],
            [['kind' => 'archive', 'conversations' => []], 422, 'Select a conversation'],
            [['kind' => 'archive', 'conversations' => [['id' => 'x']]], 422, ''],
            [['kind' => 'archive', 'conversations' => self::claims([$id, self::id()])], 404, 'not here any more'],
            [['kind' => 'put_back', 'conversations' => self::claims([$id])], 422, 'not in the bin'],
            [[], 422, ''],
        ];
        foreach ($refused as [$body, $status, $words]) {
            $problem = $this->call('POST', '/decisions', ['id' => self::id()] + $body, $status);
            self::assertIsString($problem['detail']);
            self::assertStringContainsString($words, $problem['detail']);
        }
        self::assertCount(1, $this->rows('/tray'));
        self::assertSame([], $this->call('GET', '/journal')['entries']);
    }

    public function testARepeatedRequestDecidesOnce(): void
    {
        $this->signIn();
        $body = ['id' => self::id(), 'kind' => 'snooze', 'conversations' => self::claims([$this->receive()]), 'until' => $this->inAnHour()];
        self::assertSame($this->call('POST', '/decisions', $body), $this->call('POST', '/decisions', $body));
        self::assertSame(1, $this->away()[0]['snoozes']);
    }

    public function testAnAnswerBringsTheConversationBackAndWhatWasDecidedStaysVisible(): void
    {
        $this->signIn();
        $id = $this->receive(id: 'first@glass.example');
        $this->decide('archive', [$id]);
        $this->upload(
            ['answer.eml' => "From: tam@glass.example\nSubject: Re: Lantern glass\nDate: Tue, 3 Nov 2026 08:00:00 +0000\n"
                ."In-Reply-To: <first@glass.example>\n\nWell?"],
        );

        self::assertSame([$id], array_column($this->rows('/tray'), 'id'));
        $conversation = $this->call('GET', '/conversations/'.$id);
        self::assertIsArray($conversation['history']);
        self::assertSame(['arrive', 'archive'], array_column($conversation['history'], 'kind'));
        self::assertIsArray($conversation['messages']);
        self::assertCount(2, $conversation['messages']);
    }

    public function testOpeningMarksAsRead(): void
    {
        $this->signIn();
        $id = $this->receive();
        self::assertTrue($this->rows('/tray')[0]['unread']);
        $this->call('PUT', '/conversations/'.$id.'/read', null, 204);
        self::assertFalse($this->rows('/tray')[0]['unread']);
    }

    public function testUndoIsRefusedWithTheLaterEntryThatStandsInTheWay(): void
    {
        $this->signIn();
        $id = $this->receive();
        $first = $this->decide('archive', [$id]);
        $later = $this->decide('delete', [$id]);
        self::assertIsString($first['id']);
        $problem = $this->call('POST', '/journal/'.$first['id'].'/undo', ['id' => self::id()], 409);
        self::assertSame($later['id'], ((array) $problem['later'])['id']);
    }

    public function testAStepAndWhatCameAfterItAreUndoneInOneGo(): void
    {
        $this->signIn();
        $first = $this->receive('First');
        $second = $this->receive('Second');
        $archived = $this->decide('archive', [$first, $second]);
        $this->decide('bring_back', [$second]);
        $this->decide('delete', [$second]);
        $this->decide('bring_back', [$first]);
        $problem = $this->call('POST', '/journal/'.self::text($archived['id']).'/undo', ['id' => self::id()], 409);
        self::assertSame(
            [3, 'bring_back'],
            [$problem['laterSteps'], ((array) $problem['later'])['kind']],
            'The first one that stands in the way is named.',
        );
        $undone = $this->call('POST', '/journal/'.self::text($archived['id']).'/undo', ['id' => self::id(), 'through' => true]);
        self::assertSame('undo', $undone['kind']);
        $tray = array_column($this->rows('/tray'), 'muted', 'subject');
        ksort($tray);
        self::assertSame(['First' => false, 'Second' => false], $tray);
    }

    public function testWhatIsNoKindOfDecisionIsRefused(): void
    {
        $this->signIn();
        $id = $this->receive();
        foreach (['forget', '', 'Archive', 'tidy'] as $kind) {
            $this->decide($kind, [$id], status: 422);
        }
        self::assertCount(1, $this->rows('/tray'));
    }

    public function testMailThatComesInStandsInTheJournal(): void
    {
        $this->signIn();
        $this->decide('snooze', [$this->receive('Slates', id: 'slates@glass.example')], ['date' => $this->day(2)]);
        $this->upload(
            ['more.eml' => "From: Tam <tam@glass.example>\r\nTo: wren@ternpoint.example\r\nSubject: Re: Slates\r\n"
                ."Message-ID: <more@glass.example>\r\nIn-Reply-To: <slates@glass.example>\r\n\r\nAnd another thing.\r\n"],
        );
        $newest = (array) ((array) $this->call('GET', '/journal')['entries'])[0];
        self::assertSame(['arrive', 'Slates', []], [$newest['kind'], $newest['about'], $this->away()]);
        $this->undo($newest);
        self::assertSame(['Slates'], array_column($this->away(), 'subject'), 'It is away again, and the message stays.');
    }

    public function testTheJournalComesInPages(): void
    {
        $this->signIn();
        $id = $this->receive();
        for ($i = 0; $i < 102; ++$i) {
            $this->decide(0 === $i % 2 ? 'archive' : 'bring_back', [$id]);
        }
        $page = $this->call('GET', '/journal');
        self::assertTrue($page['more']);
        self::assertIsArray($page['entries']);
        self::assertCount(100, $page['entries']);
        $rest = $this->call('GET', '/journal?before=3');
        self::assertIsArray($rest['entries']);
        self::assertSame([2, 1], array_column($rest['entries'], 'number'));
        self::assertFalse($rest['more']);
    }

    public function testTheBinIsEmptiedForGood(): void
    {
        $this->signIn();
        $id = $this->receive();
        $deleted = $this->decide('delete', [$id]);
        self::assertSame(1, $this->counts()['bin']);
        $entry = $this->call('DELETE', '/bin?id='.self::id());

        self::assertFalse($entry['undoable']);
        self::assertSame(0, $this->call('GET', '/find')['total']);
        self::assertSame(0, $this->call('GET', '/find?words=lantern')['total']);
        $this->call('GET', '/conversations/'.$id, null, 404);
        $this->undo($entry, 409);
        $this->undo($deleted, 409);
    }

    public function testFindLooksIntoSubjectsPeopleAndTextWithoutRegardToAccents(): void
    {
        $this->signIn();
        $this->receive('Besuch im Frühjahr', '=?utf-8?q?J=C3=B6rg?= Feld <j@licht.example>', 'Zwei Busse');
        foreach (['fruhj', 'JORG', 'busse zwei', 'licht.example', 'besuch'] as $words) {
            self::assertSame(1, $this->call('GET', '/find?words='.rawurlencode($words))['total'], $words);
        }
        foreach (['bussen', 'feld tam', 'x" OR "y'] as $words) {
            self::assertSame(0, $this->call('GET', '/find?words='.rawurlencode($words))['total'], $words);
        }
        foreach (['"', '*', 'AND', '-', '(', '^'] as $words) {
            $this->call('GET', '/find?words='.rawurlencode($words));
        }
    }

    public function testFindShowsThePlaceThatMatchedAndKnowsWhatIsMuted(): void
    {
        $this->signIn();
        $id = $this->receive('Stairs', text: str_repeat('Nothing of note here. ', 60)."\r\n\r\nThe <b>brass</b> rail is loose.");
        $found = $this->call('GET', '/find?words=bras');
        $hit = self::text(((array) $found['hits'])[$id]);
        self::assertStringContainsString("\u{2}brass\u{3}", $hit);
        self::assertLessThan(300, \strlen($hit), 'a place, not the letter');
        self::assertSame([], (array) $this->call('GET', '/find')['hits']);

        self::assertSame(0, $this->call('GET', '/find?place=muted')['total']);
        $this->decide('mute', [$id]);
        $muted = $this->call('GET', '/find?place=muted&words=stairs');
        self::assertSame([1, [true]], [$muted['total'], array_column((array) $muted['rows'], 'muted')]);
    }

    /** @return array{date: string, time: string} */
    private function inAnHour(): array
    {
        $then = $this->service(ProgramClock::class)->now()->setTimezone(new \DateTimeZone('Europe/Dublin'))->modify('+61 minutes');

        return ['date' => $then->format('Y-m-d'), 'time' => $then->format('H:i')];
    }
}
