<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Post;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Post\Placeholders;
use ZippyTray\Core\Refused;
use ZippyTray\Tests\Core\World\World;

/**
 * It is Tuesday 24 November 2026, 10:00, and Wren Halloran writes.
 */
final class TemplateTest extends TestCase
{
    /** @return iterable<string, array{string, Address|null, array<string, string>, string}> text, to, answers, filled in */
    public static function texts(): iterable
    {
        $tam = new Address('tam@glass.example', 'Tam Achterberg');
        yield 'the first name' => ['Dear {first name},', $tam, [], 'Dear Tam,'];
        yield 'the other way round' => ['Dear {First  Name},', new Address('t@x.example', 'Achterberg, Tam'), [], 'Dear Tam,'];
        yield 'a title' => ['Dear {first name},', new Address('e@x.example', 'Dr. Elin Voss'), [], 'Dear Elin,'];
        yield 'only an address' => ['Dear {first name},', new Address('ilse.norgaard@x.example'), [], 'Dear Ilse,'];
        yield 'nobody by name' => ['Dear {first name},', new Address('contact@x.example', 'Contact form'), [], 'Hello,'];
        yield 'nobody by name, greeted otherwise' => [
            'Good morning {first name}, {first name}',
            new Address('info@x.example'),
            [],
            'Good morning, {first name}',
        ];
        yield 'nobody yet' => ['Dear {first name}, {name}', null, [], 'Dear {first name}, {name}'];
        yield 'both names' => ['{name} and {my name}, {my first name}', $tam, [], 'Tam Achterberg and Wren Halloran, Wren'];
        yield 'days' => [
            '{today}, {when next friday}, {when tomorrow 3pm}, {when in 2 weeks}',
            $tam,
            [],
            'Tuesday 24 November, Friday 4 December, Wednesday 25 November, 15:00, Tuesday 8 December',
        ];
        yield 'a day that cannot be read' => ['{when blursday}', $tam, [], '{when blursday}'];
        yield 'what is asked' => [
            '{ask which pane} and {ask which pane}, {ask}',
            $tam,
            ['which pane' => 'the second'],
            'the second and the second, {ask}',
        ];
        yield 'braces of other kinds' => ['{ x: 1 } {} {nothing} {{first name}}', $tam, [], '{ x: 1 } {} {nothing} {Tam}'];
        yield 'an answer that looks like a gap' => ['{ask a} {first name}', $tam, ['a' => '{my name}'], '{my name} Tam'];
    }

    /** @param array<string, string> $asked */
    #[DataProvider('texts')]
    public function testGapsAreFilledIn(string $text, ?Address $to, array $asked, string $filled): void
    {
        self::assertSame($filled, self::placeholders()->fill($text, $to, $asked));
    }

    public function testQuestionsAndFaults(): void
    {
        self::assertSame(
            ['which pane', 'What is written here?', 'how many'],
            Placeholders::questions('{ask which pane} {ask } {ask which pane} {ask how many}'),
        );
        self::assertSame(
            ['{when blursday}: I cannot read "blursday".'],
            self::placeholders()->faults('{when friday} {when blursday} { x: 1 } {}'),
        );
        self::assertStringStartsWith(
            '"{unknown gap}" is no gap that can be filled in.',
            self::placeholders()->faults('{today} {unknown gap}')[0],
        );
        self::assertSame(['{today}', '{their shoe size}'], Placeholders::left('{today} { x: 1 } {their shoe size} {} {{today}}'));
    }

    public function testTemplatesHaveNamesOfTheirOwn(): void
    {
        $world = new World();
        $added = $world->keepTemplates->add(
            World::account(),
            new EntryId('a'),
            't1',
            ' Opening  hours ',
            'Opening hours',
            'We open at ten.',
            true,
        );
        $world->keepTemplates->add(World::account(), new EntryId('b'), 't2', 'Thanks', '', 'Thank you, {first name}.', false);
        foreach ([
            ['opening HOURS', 'x', 'name'],
            ['', 'x', 'name'],
            [str_repeat('x', 101), 'x', 'name'],
            ['New', " \n", 'text'],
        ] as [$name, $text, $field]) {
            try {
                $world->keepTemplates->add(World::account(), new EntryId($world->ids->next()), $world->ids->next(), $name, '', $text, true);
                self::fail('It was taken.');
            } catch (Refused $refused) {
                self::assertSame($field, $refused->field);
            }
        }
        $before = $world->state();
        $edited = $world->keepTemplates->edit(World::account(), new EntryId('c'), 't2', 'Thanks', 'Thank you', 'Thank you.', true);
        $gone = $world->keepTemplates->delete(World::account(), new EntryId('d'), 't2');
        self::assertCount(1, $world->memory->templates);
        self::assertSame(['Opening hours', 'Thanks', 'Thanks'], [$added->about, $edited->about, $gone->about]);
        $world->undo($gone);
        $world->undo($edited);
        self::assertSame($before, $world->state());
    }

    private static function placeholders(): Placeholders
    {
        return new Placeholders((new World())->speaker(), 'Wren Halloran');
    }

    public function testTwoTemplatesHaveTwoNamesAlsoWhenOneIsRenamed(): void
    {
        $world = new World();
        $keep = $world->keepTemplates;
        $entry = static fn (): EntryId => new EntryId($world->ids->next());
        $keep->add(World::account(), $entry(), 'one', 'Thanks', '', 'Thank you.', false);
        $keep->add(World::account(), $entry(), 'two', 'Times', '', 'From 10 to 4.', false);
        $keep->edit(World::account(), $entry(), 'two', 'Times', '', 'From 10 to 5.', false);
        $this->expectException(Refused::class);
        $keep->edit(World::account(), $entry(), 'two', 'THANKS', '', 'From 10 to 5.', false);
    }
}
