<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

/**
 * Words that somebody looks for in a text: all of them have to occur, each from its beginning, in any order; what stands in double
 * quotes occurs as it is. Capitals and accents make no difference.
 */
final readonly class SoughtWords
{
    /** @param list<string> $sought patterns */
    private function __construct(private array $sought)
    {
    }

    public static function of(string $typed): self
    {
        preg_match_all('/"[^"]+"|[\p{L}\p{N}][\p{L}\p{N}\p{M}\'’_.-]*/u', $typed, $m);
        $sought = [];
        foreach ($m[0] as $one) {
            $words = preg_split('/[^\p{L}\p{N}]+/u', self::folded($one), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
            if ([] !== $words) {
                $sought[] = '/(?<![\p{L}\p{N}])'.implode('[^\p{L}\p{N}]+', array_map(
                    static fn (string $word): string => preg_quote($word, '/'),
                    $words,
                )).(str_starts_with($one, '"') ? '(?![\p{L}\p{N}])' : '').'/u';
            }
        }

        return new self($sought);
    }

    public function areIn(string $text): bool
    {
        $text = self::folded($text);
        foreach ($this->sought as $pattern) {
            if (1 !== preg_match($pattern, $text)) {
                return false;
            }
        }

        return [] !== $this->sought;
    }

    private static function folded(string $text): string
    {
        $text = mb_scrub($text);
        $parted = \Normalizer::normalize($text, \Normalizer::FORM_KD);

        return mb_strtolower((string) preg_replace('/\p{Mn}+/u', '', \is_string($parted) ? $parted : $text));
    }
}
