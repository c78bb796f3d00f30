<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Attachment;
use ZippyTray\Core\Mail\AttachmentContent;
use ZippyTray\Core\Mail\Limit;
use ZippyTray\Core\Mail\MessageContent;
use ZippyTray\Core\Mail\Remark\Characters;
use ZippyTray\Core\Mail\Remark\Remark;
use ZippyTray\Core\Mail\Remark\RemarkFinder;
use ZippyTray\Core\Mail\Remark\RemarkKind;

/**
 * Reads a message: who, when, what about, its text and what came with it.
 */
final readonly class MessageReader
{
    private const LIST_HEADERS = [
        'list-id', 'list-post', 'list-unsubscribe', 'list-unsubscribe-post', 'precedence', 'auto-submitted', 'return-path',
        'x-auto-response-suppress', 'x-autoreply', 'x-autorespond',
    ];

    private TextDecoder $text;

    private HeaderDecoder $decoder;

    private HeaderParameters $parameters;

    private AddressParser $addresses;

    public function __construct(
        private MimeStructure $structure = new MimeStructure(),
        private HtmlText $htmlText = new HtmlText(),
        private MessageDate $date = new MessageDate(),
        private RemarkFinder $remarks = new RemarkFinder(),
        private ?Calendars $calendars = null,
    ) {
        $this->text = new TextDecoder();
        $this->decoder = new HeaderDecoder($this->text);
        $this->parameters = new HeaderParameters($this->decoder, $this->text);
        $this->addresses = new AddressParser($this->decoder);
    }

    /**
     * @param string             $raw        the message's bytes
     * @param \DateTimeImmutable $importedAt stands in for a date that is missing, and bounds one that is absurd
     *
     * @throws UnreadableMessage when the bytes are no message
     */
    public function read(string $raw, \DateTimeImmutable $importedAt): MessageContent
    {
        $root = $this->structure->parse($raw);
        $headers = $root->headers;
        $parts = new BodyParts($this->parameters);
        $parts->sort($root);
        $html = [] === $parts->html ? null : implode("\n", array_map($this->string(...), $parts->html));
        $plain = $this->plain($parts->plain);
        $bounded = null === $html ? null : BoundedHtml::of($html);
        $isPlain = '' !== trim($plain) || null === $html;
        $report = Report::of($root);
        [$sentAt, $dateSource] = $this->date->of($headers, $importedAt);
        $text = $isPlain ? $plain : $this->htmlText->of($bounded->html ?? '');
        $from = ($this->addresses->parse($headers->get('from')) ?: $this->addresses->parse($headers->get('sender')))[0] ?? new Address('');

        $to = $this->addresses->parse(implode(', ', $headers->all('to')));
        $report ??= Report::ofText($root, $from, $to, $this->decoder->decode($headers->get('subject')), $text);

        return new MessageContent(
            MessageIds::own($this->text->decode($headers->get('message-id'), '')),
            // A report belongs to the message that it is about, also where it does not say so itself.
            MessageIds::in($this->text->decode(
                $headers->get('references').' '.$headers->get('in-reply-to').(null === $report ? '' : " <{$report->messageHeader}>"),
                '',
            )),
            $from,
            $this->addresses->parse($headers->get('reply-to')),
            $to,
            $this->addresses->parse(implode(', ', $headers->all('cc'))),
            self::line(Characters::plain($this->decoder->decode($headers->get('subject')))),
            $sentAt,
            $dateSource,
            $text,
            $html,
            $isPlain,
            $this->attachments($parts, $sentAt->zone),
            $this->listHeaders($headers),
            self::fingerprintOf($headers, $raw),
            $report,
            [
                ...$this->limits($root, $bounded),
                ...$this->guesses($parts),
                ...$this->remarks->of(
                    $from,
                    $this->decoder->decode($headers->get('from')),
                    $this->decoder->decode($headers->get('subject')),
                    $this->names($parts),
                    $bounded?->html,
                ),
            ],
            Delivery::recipients($headers),
            Delivery::isDisowned($headers),
        );
    }

    /** @param list<MimePart> $parts */
    private function plain(array $parts): string
    {
        $texts = [];
        foreach ($parts as $part) {
            $text = str_replace(
                ["\r\n", "\r", "\0"],
                ["\n", "\n", ''],
                $this->text->decode(InlineFiles::in($part->bytes())->text, $this->charset($part)),
            );
            $type = $part->headers->get('content-type');
            if ('flowed' === strtolower($this->parameters->get($type, 'format'))) {
                $text = FlowedText::unflow($text, 'yes' === strtolower($this->parameters->get($type, 'delsp')));
            }
            $texts[] = rtrim($text);
        }

        return ltrim(implode("\n\n", $texts), "\n");
    }

    private function string(MimePart $part): string
    {
        return $this->text->decode($part->bytes(), $this->charset($part));
    }

    /** A declaration inside the HTML counts when the part has none. */
    private function charset(MimePart $part): string
    {
        $type = $part->headers->get('content-type');
        $declared = $this->parameters->get($type, 'charset');
        if ('' === $declared
            && 'text/html' === $this->parameters->value($type)
            && 1 === preg_match('/<meta[^>]+charset\s*=\s*["\']?([\w.:-]+)/i', substr($part->bytes(), 0, 4096), $m)) {
            return $m[1];
        }

        return $this->guessed($part, $declared) ?? $declared;
    }

    /** The set of a part that does not say one, or one without the letters that are in it; null when it is not told by guessing. */
    private function guessed(MimePart $part, string $declared): ?string
    {
        return \in_array(strtolower(trim($declared)), ['', 'us-ascii', 'ascii', 'unknown-8bit', 'x-unknown', '8bit'], true)
            ? CharsetGuess::of($part->bytes())
            : null;
    }

    /** @return list<Remark> */
    private function guesses(BodyParts $parts): array
    {
        foreach ([...$parts->plain, ...$parts->html] as $part) {
            $charset = $this->parameters->get($part->headers->get('content-type'), 'charset');
            if ($this->charset($part) !== $charset && null !== $this->guessed($part, $charset)) {
                return [new Remark(RemarkKind::Charset)];
            }
        }

        return [];
    }

    /** @return list<AttachmentContent> */
    private function attachments(BodyParts $parts, \DateTimeZone $zone): array
    {
        $attachments = [];
        foreach ($parts->attached as $part) {
            $type = $parts->typeOf($part);
            $disposition = $part->headers->get('content-disposition');
            $bytes = $part->bytes();
            $isCalendar = \in_array($type, ['text/calendar', 'application/ics'], true);
            $contentId = MessageIds::own($this->text->decode($part->headers->get('content-id'), ''));
            $attachments[] = new AttachmentContent(new Attachment(
                $this->fileName($part, $type, \count($attachments) + 1),
                $type,
                \strlen($bytes),
                $contentId,
                '' !== $contentId && 'attachment' !== $this->parameters->value($disposition) && [] !== $parts->html,
                $isCalendar ? $this->method($part, $bytes) : '',
                $isCalendar ? $this->calendars?->event($this->text->decode(
                    $bytes,
                    $this->parameters->get($part->headers->get('content-type'), 'charset'),
                ), $zone) : null,
            ), $bytes);
        }

        foreach ($parts->plain as $part) {
            foreach (InlineFiles::in($part->bytes())->files as [$name, $type, $bytes]) {
                $attachments[] = new AttachmentContent(
                    new Attachment(
                        self::shortName($this->cleanName($name) ?: 'attachment-'.(\count($attachments) + 1)),
                        $type,
                        \strlen($bytes),
                    ),
                    $bytes,
                );
            }
        }

        return $attachments;
    }

    /** What a calendar object is for: its part says so (RFC 6047, 2.4), or the object itself (RFC 5545, 3.7.2). */
    private function method(MimePart $part, string $bytes): string
    {
        $method = strtolower($this->parameters->get($part->headers->get('content-type'), 'method'));
        if ('' === $method && 1 === preg_match('/^METHOD(?:;[^:\r\n]*)?:([A-Za-z-]+)\s*$/mi', substr($bytes, 0, 16_384), $m)) {
            $method = strtolower($m[1]);
        }

        return 1 === preg_match('/^[a-z-]{1,30}$/', $method) ? $method : '';
    }

    /** @return list<string> of what came along, as they were sent */
    private function names(BodyParts $parts): array
    {
        return array_map($this->sentName(...), $parts->attached);
    }

    private function sentName(MimePart $part): string
    {
        return $this->parameters->get($part->headers->get('content-disposition'), 'filename')
            ?: $this->parameters->get($part->headers->get('content-type'), 'name');
    }

    /** @return list<Remark> */
    private function limits(MimePart $root, ?BoundedHtml $html): array
    {
        $kinds = [...$root->limits, ...$root->headers->limits, ...(true === $html?->isCut ? [RemarkKind::Html] : [])];

        return array_map(static fn (RemarkKind $kind): Remark => new Remark($kind), array_values(array_unique($kinds, \SORT_REGULAR)));
    }

    private function fileName(MimePart $part, string $type, int $number): string
    {
        $name = Characters::plain($this->sentName($part));
        if ('' === $name && 'message/rfc822' === $type) {
            $subject = $this->decoder->decode(Headers::parse(substr($part->bytes(), 0, 16_384))->get('subject'));
            $name = '' === $subject ? '' : $subject.'.eml';
        }
        $name = $this->cleanName($name);
        if ('' !== $name) {
            return self::shortName($name);
        }
        $endings = [
            'text/calendar' => 'ics', 'text/plain' => 'txt', 'text/html' => 'html', 'message/rfc822' => 'eml',
            'message/delivery-status' => 'txt', 'image/jpeg' => 'jpg', 'application/pgp-signature' => 'asc',
            'application/pkcs7-signature' => 'p7s',
        ];

        return 'attachment-'.$number.'.'.($endings[$type] ?? preg_replace('/[^a-z0-9]+/', '', explode('/', $type)[1] ?? '') ?: 'bin');
    }

    /** Without a path and what no file system takes. */
    private function cleanName(string $name): string
    {
        return trim(
            (string) preg_replace(['/^.*[\/\\\\](?=[^\/\\\\]+$)/u', '/[\/\\\\\x00-\x1f\x7f]+/u'], ['', ' '], mb_scrub($name)),
            ' .',
        );
    }

    /** A line that is shown in many places: what is too long for them is cut. */
    private static function line(string $text): string
    {
        return mb_strlen($text) > Limit::LINE ? mb_substr($text, 0, Limit::LINE - 1).'…' : $text;
    }

    /** The ending says what a file is, and stays. */
    private static function shortName(string $name): string
    {
        $ending = 1 === preg_match('/\.[\p{L}\p{N}]{1,10}$/u', $name, $m) ? $m[0] : '';

        return mb_strlen($name) > Limit::NAME ? mb_substr($name, 0, Limit::NAME - 1 - mb_strlen($ending)).'…'.$ending : $name;
    }

    /** @return array<string, string> */
    private function listHeaders(Headers $headers): array
    {
        $found = [];
        foreach (self::LIST_HEADERS as $name) {
            if ($headers->has($name)) {
                $found[$name] = $this->decoder->decode($headers->get($name));
            }
        }

        return $found;
    }

    /** @throws UnreadableMessage */
    public function fingerprint(string $raw): string
    {
        return self::fingerprintOf($this->structure->parse($raw)->headers, $raw);
    }

    /**
     * What a message is recognised by: the fields that its writer set and the body, but neither the
     * trace of its way nor line ends, which differ from one copy to the next.
     */
    private static function fingerprintOf(Headers $headers, string $raw): string
    {
        $text = str_replace("\r\n", "\n", $raw);
        $body = strpos($text, "\n\n");
        $fields = array_map($headers->get(...), ['message-id', 'date', 'from', 'to', 'cc', 'subject', 'content-type']);

        return hash('sha256', implode("\n", $fields)."\n\n".(false === $body ? '' : rtrim(substr($text, $body), "\n")));
    }
}
