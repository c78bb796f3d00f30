<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Books\JournalExplains;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Store\StoredNow;
use ZippyTray\Server\Work\ArchiveOldMail;
use ZippyTray\Server\Work\CarryOutOrders;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Standing orders on mail that arrives, and on mail that is here.
 */
final class OrderTest extends ApiTestCase
{
    private const GULLS = ['test' => 'from', 'is' => 'news@gulls.example'];

    private const ARCHIVE = [['do' => 'label', 'labels' => ['gulls']], ['do' => 'archive']];

    public function testWhatArrivesIsSortedUnderItsNameShownAndUndone(): void
    {
        $this->signIn();
        $this->order(self::GULLS, self::ARCHIVE);
        $mail = $this->gulls('The week');
        $other = $this->receive('Slates', 'Tam <tam@x.example>', 'They are here.');
        self::assertSame(2, $this->carriedOut());
        self::assertSame(['Slates'], array_column($this->rows('/tray'), 'subject'));
        $conversation = $this->call('GET', "/conversations/{$mail}");
        $history = (array) $conversation['history'];
        self::assertSame(['order', 'Gulls'], [((array) $history[0])['kind'], ((array) $history[0])['consequence']]);
        self::assertSame(['gulls'], array_column((array) ((array) $conversation['row'])['labels'], 'name'));
        self::assertSame(0, $this->counts()['decidedToday'], 'The person has decided nothing.');

        $past = $this->call('GET', '/past');
        self::assertSame([1, 'Gulls', 'The week'], [
            $past['count'],
            ((array) ((array) $past['rows'])[0])['order'],
            ((array) ((array) ((array) $past['rows'])[0])['row'])['subject'],
        ]);
        self::assertSame(1, $this->rows('/orders')[0]['done'] ?? null);
        self::assertSame([], $this->service(JournalExplains::class)->look()->examples);
        /** @var array<string, mixed> $entry */
        $entry = $history[0];
        $this->undo($entry);
        self::assertSame([2, 0], [\count($this->rows('/tray')), $this->call('GET', '/past')['count']]);
        self::assertSame(0, $this->carriedOut(), 'It is carried out once on each message.');
        self::assertNotSame($mail, $other);
    }

    public function testAllOfADayIsTakenBack(): void
    {
        $this->signIn();
        $this->order(self::GULLS, [['do' => 'delete']]);
        $mail = array_map($this->gulls(...), ['One', 'Two', 'Three']);
        $this->carriedOut();
        self::assertSame(0, $this->counts()['tray']);
        $this->decide('bring_back', [$mail[1]]);
        $undone = $this->call('POST', '/order-undoings', ['day' => $this->day()]);
        self::assertSame([2, 1], [$undone['undone'], \count((array) $undone['left'])]);
        self::assertCount(3, $this->rows('/tray'));
    }

    public function testWithoutAnOrderInForceNothingIsWanted(): void
    {
        $this->signIn();
        $id = $this->order(self::GULLS, self::ARCHIVE, false);
        $this->gulls('One');
        self::assertSame(0, $this->carriedOut());
        $this->call('PUT', "/orders/{$id}/on", ['entry' => self::id(), 'on' => true]);
        $this->gulls('Two');
        self::assertSame([1, ['One']], [$this->carriedOut(), array_column($this->rows('/tray'), 'subject')]);
    }

    public function testKindImportanceLabelsAndListsAreKnownWhenItIsAsked(): void
    {
        $this->signIn();
        $this->order(['test' => 'kind', 'is' => 'newsletter'], [['do' => 'label', 'labels' => ['news']]], name: 'Kind');
        $this->order(['test' => 'unimportant', 'is' => '99'], [['do' => 'label', 'labels' => ['dull']]], name: 'Importance');
        $this->order(['test' => 'label', 'is' => 'News'], [['do' => 'label', 'labels' => ['twice']]], name: 'Label');
        $this->order(['test' => 'task_list', 'is' => 'office'], [['do' => 'label', 'labels' => ['desk']]], name: 'List');
        $mail = $this->gulls('The week');
        $this->carriedOut();
        self::assertSame(['dull', 'news'], $this->labelsOf($mail), 'What an order did, no other order acts on.');

        $asked = $this->receive('Form', 'Olga <olga@roofs.example>', 'Could you send me the form?');
        $this->makeTask(['title' => 'Send it', 'list' => 'Office'], ['conversation' => ['id' => $asked]]);
        $this->upload(['letter.eml' => "From: olga@roofs.example\r\nTo: wren@ternpoint.example\r\nSubject: Re: Form\r\n"
            ."Date: Mon, 2 Nov 2026 09:00:00 +0000\r\nMessage-ID: <more@roofs.example>\r\n\r\nHere is more.\r\n"]);
        $this->carriedOut();
        self::assertContains('desk', $this->labelsOf($this->conversationOf('Form')));
    }

