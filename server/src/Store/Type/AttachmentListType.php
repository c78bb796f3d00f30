<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use Doctrine\DBAL\Platforms\AbstractPlatform;
use ZippyTray\Core\Mail\Attachment;
use ZippyTray\Core\Mail\CalendarEvent;

/**
 * @phpstan-import-type CalendarEventState from CalendarEvent
 */
final class AttachmentListType extends JsonList
{
    /** @return list<Attachment> */
    public function convertToPHPValue(mixed $value, AbstractPlatform $platform): array
    {
        /**
         * @var list<array{
         *     name: string, type: string, size: int, contentId: string, inline: bool, method?: string,
         *     event?: CalendarEventState
         * }> $attachments
         */
        $attachments = self::decoded($value);

        return array_map(
            static fn (array $a): Attachment => new Attachment(
                $a['name'],
                $a['type'],
                $a['size'],
                $a['contentId'],
                $a['inline'],
                $a['method'] ?? '',
                isset($a['event']) ? CalendarEvent::fromState($a['event']) : null,
            ),
            $attachments,
        );
    }
}
