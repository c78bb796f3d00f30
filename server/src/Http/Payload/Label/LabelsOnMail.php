<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Label;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Mail\ConversationId;

/**
 * Labels that are put on conversations, and taken off.
 */
final readonly class LabelsOnMail
{
    /**
     * @param list<string> $conversations
     * @param list<string> $on            names
     * @param list<string> $off           names
     */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Count(min: 1, max: 10000, minMessage: 'Which conversations?', maxMessage: 'At most {{ limit }} in one step.'),
            Assert\All([new Assert\Uuid()])]
        public array $conversations,
        #[Assert\Count(max: 20), Assert\All([new Assert\Type('string')])]
        public array $on = [],
        #[Assert\Count(max: 20), Assert\All([new Assert\Type('string')])]
        public array $off = [],
    ) {
    }

    /** @return list<ConversationId> */
    public function ids(): array
    {
        return array_map(static fn (string $id): ConversationId => new ConversationId($id), $this->conversations);
    }
}
