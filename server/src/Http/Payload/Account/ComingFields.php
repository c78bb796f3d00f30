<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Account;

final readonly class ComingFields
{
    /** @param bool $takesOlder whether more than new mail and what is to be decided comes in */
    public function __construct(public bool $takesOlder)
    {
    }
}
