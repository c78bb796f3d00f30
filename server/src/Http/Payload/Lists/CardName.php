<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Lists;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;

/**
 * What can stand at a stage: a conversation or a task.
 */
final readonly class CardName
{
    public function __construct(
        #[Assert\Choice(['conversation', 'task'])]
        public string $kind,
        #[Assert\Uuid]
        public string $id,
    ) {
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::from($this->kind), $this->id);
    }

    /**
     * @param list<self> $names
     *
     * @return list<ObjectRef>
     */
    public static function refs(array $names): array
    {
        return array_map(static fn (self $name): ObjectRef => $name->ref(), $names);
    }
}
