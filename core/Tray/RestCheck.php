<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Tray\Advice\Advice;
use ZippyTray\Core\Tray\Advice\AdviceGroup;
use ZippyTray\Core\Tray\Advice\MailKind;

/**
 * Before all that is left in the tray is archived: what seems to ask for something, holds a date
 * still to come or has just come back is held up.
 */
final readonly class RestCheck
{
    /**
     * @param Advice|null $advice  null: it has not been read
     * @param string      $trouble what was not understood of what it asked the program for; may be empty
     *
     * @return string why it is held, in words; empty when it can go
     */
    public static function reason(?Advice $advice, bool $returned, string $trouble = ''): string
    {
        return match (true) {
            $returned => 'You had it come back.',
            '' !== $trouble => $trouble,
            null === $advice => 'It has not been read yet, and may ask for something.',
            MailKind::Invitation === $advice->kind => 'It is an invitation.',
            MailKind::Bounce === $advice->kind => 'A message of yours did not arrive.',
            '' !== $advice->asks && null !== $advice->date => \sprintf(
                'It seems to ask for something, and names %s.',
                $advice->date->date->format('D j M'),
            ),
            '' !== $advice->asks => 'It seems to ask for something.',
            AdviceGroup::Asks === $advice->group => 'It may ask you for something.',
            null !== $advice->date => \sprintf('It names a day still to come, %s.', $advice->date->date->format('D j M')),
            default => '',
        };
    }
}
