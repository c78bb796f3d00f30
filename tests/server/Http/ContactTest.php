<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Server\Store\Ports\ContactStore;
use ZippyTray\Tests\Server\ApiTestCase;

final class ContactTest extends ApiTestCase
{
    private const CARD = [
        'name' => 'Tam Achterberg',
        'email' => 'Tam@glass.example',
        'phones' => ['+353 91 555 0142'],
        'position' => 'Glazier',
        'firm' => 'Achterberg, Glass; & Co',
        'address' => "12 Quay Street\nMerrow",
        'note' => "Likes; commas, and\nlines",
    ];

    public function testACardIsProposedKeptAndFoundWithThePerson(): void
    {
        $account = $this->signIn();
        $conversation = $this->receive(text: "Which?\r\n\r\n-- \r\nTam Achterberg\r\nGlass Ltd\r\n+353 91 555 0142");
        $message = $this->service(Messages::class)->newestIn($account->id, new ConversationId($conversation));
        $proposed = $this->call('GET', "/messages/{$message}/contact");
        self::assertNull($proposed['contact']);
        self::assertSame(
            ['name' => 'Tam Achterberg', 'firm' => 'Glass Ltd', 'email' => 'tam@glass.example', 'phone' => '+353 91 555 0142'],
            array_column((array) $proposed['proposed'], 'value', 'field'),
        );
        $id = self::id();
        $kept = $this->call('PUT', '/contacts/'.$id, ['entry' => self::id()] + self::CARD);
        self::assertSame(['keep_contact', 'Tam Achterberg'], [$kept['kind'], $kept['about']]);
        $problem = $this->call('PUT', '/contacts/'.self::id(), ['entry' => self::id()] + self::CARD, 422);
        self::assertSame(['email'], array_column((array) $problem['violations'], 'field'));

        $this->makeTask(['title' => 'Measure', 'sources' => [['kind' => 'message', 'ref' => $message]]]);
        $this->decide('hand_over', [$conversation], ['phrase' => 'in 3 days'], more: ['by' => 'tam@glass.example', 'what' => 'the pane']);
        $person = $this->call('GET', '/people/tam@glass.example');
        self::assertSame(['id' => $id] + self::CARD, $person['contact']);
        self::assertSame([1, ['the pane'], ['Lantern glass'], ['Measure']], [
            ((array) $person['person'])['received'] ?? null, array_column((array) $person['owed'], 'what'), array_column(
                (array) $person['conversations'],
                'subject',
            ), array_column((array) $person['tasks'], 'title'),
        ]);
        $this->call('GET', '/people/nobody@glass.example', status: 404);
        $gone = $this->call('DELETE', "/contacts/{$id}?entry=".self::id());
        self::assertSame([], $this->rows('/contacts'));
        $this->undo($gone);
        self::assertSame([['id' => $id] + self::CARD], $this->rows('/contacts'));
        $this->signIn($this->account('other@ternpoint.example'));
        self::assertSame([], $this->rows('/contacts'));
    }

    public function testWhatIsWrittenIsReadAgain(): void
    {
        $this->signIn();
        $this->call('PUT', '/contacts/'.self::id(), ['entry' => self::id()] + self::CARD);
        $file = (string) $this->fetch('/contacts.vcf')->getContent();
        self::assertStringStartsWith("BEGIN:VCARD\r\nVERSION:4.0\r\n", $file);
        self::assertSame(['taken' => 1, 'refused' => []], array_diff_key($this->import($file), ['entry' => true]));
        self::assertSame(
            [self::CARD],
            array_map(static fn (array $one): array => array_diff_key($one, ['id' => true]), $this->rows('/contacts')),
            'The same address is the same person.',
        );
    }

