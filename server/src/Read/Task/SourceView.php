<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use ZippyTray\Core\Task\SourceKind;

/**
 * What a task came from. Of a message there is the copy, of a task the way to it, as long as it is there.
 *
 * @phpstan-import-type TaskLink from TaskRows
 */
final readonly class SourceView implements \JsonSerializable
{
    /** @param TaskLink|null $task */
    public function __construct(
        public SourceKind $kind,
        public string $ref,
        public ?SourceCopyView $copy = null,
        public ?array $task = null,
    ) {
    }

    /** @return array{kind: SourceKind, ref: string, copy?: SourceCopyView|null, task?: TaskLink|null} */
    public function jsonSerialize(): array
    {
        return ['kind' => $this->kind, 'ref' => $this->ref] + match ($this->kind) {
            SourceKind::Message => ['copy' => $this->copy],
            SourceKind::Task => ['task' => $this->task],
            SourceKind::Web => [],
        };
    }
}
