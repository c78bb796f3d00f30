<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * In which words somebody asks. The order is that of how binding it is, the most binding first.
 */
enum RequestForm: int
{
    /** "Please send …", "Could you send …", "Send me …" */
    case Order = 4;

    /** "I would be grateful if you could …" */
    case Wish = 3;

    /** "We need your …" */
    case Need = 2;

    /** "Is the key still there?" */
    case Question = 1;

    /** "I cannot go on before the budget is released": like much that asks, in words of its own */
    case Likely = 0;
}