    public function testAnOrderIsTriedOnOldMailAndCarriedOutOnIt(): void
    {
        $this->signIn();
        $mail = array_map($this->gulls(...), ['One', 'Two', 'Three']);
        $this->decide('archive', [$mail[0]]);
        $this->decide('delete', [$mail[1]]);
        $this->receive('Slates', 'Tam <tam@x.example>', 'They are here.');
        $trial = $this->call('POST', '/order-trials', ['condition' => self::GULLS, 'steps' => self::ARCHIVE]);
        self::assertSame([4, null], [$trial['seen'], $trial['next']]);
        $found = [];
        foreach ((array) $trial['found'] as $one) {
            $row = (array) ((array) $one)['row'];
            $found[self::text($row['subject'])] = [((array) $one)['same'], array_column((array) ((array) $one)['steps'], 'text')];
        }
        ksort($found);
        self::assertSame([
            'One' => [true, ['Label gulls']],
            'Three' => [false, ['Label gulls', 'To the archive']],
            'Two' => [false, ['Label gulls']],
        ], $found);
        self::assertSame([], $this->rows('/labels'), 'Trying changes nothing.');

        $id = $this->order(self::GULLS, self::ARCHIVE, false);
        $run = self::id();
        foreach ([1, 2] as $time) {
            $old = $this->call('POST', "/orders/{$id}/old", ['run' => $run]);
            self::assertSame([3, []], [$old['done'], $old['troubles']], "Time {$time}.");
        }
        self::assertSame(['Slates'], array_column($this->rows('/tray'), 'subject'));
        self::assertSame(3, $this->rows('/labels')[0]['conversations'] ?? null);
        $deleted = (array) $this->call('GET', '/conversations/'.$mail[1])['row'];
        self::assertSame('bin', $deleted['place'], 'What was decided stays decided.');
        self::assertSame(3, $this->call('POST', '/order-undoings', ['day' => $this->day(), 'order' => $id])['undone']);
    }

    public function testAnOrderIsProposedOfADecision(): void
    {
        $this->signIn();
        $mail = $this->gulls('The week');
        $entry = $this->decide('archive', [$mail]);
        $proposal = $this->call('GET', '/order-proposal?entry='.self::text($entry['id']));
        self::assertSame(['archive'], array_column((array) $proposal['steps'], 'do'));
        self::assertSame(
            ['from news@gulls.example', 'from news@gulls.example and of the kind newsletters', 'from anybody at gulls.example'],
            \array_slice(array_column((array) $proposal['choices'], 'text'), 0, 3),
        );
        $choice = (array) ((array) $proposal['choices'])[0];
        $trial = $this->call('POST', '/order-trials', ['condition' => $choice['condition'], 'steps' => $proposal['steps']]);
        self::assertSame([true], array_column((array) $trial['found'], 'same'));
    }

    public function testAnswersGoToPeopleAloneAndOnceAWeek(): void
    {
        $account = $this->signIn();
        $account->connect(MailWays::postRoom());
        $this->service(EntityManagerInterface::class)->flush();
        $template = self::id();
        $this->call('PUT', "/templates/{$template}", [
            'entry' => self::id(), 'name' => 'Away', 'subject' => '', 'text' => 'I am away until Monday.', 'signed' => false,
        ]);
        $this->order(['test' => 'larger', 'is' => '1'], [['do' => 'read']], name: 'Never');
        $this->order(
            ['test' => 'none', 'of' => [['test' => 'larger', 'is' => '1000']]],
            [['do' => 'answer', 'template' => $template, 'send' => true]],
            name: 'Away',
        );
        foreach (['One', 'Two'] as $subject) {
            $this->receive($subject, 'Olga <olga@roofs.example>', 'Hello.');
        }
        $this->gulls('The week');
        $this->carriedOut();
        self::assertCount(1, (array) $this->call('GET', '/outgoing')['waiting']);
    }

