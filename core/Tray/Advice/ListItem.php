<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * An item of a list in a message, which may become a subtask.
 */
final readonly class ListItem
{
    /**
     * @param string $text without its mark, on one line
     * @param int    $from first character in the message's text, counted in Unicode code points from 0
     * @param int    $to   the character behind the last one
     */
    public function __construct(public string $text, public int $from, public int $to)
    {
    }
}
