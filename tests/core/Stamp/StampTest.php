<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Stamp;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Lists\Card;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Post\OutgoingState;
use ZippyTray\Core\Post\PostSettings;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Stamp\Stamp;
use ZippyTray\Core\Stamp\StampHand;
use ZippyTray\Core\Stamp\StampId;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Stamp\StepKind;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Core\Tray\Overtaken;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

final class StampTest extends TestCase
{
    /** @return iterable<string, array{list<StampStep>, string}> steps that make no sense, and the sentence about them */
    public static function nonsense(): iterable
    {
        $archive = new StampStep(StepKind::Archive);
        $draft = new StampStep(StepKind::Answer, template: 'thanks');
        $sent = new StampStep(StepKind::Answer, template: 'thanks', send: true);
        yield 'nothing' => [[], 'A stamp needs a step'];
        yield 'two decisions' => [[$archive, new StampStep(StepKind::Mute)], 'A conversation is decided once: "archived" and "muted"'];
        yield 'a task and a decision' => [[new StampStep(StepKind::Task, line: '{asked}'), $archive], 'A conversation is decided once'];
        yield 'two answers' => [[$sent, $draft], 'can answer once'];
        yield 'answered and blocked' => [[$sent, new StampStep(StepKind::Block)], 'not blocked or deleted'];
        yield 'a draft in the archive' => [[$draft, $archive], 'would be forgotten'];
        yield 'no template' => [[new StampStep(StepKind::Answer, template: 'none')], 'Choose a template'];
        yield 'what is asked each time is sent' => [
            [new StampStep(StepKind::Answer, template: 'asking', send: true)],
            '"Asking" asks each time: which pane.',
        ];
        yield 'no label' => [[new StampStep(StepKind::Label, [' '])], 'Which label?'];
        yield 'on and off' => [
            [new StampStep(StepKind::Label, ['Money']), new StampStep(StepKind::Unlabel, ['money'])],
            'The label "money" would be put on and taken off.',
        ];
        yield 'until never' => [[new StampStep(StepKind::Snooze)], 'Until when?'];
        yield 'until the past' => [[new StampStep(StepKind::Snooze, until: 'yesterday at 9')], '"yesterday at 9":'];
        yield 'until nonsense' => [[new StampStep(StepKind::Snooze, until: 'blursday')], '"blursday":'];
        yield 'until again and again' => [[new StampStep(StepKind::Snooze, until: 'every friday')], 'A repeat cannot stand here'];
        yield 'handed over to nobody' => [[new StampStep(StepKind::HandOver, until: 'friday')], 'Who owes you the answer?'];
        yield 'a task without a title' => [[new StampStep(StepKind::Task, line: '; high')], 'A task needs a title'];
        yield 'a task due never' => [[new StampStep(StepKind::Task, line: '{asked}; due blursday')], '"due blursday":'];
        yield 'a gap that there is not' => [[new StampStep(StepKind::Task, line: 'Pay {sum}')], '"{sum}" is no gap'];
        yield 'into a list that there is not' => [[new StampStep(StepKind::PutIntoList, list: 'Nowhere')], 'Into which list?'];
        yield 'too many' => [array_fill(0, 13, new StampStep(StepKind::Read)), '12 steps at most'];
    }

    /** @param list<StampStep> $steps */
    #[DataProvider('nonsense')]
    public function testNonsenseIsRefusedWhenItIsMade(array $steps, string $sentence): void
    {
        $world = self::world();
        $before = $world->state();
        try {
            self::make($world, $steps);
            self::fail('It was made.');
        } catch (Refused $refused) {
            self::assertStringContainsString($sentence, $refused->getMessage());
            self::assertSame(['steps', $before], [$refused->field, $world->state()]);
        }
    }

    public function testSendingWithoutAWayOutIsRefusedWhenItIsMadeAndWhenItIsUsed(): void
    {
        $world = self::world();
        $steps = [new StampStep(StepKind::Answer, template: 'thanks', send: true)];
        $stamp = self::make($world, $steps);
        $mail = $world->conversation();
        $none = self::hand($world, false);
        self::assertTrue(($world->foresee)($stamp, $mail, $none)[0]['refused']);
        foreach ([
            static fn () => $world->keepStamps->add(World::account(), new EntryId('other'), new StampId('o'), 'Other', null, $steps, $none),
            static fn () => ($world->useStamp)(World::account(), new EntryId('use'), $stamp->id, [new Claim($mail->id)], $none),
        ] as $do) {
            $before = $world->state();
            try {
                $do();
                self::fail('It was done.');
            } catch (Refused $refused) {
                self::assertStringContainsString('no way out', $refused->getMessage());
                self::assertSame($before, $world->state());
            }
        }
    }

