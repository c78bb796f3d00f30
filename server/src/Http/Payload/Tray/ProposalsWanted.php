<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Tray;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class ProposalsWanted
{
    /** @param list<string> $conversations ids */
    public function __construct(
        #[Assert\Count(min: 1, max: 500, minMessage: 'There is no conversation.', maxMessage: 'At most {{ limit }} conversations can be '
            .'asked for in one step.'), Assert\All([new Assert\Uuid()])]
        public array $conversations,
    ) {
    }
}
