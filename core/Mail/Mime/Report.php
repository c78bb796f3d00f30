<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

use ZippyTray\Core\Mail\Address;

/**
 * What a message reports of another one's delivery (RFC 3464).
 */
final readonly class Report
{
    /**
     * @param string       $messageHeader Message-ID of the message that it is about, without angle brackets; empty when it does not say
     * @param list<string> $failed        addresses that the message did not and will not reach
     */
    private function __construct(public string $messageHeader, public array $failed)
    {
    }

    /** Null when the message is no such report. */
    public static function of(MimePart $message): ?self
    {
        $status = self::find($message, ['message/delivery-status', 'message/global-delivery-status']);
        if (null === $status) {
            return null;
        }
        $failed = [];
        foreach (preg_split('/\R[ \t]*\R/', $status->bytes()) ?: [] as $block) {
            $fields = Headers::parse(ltrim($block, "\r\n"));
            $recipient = self::address($fields->get('original-recipient')) ?: self::address($fields->get('final-recipient'));
            $action = strtolower(trim((string) preg_replace('/\(.*$/s', '', $fields->get('action'))));
            // Some write "failure", or leave it out and give the status alone (RFC 3463).
            if (\in_array($action, ['failed', 'failure', 'undeliverable', 'rejected'], true)
                || ('' === $action && 1 === preg_match('/^\s*5\.\d/', $fields->get('status')))) {
                $failed[] = $recipient;
            }
        }
        $original = self::find($message, ['text/rfc822-headers', 'message/rfc822', 'message/global', 'message/global-headers']);
        $headers = null === $original ? null : Headers::parse(ltrim(preg_split('/\R[ \t]*\R/', $original->bytes(), 2)[0] ?? '', "\r\n"));

        return new self(trim((string) $headers?->get('message-id'), " \t<>"), array_values(array_filter($failed)));
    }

    /**
     * What a message without a machine-readable part says in its text; null when it is no report.
     *
     * @param list<Address> $to
     */
    public static function ofText(MimePart $message, Address $from, array $to, string $subject, string $text): ?self
    {
        if (!Undelivered::isSaid($from, $message->headers->get('return-path'), $subject, $text)) {
            return null;
        }
        $original = self::find($message, ['text/rfc822-headers', 'message/rfc822', 'message/global']);
        $headers = null === $original ? '' : $original->bytes();
        $header = 1 === preg_match(
            '/^[> \t]*message-id:\s*<([^<>\s]{1,250})>/mi',
            substr($headers, 0, 65_536)."\n".mb_strcut($text, 0, 65_536),
            $m,
        )
            ? $m[1]
            : '';

        return new self($header, Undelivered::isDelay($subject, $text) ? [] : Undelivered::addresses($text, [$from, ...$to]));
    }

    /** @param list<string> $types */
    private static function find(MimePart $part, array $types): ?MimePart
    {
        $type = strtolower(trim(explode(';', $part->headers->get('content-type'))[0]));
        if (\in_array($type, $types, true)) {
            return $part;
        }
        foreach ($part->parts as $child) {
            $found = self::find($child, $types);
            if (null !== $found) {
                return $found;
            }
        }

        return null;
    }

    /** Of "rfc822; tam@glass.example" (RFC 3464, 2.1.2). */
    private static function address(string $field): string
    {
        $parts = explode(';', $field, 2);
        $address = trim(trim($parts[1] ?? $parts[0]), '<>');

        // One that is masked reaches nobody, and says nothing of who was meant.
        return str_contains($address, '*') || !str_contains($address, '@') ? '' : $address;
    }
}
