<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Lists;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Task\ListId;

/**
 * Conversations are put into lists, and taken out.
 */
final readonly class MailOfLists
{
    /**
     * @param list<string> $conversations
     * @param list<string> $into          ids of lists
     * @param list<string> $outOf         ids of lists
     */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Count(min: 1, max: 10000, minMessage: 'Which conversations?', maxMessage: 'At most {{ limit }} in one step.'),
            Assert\All([new Assert\Uuid()])]
        public array $conversations,
        #[Assert\Count(max: 20), Assert\All([new Assert\Uuid()])]
        public array $into = [],
        #[Assert\Count(max: 20), Assert\All([new Assert\Uuid()])]
        public array $outOf = [],
    ) {
    }

    /** @return list<ConversationId> */
    public function ids(): array
    {
        return array_map(static fn (string $id): ConversationId => new ConversationId($id), $this->conversations);
    }

    /**
     * @param list<string> $ids
     *
     * @return list<ListId>
     */
    public static function lists(array $ids): array
    {
        return array_map(static fn (string $id): ListId => new ListId($id), $ids);
    }
}
