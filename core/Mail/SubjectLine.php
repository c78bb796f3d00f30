<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

/**
 * What remains of a subject without the marks that replying and forwarding leave.
 */
final readonly class SubjectLine
{
    /** "Re:" and "Fwd:" as programs write them in different languages, also with a count: "Re[2]:". */
    private const MARKS = '/^\s*(?:(?:re|fwd?|aw|antw|wg|sv|vs|vb|fs|rv|res|enc|ref|tr|odp|pd|ynt|ilt|doorst)(?:\s*[\[(]\d+[\])]|\^\d+)?\s*[:：]\s*)+/iu';

    public static function cleaned(string $subject): string
    {
        return trim((string) preg_replace(self::MARKS, '', $subject));
    }
}
