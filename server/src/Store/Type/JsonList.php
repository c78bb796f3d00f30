<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use Doctrine\DBAL\Platforms\AbstractPlatform;
use Doctrine\DBAL\Types\Type;

/**
 * Value objects of the core, kept as JSON.
 */
abstract class JsonList extends Type
{
    public function getSQLDeclaration(array $column, AbstractPlatform $platform): string
    {
        return $platform->getJsonTypeDeclarationSQL($column);
    }

    public function convertToDatabaseValue(mixed $value, AbstractPlatform $platform): string
    {
        return json_encode($value, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
    }

    /** @return array<mixed> */
    protected static function decoded(mixed $value): array
    {
        $decoded = \is_string($value) ? json_decode($value, true, 16, \JSON_THROW_ON_ERROR) : [];

        return \is_array($decoded) ? $decoded : [];
    }
}
