<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerInterface;
use ZippyTray\Core\Mail\AttachmentContent;
use ZippyTray\Core\Mail\MessageContent;

/**
 * A message's HTML as a page that is safe to show: without scripts, forms and anything to fetch.
 * Pictures that came with the message are put into the page.
 */
final readonly class FormattedMail
{
    private const STYLE = 'body{margin:0;font:15px/1.5 system-ui,sans-serif;color:#1e2c35;background:#fff;overflow-wrap:anywhere}img{max-width:100%;height:auto}table{max-width:100%}pre{white-space:pre-wrap}blockquote{margin:0 0 0 .5em;padding-left:.8em;border-left:2px solid #ddd7ca}';

    public function __construct(#[Autowire(service: 'html_sanitizer.sanitizer.mail')] private HtmlSanitizerInterface $sanitizer)
    {
    }

    public function page(MessageContent $content): string
    {
        $marked = (string) preg_replace_callback(
            '/\bsrc\s*=\s*(["\']?)cid:([^"\'\s>]+)\1/i',
            static fn (array $m): string => 'src="'.self::mark(self::numberOf($m[2], $content->attachments)).'"',
            $content->html ?? '',
        );
        $html = (string) preg_replace_callback(
            '#'.self::mark('(\d+)').'#',
            static fn (array $m): string => self::picture($content->attachments[(int) $m[1]] ?? null),
            $this->sanitizer->sanitize($marked),
        );

        return '<!doctype html><meta charset="utf-8"><title>Message</title><style>'.self::STYLE.'</style>'.$html;
    }

    /** Stands for a picture while the page is made safe: short, and of a scheme that passes. */
    private static function mark(int|string $number): string
    {
        return 'data:image/x-attachment,'.$number;
    }

    /**
     * @param string                  $contentId   as in the HTML (RFC 2392)
     * @param list<AttachmentContent> $attachments
     */
    private static function numberOf(string $contentId, array $attachments): int
    {
        $contentId = rawurldecode(html_entity_decode($contentId));
        foreach ($attachments as $number => $found) {
            if ($found->attachment->contentId === $contentId && str_starts_with($found->attachment->type, 'image/')) {
                return $number;
            }
        }

        return \count($attachments);
    }

    private static function picture(?AttachmentContent $found): string
    {
        return null === $found ? 'data:,' : 'data:'.$found->attachment->type.';base64,'.base64_encode($found->bytes);
    }
}
