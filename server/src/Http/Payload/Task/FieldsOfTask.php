<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Priority;
use ZippyTray\Core\Task\Source;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\Unreadable;
use ZippyTray\Server\Http\Payload\Tray\ConversationReminders;
use ZippyTray\Server\Http\Payload\WhenField;

final readonly class FieldsOfTask
{
    /**
     * @param list<string>      $labels
     * @param list<string>      $reminders leads or moments
     * @param list<SourceField> $sources
     * @param list<string>      $files
     */
    public function __construct(
        public string $title,
        public string $notes = '',
        public ?WhenField $due = null,
        public string $list = '',
        public ?WhenField $start = null,
        public int|string|null $estimate = null,
        public Priority $priority = Priority::Normal,
        #[Assert\All([new Assert\Type('string')])]
        public array $labels = [],
        public ?RepeatField $repeat = null,
        #[Assert\All([new Assert\Type('string')]), Assert\Count(max: 20, maxMessage: 'A task can have {{ limit }} reminders at most.')]
        public array $reminders = [],
        #[Assert\Valid, Assert\Count(max: 50, maxMessage: 'A task can have {{ limit }} sources at most.')]
        public array $sources = [],
        #[Assert\All([new Assert\Uuid()]), Assert\Count(max: 50, maxMessage: 'A task can have {{ limit }} files at most.')]
        public array $files = [],
    ) {
    }

    /** @throws Refused naming the field that cannot be taken as it is */
    public function read(Speaker $speaker): TaskFields
    {
        $due = $this->due?->due($speaker, 'due');

        return new TaskFields(
            $this->title,
            $this->notes,
            $due,
            '' === trim($this->list) ? null : $this->list,
            $this->start?->due($speaker, 'start'),
            $this->minutes($speaker),
            $this->priority,
            $this->labels,
            true === $this->repeat?->same ? null : $this->repeat?->repeat($speaker, $due),
            array_map(static fn (string $phrase): Reminder => ConversationReminders::reminder($phrase, $speaker), $this->reminders),
            array_map(static fn (SourceField $source): Source => $source->source(), $this->sources),
            $this->files,
            true === $this->repeat?->same,
            true === $this->repeat?->fromCompletion,
        );
    }

    private function minutes(Speaker $speaker): ?int
    {
        if (!\is_string($this->estimate)) {
            return $this->estimate;
        }
        try {
            return '' === trim($this->estimate) ? null : $speaker->readMinutes($this->estimate);
        } catch (Unreadable $problem) {
            throw new Refused($problem->getMessage(), 'estimate');
        }
    }
}
