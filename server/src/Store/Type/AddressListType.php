<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use Doctrine\DBAL\Platforms\AbstractPlatform;
use ZippyTray\Core\Mail\Address;

final class AddressListType extends JsonList
{
    /** @return list<Address> */
    public function convertToPHPValue(mixed $value, AbstractPlatform $platform): array
    {
        /** @var list<array{name: string, email: string}> $addresses */
        $addresses = self::decoded($value);

        return array_map(static fn (array $address): Address => new Address($address['email'], $address['name']), $addresses);
    }
}
