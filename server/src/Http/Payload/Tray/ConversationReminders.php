<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Tray;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\ReadReminder;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\Unreadable;

final readonly class ConversationReminders
{
    /** @param list<string> $reminders as people write them */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\All([new Assert\Type('string')])]
        public array $reminders,
    ) {
    }

    /**
     * @return list<Reminder>
     *
     * @throws Refused
     */
    public function read(Speaker $speaker): array
    {
        return array_map(static fn (string $phrase): Reminder => self::reminder($phrase, $speaker), $this->reminders);
    }

    /** @throws Refused */
    public static function reminder(string $phrase, Speaker $speaker): Reminder
    {
        try {
            return ReadReminder::of($phrase, $speaker);
        } catch (Unreadable $problem) {
            throw new Refused($problem->getMessage(), 'reminders');
        }
    }
}
