<?php

declare(strict_types=1);

namespace ZippyTray\Core\Arrival;

use ZippyTray\Core\Mail\MessageContent;
use ZippyTray\Core\MailIn\Asking;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Place;

/**
 * A message that has been read and can be kept.
 */
final readonly class Incoming
{
    /**
     * @param string        $raw       the message's bytes
     * @param bool          $isRefused it is here already, or was removed for good
     * @param bool          $isDecided whether it asks the person for a decision
     * @param bool          $isAdvised whether it has been read for advice; otherwise that is to be done later
     * @param Asking|null   $asking    what it asks of the program itself
     * @param string        $attached  what stands in text that is attached
     * @param Findings|null $findings  null when it was not read for advice, or could not be
     */
    public function __construct(
        public string $raw,
        public MessageContent $content,
        public Place $into,
        public bool $isRefused,
        public bool $isDecided,
        public bool $isAdvised,
        public ?Findings $findings,
        public ?Asking $asking = null,
        public string $attached = '',
    ) {
    }
}