    public function testNonsenseIsRefusedAndOrdersBelongToOnePerson(): void
    {
        $this->signIn();
        foreach ([
            ['condition' => ['test' => 'moon'], 'steps' => self::ARCHIVE],
            ['condition' => ['test' => 'all', 'of' => []], 'steps' => self::ARCHIVE],
            ['condition' => self::GULLS, 'steps' => []],
            ['condition' => self::GULLS, 'steps' => [['do' => 'archive'], ['do' => 'delete']]],
        ] as $fields) {
            $this->call('PUT', '/orders/'.self::id(), ['entry' => self::id(), 'name' => 'Nonsense'] + $fields, 422);
        }
        $id = $this->order(self::GULLS, self::ARCHIVE);
        $second = $this->order(self::GULLS, self::ARCHIVE, name: 'Second');
        $this->call('PUT', "/orders/{$second}/place", ['entry' => self::id(), 'behind' => null]);
        self::assertSame(['Second', 'Gulls'], array_column($this->rows('/orders'), 'name'));
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        self::assertSame([], $this->rows('/orders'));
        $this->call('POST', "/orders/{$id}/old", ['run' => self::id()], 404);
        $this->call('DELETE', "/orders/{$id}?entry=".self::id(), status: 404);
    }

    public function testOrdersGoToAServerAndComeBackAsSieve(): void
    {
        $this->signIn();
        $this->order(self::GULLS, self::ARCHIVE);
        $this->order(['test' => 'important', 'is' => '70'], [['do' => 'label', 'labels' => ['today']]], name: 'Important');
        [$code, $script] = $this->command('orders:export', []);
        self::assertSame(0, $code);
        self::assertStringContainsString('# Left out: Important (a server cannot tell mail that matters at least 70 of 100)', $script);
        $file = (string) tempnam(sys_get_temp_dir(), 'sieve');
        file_put_contents($file, $script."\nif header :is \"x-spam\" \"yes\" { discard; }\n"
            ."require \"vacation\"; if address :is \"from\" \"a@x.example\" { vacation \"I am away.\"; }\n");
        [$code, $said] = $this->command('orders:import', ['file' => $file]);
        self::assertSame(0, $code, $said);
        /** @var array{taken: list<array{name: string}>, left: list<array{line: int, why: string}>} $outcome */
        $outcome = json_decode($said, true, flags: \JSON_THROW_ON_ERROR);
        self::assertSame(['Gulls'], array_column($outcome['taken'], 'name'));
        self::assertCount(2, $outcome['left'], 'What cannot be asked, and an answer without a way out.');
        self::assertSame([true, true, false], array_column($this->rows('/orders'), 'on'), 'What came is at rest.');
        self::assertSame($this->rows('/orders')[0]['condition'] ?? null, $this->rows('/orders')[2]['condition'] ?? null);

        self::assertSame([], $this->rows('/templates'), 'No template is left of an answer that is not given.');
        file_put_contents($file, "keep;\nif {");
        [$code, $said] = $this->command('orders:import', ['file' => $file]);
        self::assertSame([1, "Line 2: a block has no end.\n"], [$code, $said]);
        self::assertSame(1, $this->command('orders:import', ['file' => $file.'-none'])[0]);
        self::assertSame(2, $this->command('orders:export', ['--account' => 'nobody@x.example'])[0]);
        unlink($file);
    }

    public function testOldMailGoesByItselfOnceADayUnlessItAsks(): void
    {
        $this->signIn();
        $this->gulls('The week');
        $this->receive('Slates', 'Tam <tam@x.example>', 'They are here.');
        $this->receive(
            'Survey',
            'Gulls <news@gulls.example>',
            'Could you please send me your answer to the question below?',
            "List-Unsubscribe: <https://gulls.example/off>\r\nPrecedence: bulk\r\n",
        );
        $chore = $this->service(ArchiveOldMail::class);
        $now = $this->service(ProgramClock::class)->now();
        $chore->do($now);
        self::assertSame(3, $this->counts()['tray'], 'Nothing goes that nobody wants gone.');
        $this->settle(['oldMail' => [['about' => 'kind', 'what' => 'personal', 'days' => 14]]], 422);
        $this->settle(['oldMail' => [['about' => 'kind', 'what' => 'newsletter', 'days' => 14]]]);
        $chore->do(new \DateTimeImmutable('2026-11-10T08:00:00Z'));
        self::assertSame(3, $this->counts()['tray'], 'It is not old yet.');
        $chore->do(new \DateTimeImmutable('2026-11-17T08:00:00Z'));
        $left = array_column($this->rows('/tray'), 'subject');
        self::assertNotContains('The week', $left);
        self::assertContains('Slates', $left);
        $entry = (array) ((array) $this->call('GET', '/journal')['entries'])[0];
        self::assertSame('old_mail', $entry['kind']);
        /** @var array<string, mixed> $entry */
        $this->undo($entry);
        self::assertSame(3, $this->counts()['tray']);
    }