    /**
     * @return iterable<string, array{list<StampStep>, list<string>, \Closure(World, Conversation): mixed, mixed}> what is said before, and
     *                                                                                                             what is so after
     */
    public static function stamps(): iterable
    {
        $place = static fn (World $world, Conversation $mail): Place => $mail->placeAt($world->clock->now());
        yield 'labels' => [
            [new StampStep(StepKind::Label, ['money', 'office']), new StampStep(StepKind::Unlabel, ['today'])],
            ['Label money, office', 'Without label today'],
            static fn (World $world, Conversation $mail): array => $world->labelsOn($mail),
            ['money', 'office'],
        ];
        yield 'into a list' => [
            [new StampStep(StepKind::PutIntoList, list: 'office')],
            ['Into Office'],
            static fn (World $world, Conversation $mail): array => array_map(
                static fn (Card $card): string => $card->listId()->text,
                array_values($world->memory->cards),
            ),
            ['office'],
        ];
        yield 'read' => [
            [new StampStep(StepKind::Read)],
            ['Read'],
            static fn (World $world, Conversation $mail): bool => $mail->isUnread(),
            false,
        ];
        yield 'put off' => [
            [new StampStep(StepKind::Snooze, until: 'next tuesday 9am')],
            ['Away: back Tue 1 Dec 2026, 09:00'],
            static fn (World $world, Conversation $mail): ?string => $mail->awayUntil()?->text(),
            'Tue 1 Dec 2026, 09:00',
        ];
        yield 'until the next clearing' => [
            [new StampStep(StepKind::Snooze, for: AwayReason::NextClearing)],
            ['Away: back when you next clear the tray, at the latest Tue 1 Dec 2026, 09:00'],
            static fn (World $world, Conversation $mail): ?AwayReason => $mail->awayReason(),
            AwayReason::NextClearing,
        ];
        yield 'handed over' => [
            [new StampStep(StepKind::HandOver, until: 'in 3 days', to: 'Petra <petra@x.example>', what: 'the slates')],
            ['Petra owes you an answer by Fri 27 Nov 2026, 09:00'],
            static fn (World $world): array => array_map(static fn ($owed) => $owed->what(), array_values($world->memory->owed)),
            ['the slates'],
        ];
        yield 'a task' => [
            [new StampStep(
                StepKind::Task,
                line: 'Pay: {asked} ({who}); due in 3 days; list Office; high; label money; remind 1 day before',
            )],
            ['Task “Pay: Which one shall it be? (Tam Achterberg)” in Office, due Fri 27 Nov 2026, 1 reminder, label money; '
                .'the mail to the archive'],
            static fn (World $world, Conversation $mail): array => [
                $world->task('Pay: Which one shall it be? (Tam Achterberg)')->due()?->text(),
                $world->labelsOf($world->task('Pay: Which one shall it be? (Tam Achterberg)')),
                $place($world, $mail),
            ],
            ['Fri 27 Nov 2026', ['money'], Place::Archive],
        ];
        yield 'answered and archived' => [
            [new StampStep(StepKind::Archive), new StampStep(StepKind::Answer, template: 'thanks', send: true)],
            ['To the archive', '“Thanks” to Tam Achterberg, sent'],
            static fn (World $world, Conversation $mail): array => [
                $place($world, $mail),
                array_map(static fn ($outgoing): array => [
                    $outgoing->outgoingState(),
                    explode("\n\nOn ", $outgoing->letter()->text)[0],
                ], array_values($world->memory->outgoings)),
            ],
            [Place::Archive, [[OutgoingState::Waiting, "Dear Tam,\n\nthank you.\n\n-- \nWren"]]],
        ];
        yield 'a draft' => [
            [new StampStep(StepKind::Answer, template: 'asking')],
            ['“Asking” to Tam Achterberg, left as a draft'],
            static fn (World $world): array => array_map(
                static fn ($outgoing): array => [$outgoing->outgoingState(), strtok($outgoing->letter()->text, "\n")],
                array_values($world->memory->outgoings),
            ),
            [[OutgoingState::Draft, 'About {ask which pane}.']],
        ];
        foreach ([
            [StepKind::DoNow, 'Done, to the archive', Place::Archive],
            [StepKind::Delete, 'To the bin', Place::Bin],
            [StepKind::Mute, 'To the archive, and out of the tray whatever comes', Place::Archive],
            [StepKind::Block, 'Mail from tam@glass.example goes to Blocked', Place::Blocked],
        ] as [$kind, $sentence, $where]) {
            yield $kind->value => [[new StampStep($kind)], [$sentence], $place, $where];
        }
    }

