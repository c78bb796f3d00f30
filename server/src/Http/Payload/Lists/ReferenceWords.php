<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Lists;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Lists\ReferenceFields;
use ZippyTray\Core\Refused;

final readonly class ReferenceWords
{
    public function __construct(
        #[Assert\Length(max: 10_000)]
        public string $title = '',
        #[Assert\Length(max: 200_000)]
        public string $text = '',
        #[Assert\Length(max: 10_000)]
        public string $url = '',
    ) {
    }

    /** @throws Refused */
    public function fields(): ReferenceFields
    {
        return new ReferenceFields($this->title, $this->text, $this->url);
    }
}
