<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

use ZippyTray\Core\Mail\Mime\Report;
use ZippyTray\Core\Mail\Remark\Remark;
use ZippyTray\Core\Time\Moment;

/**
 * Everything that was read out of a message's bytes.
 */
final readonly class MessageContent
{
    /**
     * @param string                  $header      Message-ID without angle brackets, empty when it has none
     * @param list<string>            $references  ids of References, then of In-Reply-To, without brackets
     * @param list<Address>           $replyTo
     * @param list<Address>           $to
     * @param list<Address>           $cc
     * @param string                  $text        readable plain text, "\n" line ends
     * @param string|null             $html        as it was sent, in UTF-8; null when there is none
     * @param bool                    $plain       whether $text was sent so, and not made from HTML
     * @param list<AttachmentContent> $attachments
     * @param array<string, string>   $listHeaders those of RFC 2369, 2919 and 3834 that are there, lower-case name to value
     * @param string                  $fingerprint the same for the same message, whichever way it came
     * @param Report|null             $report      what it reports of another message's delivery
     * @param list<Remark>            $remarks     what there is to say of it besides
     * @param list<string>            $deliveredTo addresses to which servers handed it over, in lower case
     * @param bool                    $isDisowned  whether a server found that it does not come from where it says
     */
    public function __construct(
        public string $header,
        public array $references,
        public Address $from,
        public array $replyTo,
        public array $to,
        public array $cc,
        public string $subject,
        public Moment $sentAt,
        public DateSource $dateSource,
        public string $text,
        public ?string $html,
        public bool $plain,
        public array $attachments,
        public array $listHeaders,
        public string $fingerprint,
        public ?Report $report = null,
        public array $remarks = [],
        public array $deliveredTo = [],
        public bool $isDisowned = false,
    ) {
    }
}
