<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Mail\Text\BodyText;

/**
 * Finds the numbered, lettered and bulleted lists in what the sender wrote now, and within a
 * sentence "(1) …, (2) …".
 */
final readonly class ListFinder
{
    private const MARKER = '/
        ^[ \t]*(?:
            (?:\[[ xX]?\]|[☐☑✓□•‣▪◦·*+–-])[ \t]+(?:\[[ xX]?\][ \t]+)?
            |\(?(?<number>\d{1,2})[.)][ \t]+
            |\(?(?<letter>[a-z])\)[ \t]+
            |(?<point>[a-h])\.[ \t]+
        )(?=\S)
    /xu';

    private const INLINE = '/(?<=^|[\s,;:])\(?(?<mark>\d|[a-h])\)\s+(?<item>[^();]+?)\s*(?=[,;.]?\s*(?:and\s+|or\s+)?\(?(?:\d|[a-h])\)\s'
        .'|[.;?!]?\s*$|[.?!]\s)/u';

    private const LONGEST_ITEM = 300;

    /** The mark that a line begins with; null when it is no item. */
    public static function marker(string $line): ?string
    {
        return 1 === preg_match(self::MARKER, $line, $m) ? $m[0] : null;
    }

    /** @return list<list<ListItem>> lists of at least two items each, in order */
    public function of(string $text): array
    {
        $lists = [];
        foreach ((new BodyText())->pieces($text) as [$piece, $from]) {
            foreach ($this->inPart($piece, $from) as $items) {
                $lists[] = $items;
            }
        }

        return $lists;
    }

    /** @return list<list<ListItem>> */
    private function inPart(string $text, int $from): array
    {
        $lists = [];
        $items = [];
        $gap = 0;
        $at = $from;
        foreach (explode("\n", $text) as $line) {
            $marker = self::marker($line);
            $last = array_key_last($items);
            if (null !== $marker) {
                if ([] !== $items && $gap > 1) {
                    $lists[] = $items;
                    $items = [];
                }
                $items[] = $this->item(mb_substr($line, mb_strlen($marker)), $at + mb_strlen($marker));
                $gap = 0;
            } elseif ('' === trim($line)) {
                ++$gap;
            } elseif (null !== $last && 0 === $gap && 1 === preg_match('/^[ \t]{2,}\S|^\p{Ll}/u', $line)) {
                $items[$last] = new ListItem($items[$last]->text.' '.trim($line), $items[$last]->from, $at + mb_strlen(rtrim($line)));
            } else {
                $lists[] = $items;
                $items = [];
                $gap = 0;
                $lists[] = $this->inline($line, $at);
            }
            $at += mb_strlen($line) + 1;
        }
        $lists[] = $items;

        return array_values(array_filter(array_map($this->checked(...), $lists), static fn (array $items): bool => \count($items) > 1));
    }

    /**
     * "please send (1) the plan, (2) the quote".
     *
     * @return list<ListItem>
     */
    private function inline(string $line, int $at): array
    {
        if (preg_match_all(self::INLINE, $line, $found, \PREG_SET_ORDER | \PREG_OFFSET_CAPTURE) < 2) {
            return [];
        }
        $marks = array_map(static fn (array $match): string => (string) $match['mark'][0], $found);
        $expected = ctype_digit($marks[0])
            ? array_map(strval(...), range(1, \count($marks)))
            : \array_slice(range('a', 'z'), 0, \count($marks));
        if ($marks !== $expected) {
            return [];
        }

        return array_map(
            fn (array $match): ListItem => $this->item(
                (string) preg_replace('/[,;]?\s*(and|or)?$/', '', (string) $match['item'][0]),
                $at + mb_strlen(substr($line, 0, $match['item'][1])),
            ),
            $found,
        );
    }

    private function item(string $text, int $from): ListItem
    {
        $shown = rtrim($text);

        return new ListItem((string) preg_replace('/\s+/u', ' ', $shown), $from, $from + mb_strlen($shown));
    }

    /**
     * Items that are too long to be something to do are paragraphs with a number.
     *
     * @param list<ListItem> $items
     *
     * @return list<ListItem>
     */
    private function checked(array $items): array
    {
        $items = array_map(
            static fn (ListItem $item): ListItem => new ListItem(
                (string) preg_replace('/[,;.]$|,?\s+and$/u', '', $item->text),
                $item->from,
                $item->to,
            ),
            $items,
        );
        $tooLong = array_filter(
            $items,
            static fn (ListItem $item): bool => mb_strlen($item->text) > self::LONGEST_ITEM || '' === $item->text,
        );

        return [] === $tooLong ? $items : [];
    }
}
