<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Text;

use ZippyTray\Core\Mail\Limit;

/**
 * Subjects and the marks that replying and forwarding leave on them, as programs write them in
 * different languages, also with a count: "Re[2]:".
 */
final readonly class SubjectLine
{
    private const REPLY = 're|aw|antw|sv|vs|rv|res|ref|odp|ynt|回复|答复|返信|отв|απ';

    private const FORWARD = 'fwd?|wg|vb|vl|fs|enc|tr|pd|ilt|doorst|转发|転送|пересл|πρθ';

    private const MARKS = '/^\s*(?:(?:'.self::REPLY.'|'.self::FORWARD.')(?:\s*[\[(]\d+[\])]|\^\d+)?\s*[:：]\s*)+/iu';

    private const FIRST = '/^\s*(?:\[[^\[\]]*\]\s*)*(?:'.self::REPLY.')(?:\s*[\[(]\d+[\])]|\^\d+)?\s*[:：]/iu';

    /** What remains without the marks. */
    public static function cleaned(string $subject): string
    {
        $subject = mb_substr($subject, 0, Limit::LINE);

        return trim(preg_replace(self::MARKS, '', $subject) ?? $subject);
    }

    /** Whether the subject says that this is a reply; a forwarded message is none. */
    public static function isReply(string $subject): bool
    {
        return 1 === preg_match(self::FIRST, $subject);
    }

    /**
     * What subjects of one conversation have in common: the base subject (RFC 5256, 2.1), without
     * marks, names of lists in brackets, capitals and double spaces. Empty when nothing is left.
     */
    public static function base(string $subject): string
    {
        $subject = mb_substr($subject, 0, Limit::LINE);
        $base = trim(preg_replace('/\s+/u', ' ', $subject) ?? $subject);
        do {
            $before = $base;
            $base = self::cleaned($base);
            $base = trim((string) preg_replace('/\s*\(fwd\)$/i', '', $base));
            $unlisted = trim((string) preg_replace('/^\[[^\[\]]*\]\s*/u', '', $base));
            $base = '' === $unlisted ? $base : $unlisted;
        } while ($base !== $before);

        return mb_strtolower($base);
    }
}
