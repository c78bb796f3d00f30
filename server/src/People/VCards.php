<?php

declare(strict_types=1);

namespace ZippyTray\Server\People;

use Sabre\VObject\Component\VCard;
use Sabre\VObject\ParseException;
use Sabre\VObject\Property;
use Sabre\VObject\Splitter\VCard as Splitter;
use ZippyTray\Core\People\Contact;
use ZippyTray\Core\People\ContactCard;
use ZippyTray\Core\Refused;

/**
 * Contacts as vCard 4 (RFC 6350). Versions 2.1 and 3 are read, too.
 */
final readonly class VCards
{
    /** Cards of one file at the most. */
    public const MOST = 5000;

    /** @param iterable<Contact> $contacts */
    public function write(iterable $contacts): string
    {
        $cards = '';
        foreach ($contacts as $contact) {
            $card = $contact->card();
            $vcard = new VCard([
                'VERSION' => '4.0',
                'UID' => 'urn:uuid:'.$contact->id,
                'FN' => '' === $card->name ? $card->email : $card->name,
            ]);
            $words = preg_split('/\s+/u', $card->name, -1, \PREG_SPLIT_NO_EMPTY) ?: [];
            $vcard->add('N', [array_pop($words) ?? '', implode(' ', $words), '', '', '']);
            foreach ([
                'EMAIL' => $card->email,
                'TITLE' => $card->position,
                'ORG' => $card->firm,
                'NOTE' => $card->note,
            ] as $name => $value) {
                if ('' !== $value) {
                    $vcard->add($name, $value);
                }
            }
            foreach ($card->phones as $phone) {
                $vcard->add('TEL', $phone, ['VALUE' => 'text']);
            }
            if ('' !== $card->address) {
                $vcard->add('ADR', ['', '', $card->address, '', '', '', '']);
            }
            $cards .= $vcard->serialize();
            $vcard->destroy();
        }

        return $cards;
    }

    /**
     * @return array{
     *     list<ContactCard>, list<array{position: int, error: string}>
     * } what could be read, and what not, by its place in the file from 1 on
     *
     * @throws Refused when the file holds no card, or far too many
     */
    public function read(string $file): array
    {
        if (1 !== preg_match('/^\s*(?:\xEF\xBB\xBF)?BEGIN:VCARD/i', $file)) {
            throw new Refused('This is no vCard file: it does not begin with BEGIN:VCARD.', 'file');
        }
        if (substr_count(strtoupper($file), 'BEGIN:VCARD') > self::MOST) {
            throw new Refused(\sprintf('A file can hold %d contacts at most.', self::MOST), 'file');
        }
        [$cards, $refused] = [[], []];
        // One that is broken must not spoil the rest.
        preg_match_all('/BEGIN:VCARD.*?(?:END:VCARD|(?=BEGIN:VCARD)|\z)/is', $file, $m);
        foreach ($m[0] as $number => $source) {
            try {
                $cards[] = $this->card($source);
            } catch (Refused $problem) {
                $refused[] = ['position' => $number + 1, 'error' => $problem->getMessage()];
            } catch (\Throwable) {
                $refused[] = ['position' => $number + 1, 'error' => 'It is broken, and cannot be read.'];
            }
        }

        return [$cards, $refused];
    }

    /**
     * @throws ParseException
     * @throws Refused
     */
    private function card(string $source): ContactCard
    {
        $vcard = (new Splitter(self::stream($source), \Sabre\VObject\Parser\Parser::OPTION_FORGIVING))->getNext();
        if (!$vcard instanceof VCard) {
            throw new ParseException('no card');
        }
        $name = self::first($vcard, 'FN');
        if ('' === $name) {
            $parts = self::parts($vcard, 'N');
            $name = trim(($parts[1] ?? '').' '.($parts[0] ?? ''));
        }
        $emails = array_map(
            static fn (string $email): string => (string) preg_replace('/^mailto:/i', '', $email),
            self::all($vcard, 'EMAIL'),
        );
        // A card here has one address to write to; others stay in its note.
        $others = implode(', ', \array_slice($emails, 1));
        $note = implode("\n", array_filter([self::first($vcard, 'NOTE'), '' === $others ? '' : 'Also: '.$others]));

        return new ContactCard(
            $name,
            $emails[0] ?? '',
            array_map(static fn (string $phone): string => (string) preg_replace('/^tel:/i', '', $phone), self::all($vcard, 'TEL')),
            self::first($vcard, 'TITLE') ?: self::first($vcard, 'ROLE'),
            implode(', ', array_filter(self::parts($vcard, 'ORG'))),
            implode("\n\n", self::addresses($vcard)),
            $note,
        );
    }

    private static function first(VCard $vcard, string $name): string
    {
        return self::all($vcard, $name)[0] ?? '';
    }

    /** @return list<string> */
    private static function all(VCard $vcard, string $name): array
    {
        return array_values(array_map(
            static fn (Property $property): string => trim((string) $property),
            array_filter($vcard->select($name), static fn (mixed $one): bool => $one instanceof Property),
        ));
    }

    /** @return list<string> the parts of a value that has several */
    private static function parts(VCard $vcard, string $name): array
    {
        $property = array_values($vcard->select($name))[0] ?? null;

        return $property instanceof Property ? self::texts($property) : [];
    }

    /** @return list<string> the postal addresses, each over several lines */
    private static function addresses(VCard $vcard): array
    {
        $addresses = [];
        foreach ($vcard->select('ADR') as $property) {
            $lines = $property instanceof Property
                ? array_filter(array_map(trim(...), self::texts($property)), static fn (string $line): bool => '' !== $line)
                : [];
            $addresses[] = implode("\n", $lines);
        }

        return array_values(array_unique(array_filter($addresses)));
    }

    /** @return list<string> one for each part; of one that has several values (RFC 6350, 6.3.1) they stand below one another */
    private static function texts(Property $property): array
    {
        return array_values(array_map(
            static fn (mixed $part): string => \is_array($part)
                ? implode("\n", array_filter($part, is_string(...)))
                : (\is_string($part) ? $part : ''),
            $property->getParts(),
        ));
    }

    /** @return resource */
    private static function stream(string $source)
    {
        $stream = fopen('php://temp', 'r+') ?: throw new \RuntimeException('No memory to read it in.');
        fwrite($stream, $source);
        rewind($stream);

        return $stream;
    }
}
