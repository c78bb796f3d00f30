<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Advice;

use Symfony\Component\Yaml\Yaml;
use ZippyTray\Core\Mail\Attachment;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Tray\Advice\Gist;

/**
 * Letters with what a careful person finds in them, from the files beside this one.
 *
 * @phpstan-type Labels array{
 *     name: string, decision: string, title?: string, requests?: list<string>, dates?: list<string>,
 *     list?: list<string>, attachments?: list<string>, date?: string
 * }
 */
final class LabelledLetters
{
    public const ME = 'wren@ternpoint.example';

    private const DATE = 'Tue, 24 Nov 2026 10:00:00 +0000';

    private const TO = 'Wren Halloran <wren@ternpoint.example>';

    /** @return array<string, array{Labels, Gist}> by file and name */
    public static function all(): array
    {
        $all = [];
        foreach (glob(__DIR__.'/letters/*.letters') ?: [] as $file) {
            foreach (explode("\n=====\n", (string) file_get_contents($file)) as $part) {
                [$labels, $mail] = explode("\n---\n", $part, 2);
                /** @var Labels $labels */
                $labels = Yaml::parse($labels);
                $all[basename($file, '.letters').': '.$labels['name']] = [$labels, self::letter($labels, $mail)];
            }
        }

        return $all;
    }

    /** A letter to the person that says nothing but that. */
    public static function saying(string $text): Gist
    {
        return self::letter(
            ['name' => '', 'decision' => ''],
            "From: Tam Orrin <tam@orrin.example>\nSubject: Hello\nContent-Type: text/plain; charset=utf-8\n\n{$text}\n",
        );
    }

    /** @param Labels $labels */
    private static function letter(array $labels, string $mail): Gist
    {
        [$head] = explode("\n\n", $mail, 2);
        $fields = str_contains("\n".$head, "\nTo:") ? '' : 'To: '.self::TO."\n";
        $fields .= 'Date: '.($labels['date'] ?? self::DATE)."\n";
        $gist = Gist::of((new MessageReader())->read($fields.$mail, new \DateTimeImmutable('2027-06-01')));
        $attachments = array_map(
            static fn (string $attached): Attachment => new Attachment(explode(' ', $attached)[1], explode(' ', $attached)[0], 1000),
            $labels['attachments'] ?? [],
        );

        return new Gist(
            $gist->from,
            $gist->replyTo,
            $gist->to,
            $gist->cc,
            $gist->subject,
            $gist->sentAt,
            $gist->text,
            $gist->headers,
            $attachments,
        );
    }
}
