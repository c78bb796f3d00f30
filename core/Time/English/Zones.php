<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\English;

/**
 * The abbreviations by which people name zones beside a time. They are no standard: some mean several zones.
 */
final readonly class Zones
{
    /**
     * Minutes east of UTC by names; the first one is meant unless the one who writes is where another one is used.
     *
     * @var array<string, list<int>>
     */
    public const NAMES = [
        'utc gmt^' => [0], 'wet^' => [0], 'west~' => [60], 'cet' => [60], 'cest' => [120], 'mez~' => [60], 'mesz' => [120],
        'eet' => [120], 'eest' => [180], 'msk' => [180],
        'bst' => [60, 360], 'ist' => [330, 60, 120], 'sast' => [120], 'gst' => [240], 'pkt' => [300], 'sgt^' => [480], 'hkt' => [480],
        'jst' => [540], 'kst' => [540],
        'aest' => [600], 'aedt' => [660], 'acst' => [570], 'awst' => [480], 'nzst' => [720], 'nzdt' => [780],
        'est^' => [-300], 'edt' => [-240], 'cst' => [-360, 480], 'cdt' => [-300], 'mst' => [-420], 'mdt' => [-360], 'pst' => [-480],
        'pdt' => [-420], 'akst' => [-540], 'hst' => [-600],
        'ast' => [-240, 180], 'nst' => [-210], 'brt' => [-180], 'art^' => [-180],
    ];

    /**
     * @param string $names a key of NAMES
     * @param int    $own   the offset of the one who writes, in minutes east of UTC
     */
    public static function of(string $names, int $own): \DateTimeZone
    {
        $offsets = self::NAMES[$names] ?? [0];
        $minutes = \in_array($own, $offsets, true) ? $own : $offsets[0];
        if (0 === $minutes) {
            return new \DateTimeZone('UTC');
        }

        return new \DateTimeZone(\sprintf('%s%02d:%02d', $minutes < 0 ? '-' : '+', intdiv(abs($minutes), 60), abs($minutes) % 60));
    }
}
