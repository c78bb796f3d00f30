<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find\Node;

/**
 * A word, of which the beginning is enough, or a phrase: words that follow each other.
 */
final readonly class Word implements Node
{
    /** @param bool $isPhrase it was written in quotes, and is meant as it stands */
    public function __construct(public string $text, public bool $isPhrase)
    {
    }

    /** @return list<string> of letters and digits */
    public function words(): array
    {
        return preg_match_all('/[\p{L}\p{N}\p{M}]+/u', $this->text, $m) ? $m[0] : [];
    }
}
