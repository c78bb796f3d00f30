<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task\Stage;

use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Task\ListId;

/**
 * What can stand at a stage of its list: a task, or a conversation that belongs to it.
 */
interface AtStage extends Journaled
{
    public function listId(): ListId;

    public function stage(): ?StageSpot;

    /** @param StageSpot|null $spot null: off the line */
    public function standAt(?StageSpot $spot): void;
}
