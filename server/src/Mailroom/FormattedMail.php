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
        $html = $this->sanitizer->sanitize($content->html ?? '');
        $html = (string) preg_replace_callback('/src="cid:([^"]+)"/', static fn (array $m): string => 'src="'.self::picture($m[1], $content->attachments).'"', $html);

        return '<!doctype html><meta charset="utf-8"><title>Message</title><style>'.self::STYLE.'</style>'.$html;
    }

    /** @param list<AttachmentContent> $attachments */
    private static function picture(string $contentId, array $attachments): string
    {
        $contentId = rawurldecode(html_entity_decode($contentId));
        foreach ($attachments as $found) {
            if ($found->attachment->contentId === $contentId && str_starts_with($found->attachment->type, 'image/')) {
                return 'data:'.$found->attachment->type.';base64,'.base64_encode($found->bytes);
            }
        }

        return '';
    }
}
