<?php

declare(strict_types=1);

namespace ZippyTray\Core;

/**
 * What was asked for cannot be done as it was written. The message is a sentence for the person,
 * and $field names the input that has to change (empty when it is none in particular).
 */
final class Refused extends \RuntimeException
{
    public function __construct(string $sentence, public readonly string $field = '')
    {
        parent::__construct($sentence);
    }
}
