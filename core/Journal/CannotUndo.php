<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

/**
 * There is nothing left that could be put back. The message says why, in a sentence.
 */
final class CannotUndo extends \RuntimeException
{
}
