<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\SourceCopy;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Store\Ports\MessageStore;
use ZippyTray\Server\Store\Row;

/**
 * The copies that tasks keep of their sources, with the way back to the mail as long as it is there.
 */
final readonly class SourceCopies
{
    public function __construct(private EntityManagerInterface $orm, private ConversationRows $conversations, private TaskRows $tasks)
    {
    }

    /**
     * The copies that tasks keep of a message that may be gone.
     *
     * @return list<array{
     *     id: string, subject: string, sentAt: string, tasks: list<array{id: string, title: string, done: bool}>
     * }> the newest first
     */
    public function of(Account $account, string $address): array
    {
        $copies = $this->orm->getConnection()->fetchAllAssociative(
            'SELECT id, subject, sent_at, message_id FROM source_copy WHERE account_id = ? AND (message_header IN (SELECT value FROM '
                .'json_each(?)) OR message_id IN (SELECT value FROM json_each(?))) ORDER BY id DESC LIMIT 20',
            [$account->id, $names = json_encode(MessageStore::namesOf($address), \JSON_THROW_ON_ERROR), $names],
        );

        return array_map(function (array $columns) use ($account): array {
            $row = new Row($columns);

            return [
                'id' => $row->string('id'),
                'subject' => $row->string('subject'),
                'sentAt' => $row->string('sent_at'),
                'tasks' => $this->tasks->ofMessages($account->id, [$row->string('message_id')]),
            ];
        }, $copies);
    }

    /** @throws NotFound */
    public function one(Account $account, string $id): SourceCopyView
    {
        $copy = $this->orm->getRepository(SourceCopy::class)->findOneBy(['accountId' => $account->id, 'id' => $id])
            ?? throw new NotFound('source', $id);
        $conversation = $this->orm->getConnection()->fetchOne(
            'SELECT c.conversation_id FROM message m JOIN conversation_message c ON c.message_id = m.id WHERE m.account_id = ?
                AND m.id = ?',
            [$account->id, $copy->messageId],
        );

        return SourceCopyView::of($copy, \is_string($conversation) ? $this->conversations->one($account, $conversation) : null);
    }
}
