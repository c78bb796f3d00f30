<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Day;

use ZippyTray\Core\Id;

/**
 * Which plan of a day.
 */
final readonly class DayPlanId extends Id
{
}
