<?php

declare(strict_types=1);

namespace ZippyTray\Core\Label;

use ZippyTray\Core\Refused;

/**
 * What a label is called: a short word of the person's own. Capitals make no difference.
 */
final readonly class LabelName
{
    public const LENGTH = 40;

    /** A thing with more labels says nothing any more. */
    public const MOST = 20;

    public static function folded(string $name): string
    {
        return mb_strtolower(self::trimmed($name));
    }

    /** @throws Refused when it is empty, too long, or would be two */
    public static function checked(string $name): string
    {
        $name = self::trimmed($name);
        if ('' === $name) {
            throw new Refused('A label needs a name.', 'labels');
        }
        if (mb_strlen($name) > self::LENGTH) {
            throw new Refused(
                \sprintf(
                    'A label can have %d characters at most; "%s" has %d.',
                    self::LENGTH,
                    mb_strimwidth($name, 0, 30, '…'),
                    mb_strlen($name),
                ),
                'labels',
            );
        }

        return $name;
    }

    /**
     * Each name once, as it was first written, without empty ones.
     *
     * @param list<string> $names
     *
     * @return list<string>
     *
     * @throws Refused when one is too long, or there are too many
     */
    public static function each(array $names): array
    {
        $checked = [];
        foreach ($names as $name) {
            if ('' !== self::trimmed($name)) {
                $checked[self::folded($name)] ??= self::checked($name);
            }
        }
        if (\count($checked) > self::MOST) {
            throw new Refused(\sprintf('There can be %d labels on one thing at most.', self::MOST), 'labels');
        }

        return array_values($checked);
    }

    private static function trimmed(string $name): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $name));
    }
}
