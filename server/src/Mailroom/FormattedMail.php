<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerInterface;
use ZippyTray\Core\Mail\AttachmentContent;
use ZippyTray\Core\Mail\MessageContent;
use ZippyTray\Core\Mail\Mime\BoundedHtml;
use ZippyTray\Core\Mail\Remark\Hosts;

/**
 * A message's HTML as a page that is safe to show: without scripts, forms and anything to fetch, and of a bounded size.
 * Pictures that came with the message are put into the page. Where a link says one host and leads to another, that one
 * stands behind it.
 */
final readonly class FormattedMail
{
    /** To be raised whenever the page becomes another one, so that those that are kept are made anew. */
    public const VERSION = '1';

    /** Bytes of pictures in one page, written as text. */
    private const PICTURES = 20_000_000;

    private const STYLE = 'body{margin:0;font:15px/1.5 system-ui,sans-serif;color:#1e2c35;background:#fff;overflow-wrap:anywhere}'
        .'img{max-width:100%;height:auto}'
        .'table{max-width:100%}'
        .'pre{white-space:pre-wrap}'
        .'blockquote{margin:0 0 0 .5em;padding-left:.8em;border-left:2px solid #ddd7ca}'
        .'.leads-to{margin:0 .3em;padding:0 .3em;border:1px solid #9b2f3a;border-radius:3px;color:#9b2f3a;background:#fff;'
        .'font:13px/1.4 system-ui,sans-serif}';

    public function __construct(#[Autowire(service: 'html_sanitizer.sanitizer.mail')] private HtmlSanitizerInterface $sanitizer)
    {
    }

    /** What takes time: the HTML made safe. Pictures are only marked in it; page() puts them in. */
    public function safe(MessageContent $content): string
    {
        return self::withHosts($this->sanitizer->sanitize(BoundedHtml::of(self::marked($content)[0])->html));
    }

    /**
     * The HTML with a mark for each picture that came along or is written into it, and those that are written into it.
     *
     * @return array{string, list<string>} HTML, and addresses of the scheme "data" (RFC 2397), numbered on from the attachments
     */
    private static function marked(MessageContent $content): array
    {
        $written = [];
        $html = preg_replace_callback(
            '/\bsrc\s*=\s*(["\']?)(?:cid:(?<id>[^"\'\s>]++)|(?<data>data:image\/[^"\'\s>]*+))\1/i',
            static function (array $m) use ($content, &$written): string {
                if (!isset($m['data'])) {
                    return 'src="'.self::mark(self::numberOf($m['id'] ?? '', $content->attachments)).'"';
                }
                if (1 === preg_match('~^data:image/(?:png|jpe?g|gif|webp);base64,[a-z0-9+/=%]+$~iD', $m['data'])) {
                    $written[] = $m['data'];

                    return 'src="'.self::mark(\count($content->attachments) + \count($written) - 1).'"';
                }

                return 'src="data:,"';
            },
            $content->html ?? '',
        );

        return [$html ?? '', $written];
    }

    /** @param string $safe as safe() gave it */
    public function page(string $safe, MessageContent $content): string
    {
        $left = self::PICTURES;
        $encoded = [];
        foreach (str_contains($safe, self::mark('')) ? self::marked($content)[1] : [] as $number => $picture) {
            $encoded[\count($content->attachments) + $number] = $picture;
        }
        $html = (string) preg_replace_callback(
            '#'.self::mark('(\d+)').'#',
            static function (array $m) use ($content, &$left, &$encoded): string {
                $number = (int) $m[1];
                $encoded[$number] ??= self::picture($content->attachments[$number] ?? null);
                $left -= \strlen($encoded[$number]);

                return $left < 0 ? 'data:,' : $encoded[$number];
            },
            $safe,
        );

        return self::whole(($left < 0 ? '<p class="leads-to">Its pictures are too many or too large; some are left out.</p>' : '').$html);
    }

    /** A sentence where the message should be. */
    public static function sorry(string $sentence): string
    {
        return self::whole('<p>'.htmlspecialchars($sentence).'</p>');
    }

    private static function whole(string $html): string
    {
        return '<!doctype html><meta charset="utf-8"><title>Message</title><style>'.self::STYLE.'</style>'.$html;
    }

    /** @param string $html as the sanitiser writes it: attributes in double quotes, no link within another */
    private static function withHosts(string $html): string
    {
        return (string) preg_replace_callback('~<a\b[^>]*\bhref="([^"]*)"[^>]*>(.*?)</a>~s', static function (array $m): string {
            $text = static fn (string $html): string => html_entity_decode(strip_tags($html), \ENT_QUOTES | \ENT_HTML5);
            $named = Hosts::named($text($m[2]));
            $host = Hosts::of($text($m[1]));
            $isDisguised = '' !== $host && (('' !== $named && !Hosts::areRelated($named, $host)) || Hosts::isDeceptive($host));

            return $isDisguised
                ? $m[0].'<span class="leads-to">leads to '.htmlspecialchars(mb_strimwidth(Hosts::ascii($host), 0, 100, '…')).'</span>'
                : $m[0];
        }, $html);
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
