<?php

declare(strict_types=1);

namespace ZippyTray\Core\People;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Refused;

/**
 * What is known of a person besides their mail.
 *
 * @phpstan-type CardState array{
 *     name: string, email: string, phones: list<string>, position: string, firm: string, address: string,
 *     note: string
 * }
 */
final readonly class ContactCard
{
    private const LENGTH = 300;

    private const NOTE_LENGTH = 5000;

    private const PHONES = 10;

    public string $name;

    public string $email;

    /** @var list<string> */
    public array $phones;

    public string $position;

    public string $firm;

    public string $address;

    public string $note;

    /**
     * @param list<string> $phones  as they were written
     * @param string       $address postal, may have several lines
     *
     * @throws Refused when there is neither name nor address, or something is too long
     */
    public function __construct(
        string $name,
        string $email = '',
        array $phones = [],
        string $position = '',
        string $firm = '',
        string $address = '',
        string $note = '',
    ) {
        $this->name = self::line($name, 'name');
        $this->email = self::line($email, 'email');
        $this->position = self::line($position, 'position');
        $this->firm = self::line($firm, 'firm');
        $this->address = self::lines($address, 'address', self::LENGTH);
        $this->note = self::lines($note, 'note', self::NOTE_LENGTH);
        $this->phones = array_values(array_unique(array_filter(
            array_map(static fn (string $phone): string => self::line($phone, 'phones'), $phones),
            static fn (string $phone): bool => '' !== $phone,
        )));
        if ('' === $this->name && '' === $this->email) {
            throw new Refused('A contact needs a name or an address.', 'name');
        }
        if ('' !== $this->email && !Address::isValid($this->email)) {
            throw new Refused(\sprintf('"%s" is no address that mail can be sent to.', $this->email), 'email');
        }
        if (\count($this->phones) > self::PHONES) {
            throw new Refused(\sprintf('A contact can have %d numbers at most.', self::PHONES), 'phones');
        }
    }

    /** @return CardState */
    public function state(): array
    {
        return [
            'name' => $this->name,
            'email' => $this->email,
            'phones' => $this->phones,
            'position' => $this->position,
            'firm' => $this->firm,
            'address' => $this->address,
            'note' => $this->note,
        ];
    }

    /** @param CardState $state */
    public static function fromState(array $state): self
    {
        return new self(
            $state['name'],
            $state['email'],
            $state['phones'],
            $state['position'],
            $state['firm'],
            $state['address'],
            $state['note'],
        );
    }

    private static function line(string $text, string $field): string
    {
        return self::lines((string) preg_replace('/\s+/u', ' ', mb_scrub($text)), $field, self::LENGTH);
    }

    private static function lines(string $text, string $field, int $length): string
    {
        $text = trim((string) preg_replace('/[\x00-\x09\x0b-\x1f\x7f]+/', '', str_replace("\r\n", "\n", mb_scrub($text))));
        if (mb_strlen($text) > $length) {
            throw new Refused(\sprintf('This can have %d characters at most.', $length), $field);
        }

        return $text;
    }
}