    /**
     * @param list<StampStep>                      $steps
     * @param list<string>                         $sentences
     * @param \Closure(World, Conversation): mixed $look
     */
    #[DataProvider('stamps')]
    public function testItDoesWhatItSaidInOneStepAndOneUndo(array $steps, array $sentences, \Closure $look, mixed $expected): void
    {
        $world = self::world();
        $mail = $world->conversation();
        ($world->putLabels)(World::account(), new EntryId('today'), [$mail->id], ['today'], []);
        $stamp = self::make($world, $steps);
        $before = $world->state();
        $foreseen = ($world->foresee)($stamp, $mail, self::hand($world));
        self::assertSame([$sentences, []], [array_column($foreseen, 'text'), array_filter(array_column($foreseen, 'refused'))]);
        self::assertSame($before, $world->state(), 'Looking changes nothing.');

        $entry = self::use($world, $stamp, [$mail]);
        self::assertSame(['Lantern glass', 'Usual'], [$entry->about, $entry->consequence]);
        self::assertEquals($expected, $look($world, $mail));
        $after = $world->state();
        $undo = $world->undo($entry);
        self::assertSame($before, $world->state());
        $world->undo($undo);
        self::assertSame($after, $world->state());
    }

    public function testManyAreStampedAtOnceWithoutThoseToWhichSomethingHappened(): void
    {
        $world = self::world();
        $mail = [$world->conversation('One'), $world->conversation('Two'), $world->conversation('Three')];
        $stamp = self::make($world, [
            new StampStep(StepKind::Task, line: '{subject}; list Office'),
            new StampStep(StepKind::Read),
            new StampStep(StepKind::Label, ['money']),
        ]);
        $claims = array_map(static fn (Conversation $one): Claim => new Claim($one->id, $one->revision()), $mail);
        $world->decide(new Archive(), [$mail[1]]);
        $before = $world->state();
        $decided = ($world->useStamp)(World::account(), new EntryId('use'), $stamp->id, $claims, self::hand($world));
        self::assertSame([2, 'Two'], [$decided->entry->things, $decided->overtaken[0]->subject ?? '']);
        self::assertSame(['One', 'Three'], array_map(static fn ($task) => $task->title(), array_values($world->memory->tasks)));
        $world->undo($decided->entry);
        self::assertSame($before, $world->state());

        $this->expectException(Overtaken::class);
        ($world->useStamp)(World::account(), new EntryId('again'), $stamp->id, [$claims[1]], self::hand($world));
    }

    public function testWhatCannotBeDoneOnOneIsDoneOnNone(): void
    {
        $world = self::world();
        $stamp = self::make($world, [
            new StampStep(StepKind::Label, ['money']),
            new StampStep(StepKind::Snooze, until: '30 nov 2026 at 9'),
        ]);
        $mail = [$world->conversation('One'), $world->conversation('Two')];
        $world->clock->set('2026-12-05T10:00:00Z');
        self::assertSame([false, true], array_column(($world->foresee)($stamp, $mail[0], self::hand($world)), 'refused'));
        $before = $world->state();
        try {
            self::use($world, $stamp, $mail);
            self::fail('It was done.');
        } catch (Refused $refused) {
            self::assertStringStartsWith('"One":', $refused->getMessage());
            self::assertSame($before, $world->state());
        }
    }

    public function testKeysAndNamesBelongToOne(): void
    {
        $world = self::world();
        self::make($world, [new StampStep(StepKind::Archive)]);
        $account = World::account();
        $hand = self::hand($world);
        $steps = [new StampStep(StepKind::Delete)];
        foreach ([
            ['Other', 1, 'key'],
            ['USUAL', 2, 'name'],
            ['', 2, 'name'],
            ['Other', 10, 'key'],
            [str_repeat('x', 61), null, 'name'],
        ] as [$name, $key, $field]) {
            try {
                $world->keepStamps->add($account, new EntryId($world->ids->next()), new StampId('other'), $name, $key, $steps, $hand);
                self::fail($name);
            } catch (Refused $refused) {
                self::assertSame($field, $refused->field);
            }
        }
        $states = [$world->state()];
        $entries = [$world->keepStamps->add($account, new EntryId('a'), new StampId('other'), 'Other', 2, $steps, $hand)];
        $states[] = $world->state();
        $entries[] = $world->keepStamps->edit($account, new EntryId('b'), new StampId('other'), 'Others', 2, $steps, $hand);
        $states[] = $world->state();
        $entries[] = $world->keepStamps->delete($account, new EntryId('c'), new StampId('other'));
        foreach (array_reverse($entries, true) as $number => $entry) {
            $world->undo($entry);
            self::assertSame($states[$number], $world->state());
        }
    }