    /** @return iterable<string, array{string, list<array<string, mixed>>, int}> file, what is known then (as far as it is said), refused */
    public static function files(): iterable
    {
        yield 'version 3, folded, with groups and types' => [
            "BEGIN:VCARD\r\nVERSION:3.0\r\nN:Roe;Sennen;;;\r\nitem1.EMAIL;TYPE=INTERNET:s.roe@surveyors-roe.example\r\n"
                ."TEL;TYPE=CELL:+353 87 5\r\n 55 0100\r\nORG:Roe;Surveys\r\nEND:VCARD\r\n",
            [[
                'name' => 'Sennen Roe',
                'email' => 's.roe@surveyors-roe.example',
                'phones' => ['+353 87 555 0100'],
                'firm' => 'Roe, Surveys',
            ]],
            0,
        ];
        yield 'version 4 with addresses as URIs' => [
            "BEGIN:VCARD\nVERSION:4.0\nFN:Ilse\nTEL;VALUE=uri:tel:+353-1-555-0100\nADR:;;12 Quay Street;Merrow;;H91 X2Y3;Ireland\n"
                ."END:VCARD\n",
            [['name' => 'Ilse', 'phones' => ['+353-1-555-0100'], 'address' => "12 Quay Street\nMerrow\nH91 X2Y3\nIreland"]],
            0,
        ];
        yield 'one without anything does not spoil the others' => [
            "BEGIN:VCARD\nVERSION:4.0\nNOTE:who?\nEND:VCARD\nBEGIN:VCARD\nVERSION:4.0\nFN:Kit\nEND:VCARD\n",
            [['name' => 'Kit']],
            1,
        ];
        yield 'one that is cut off' => [
            "BEGIN:VCARD\nVERSION:4.0\nFN:Kit\nEND:VCARD\nBEGIN:VCARD\nVERSION:4.0\nFN:Ha",
            [['name' => 'Kit']],
            1,
        ];
        yield 'an address that is none' => ["BEGIN:VCARD\nVERSION:4.0\nFN:Kit\nEMAIL:kit\nEND:VCARD\n", [], 1];
    }

    /** @param list<array<string, mixed>> $known */
    #[DataProvider('files')]
    public function testFilesOfOthersAreReadAsFarAsTheyCanBe(string $file, array $known, int $refused): void
    {
        $this->signIn();
        $answer = $this->import($file);
        self::assertSame([\count($known), $refused], [$answer['taken'], \count((array) $answer['refused'])]);
        foreach ($this->rows('/contacts') as $number => $contact) {
            self::assertSame($known[$number], array_intersect_key($contact, $known[$number]));
        }
        self::assertCount(\count($known), $this->rows('/contacts'));
    }

    public function testFiveThousandCardsAreTakenInAndTakenBack(): void
    {
        $account = $this->signIn();
        $cards = implode(
            '',
            array_map(
                static fn (int $n): string => "BEGIN:VCARD\nVERSION:4.0\nFN:Person {$n}\nEMAIL:p{$n}@glass.example\nEND:VCARD\n",
                range(1, 5000),
            ),
        );
        $flushes = new class {
            public int $count = 0;

            public function preFlush(): void
            {
                ++$this->count;
            }
        };
        $this->service(EntityManagerInterface::class)->getEventManager()->addEventListener('preFlush', $flushes);
        $answer = $this->import(str_replace('p5000@', 'P1@', $cards));
        self::assertSame(5000, $answer['taken']);
        self::assertCount(4999, $this->service(ContactStore::class)->all($account->id), 'Two have one address.');
        $this->undo((array) $answer['entry']);
        self::assertCount(0, $this->service(ContactStore::class)->all($account->id));
        self::assertLessThan(10, $flushes->count, 'The work does not grow with the square of their number.');
    }

    public function testWhatIsNoFileOfCardsIsRefused(): void
    {
        $this->signIn();
        foreach (['', 'hello', '<html>'] as $file) {
            $this->import($file, 422);
        }
    }

    /** @return array<mixed> */
    private function import(string $content, int $status = 200): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'vcf');
        file_put_contents($path, $content);
        $this->browser->request('POST', '/api/contacts/imports', files: ['file' => new UploadedFile($path, 'contacts.vcf', test: true)]);
        self::assertSame($status, $this->browser->getResponse()->getStatusCode(), (string) $this->browser->getResponse()->getContent());

        return (array) json_decode((string) $this->browser->getResponse()->getContent(), true, 16, \JSON_THROW_ON_ERROR);
    }
}
