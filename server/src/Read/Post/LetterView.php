<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Post;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Attachment;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Server\Read\DueView;
use ZippyTray\Server\Store\Files;

/**
 * A letter as somebody goes on writing it.
 *
 * @phpstan-import-type FileRow from Files
 * @phpstan-import-type DueShown from DueView
 */
final readonly class LetterView
{
    /**
     * @param list<FileRow>                                    $files
     * @param list<int>                                        $carried   places among the carriable
     * @param list<array{place: int, name: string, size: int}> $carriable attachments of the message that is answered or forwarded; bytes
     * @param string                                           $signature with its mark, as it stands in the text; may be empty
     * @param DueShown|null                                    $due       when an answer could be expected
     * @param string                                           $until     by when, as it was filled in; empty: no answer is expected
     * @param string                                           $from      an own address; empty: the one that they go by
     */
    private function __construct(
        public string $to,
        public string $cc,
        public string $bcc,
        public string $subject,
        public string $text,
        public bool $formatted,
        public array $files,
        public array $carried,
        public array $carriable,
        public string $signature,
        public ?array $due,
        public string $what,
        public string $until,
        public string $from,
    ) {
    }

    /**
     * @param list<FileRow>    $files
     * @param list<Attachment> $carriable
     * @param string           $signature of the person; may be empty
     * @param DueShown|null    $due
     */
    public static function of(Letter $letter, array $files, array $carriable, string $signature, ?array $due, string $what): self
    {
        return new self(
            self::written($letter->to),
            self::written($letter->cc),
            self::written($letter->bcc),
            $letter->subject,
            $letter->text,
            $letter->formatted,
            $files,
            $letter->carried,
            array_map(
                static fn (int $place, Attachment $attachment): array => [
                    'place' => $place,
                    'name' => $attachment->name,
                    'size' => $attachment->size,
                ],
                array_keys($carriable),
                $carriable,
            ),
            '' === $signature ? '' : "-- \n".$signature,
            $due,
            $what,
            $letter->until,
            $letter->from,
        );
    }

    /** @param list<Address> $addresses */
    private static function written(array $addresses): string
    {
        return implode(', ', array_map(static function (Address $address): string {
            if ('' === $address->email || '' === $address->name) {
                return $address->email.$address->name;
            }
            $name = 1 === preg_match('/^[\p{L}\p{M}\p{N} .\'-]+$/u', $address->name)
                ? $address->name
                : '"'.addcslashes($address->name, '"\\').'"';

            return $name.' <'.$address->email.'>';
        }, $addresses));
    }
}
