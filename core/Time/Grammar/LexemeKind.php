<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Grammar;

enum LexemeKind
{
    case Number;
    case Word;
    case Mark;
}
