<?php

declare(strict_types=1);

namespace ZippyTray\Server\Books;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/**
 * One thing that has to be so in a database in which nothing was lost.
 */
#[AutoconfigureTag]
interface BookCheck
{
    /** What is proved, as a sentence. */
    public function claim(): string;

    public function look(): Found;

    /** Makes anew what follows from other things. Does nothing where nothing can be made anew. */
    public function repair(): void;
}
