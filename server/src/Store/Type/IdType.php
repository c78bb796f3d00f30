<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use Doctrine\DBAL\Platforms\AbstractPlatform;
use Doctrine\DBAL\Types\Type;
use ZippyTray\Core\Id;

/**
 * An id of its own kind, kept as its text.
 */
abstract class IdType extends Type
{
    /** @return class-string<Id> */
    abstract protected function kind(): string;

    public function getSQLDeclaration(array $column, AbstractPlatform $platform): string
    {
        return $platform->getStringTypeDeclarationSQL(['length' => 36] + $column);
    }

    public function convertToDatabaseValue(mixed $value, AbstractPlatform $platform): ?string
    {
        return $value instanceof Id ? $value->text : (\is_string($value) ? $value : null);
    }

    public function convertToPHPValue(mixed $value, AbstractPlatform $platform): ?Id
    {
        return \is_string($value) ? new ($this->kind())($value) : null;
    }
}
