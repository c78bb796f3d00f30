<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\When;

enum LexemeKind
{
    case Number;
    case Word;
    case Mark;
}
