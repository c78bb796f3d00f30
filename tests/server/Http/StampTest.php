<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use ZippyTray\Server\Books\JournalExplains;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Stamps: several steps with one key.
 */
final class StampTest extends ApiTestCase
{
    private const TASK = ['do' => 'task', 'line' => '{asked}; due in 3 days; list Office'];

    public function testItSaysWhatItWillDoDoesItAndIsUndoneAsOne(): void
    {
        $this->signIn();
        $mail = [
            $this->receive('Before the inspection', 'Olga Brandt <olga@roofs.example>', 'Could you send me the signed access form?'),
            $this->receive('Slates', 'Tam <tam@x.example>', 'They are here.'),
        ];
        $id = $this->stamp([['do' => 'label', 'labels' => ['roof']], ['do' => 'read'], self::TASK]);
        $foreseen = $this->call('POST', "/stamps/{$id}/foreseen", ['conversations' => $mail]);
        $said = array_map(static fn (mixed $one): array => array_column((array) ((array) $one)['steps'], 'text'), $foreseen);
        self::assertSame(['Label roof', 'Read'], \array_slice($said[0] ?? [], 0, 2));
        self::assertMatchesRegularExpression('/^Task “Send Olga the signed access form” in Office, due /', self::text($said[0][2] ?? ''));
        self::assertStringContainsString('Task “Slates”', self::text($said[1][2] ?? ''));
        self::assertSame([[], []], [$this->tasks(), $this->rows('/labels')], 'Looking changes nothing.');

        $before = $this->rows('/tray');
        $decided = $this->use($id, $mail);
        self::assertSame(2, ((array) $decided['entry'])['count']);
        self::assertSame([], $this->rows('/tray'));
        $titles = array_column($this->tasks(), 'title');
        sort($titles);
        self::assertSame(['Send Olga the signed access form', 'Slates'], $titles);
        self::assertSame(2, $this->counts()['decidedToday']);
        self::assertSame([], $this->service(JournalExplains::class)->look()->examples);

        /** @var array<string, mixed> $entry */
        $entry = $decided['entry'];
        $this->undo($entry);
        self::assertSame(
            array_map(self::withoutRevision(...), $before),
            array_map(self::withoutRevision(...), $this->rows('/tray')),
        );
        self::assertSame([[], []], [$this->tasks(), $this->rows('/labels')]);
    }

    public function testTheSameUseTwiceIsOne(): void
    {
        $this->signIn();
        $mail = $this->receive('Slates');
        $id = $this->stamp([self::TASK]);
        $entry = self::id();
        foreach ([1, 2] as $time) {
            $this->call('POST', "/stamps/{$id}/uses", ['entry' => $entry, 'conversations' => [['id' => $mail]]]);
            self::assertCount(1, $this->tasks(), "Time {$time}.");
        }
    }

    public function testAnAnswerGoesThroughThePostAndCanBeTakenBack(): void
    {
        $account = $this->signIn();
        $account->connect(\ZippyTray\Server\Account\MailWays::postRoom());
        $this->service(\Doctrine\ORM\EntityManagerInterface::class)->flush();
        $template = self::id();
        $this->call('PUT', "/templates/{$template}", [
            'entry' => self::id(), 'name' => 'Thanks', 'subject' => '', 'text' => "Dear {first name},\n\nthank you.", 'signed' => false,
        ]);
        $mail = $this->receive('Slates', 'Tam Holt <tam@x.example>', 'They are here.');
        $id = $this->stamp([['do' => 'answer', 'template' => $template, 'send' => true], ['do' => 'archive']]);
        $foreseen = (array) ((array) $this->call('POST', "/stamps/{$id}/foreseen", ['conversations' => [$mail]])[0])['steps'];
        self::assertSame(['“Thanks” to Tam Holt, sent', 'To the archive'], array_column($foreseen, 'text'));
        $decided = $this->use($id, [$mail]);
        self::assertCount(1, (array) $this->call('GET', '/outgoing')['waiting']);
        /** @var array<string, mixed> $entry */
        $entry = $decided['entry'];
        $this->undo($entry);
        self::assertSame([[], 1], [$this->call('GET', '/outgoing')['waiting'], $this->counts()['tray']]);

        $this->call('DELETE', "/templates/{$template}?entry=".self::id());
        $problem = $this->call('POST', "/stamps/{$id}/uses", ['entry' => self::id(), 'conversations' => [['id' => $mail]]], 422);
        self::assertStringContainsString('The template of its answer was deleted.', self::text($problem['detail']));
    }

