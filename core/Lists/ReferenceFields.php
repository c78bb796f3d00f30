<?php

declare(strict_types=1);

namespace ZippyTray\Core\Lists;

use ZippyTray\Core\Refused;

/**
 * What a person says of a thing to look up.
 */
final readonly class ReferenceFields
{
    /** Characters. */
    public const TITLE_LENGTH = 300;

    public const TEXT_LENGTH = 50_000;

    public const URL_LENGTH = 2000;

    public string $title;

    public string $text;

    public string $url;

    /**
     * @param string $title empty: taken from what it is
     * @param string $text  in words of one's own (Markdown)
     * @param string $url   of a page on the web (RFC 3986, http or https); otherwise empty
     *
     * @throws Refused when one is too long, or the address is none
     */
    public function __construct(string $title, string $text = '', string $url = '')
    {
        $this->title = trim((string) preg_replace('/\s+/u', ' ', $title));
        $this->text = trim(str_replace(["\r\n", "\r"], "\n", $text));
        $url = trim($url);
        $this->url = '' === $url || 1 === preg_match('~^[a-z][a-z0-9+.-]*:~i', $url) ? $url : 'https://'.$url;
        foreach ([
            [$this->title, self::TITLE_LENGTH, 'A title', 'title'],
            [$this->text, self::TEXT_LENGTH, 'A text', 'text'],
            [$this->url, self::URL_LENGTH, 'An address', 'url'],
        ] as [$value, $most, $what, $field]) {
            if (mb_strlen($value) > $most) {
                throw new Refused(\sprintf('%s can have %s characters.', $what, number_format($most)), $field);
            }
        }
        if ('' !== $this->url && 1 !== preg_match('~^https?://[^\s/?#@]+\.?[^\s/?#@]*(?:[/?#]\S*)?$~iu', $this->url)) {
            throw new Refused('This is no address of a page on the web (https://…).', 'url');
        }
    }
}
