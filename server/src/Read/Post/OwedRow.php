<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Post;

use ZippyTray\Core\Owed\OwedState;
use ZippyTray\Core\Owed\Promise;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Server\Read\DueView;
use ZippyTray\Server\Store\Row;

/**
 * An answer that somebody owes, as it stands in a list. Instants are in UTC (RFC 3339).
 *
 * @phpstan-import-type DueShown from DueView
 */
final readonly class OwedRow
{
    /**
     * @param array{name: string, email: string}              $person
     * @param bool                                            $over         the moment is past
     * @param array{id: string, subject: string}|null         $conversation null when it is gone, or was none
     * @param array{id: string, title: string}|null           $task         likewise
     * @param array{words: string, until: DueShown|null}|null $promise      within its conversation: the answer gives nothing yet
     */
    private function __construct(
        public string $id,
        public array $person,
        public string $what,
        public string $until,
        public bool $over,
        public OwedState $state,
        public string $askedAt,
        public ?string $settledAt,
        public ?string $automaticAt,
        public ?array $conversation,
        public ?array $task,
        public ?array $promise = null,
    ) {
    }

    /** @param string $now as it is stored */
    public static function of(Row $row, string $now): self
    {
        [$conversation, $task] = [$row->stringOrNull('found_conversation'), $row->stringOrNull('found_task')];
        $state = OwedState::from($row->string('state'));

        return new self(
            $row->string('id'),
            ['name' => $row->string('person_name'), 'email' => $row->string('person_email')],
            $row->string('what'),
            $row->string('until'),
            OwedState::Open === $state && $row->string('until') <= $now,
            $state,
            $row->string('asked_at'),
            $row->stringOrNull('settled_at'),
            $row->stringOrNull('automatic_at'),
            null === $conversation ? null : ['id' => $conversation, 'subject' => $row->string('subject')],
            null === $task ? null : ['id' => $task, 'title' => $row->string('title')],
        );
    }

    /** @param Moment|null $until the promised one, in the person's own zone */
    public function promising(Promise $promise, ?Moment $until): self
    {
        return new self(
            $this->id,
            $this->person,
            $this->what,
            $this->until,
            $this->over,
            $this->state,
            $this->askedAt,
            $this->settledAt,
            $this->automaticAt,
            $this->conversation,
            $this->task,
            ['words' => $promise->words, 'until' => null === $until ? null : DueView::at($until)],
        );
    }
}
