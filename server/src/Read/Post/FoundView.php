<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Post;

use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\FoundDate;
use ZippyTray\Core\Tray\Advice\ListItem;
use ZippyTray\Core\Tray\Advice\MailKind;
use ZippyTray\Core\Tray\Advice\Request;
use ZippyTray\Server\Read\Tray\DateView;

/**
 * What was found in a message, each with its place in the text.
 */
final readonly class FoundView
{
    /**
     * @param list<array{text: string, from: int, to: int}> $requests
     * @param list<DateView>                                $dates
     * @param list<array{text: string, from: int, to: int}> $items
     */
    private function __construct(public MailKind $kind, public array $requests, public array $dates, public array $items)
    {
    }

    public static function of(Findings $findings): self
    {
        return new self(
            $findings->kind,
            array_map(
                static fn (Request $request): array => ['text' => $request->text, 'from' => $request->from, 'to' => $request->to],
                $findings->requests,
            ),
            // What an event says stands nowhere in the text.
            array_map(
                DateView::of(...),
                array_values(array_filter($findings->dates, static fn (FoundDate $date): bool => $date->to > $date->from)),
            ),
            array_map(
                static fn (ListItem $item): array => ['text' => $item->text, 'from' => $item->from, 'to' => $item->to],
                $findings->items,
            ),
        );
    }
}
