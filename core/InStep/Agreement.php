<?php

declare(strict_types=1);

namespace ZippyTray\Core\InStep;

/**
 * What brings a conversation and its mail on the server into step.
 */
final readonly class Agreement
{
    /**
     * @param FolderRole|null           $follow  where the conversation has to go here, since its mail was put there; null: it stays
     * @param array<string, FolderRole> $moves   where mail has to go there, by the id of the copy; Other: back to where it was before
     * @param bool                      $putBack whether its newest message has to be put into the inbox anew: none is left there
     */
    public function __construct(public ?FolderRole $follow = null, public array $moves = [], public bool $putBack = false)
    {
    }
}
