<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Lists;

use ZippyTray\Core\Lists\ReferenceKind;
use ZippyTray\Server\Read\Tray\ListWord;
use ZippyTray\Server\Store\Row;

/**
 * A thing to look up, as it stands in its list.
 */
final readonly class ReferenceView
{
    /**
     * @param string                                                                     $text    Markdown, in words of one's own
     * @param array{id: string, name: string, type: string, size: int}|null              $file    in bytes
     * @param array{id: string, who: string, sentAt: string, conversation: ?string}|null $source  the copy of a message, and where it is
     *                                                                                            now; conversation: null where it is gone
     * @param string                                                                     $addedAt an instant in UTC (RFC 3339)
     */
    private function __construct(
        public string $id,
        public ListWord $list,
        public ReferenceKind $kind,
        public string $title,
        public string $text,
        public string $url,
        public ?array $file,
        public ?array $source,
        public string $addedAt,
    ) {
    }

    public static function of(Row $row): self
    {
        $file = $row->stringOrNull('file_id');
        $source = $row->stringOrNull('source_id');

        return new self(
            $row->string('id'),
            ListWord::of($row),
            ReferenceKind::tryFrom($row->string('kind')) ?? ReferenceKind::Text,
            $row->string('title'),
            $row->string('text'),
            $row->string('url'),
            null === $file ? null : [
                'id' => $file,
                'name' => $row->string('file_name'),
                'type' => $row->string('file_type'),
                'size' => $row->int('file_size'),
            ],
            null === $source ? null : [
                'id' => $source,
                'who' => $row->string('who'),
                'sentAt' => $row->string('sent_at'),
                'conversation' => $row->stringOrNull('conversation_id'),
            ],
            $row->string('added_at'),
        );
    }
}
