<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

/**
 * What a delivery status notification says (RFC 3464).
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
            if ('failed' === $action) {
                $failed[] = $recipient;
            }
        }
        $original = self::find($message, ['text/rfc822-headers', 'message/rfc822', 'message/global', 'message/global-headers']);
        $headers = null === $original ? null : Headers::parse(ltrim(preg_split('/\R[ \t]*\R/', $original->bytes(), 2)[0] ?? '', "\r\n"));

        return new self(trim((string) $headers?->get('message-id'), " \t<>"), array_values(array_filter($failed)));
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

        return trim(trim($parts[1] ?? ''), '<>');
    }
}
