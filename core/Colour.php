<?php

declare(strict_types=1);

namespace ZippyTray\Core;

/**
 * The colours that a list or a label can have, so that it is told apart at a glance.
 */
enum Colour: string
{
    case Slate = 'slate';
    case Sea = 'sea';
    case Moss = 'moss';
    case Brass = 'brass';
    case Rust = 'rust';
    case Plum = 'plum';
    case Sky = 'sky';
}
