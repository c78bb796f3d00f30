<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Lists;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Lists\Reference;
use ZippyTray\Core\Lists\ReferenceFields;
use ZippyTray\Core\Lists\ReferenceKind;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Tests\Core\World\World;

/**
 * Things to look up, which belong to a list and ask nothing.
 */
final class ReferencesTest extends TestCase
{
    private World $world;

    protected function setUp(): void
    {
        $this->world = new World();
        foreach (['roof', 'shed'] as $name) {
            $this->world->changeLists->add(World::account(), new EntryId('add '.$name), new ListId($name), $name, Colour::Sea);
        }
    }

    public function testEachStepIsUndone(): void
    {
        $this->world->memory->files[] = 'plan';
        $states = [$this->world->state()];
        $entries = [];
        foreach ([
            fn (): Entry => $this->add('a', ReferenceKind::Page, new ReferenceFields('', url: 'tides.example/tern-point')),
            fn (): Entry => $this->add('b', ReferenceKind::Text, new ReferenceFields('', "# Slates\nWelsh ones only.")),
            fn (): Entry => $this->add('c', ReferenceKind::File, new ReferenceFields('plan.pdf'), file: 'plan'),
            fn (): Entry => $this->move('c', 'roof', null),
            fn (): Entry => $this->move('a', 'roof', 'b'),
            fn (): Entry => $this->move('b', 'shed', null),
            fn (): Entry => $this->edit('a', new ReferenceFields('Tides', 'For deliveries', 'https://tides.example/')),
            fn (): Entry => $this->world->keepReferences->delete(World::account(), $this->entryId(), ['c']),
            fn (): Entry => $this->world->changeLists->delete(World::account(), $this->entryId(), new ListId('shed'), new ListId('roof')),
            fn (): Entry => $this->world->changeLists->delete(World::account(), $this->entryId(), new ListId('roof'), null),
        ] as $do) {
            $entries[] = $do();
            $lines[] = $this->line();
            $states[] = $this->world->state();
        }
        self::assertSame([
            'roof: tides.example/tern-point',
            'roof: tides.example/tern-point, Slates',
            'roof: tides.example/tern-point, Slates, plan.pdf',
            'roof: plan.pdf, tides.example/tern-point, Slates',
            'roof: plan.pdf, Slates, tides.example/tern-point',
            'roof: plan.pdf, tides.example/tern-point | shed: Slates',
            'roof: plan.pdf, Tides | shed: Slates',
            'roof: Tides | shed: Slates',
            'roof: Tides, Slates',
            '',
        ], $lines);
        foreach (array_reverse($entries, true) as $number => $entry) {
            $this->world->undo($entry);
            self::assertEquals($states[$number], $this->world->state());
        }
    }

    public function testOfMailACopyIsKept(): void
    {
        $this->world->memory->files[] = 'sheet';
        $this->world->conversation('Prices of this season');
        $message = new EmailId((string) array_key_first($this->world->memory->messages));
        $this->add('a', ReferenceKind::Message, new ReferenceFields(''), message: $message);
        $this->add('b', ReferenceKind::Attachment, new ReferenceFields('Safety sheet.pdf'), message: $message, file: 'sheet');
        self::assertSame('roof: Prices of this season, Safety sheet.pdf', $this->line());
        foreach ($this->world->memory->references as $reference) {
            self::assertSame('Prices of this season', $this->world->memory->copies[(string) $reference->sourceId]->subject);
        }
    }

    public function testWhatAnotherWindowWroteIsNotOverwritten(): void
    {
        $this->add('a', ReferenceKind::Text, new ReferenceFields('Slates', 'Welsh'));
        $saw = $this->fieldsOf('a');
        $this->edit('a', new ReferenceFields('Slates', 'Welsh ones only'));
        $this->expectExceptionMessage('another window');
        $this->edit('a', new ReferenceFields('Slates', 'Spanish'), $saw);
    }

    #[DataProvider('addresses')]
    public function testAnAddressIsOfAPageOnTheWeb(string $typed, ?string $kept): void
    {
        if (null === $kept) {
            $this->expectException(Refused::class);
        }
        self::assertSame($kept, (new ReferenceFields('', url: $typed))->url);
    }

