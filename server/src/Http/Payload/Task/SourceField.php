<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Source;
use ZippyTray\Core\Task\SourceKind;

final readonly class SourceField
{
    public function __construct(public SourceKind $kind, public string $ref)
    {
    }

    /** @throws Refused */
    public function source(): Source
    {
        return SourceKind::Web === $this->kind
            ? Source::web($this->ref)
            : Source::fromState(['kind' => $this->kind->value, 'ref' => $this->ref]);
    }
}
