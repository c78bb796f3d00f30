<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Mail\ConversationId;

/**
 * Something happened to a conversation after the person had looked at it and before the decision
 * arrived, so that nothing was decided.
 */
final class Overtaken extends \RuntimeException
{
    /**
     * @param Entry|null $entry    what was decided meanwhile; null when a message came in
     * @param int        $revision the conversation's, as it is now
     */
    public function __construct(
        public readonly ConversationId $conversationId,
        public readonly string $subject,
        public readonly ?Entry $entry,
        public readonly int $revision,
    ) {
        parent::__construct(null === $entry
            ? \sprintf('A message has come into "%s" meanwhile, so nothing was decided. Look at it first.', $subject)
            : \sprintf('"%s" has been decided meanwhile, in another window or on another machine, so nothing was changed.', $subject));
    }
}
