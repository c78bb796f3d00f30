<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Refused;

/**
 * Words that a person puts on tasks to find them together.
 */
final readonly class Labels
{
    public const LENGTH = 40;

    /** A task with more says nothing any more. */
    public const MOST = 20;

    /**
     * Each label once, capitals aside, as it was first written.
     *
     * @param list<string> $labels
     *
     * @return list<string>
     *
     * @throws Refused when one is too long, or there are too many
     */
    public static function checked(array $labels): array
    {
        $checked = [];
        foreach ($labels as $label) {
            $label = trim((string) preg_replace('/\s+/u', ' ', $label));
            if ('' === $label) {
                continue;
            }
            if (mb_strlen($label) > self::LENGTH) {
                throw new Refused(
                    \sprintf(
                        'A label can have %d characters at most; "%s" has %d.',
                        self::LENGTH,
                        mb_strimwidth($label, 0, 30, '…'),
                        mb_strlen($label),
                    ),
                    'labels',
                );
            }
            $checked[mb_strtolower($label)] ??= $label;
        }
        if (\count($checked) > self::MOST) {
            throw new Refused(\sprintf('A task can have %d labels at most.', self::MOST), 'labels');
        }

        return array_values($checked);
    }
}