    public function testOldMailThatCameInAtItsHourGoesTooAndWhatWaitsOrCameBackDoesNot(): void
    {
        $this->signIn();
        $this->settle(['oldMail' => [['about' => 'kind', 'what' => 'newsletter', 'days' => 14]]]);
        $now = $this->service(ProgramClock::class)->now();
        $mail = ['Came in' => ['held', '-1 hour'], 'Waits' => ['held', '+1 hour'], 'Came back' => ['snooze', '-1 hour']];
        foreach ($mail as $subject => [$why, $at]) {
            $this->service(Connection::class)->update('conversation', [
                'place' => 'away',
                'away_until' => StoredNow::of($now->modify($at)),
                'away_zone' => 'Europe/Dublin',
                'away_reason' => $why,
            ], ['id' => $this->gulls($subject)]);
        }
        $this->service(EntityManagerInterface::class)->clear();
        $this->service(ArchiveOldMail::class)->do($now->modify('+60 days'));
        self::assertSame(
            ['Came in'],
            array_column((array) $this->call('GET', '/find?place=archive')['rows'], 'subject'),
        );
    }

    public function testOldMailBehindMuchThatStaysIsReachedToo(): void
    {
        $this->signIn();
        $this->gulls('The week');
        $connection = $this->service(Connection::class);
        $columns = $connection->fetchOne(
            "SELECT group_concat(name, ', ') FROM pragma_table_info('conversation') WHERE name NOT IN ('id', 'latest_at', 'subject')",
        );
        self::assertIsString($columns);
        // Without messages there is nothing to weigh, so that they stay.
        $connection->executeStatement(
            "INSERT INTO conversation (id, latest_at, subject, {$columns})
                WITH RECURSIVE n (n) AS (SELECT 1 UNION ALL SELECT n + 1 FROM n WHERE n < 700)
                SELECT printf('%08d-0000-4000-8000-000000000000', n), '2020-01-01T00:00:00Z', 'Stays', {$columns} FROM conversation, n",
        );
        $this->settle(['oldMail' => [['about' => 'kind', 'what' => 'newsletter', 'days' => 14]]]);
        $this->service(ArchiveOldMail::class)->do(new \DateTimeImmutable('2026-11-17T08:00:00Z'));
        self::assertSame(700, $this->counts()['tray']);
        self::assertNotContains('The week', array_column($this->rows('/tray'), 'subject'));
    }

    public function testOneThatIsDamagedIsShownAndDoesNotKeepTheOthersFromWorking(): void
    {
        $this->signIn();
        $id = $this->order(self::GULLS, [['do' => 'delete']], name: 'Damaged');
        $this->order(self::GULLS, self::ARCHIVE);
        $mail = $this->gulls('The week');
        $this->service(Connection::class)->executeStatement('UPDATE standing_order SET asks = ? WHERE id = ?', ['{"test": "moon"}', $id]);
        $this->service(EntityManagerInterface::class)->clear();
        self::assertSame(['Damaged', 'Gulls'], array_column($this->rows('/orders'), 'name'));
        self::assertSame(1, $this->carriedOut());
        self::assertSame('archive', ((array) $this->call('GET', "/conversations/{$mail}")['row'])['place']);
        $this->call('DELETE', "/orders/{$id}?entry=".self::id());
    }

    /** @phpstan-impure */
    private function carriedOut(): int
    {
        return ($this->service(CarryOutOrders::class))(static fn (): bool => false);
    }

    /**
     * @param array<string, mixed>       $condition
     * @param list<array<string, mixed>> $steps
     */
    private function order(array $condition, array $steps, bool $on = true, string $name = 'Gulls'): string
    {
        $id = self::id();
        $this->call('PUT', "/orders/{$id}", [
            'entry' => self::id(), 'name' => $name, 'condition' => $condition, 'steps' => $steps, 'on' => $on,
        ]);

        return $id;
    }

    private function gulls(string $subject): string
    {
        return $this->receive(
            $subject,
            'Gulls <news@gulls.example>',
            "All about gulls.\n\nUnsubscribe here: https://gulls.example/off",
            "List-Unsubscribe: <https://gulls.example/off>\r\nPrecedence: bulk\r\n",
        );
    }

    /** @return list<mixed> */
    private function labelsOf(string $conversation): array
    {
        return array_column((array) ((array) $this->call('GET', "/conversations/{$conversation}")['row'])['labels'], 'name');
    }

    private function conversationOf(string $subject): string
    {
        foreach ((array) $this->call('GET', '/find?words='.rawurlencode($subject))['rows'] as $row) {
            return self::text(((array) $row)['id']);
        }
        self::fail($subject);
    }
}
