<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Importance\Correction;
use ZippyTray\Core\Tray\Importance\CorrectionAbout;
use ZippyTray\Server\Store\StoredNow;

/**
 * What somebody said of mail of one sender, list or kind.
 */
final readonly class CorrectionView
{
    /**
     * @param int    $matters 1 when it matters more, -1 less, 0 when nothing was said of that
     * @param string $madeAt  in UTC (RFC 3339)
     */
    private function __construct(
        public string $id,
        public CorrectionAbout $about,
        public string $name,
        public int $matters,
        public ?AdvisedDecision $should,
        public string $madeAt,
    ) {
    }

    public static function of(Correction $correction): self
    {
        return new self(
            $correction->id,
            $correction->about,
            $correction->name,
            $correction->matters(),
            $correction->should(),
            StoredNow::of($correction->madeAt),
        );
    }
}
