<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

use ZippyTray\Core\Mail\AttachmentContent;

/**
 * What stands in text and HTML that is attached to a message, to be looked for.
 */
final readonly class AttachedText
{
    /** Characters in all, and bytes of one file that are read. */
    private const MOST = 60_000;

    private const BYTES = 200_000;

    public function __construct(private TextDecoder $decoder = new TextDecoder(), private HtmlText $html = new HtmlText())
    {
    }

    /** @param list<AttachmentContent> $attachments */
    public function of(array $attachments): string
    {
        $text = '';
        foreach ($attachments as $one) {
            if (mb_strlen($text) >= self::MOST || !str_starts_with($one->attachment->type, 'text/')) {
                continue;
            }
            try {
                $bytes = substr($one->bytes, 0, self::BYTES);
                $read = mb_scrub($this->decoder->decode($bytes, CharsetGuess::of($bytes) ?? 'utf-8'));
                $text .= ('text/html' === $one->attachment->type ? $this->html->of(BoundedHtml::of($read)->html) : $read)."\n";
            } catch (\Throwable) {
                // What cannot be read is not found by what stands in it.
                continue;
            }
        }

        return trim(mb_substr($text, 0, self::MOST));
    }
}
