<?php

declare(strict_types=1);

namespace ZippyTray\Core;

/**
 * Where new identifiers come from, so that the core holds no randomness of its own.
 */
interface Ids
{
    /** A UUID (RFC 9562) in its 36-character text form, never given before. */
    public function next(): string;
}
