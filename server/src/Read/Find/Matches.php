<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Find;

use ZippyTray\Core\Find\Node\All;
use ZippyTray\Core\Find\Node\Any;
use ZippyTray\Core\Find\Node\Node;
use ZippyTray\Core\Find\Node\Not;
use ZippyTray\Core\Find\Node\Word;
use ZippyTray\Core\Mail\Text\InnerWords;

/**
 * Words as an expression of SQLite's full-text search (FTS5).
 */
final class Matches
{
    private function __construct()
    {
    }

    /**
     * @param bool $inside whether the index knows words without blanks by their pairs
     *
     * @return string|null null: it is not made of words alone, or says only what must not be there
     */
    public static function of(Node $node, bool $inside = true): ?string
    {
        if ($node instanceof Word) {
            return self::word($node, $inside);
        }
        if ($node instanceof Any) {
            $ways = array_map(static fn (Node $one): ?string => self::of($one, $inside), $node->of);

            return \in_array(null, $ways, true) ? null : '('.implode(' OR ', $ways).')';
        }
        if (!$node instanceof All) {
            return null;
        }
        $with = $without = [];
        foreach ($node->of as $one) {
            $match = self::of($one instanceof Not ? $one->of : $one, $inside);
            if (null === $match) {
                return null;
            }
            $one instanceof Not ? $without[] = $match : $with[] = $match;
        }
        if ([] === $with) {
            return null;
        }
        $all = '('.implode(' AND ', $with).')';

        return [] === $without ? $all : "({$all} NOT (".implode(' OR ', $without).'))';
    }

    private static function word(Word $node, bool $inside): string
    {
        $words = $node->words();
        if ($inside && InnerWords::isIn($node->text)) {
            $sought = array_merge(...array_map(InnerWords::sought(...), $words));

            return '('.implode(' AND ', $sought).')';
        }
        $phrase = '"'.implode(' ', $words).'"';

        return $node->isPhrase ? $phrase : $phrase.' *';
    }
}
