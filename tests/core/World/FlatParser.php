<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\Mail\Headers;
use ZippyTray\Core\Mail\MimeParser;
use ZippyTray\Core\Mail\MimePart;
use ZippyTray\Core\Mail\UnreadableMessage;

/**
 * Messages of one part: enough where the structure does not matter.
 */
final readonly class FlatParser implements MimeParser
{
    public function parse(string $raw): MimePart
    {
        $pieces = explode("\n\n", $raw, 2);
        $headers = Headers::parse($pieces[0]);

        return $headers->isEmpty() ? throw new UnreadableMessage('It has no header.') : new MimePart($headers, $pieces[1] ?? '');
    }
}