    /** @return iterable<array{string, string|null}> */
    public static function addresses(): iterable
    {
        yield ['https://tides.example/', 'https://tides.example/'];
        yield [' http://tides.example ', 'http://tides.example'];
        yield ['tides.example/a?b=c#d', 'https://tides.example/a?b=c#d'];
        yield ['https://tides.example:8443/a', 'https://tides.example:8443/a'];
        yield ['https://gezeiten.example/öffnung', 'https://gezeiten.example/öffnung'];
        yield ['', ''];
        yield ['javascript:alert(1)', null];
        yield ['JavaScript://tides.example/%0aalert(1)', null];
        yield ['data:text/html,x', null];
        yield ['file:///etc/passwd', null];
        yield ['https://wren@tides.example/', null];
        yield ['https://', null];
        yield ['https:// tides.example', null];
        yield ['two words', null];
        yield ['https://tides.example/'.str_repeat('a', 2000), null];
    }

    public function testNonsenseIsRefusedAndNothingIsKept(): void
    {
        foreach ([
            fn (): Entry => $this->add('a', ReferenceKind::Page, new ReferenceFields('Tides')),
            fn (): Entry => $this->add('a', ReferenceKind::Text, new ReferenceFields(' ', " \n")),
            fn (): Entry => $this->add('a', ReferenceKind::File, new ReferenceFields('plan')),
            fn (): Entry => $this->add('a', ReferenceKind::File, new ReferenceFields('plan'), file: 'gone'),
            fn (): Entry => $this->add('a', ReferenceKind::Message, new ReferenceFields('plan')),
            fn (): Entry => $this->add('a', ReferenceKind::Message, new ReferenceFields('plan'), message: new EmailId('gone')),
            fn (): Entry => $this->add('a', ReferenceKind::Text, new ReferenceFields('plan'), message: new EmailId('gone')),
            fn (): Entry => $this->add('a', ReferenceKind::Text, new ReferenceFields(str_repeat('a', 301))),
            fn (): Entry => $this->add('a', ReferenceKind::Text, new ReferenceFields('a', str_repeat('a', 50_001))),
            fn (): Entry => $this->add('a', ReferenceKind::Text, new ReferenceFields('a'), list: 'nowhere'),
            fn (): Entry => $this->move('a', 'roof', null),
            fn (): Entry => $this->world->keepReferences->delete(World::account(), $this->entryId(), ['a']),
        ] as $number => $do) {
            try {
                $do();
                self::fail("Number {$number} was taken.");
            } catch (Refused|NotFound) {
                self::assertSame('', $this->line());
            }
        }
        $this->add('a', ReferenceKind::Text, new ReferenceFields('A'));
        $this->add('b', ReferenceKind::Text, new ReferenceFields('B'), list: 'shed');
        foreach (['a', 'b'] as $behind) {
            try {
                $this->move('a', 'roof', $behind);
                self::fail('It stands behind what is not there.');
            } catch (NotFound) {
                self::assertSame('roof: A | shed: B', $this->line());
            }
        }
    }

    private function entryId(): EntryId
    {
        return new EntryId($this->world->ids->next());
    }

    private function add(
        string $id,
        ReferenceKind $kind,
        ReferenceFields $fields,
        ?EmailId $message = null,
        ?string $file = null,
        string $list = 'roof',
    ): Entry {
        return $this->world->keepReferences->add(
            World::account(),
            $this->entryId(),
            $id,
            new ListId($list),
            $kind,
            $fields,
            $message,
            $file,
        );
    }

    private function move(string $id, string $list, ?string $behind): Entry
    {
        return $this->world->keepReferences->move(World::account(), $this->entryId(), $id, new ListId($list), $behind);
    }

    private function edit(string $id, ReferenceFields $fields, ?ReferenceFields $was = null): Entry
    {
        return $this->world->keepReferences->edit(World::account(), $this->entryId(), $id, $fields, $was ?? $this->fieldsOf($id));
    }

    private function fieldsOf(string $id): ReferenceFields
    {
        $reference = $this->world->memory->references[$id];

        return new ReferenceFields($reference->title(), $reference->text(), $reference->url());
    }

    /**
     * What is in which list, as "roof: A, B | shed: C".
     *
     * @phpstan-impure
     */
    private function line(): string
    {
        $line = [];
        foreach (['roof', 'shed'] as $list) {
            $here = array_filter($this->world->memory->references, static fn (Reference $one): bool => $one->listId()->text === $list);
            usort($here, static fn (Reference $one, Reference $other): int => strcmp($one->rank(), $other->rank()));
            $line[] = [] === $here ? '' : $list.': '.implode(', ', array_map(static fn (Reference $one): string => $one->title(), $here));
        }

        return implode(' | ', array_filter($line));
    }
}
