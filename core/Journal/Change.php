<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

/**
 * One object before and after. A state of null means that the object was not there.
 *
 * @phpstan-type ChangeState array{
 *     kind: string, id: string, version?: int, before: array<string, mixed>|null, after: array<string, mixed>|null
 * }
 */
final readonly class Change
{
    /**
     * @param array<string, mixed>|null $before
     * @param array<string, mixed>|null $after
     * @param int                       $version of both states (see Lifts)
     */
    public function __construct(public ObjectRef $object, public ?array $before, public ?array $after, public int $version = 1)
    {
    }

    /** @return ChangeState */
    public function state(): array
    {
        return [
            'kind' => $this->object->kind->value,
            'id' => $this->object->id,
            'version' => $this->version,
            'before' => $this->before,
            'after' => $this->after,
        ];
    }

    /** @param ChangeState $state */
    public static function fromState(array $state): self
    {
        return new self(
            new ObjectRef(ObjectKind::from($state['kind']), $state['id']),
            $state['before'],
            $state['after'],
            $state['version'] ?? 1,
        );
    }
}
