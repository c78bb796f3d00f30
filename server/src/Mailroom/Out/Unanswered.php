<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Out;

/**
 * A message was handed over, and no answer was seen.
 */
final class Unanswered extends \RuntimeException
{
}
