<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use ZippyTray\Core\Tray\Advice\AdvisedDecision;

/**
 * What somebody is likely to do with a conversation.
 */
final readonly class Leaning
{
    /**
     * @param float $share how likely it is, from 0 to 1
     * @param bool  $said  whether they said themselves that this is what it should be
     */
    public function __construct(public AdvisedDecision $decision, public float $share, public bool $said = false)
    {
    }
}
