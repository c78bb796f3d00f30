<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar\Subscription;

/**
 * What a server answered that was asked for a calendar.
 */
final readonly class FetchedCalendar
{
    /**
     * @param string|null $bytes null: it is as it was
     * @param string      $etag  by which the server knows this state of it (ETag, RFC 9110, 8.8.3); empty: it does not say
     */
    public function __construct(public ?string $bytes, public string $etag = '')
    {
    }
}
