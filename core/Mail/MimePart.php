<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

/**
 * One part of a message as it was sent: its headers and either its parts or its encoded body.
 */
final readonly class MimePart
{
    /**
     * @param string           $body   bytes, still in their transfer encoding
     * @param list<MimePart>   $parts  in their order; empty for a part that is no multipart
     * @param list<RemarkKind> $limits what of the message was not read, for the message as a whole
     */
    public function __construct(public Headers $headers, public string $body, public array $parts = [], public array $limits = [])
    {
    }

    /** The body's bytes with the transfer encoding undone (RFC 2045, 6), errors passed over. */
    public function bytes(): string
    {
        return match (strtolower(trim(explode(';', $this->headers->get('content-transfer-encoding'))[0]))) {
            'base64' => $this->base64decoded(),
            'quoted-printable' => quoted_printable_decode($this->body),
            'x-uuencode', 'uuencode', 'x-uue' => $this->uudecoded(),
            default => $this->body,
        };
    }

    /** Some programs encode in pieces, each with padding of its own. */
    private function base64decoded(): string
    {
        $pieces = explode('=', (string) preg_replace('/[^A-Za-z0-9+\/=]+/', '', $this->body));

        return implode('', array_map(static fn (string $piece): string => (string) base64_decode($piece), $pieces));
    }

    private function uudecoded(): string
    {
        $lines = (string) preg_replace(['/^.*?^begin [0-7]+ [^\n]*\n/ms', '/^`?\r?\nend\s*$.*/ms'], '', $this->body);

        return (string) @convert_uudecode(str_replace("\r", '', $lines)."`\n");
    }
}
