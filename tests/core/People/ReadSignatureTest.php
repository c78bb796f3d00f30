<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\People;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\People\ContactCard;
use ZippyTray\Core\People\Proposed;
use ZippyTray\Core\People\ReadSignature;
use ZippyTray\Core\Refused;
use ZippyTray\Tests\Core\World\World;

final class ReadSignatureTest extends TestCase
{
    /** @return iterable<string, array{string, string, list<string>}> name, text, what is proposed */
    public static function signatures(): iterable
    {
        yield 'a full one' => ['Olga Brandt', "Hello,\n\nyes.\n\n-- \nOlga Brandt\nSite manager\nBrandt Roofs Ltd\n12 Quay Street\n"
            ."Merrow H91 X2Y3\nTel: +353 91 555 0142 | Mobile 087 555 0143\nolga@brandt-roofs.example", [
                'name Olga Brandt', 'position Site manager', 'firm Brandt Roofs Ltd', 'email olga@brandt-roofs.example',
                'phone +353 91 555 0142', 'phone 087 555 0143', "address 12 Quay Street\nMerrow H91 X2Y3",
            ]];
        yield 'without a mark' => [
            'Sennen Roe',
            "See you on Thursday.\n\nKind regards\nSennen Roe\nSurveyor, Roe & Daughter\n(091) 555 0199",
            ['name Sennen Roe', 'position Surveyor, Roe & Daughter', 'email x@y.example', 'phone (091) 555 0199'],
        ];
        yield 'two on one line' => [
            'Olga Brandt',
            "Yes.\n\n-- \nOlga Brandt, Brandt Roofs\n+00 555 0134",
            ['name Olga Brandt', 'firm Brandt Roofs', 'email x@y.example', 'phone +00 555 0134'],
        ];
        yield 'a fax is no phone' => [
            'Kit Marsh',
            "-- \nKit Marsh\nFax: +353 1 555 0100\nPhone: +353 1 555 0101",
            ['name Kit Marsh', 'email x@y.example', 'phone +353 1 555 0101'],
        ];
        yield 'nothing but a first name' => ['Tam Achterberg', "It is.\n\nTam", ['name Tam Achterberg', 'email x@y.example']];
        yield 'dates and order numbers are no phones' => [
            'Tam',
            "-- \nOrder 2026-11-24, 4711-0815\nopen 10:00-16:00",
            ['name Tam', 'email x@y.example'],
        ];
        yield 'not what is quoted' => [
            'Tam Achterberg',
            "Yes.\n\nTam Achterberg\n\nOn Mon 2 Nov 2026 at 08:05, Olga Brandt wrote:\n> Hello\n> --\n> Olga Brandt\n> +353 91 555 0142",
            ['name Tam Achterberg', 'email x@y.example'],
        ];
        yield 'letters beyond ASCII keep their places' => [
            'Jörg Müller',
            "Grüße\n\n-- \nJörg Müller\nLeiter Technik\n☎ 0049 40 555 0177",
            ['name Jörg Müller', 'position Leiter Technik', 'email x@y.example', 'phone 0049 40 555 0177'],
        ];
    }

    /** @param list<string> $proposed */
    #[DataProvider('signatures')]
    public function testWhoSigns(string $name, string $text, array $proposed): void
    {
        $found = (new ReadSignature())->of(new Address('x@y.example', $name), $text);
        self::assertSame($proposed, array_map(static fn (Proposed $one): string => $one->field.' '.$one->value, $found));
        foreach ($found as $one) {
            if ($one->from >= 0) {
                self::assertSame(
                    preg_replace('/\s+/', ' ', $one->value),
                    preg_replace('/\s+/', ' ', mb_substr($text, $one->from, $one->to - $one->from)),
                    $one->field.' stands where it says.',
                );
            }
        }
    }

    public function testContactsAreKeptChangedAndTakenIn(): void
    {
        $world = new World();
        $made = $world->keepContacts->keep(
            World::account(),
            new EntryId('a'),
            'c1',
            new ContactCard('Tam', 'Tam@glass.example', ['1', '1', '']),
        );
        self::assertSame(['1'], $world->memory->contacts['c1']->card()->phones);
        foreach ([
            [
                static fn () => $world->keepContacts->keep(
                    World::account(),
                    new EntryId('b'),
                    'c2',
                    new ContactCard('Other', 'TAM@glass.example'),
                ),
                'email',
            ],
            [static fn () => new ContactCard('', ''), 'name'],
            [static fn () => new ContactCard('x', 'nonsense'), 'email'],
            [static fn () => new ContactCard(str_repeat('x', 301)), 'name'],
        ] as [$try, $field]) {
            try {
                $try();
                self::fail('It was taken.');
            } catch (Refused $refused) {
                self::assertSame($field, $refused->field);
            }
        }
        $before = $world->state();
        $in = $world->keepContacts->takeIn(
            World::account(),
            new EntryId('i'),
            [new ContactCard('Tam Achterberg', 'tam@glass.example'), new ContactCard('Ilse', 'ilse@x.example')],
        );
        self::assertSame(['Tam Achterberg', 2], [$world->memory->contacts['c1']->card()->name, \count($world->memory->contacts)]);
        $world->undo($in);
        self::assertSame($before, $world->state());
        $world->undo($made);
        self::assertSame([], $world->state());
    }
}
