<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

use ZippyTray\Core\Mail\Remark\Hosts;

/**
 * Makes readable plain text of HTML: paragraphs, lists, quotes and links keep their shape.
 */
final readonly class HtmlText
{
    private const SKIPPED = ['head', 'style', 'script', 'title', 'template', 'noscript', 'object', 'svg', 'select', 'textarea'];

    private const PARAGRAPHS = ['p', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'ul', 'ol', 'dl', 'blockquote', 'pre', 'table', 'hr'];

    private const LINES = [
        'div', 'li', 'tr', 'dt', 'dd', 'section', 'article', 'header', 'footer', 'address', 'center', 'figure', 'form', 'body', 'main',
        'aside', 'nav',
    ];

    /** So many levels of quotes and lists are shown as such; what is deeper lies with the last. */
    private const LEVELS = 12;

    /** @param string $html UTF-8, of a size that a tree can be built of (BoundedHtml) */
    public function of(string $html): string
    {
        $document = new \DOMDocument();
        $before = libxml_use_internal_errors(true);
        // What the page says of its character set is no longer so.
        $html = (string) preg_replace('/<meta\b[^>]*charset[^>]*>/i', '', $html);
        // Of what lies in no body, bare text would be taken for a paragraph.
        $html = 1 === preg_match('/<(?:body|html|frameset)\b/i', $html) ? $html : '<html><body>'.$html.'</body></html>';
        $document->loadHTML('<?xml encoding="UTF-8">'.$html, \LIBXML_NONET | \LIBXML_PARSEHUGE);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        $text = $this->children($document, false, 0);
        $text = preg_replace(
            ["/[ \t\u{a0}\u{200b}\u{200c}\u{ad}\u{34f}\u{feff}]*\n/u", "/\n[ \t]+(?=\n)/", "/\n{3,}/"],
            ["\n", "\n", "\n\n"],
            $text,
        )
            ?? $text;

        return preg_replace("/\\A[\\s\u{a0}]+|[\\s\u{a0}]+\\z/u", '', $text) ?? $text;
    }

    private function children(\DOMNode $node, bool $pre, int $level): string
    {
        $pieces = [];
        $last = -1;
        $breaks = 0;
        $isInline = $this->isInline($node);
        $item = $node instanceof \DOMElement && 'ol' === $node->nodeName ? max(1, min(1_000_000, (int) $node->getAttribute('start'))) : 0;
        foreach ($node->childNodes as $child) {
            $piece = $this->node($child, $pre, $item, $level);
            $item += $item > 0 && 'li' === $child->nodeName ? 1 : 0;
            // A blank at the beginning of a line or paragraph is none, and two are one; within a line each part keeps its own.
            if (!$pre && ($last < 0 ? !$isInline : $breaks > 0 || str_ends_with($pieces[$last], ' '))) {
                $piece = ltrim($piece, ' ');
            }
            // A break behind the end of a line leaves one empty; a block begins one anyway.
            if (str_starts_with($piece, "\n") && ('br' !== $child->nodeName || $last < 0)) {
                $piece = $last < 0 ? ltrim($piece, "\n") : substr($piece, min($breaks, strspn($piece, "\n")));
                $last < 0 ?: $pieces[$last] = rtrim($pieces[$last], ' ');
            }
            if ('' !== $piece) {
                $pieces[++$last] = $piece;
                $ending = \strlen($piece) - \strlen(rtrim($piece, "\n"));
                $breaks = $ending === \strlen($piece) ? $breaks + $ending : $ending;
            }
        }

        return implode('', $pieces);
    }

    /**
     * @param int $item  number within an ordered list; 0: in none
     * @param int $level how many quotes and items it lies in
     */
    private function node(\DOMNode $node, bool $pre, int $item, int $level): string
    {
        if ($node instanceof \DOMText) {
            return $pre ? $node->data : (string) preg_replace('/[ \t\r\n]+/', ' ', $node->data);
        }
        if (!$node instanceof \DOMElement) {
            return '';
        }
        $name = strtolower($node->nodeName);
        if (\in_array($name, self::SKIPPED, true) || $this->isHidden($node)) {
            return '';
        }
        $text = match ($name) {
            'br' => "\n",
            'hr' => '----',
            'img' => $this->image($node),
            'a' => $this->link($node, $this->children($node, $pre, $level)),
            'li' => $this->item($item, $this->children($node, $pre, $level + 1), $level),
            'blockquote' => $this->quote($this->children($node, $pre, $level + 1), $level),
            'td', 'th' => trim($this->children($node, $pre, $level)).'  ',
            default => $this->children($node, $pre || 'pre' === $name, $level),
        };

        return match (true) {
            \in_array($name, self::PARAGRAPHS, true) => "\n\n".trim($text, "\n")."\n\n",
            // The last break within a block ends its last line, and begins none.
            'div' === $name => "\n".preg_replace('/(?<=[^\n])\n\z/', '', $text)."\n",
            \in_array($name, self::LINES, true) => "\n".trim($text, "\n")."\n",
            default => $text,
        };
    }

    private function isInline(\DOMNode $node): bool
    {
        return $node instanceof \DOMElement
            && !\in_array(
                strtolower($node->nodeName),
                [...self::PARAGRAPHS, ...self::LINES, 'html', 'td', 'th', 'caption', 'thead', 'tbody', 'tfoot'],
                true,
            );
    }

    private function isHidden(\DOMElement $element): bool
    {
        return $element->hasAttribute('hidden')
            || 1 === preg_match('/display\s*:\s*none|visibility\s*:\s*hidden|mso-hide\s*:\s*all/i', $element->getAttribute('style'));
    }

    private function image(\DOMElement $image): string
    {
        $alt = trim((string) preg_replace('/\s+/', ' ', $image->getAttribute('alt')));

        return '' === $alt ? '' : '['.$alt.']';
    }

    private function link(\DOMElement $link, string $text): string
    {
        $address = trim($link->getAttribute('href'));
        $bare = (string) preg_replace('/^(https?:\/\/|mailto:)|\/$/i', '', $address);
        $shown = trim($text);
        if ('' === $shown || 1 !== preg_match('/^(https?:|mailto:)/i', $address) || str_contains($shown, $bare)) {
            return $text;
        }
        $named = Hosts::named($shown);
        $isDisguised = '' !== $named && !Hosts::areRelated($named, Hosts::of($address));

        return match (true) {
            \strlen($address) <= 200 => $text.' <'.$address.'>',
            $isDisguised => $text.' <'.mb_strcut($address, 0, 200).'…>',
            default => $text,
        };
    }

    private function item(int $number, string $text, int $level): string
    {
        return (0 === $number ? '- ' : $number.'. ').str_replace(
            "\n",
            $level < self::LEVELS ? "\n  " : "\n",
            (string) preg_replace("/\n{2,}/", "\n", trim($text)),
        );
    }

    private function quote(string $text, int $level): string
    {
        return $level < self::LEVELS ? '> '.str_replace("\n", "\n> ", trim((string) preg_replace("/\n{3,}/", "\n\n", $text))) : $text;
    }
}
