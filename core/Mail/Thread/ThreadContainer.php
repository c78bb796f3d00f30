<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Thread;

/**
 * A place in the tree of a conversation (RFC 5256, 3): a message, or one that never came.
 */
final class ThreadContainer
{
    /** @var list<ThreadPart> empty for a message that never came; several when the same id came more than once */
    public array $parts = [];

    private ?self $parent = null;

    /** @var array<int, self> by object id */
    private array $children = [];

    public function parent(): ?self
    {
        return $this->parent;
    }

    /** @return list<self> */
    public function children(): array
    {
        return array_values($this->children);
    }

    /** Puts this place under another one, unless that would close a loop. */
    public function moveUnder(self $parent): void
    {
        for ($above = $parent; null !== $above; $above = $above->parent) {
            if ($above === $this) {
                return;
            }
        }
        if (null !== $this->parent) {
            unset($this->parent->children[spl_object_id($this)]);
        }
        $this->parent = $parent;
        $parent->children[spl_object_id($this)] = $this;
    }

    public function root(): self
    {
        $root = $this;
        while (null !== $root->parent) {
            $root = $root->parent;
        }

        return $root;
    }
}
