<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Label;

use ZippyTray\Core\Colour;
use ZippyTray\Core\Label\Label;

/**
 * A label as it stands on something.
 */
final readonly class LabelView
{
    private function __construct(public string $id, public string $name, public Colour $colour)
    {
    }

    public static function of(Label $label): self
    {
        return new self($label->id->text, $label->name(), $label->colour());
    }
}
