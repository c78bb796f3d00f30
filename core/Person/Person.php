<?php

declare(strict_types=1);

namespace ZippyTray\Core\Person;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Time\TimeSettings;

/**
 * Somebody whose mail this is, and who decides about it.
 */
final readonly class Person
{
    /**
     * @param string             $email  the address that they go by
     * @param string             $name   as the person writes it; may be empty
     * @param TimeSettings       $time   how this person speaks of time
     * @param \DateTimeZone|null $zone   in which a moment is shown that was written in a zone of its own; null: as it was written
     * @param list<string>       $others addresses of their own besides
     */
    public function __construct(
        public string $email,
        public string $name = '',
        public TimeSettings $time = new TimeSettings(),
        public ?\DateTimeZone $zone = null,
        public array $others = [],
    ) {
    }

    /** @return non-empty-list<string> all that are theirs, the one that they go by first */
    public function addresses(): array
    {
        return [$this->email, ...$this->others];
    }

    /** Whether an address is one of theirs. */
    public function is(Address $address): bool
    {
        return [] !== array_filter($this->addresses(), $address->is(...));
    }

    /** Whether mail to that address is mail to them: one of theirs, or a sub-address of one, name+detail@domain (RFC 5233). */
    public function isAddressedAs(string $email): bool
    {
        return '' !== $this->ownOf($email);
    }

    /** The detail of a sub-address of theirs (RFC 5233); null when it is none. */
    public function detailOf(string $email): ?string
    {
        $own = $this->ownOf($email);
        $at = (int) strrpos($email, '@');
        $local = substr($email, 0, $at);
        $length = (int) strrpos($own, '@');

        return '' === $own || \strlen($local) <= $length ? null : substr($local, $length + 1);
    }

    /** @return string which of theirs it is, or is a sub-address of; empty when of none */
    public function ownOf(string $email): string
    {
        $email = strtolower($email);
        foreach ($this->addresses() as $own) {
            $at = strrpos($own, '@');
            if (false !== $at && ($email === strtolower($own) || (
                str_starts_with($email, strtolower(substr($own, 0, $at)).'+') && str_ends_with($email, strtolower(substr($own, $at)))
            ))) {
                return $own;
            }
        }

        return '';
    }

    /** @param list<Address> $addresses */
    public function isAmong(array $addresses): bool
    {
        return [] !== array_filter($addresses, $this->is(...));
    }

    /**
     * Whether a name in a text means this person: any of the person's names, as they are known or as the text's writer
     * addresses them.
     *
     * @param list<Address> $addressed to whom the text is written
     */
    public function isCalled(string $name, array $addressed): bool
    {
        $names = [
            $this->name,
            explode('@', $this->email)[0],
            ...array_map(static fn (Address $address): string => $address->name, array_filter($addressed, $this->is(...))),
        ];
        $known = preg_split('/[\s._,-]+/u', mb_strtolower(implode(' ', $names)), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        foreach (preg_split('/\s+/u', mb_strtolower($name)) ?: [] as $word) {
            if (\in_array($word, $known, true)) {
                return true;
            }
        }

        return false;
    }
}
