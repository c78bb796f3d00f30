<?php

declare(strict_types=1);

namespace ZippyTray\Core\Stamp;

/**
 * What stands in braces in the line of a task and is another for each conversation: {asked} what it asks for, as a title;
 * {subject}; {who} wrote last.
 */
final readonly class Gaps
{
    private const KNOWN = ['asked', 'subject', 'who'];

    public function __construct(private string $asked, private string $subject, private string $who)
    {
    }

    public function fill(string $text): string
    {
        return (string) preg_replace_callback('/\{\s*(asked|subject|who)\s*\}/iu', fn (array $m): string => match (mb_strtolower($m[1])) {
            'asked' => $this->asked,
            'subject' => $this->subject,
            default => $this->who,
        }, $text);
    }

    /** @return string a sentence about the first gap that there is not; empty when there is none */
    public static function fault(string $text): string
    {
        preg_match_all('/\{([^{}]*)\}/u', $text, $m);
        foreach ($m[1] as $gap) {
            if (!\in_array(mb_strtolower(trim($gap)), self::KNOWN, true)) {
                return \sprintf(
                    '"{%s}" is no gap that can be filled in. There are {asked}, {subject} and {who}.',
                    mb_strimwidth($gap, 0, 40, '…'),
                );
            }
        }

        return '';
    }
}
