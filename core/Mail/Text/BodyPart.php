<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Text;

/**
 * A stretch of a message's plain text.
 */
final readonly class BodyPart
{
    /**
     * @param int    $from    first character, counted in characters from 0
     * @param int    $to      the character behind the last one
     * @param string $answers of what was written between quotes: what it answers, without the marks of quoting
     */
    public function __construct(public BodyKind $kind, public int $from, public int $to, public string $answers = '')
    {
    }
}
