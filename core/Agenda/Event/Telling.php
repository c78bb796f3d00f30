<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\Moment;

/**
 * That those who take part are told by mail: by whom, and when the letters go out.
 */
final readonly class Telling
{
    public function __construct(public Person $by, public Moment $at)
    {
    }
}
