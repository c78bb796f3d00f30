<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use Doctrine\DBAL\Platforms\AbstractPlatform;
use Doctrine\DBAL\Types\Type;

/**
 * An instant as text in UTC, to the second: 2026-11-24T10:00:00Z (RFC 3339). It sorts as it is.
 */
final class UtcDateTimeType extends Type
{
    public const FORMAT = 'Y-m-d\TH:i:s\Z';

    public function getSQLDeclaration(array $column, AbstractPlatform $platform): string
    {
        return $platform->getStringTypeDeclarationSQL(['length' => 20] + $column);
    }

    public function convertToDatabaseValue(mixed $value, AbstractPlatform $platform): ?string
    {
        return $value instanceof \DateTimeInterface
            ? \DateTimeImmutable::createFromInterface($value)->setTimezone(new \DateTimeZone('UTC'))->format(self::FORMAT)
            : null;
    }

    public function convertToPHPValue(mixed $value, AbstractPlatform $platform): ?\DateTimeImmutable
    {
        return \is_string($value) ? new \DateTimeImmutable(substr($value, 0, 19), new \DateTimeZone('UTC')) : null;
    }
}