    public function testAStampIsMadeOfWhatWasDone(): void
    {
        $world = self::world();
        $mail = $world->conversation();
        $moment = static fn (string $at): Moment => new Moment(new \DateTimeImmutable($at), World::zone());
        $label = ($world->putLabels)(World::account(), new EntryId('l'), [$mail->id], ['money'], []);
        $snoozed = $world->decide(new Snooze($moment('2026-11-27T15:30:00Z')), [$mail]);
        $handed = $world->decide(new HandOver('Petra Lind <petra@x.example>', 'the slates', $moment('2026-11-25T09:00:00Z')), [$mail]);
        $made = self::use($world, self::make($world, [
            new StampStep(StepKind::Task, line: 'Pay; due in 2 days at 10:00; list Office; low; label money'),
        ]), [$mail]);
        $task = new Entry($made->id, World::account(), $made->number, $made->at, EntryKind::MakeTask, '', '', $made->changes());
        $steps = static fn (Entry ...$entries): array => array_map(
            static fn (StampStep $step): array => $step->state(),
            ($world->stampOf)(World::account(), array_values($entries), World::zone())[0],
        );
        self::assertSame([
            ['do' => 'label', 'labels' => ['money']],
            ['do' => 'snooze', 'until' => 'in 3 days at 15:30', 'for' => 'snooze'],
        ], $steps($label, $snoozed));
        self::assertSame([
            ['do' => 'hand_over', 'until' => 'tomorrow at 09:00', 'to' => 'Petra Lind <petra@x.example>', 'what' => 'the slates'],
        ], $steps($snoozed, $handed), 'Who decided twice meant the later one.');
        self::assertSame([
            ['do' => 'task', 'line' => '{asked}; due in 2 days at 10:00; list Office; label money; low'],
        ], $steps($task));
        $office = ($world->putLabels)(World::account(), new EntryId('o'), [$mail->id], ['office'], []);
        self::assertSame([['do' => 'label', 'labels' => ['money', 'office']]], $steps($label, $office));
        $world->undo($office);
        $put = ($world->putIntoLists)(World::account(), new EntryId('p'), [$mail->id], [new ListId('office')], []);
        self::assertSame([['do' => 'list', 'list' => 'Office']], $steps($put));
        [, $left] = ($world->stampOf)(World::account(), [$world->undo($made)], World::zone());
        self::assertCount(1, $left);
        // It can be made as it is.
        $world->keepStamps->add(
            World::account(),
            new EntryId('made'),
            new StampId('made'),
            'Made',
            null,
            ($world->stampOf)(World::account(), [$label, $snoozed], World::zone())[0],
            self::hand($world),
        );
        self::assertCount(2, $world->memory->stamps);
    }

    public function testWhatWasStampedIsLearnedFromAsDecided(): void
    {
        $world = self::world();
        $mail = $world->conversation();
        $entry = self::use($world, self::make($world, [new StampStep(StepKind::Archive)]), [$mail]);
        $kinds = array_map(static fn ($change): ObjectKind => $change->object->kind, $entry->changes());
        self::assertSame([true, [ObjectKind::Conversation]], [$entry->kind->decides(), $kinds]);
    }

    private static function world(): World
    {
        $world = new World();
        $texts = ['thanks' => "Dear {first name},\n\nthank you.", 'asking' => "About {ask which pane}.\n"];
        foreach ($texts as $id => $text) {
            $world->keepTemplates->add(World::account(), new EntryId('template '.$id), $id, ucfirst($id), '', $text, 'thanks' === $id);
        }

        $world->changeLists->add(World::account(), new EntryId('office'), new ListId('office'), 'Office', Colour::Sea);

        return $world;
    }

    private static function hand(World $world, bool $canSend = true): StampHand
    {
        $titles = [];
        foreach ($world->memory->conversations as $conversation) {
            $titles[$conversation->id->text] = 'Lantern glass' === $conversation->subject() ? 'Which one shall it be?' : '';
        }

        return new StampHand(
            new Person(World::OWN, 'Wren Halloran'),
            new Speaker(new Moment($world->clock->now(), World::zone())),
            new PostSettings(signature: 'Wren'),
            $canSend,
            $titles,
        );
    }

    /** @param list<StampStep> $steps */
    private static function make(World $world, array $steps): Stamp
    {
        $id = new StampId('usual');
        $world->keepStamps->add(World::account(), new EntryId('make'), $id, 'Usual', 1, $steps, self::hand($world));

        return $world->memory->stamps['usual'] ?? throw new \LogicException('It was not made.');
    }

    /** @param list<Conversation> $on */
    private static function use(World $world, Stamp $stamp, array $on): Entry
    {
        return ($world->useStamp)(
            World::account(),
            new EntryId($world->ids->next()),
            $stamp->id,
            array_map(static fn (Conversation $one): Claim => new Claim($one->id), $on),
            self::hand($world),
        )->entry;
    }
}
