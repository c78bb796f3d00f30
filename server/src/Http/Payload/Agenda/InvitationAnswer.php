<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Agenda\Event\Answer;

final readonly class InvitationAnswer
{
    /**
     * @param string              $comment  a sentence that goes along
     * @param EventWhenField|null $proposed another time
     * @param int|null            $revision of the conversation as it was seen
     * @param string|null         $clearing in which it is answered
     */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public Answer $answer,
        #[Assert\Length(max: 2000)]
        public string $comment = '',
        #[Assert\Valid]
        public ?EventWhenField $proposed = null,
        public ?int $revision = null,
        #[Assert\Uuid]
        public ?string $clearing = null,
    ) {
    }
}
