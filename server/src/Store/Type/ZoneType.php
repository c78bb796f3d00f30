<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use Doctrine\DBAL\Platforms\AbstractPlatform;
use Doctrine\DBAL\Types\Type;

/**
 * A time zone by its IANA name, or a fixed offset such as +02:00.
 */
final class ZoneType extends Type
{
    public function getSQLDeclaration(array $column, AbstractPlatform $platform): string
    {
        return $platform->getStringTypeDeclarationSQL($column);
    }

    public function convertToDatabaseValue(mixed $value, AbstractPlatform $platform): ?string
    {
        return $value instanceof \DateTimeZone ? $value->getName() : null;
    }

    public function convertToPHPValue(mixed $value, AbstractPlatform $platform): ?\DateTimeZone
    {
        return \is_string($value) ? new \DateTimeZone($value) : null;
    }
}
