<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;
use Symfony\Component\HtmlSanitizer\Visitor\AttributeSanitizer\AttributeSanitizerInterface;

/**
 * Lets through what a style attribute says of colours, type and spacing, and nothing that could fetch, run or lay
 * itself over something else.
 */
final readonly class SafeStyle implements AttributeSanitizerInterface
{
    /** Bytes of one attribute. */
    private const LONGEST = 4000;

    private const PROPERTIES = '/^(?:color|background(?:-color)?|font(?:-(?:family|size|style|weight|variant))?|text-(?:align|decoration'
        .'|indent|transform)|line-height|letter-spacing|word-(?:spacing|break)|overflow-wrap|white-space|vertical-align|(?:margin'
        .'|padding)(?:-(?:top|right|bottom|left))?|border(?:-(?:top|right|bottom|left))?(?:-(?:color|style|width|radius))?'
        .'|border-(?:collapse|spacing)|(?:min-|max-)?(?:width|height)|display|float|clear|direction|list-style(?:-type)?|table-layout'
        .'|opacity)$/';

    /** Words, numbers, strings of fonts, and functions that make colours. */
    private const VALUE = '/^(?:(?:rgba?|hsla?)\([\d\s.,%\/]*\)|[^()\\\\@{};<>])*$/i';

    public function getSupportedElements(): ?array
    {
        return null;
    }

    public function getSupportedAttributes(): array
    {
        return ['style'];
    }

    public function sanitizeAttribute(string $element, string $attribute, string $value, HtmlSanitizerConfig $config): ?string
    {
        $kept = [];
        foreach (explode(';', substr($value, 0, self::LONGEST)) as $declaration) {
            [$property, $said] = explode(':', $declaration, 2) + [1 => ''];
            $property = strtolower(trim($property));
            $said = trim($said);
            if (1 === preg_match(self::PROPERTIES, $property) && '' !== $said && 1 === preg_match(self::VALUE, $said)) {
                $kept[] = $property.':'.$said;
            }
        }

        return [] === $kept ? null : implode(';', $kept);
    }
}
