<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

/**
 * The colours that a list can have, so that it is told apart at a glance.
 */
enum ListColour: string
{
    case Slate = 'slate';
    case Sea = 'sea';
    case Moss = 'moss';
    case Brass = 'brass';
    case Rust = 'rust';
    case Plum = 'plum';
    case Sky = 'sky';
}
