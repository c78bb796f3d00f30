<?php

declare(strict_types=1);

namespace ZippyTray\Demo;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Find\KeepSearches;
use ZippyTray\Core\Find\Sort;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Lists\ChangeLists;
use ZippyTray\Core\Lists\KeepReferences;
use ZippyTray\Core\Lists\MoveCards;
use ZippyTray\Core\Lists\PutIntoLists;
use ZippyTray\Core\Lists\ReferenceFields;
use ZippyTray\Core\Lists\ReferenceKind;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Stage\Onwards;
use ZippyTray\Core\Task\Stage\Stage;
use ZippyTray\Core\Task\Stage\Stages;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Mailroom\AttachedFiles;

/**
 * What lists of the demo hold besides tasks: stages, letters that stand there, things to look up and a note;
 * and the searches that are kept.
 *
 * @phpstan-import-type Subject from Scenario
 * @phpstan-import-type SubjectCards from Scenario
 * @phpstan-import-type SubjectReference from Scenario
 */
final readonly class SeedSubjects
{
    public function __construct(
        private Scenario $scenario,
        private ChangeLists $lists,
        private PutIntoLists $put,
        private MoveCards $move,
        private KeepReferences $references,
        private KeepSearches $searches,
        private AttachedFiles $attached,
        private Messages $messages,
        private Tasks $tasks,
        private Connection $connection,
        private Ids $ids,
    ) {
    }

    /** @return list<array{\DateTimeImmutable, \Closure(): mixed}> what was done before today */
    public function before(Account $account, RelativeDate $dates): array
    {
        $steps = [];
        foreach ($this->scenario->subjects() as $subject) {
            $steps[] = [$dates->read($subject['at']), fn () => $this->begin($account, $subject)];
            foreach ($subject['cards'] as $cards) {
                if (isset($cards['at'])) {
                    $steps[] = [$dates->read($cards['at']), fn () => $this->cards($account, $subject, $cards)];
                }
            }
            foreach ($subject['references'] as $reference) {
                if (isset($reference['at'])) {
                    $steps[] = [$dates->read($reference['at']), fn () => $this->reference($account, $subject, $reference)];
                }
            }
        }

        return $steps;
    }

    /** What came with the mail of today. */
    public function now(Account $account): void
    {
        foreach ($this->scenario->subjects() as $subject) {
            foreach ($subject['cards'] as $cards) {
                isset($cards['at']) || $this->cards($account, $subject, $cards);
            }
            foreach ($subject['references'] as $reference) {
                isset($reference['at']) || $this->reference($account, $subject, $reference);
            }
        }
        foreach ($this->scenario->searches() as $search) {
            $this->searches->keep(
                $account->id,
                $this->entry(),
                $this->ids->next(),
                $search['name'],
                $search['words'],
                Sort::from($search['sort']),
                $search['shownIn'] ?? '',
            );
        }
    }

    /** @param Subject $subject */
    private function begin(Account $account, array $subject): void
    {
        $this->lists->stages($account->id, $this->entry(), $this->list($account, $subject), new Stages(array_map(
            fn (array $stage): Stage => new Stage(
                $this->ids->next(),
                $stage['name'],
                $stage['days'] ?? null,
                isset($stage['onwards']) ? Onwards::from($stage['onwards']) : null,
            ),
            $subject['stages'],
        )), []);
        if (isset($subject['note'])) {
            $this->lists->note($account->id, $this->entry(), $this->list($account, $subject), $subject['note'], '');
        }
    }

    /**
     * @param Subject      $subject
     * @param SubjectCards $cards
     */
    private function cards(Account $account, array $subject, array $cards): void
    {
        $list = $this->list($account, $subject);
        $mail = array_map(fn (string $of): ConversationId => $this->conversation($account, $of), $cards['of'] ?? []);
        if ([] !== $mail) {
            ($this->put)($account->id, $this->entry(), $mail, [$list], []);
        }
        $refs = [
            ...array_map(static fn (ConversationId $id): ObjectRef => new ObjectRef(ObjectKind::Conversation, $id->text), $mail),
            ...array_map(fn (string $title): ObjectRef => new ObjectRef(ObjectKind::Task, $this->found(
                'SELECT id FROM task WHERE account_id = ? AND title = ?',
                $account,
                $title,
            )), $cards['tasks'] ?? []),
        ];
        $this->move->to($account->id, $this->entry(), $list, $refs, $this->stage($account, $list, $cards['stage'] ?? ''));
    }

    /**
     * @param Subject          $subject
     * @param SubjectReference $reference
     */
    private function reference(Account $account, array $subject, array $reference): void
    {
        $message = isset($reference['message'])
            ? $this->messages->newestIn($account->id, $this->conversation($account, $reference['message']))
            : null;
        $file = null !== $message && isset($reference['attachment'])
            ? $this->attached->keep($account->id, $message, $reference['attachment'])
            : null;
        $this->references->add(
            $account->id,
            $this->entry(),
            $this->ids->next(),
            $this->list($account, $subject),
            match (true) {
                null !== $file => ReferenceKind::Attachment,
                null !== $message => ReferenceKind::Message,
                isset($reference['url']) => ReferenceKind::Page,
                default => ReferenceKind::Text,
            },
            new ReferenceFields($reference['title'] ?? $file['name'] ?? '', $reference['text'] ?? '', $reference['url'] ?? ''),
            $message,
            $file['id'] ?? null,
        );
    }

    private function entry(): EntryId
    {
        return new EntryId($this->ids->next());
    }

    /** @param Subject $subject */
    private function list(Account $account, array $subject): ListId
    {
        return $this->tasks->listNamed($account->id, $subject['list'])->id
            ?? throw new \UnexpectedValueException(\sprintf('No list is called "%s".', $subject['list']));
    }

    /** @return string|null null: off the line */
    private function stage(Account $account, ListId $list, string $name): ?string
    {
        foreach ($this->tasks->getList($account->id, $list)->stages()->all as $stage) {
            if ($stage->name === $name) {
                return $stage->id;
            }
        }

        return '' === $name ? null : throw new \UnexpectedValueException(\sprintf('No stage is called "%s".', $name));
    }

    private function conversation(Account $account, string $subject): ConversationId
    {
        return new ConversationId($this->found(
            'SELECT id FROM conversation WHERE account_id = ? AND subject = ? ORDER BY latest_at DESC LIMIT 1',
            $account,
            $subject,
        ));
    }

    private function found(string $query, Account $account, string $name): string
    {
        $id = $this->connection->fetchOne($query, [$account->id, $name]);

        return \is_string($id) ? $id : throw new \UnexpectedValueException(\sprintf('Nothing is called "%s".', $name));
    }
}
