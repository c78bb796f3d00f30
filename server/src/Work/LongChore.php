<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

/**
 * One that reads much before it writes, and opens its transactions itself: nobody else can write as long as one is open.
 */
interface LongChore extends Chore
{
}
