<?php

declare(strict_types=1);

namespace ZippyTray\Core\People;

/**
 * A field of a contact as it was found in a message.
 */
final readonly class Proposed
{
    /**
     * @param 'name'|'email'|'phone'|'position'|'firm'|'address' $field
     * @param int                                                $from  first character in the text, counted in code points; -1 when it
     *                                                                  stands in the message's head
     * @param int                                                $to    the character behind the last one
     */
    public function __construct(public string $field, public string $value, public int $from, public int $to)
    {
    }
}