    public function testNonsenseIsRefusedBesideItsField(): void
    {
        $this->signIn();
        foreach ([
            [['do' => 'archive'], ['do' => 'delete']],
            [['do' => 'answer', 'template' => self::id(), 'send' => true]],
            [['do' => 'snooze', 'until' => 'blursday']],
            [],
        ] as $steps) {
            $fields = ['entry' => self::id(), 'name' => 'Nonsense', 'steps' => $steps];
            $problem = $this->call('PUT', '/stamps/'.self::id(), $fields, 422);
            self::assertSame(['steps'], array_column((array) $problem['violations'], 'field'));
        }
        self::assertSame([], $this->rows('/stamps'));
    }

    public function testAStampIsProposedOfWhatWasJustDone(): void
    {
        $this->signIn();
        $mail = $this->receive('Slates');
        $this->call('POST', '/labelled', ['entry' => self::id(), 'conversations' => [$mail], 'on' => ['roof']]);
        $undone = $this->call('POST', '/labelled', ['entry' => self::id(), 'conversations' => [$mail], 'on' => ['wrong']]);
        $this->undo($undone);
        $entry = $this->decide('snooze', [$mail], ['phrase' => 'in 3 days at 9:00']);
        $proposal = $this->call('GET', '/stamp-proposal?entry='.self::text($entry['id']));
        self::assertSame([['label', ['roof']], ['snooze', 'in 3 days at 09:00']], array_map(
            static fn (mixed $step): array => [((array) $step)['do'], ((array) $step)['labels'] ?? ((array) $step)['until'] ?? null],
            (array) $proposal['steps'],
        ));
        self::assertSame([], $proposal['left']);
    }

    public function testStampsBelongToOnePersonAndComeBackByUndoing(): void
    {
        $this->signIn();
        $mail = $this->receive('Slates');
        $id = $this->stamp([['do' => 'archive']], 3);
        $entry = $this->call('DELETE', "/stamps/{$id}?entry=".self::id());
        self::assertSame([], $this->rows('/stamps'));
        $this->undo($entry);
        $stamp = $this->rows('/stamps')[0] ?? [];
        self::assertSame(['Usual', 3], [$stamp['name'] ?? null, $stamp['key'] ?? null]);
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        $this->call('POST', "/stamps/{$id}/uses", ['entry' => self::id(), 'conversations' => [['id' => $mail]]], 404);
        $this->call('POST', "/stamps/{$id}/foreseen", ['conversations' => [$mail]], 404);
        self::assertSame([], $this->rows('/stamps'));
    }

    /** @param list<array<string, mixed>> $steps */
    private function stamp(array $steps, ?int $key = 1): string
    {
        $id = self::id();
        $this->call('PUT', "/stamps/{$id}", ['entry' => self::id(), 'name' => 'Usual', 'key' => $key, 'steps' => $steps]);

        return $id;
    }

    /**
     * @param list<string> $conversations
     *
     * @return array<mixed>
     */
    private function use(string $stamp, array $conversations): array
    {
        return $this->call('POST', "/stamps/{$stamp}/uses", [
            'entry' => self::id(),
            'conversations' => array_map(static fn (string $id): array => ['id' => $id], $conversations),
        ]);
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return array<string, mixed>
     */
    private static function withoutRevision(array $row): array
    {
        return array_diff_key($row, ['revision' => true, 'advice' => true]);
    }
}
