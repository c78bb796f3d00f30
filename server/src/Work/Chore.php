<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/**
 * Something that has to be done from time to time, whether or not a page is open. Doing it once more than needed
 * changes nothing.
 */
#[AutoconfigureTag]
interface Chore
{
    public function name(): string;

    /** Seconds from one time to the next. */
    public function every(): int;

    public function do(\DateTimeImmutable $now): void;
}
