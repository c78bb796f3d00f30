<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\People;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\People\ContactCard;
use ZippyTray\Tests\Core\World\World;

/**
 * Contacts are kept, changed, deleted and taken in from files, and each step can be undone.
 */
final class KeepContactsTest extends TestCase
{
    private World $world;

    protected function setUp(): void
    {
        $this->world = new World();
    }

    public function testADeletedOneIsGoneAndComesBackAsItWas(): void
    {
        $this->keep('tam', new ContactCard('Tam', 'tam@glass.example', ['1'], note: 'Glazier'));
        $before = $this->world->state();
        $entry = $this->world->keepContacts->delete(World::account(), new EntryId('gone'), 'tam');
        self::assertSame(['delete_contact', 'Tam', []], [$entry->kind->value, $entry->about, $this->world->memory->contacts]);
        $this->world->undo($entry);
        self::assertSame($before, $this->world->state());
        self::assertSame('Glazier', $this->world->memory->contacts['tam']->card()->note);
    }

    public function testWhatIsNotThereCannotBeDeleted(): void
    {
        $this->expectException(NotFound::class);
        $this->world->keepContacts->delete(World::account(), new EntryId('gone'), 'nobody');
    }

    public function testAChangeKeepsItsOwnAddress(): void
    {
        $this->keep('tam', new ContactCard('Tam', 'tam@glass.example'));
        $entry = $this->keep('tam', new ContactCard('Tam Achterberg', 'TAM@glass.example', ['1']));
        self::assertSame(['Tam Achterberg', ['1']], [$entry->about, $this->world->memory->contacts['tam']->card()->phones]);
        self::assertCount(1, $this->world->memory->contacts);
        $this->world->undo($entry);
        self::assertSame('Tam', $this->world->memory->contacts['tam']->card()->name);
    }

    public function testTheOnesWithoutAnAddressStandBesideOneAnother(): void
    {
        $entry = $this->keep('a', new ContactCard('Harbour office', '', ['1']));
        $this->keep('b', new ContactCard('Harbour office', '', ['2']));
        self::assertCount(2, $this->world->memory->contacts);
        self::assertSame('Harbour office', $entry->about);
        self::assertSame('ilse@x.example', $this->keep('c', new ContactCard('', 'ilse@x.example'))->about, 'Named by what there is.');
    }

    public function testAFileThatNamesOneTwiceChangesItTwice(): void
    {
        $entry = $this->world->keepContacts->takeIn(World::account(), new EntryId('file'), [
            new ContactCard('Tam', 'tam@glass.example'),
            new ContactCard('Tam Achterberg', 'Tam@Glass.example'),
            new ContactCard('Without', ''),
            new ContactCard('Without', ''),
        ]);
        $names = array_map(static fn ($contact): string => $contact->card()->name, array_values($this->world->memory->contacts));
        self::assertSame(['Tam Achterberg', 'Without', 'Without'], $names);
        self::assertSame($entry, $this->world->keepContacts->takeIn(World::account(), new EntryId('file'), [new ContactCard('Other', '')]));
        $this->world->undo($entry);
        self::assertSame([], $this->world->memory->contacts);
    }

    private function keep(string $id, ContactCard $card): Entry
    {
        return $this->world->keepContacts->keep(World::account(), new EntryId($this->world->ids->next()), $id, $card);
    }
}
