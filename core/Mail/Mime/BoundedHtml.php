<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

/**
 * HTML of a size and depth that programs which build a tree of it can bear.
 *
 * Too deep elements lose their tags and keep their text; what is too long ends early; a tag that is too long loses its
 * attributes. Otherwise the HTML is as it was. It is not made safe by that.
 */
final readonly class BoundedHtml
{
    /** Bytes. */
    public const LONGEST = 1_000_000;

    /** Tags that open something. */
    public const ELEMENTS = 12_000;

    public const DEPTH = 100;

    /** Bytes of one tag. */
    private const TAG = 100_000;

    /** Of one tag. */
    private const ATTRIBUTES = 100;

    /** What has no end, or whose end may be left out (HTML, 13.1.2.4): it does not go deeper by itself. */
    private const FLAT = [
        'area', 'base', 'br', 'col', 'embed', 'hr', 'img', 'input', 'link', 'meta', 'param', 'source', 'track', 'wbr', 'p', 'li', 'dt',
        'dd', 'td', 'th', 'tr', 'tbody', 'thead', 'tfoot', 'colgroup', 'option', 'optgroup', 'html', 'head', 'body',
    ];

    private function __construct(public string $html, public bool $isCut)
    {
    }

    public static function of(string $html): self
    {
        // Pictures that are written into it are large, and say nothing; who shows them takes them out before.
        $html = (string) preg_replace('~\bdata:[^"\'\s<>]{200,}+~i', 'data:,', $html);
        $isCut = \strlen($html) > self::LONGEST;
        $html = $isCut ? mb_strcut($html, 0, self::LONGEST) : $html;
        // What begins no tag is text (HTML, 13.2.5.6); some programs keep a complaint of each.
        $html = (string) preg_replace('~<(?![a-z/!?])~i', '&lt;', $html);
        if (\strlen($html) > self::LONGEST + self::LONGEST / 4) {
            [$html, $isCut] = [mb_strcut($html, 0, self::LONGEST), true];
        }
        $flat = array_fill_keys(self::FLAT, true);
        $depth = $elements = $at = $copied = 0;
        $bounded = '';
        while (false !== $tag = strpos($html, '<', $at)) {
            if (str_starts_with(substr($html, $tag, 4), '<!--')) {
                // A comment, whatever stands in it; one without an end is left out with what follows (HTML, 13.2.5.46).
                $end = strpos($html, '-->', $tag);
                $bounded .= substr($html, $copied, $tag - $copied);
                $at = $copied = false === $end ? \strlen($html) : $end + 3;
                continue;
            }
            $at = $tag + 1;
            if (1 !== preg_match('~\G<(/?)([a-z][^\s/>]*+)[^>]*+>?~i', $html, $m, 0, $tag)) {
                continue;
            }
            $at = $tag + \strlen($m[0]);
            $isNested = !isset($flat[strtolower($m[2])]) && !str_ends_with($m[0], '/>');
            if ('' === $m[1] && ++$elements > self::ELEMENTS) {
                return new self($bounded.substr($html, $copied, $tag - $copied), true);
            }
            $isTooDeep = $isNested && ('' === $m[1] ? $depth >= self::DEPTH : $depth > self::DEPTH);
            $depth = !$isNested ? $depth : max(0, $depth + ('' === $m[1] ? 1 : -1));
            $isTooLong = \strlen($m[0]) > self::TAG
                || (\strlen($m[0]) > 1000 && preg_match_all('/\s[^\s=<>"\']++\s*+=/', $m[0]) > self::ATTRIBUTES);
            if ($isTooDeep || $isTooLong) {
                $bounded .= substr($html, $copied, $tag - $copied).($isTooDeep ? '' : '<'.$m[1].substr($m[2], 0, 50).'>');
                [$copied, $isCut] = [$at, true];
            }
        }

        return new self($bounded.substr($html, $copied), $isCut);
    }
}
