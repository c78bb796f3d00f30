<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use Doctrine\DBAL\Platforms\AbstractPlatform;
use ZippyTray\Core\Mail\Address;

final class AddressType extends JsonList
{
    public function convertToPHPValue(mixed $value, AbstractPlatform $platform): Address
    {
        /** @var array{name: string, email: string} $address */
        $address = self::decoded($value);

        return new Address($address['email'], $address['name']);
    }
}
