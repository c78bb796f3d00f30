<?php

declare(strict_types=1);

namespace ZippyTray\Server\Books;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Mime\AttachedText;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Mail\Thread\ThreadIndex;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Server\Store\PeopleIndex;
use ZippyTray\Server\Store\Ports\MessageStore;

/**
 * What is kept a second time so that it is found fast: the index of words, the index of threads, whom somebody has
 * written to, what conversations say of themselves in lists, and how many there are in each place.
 */
final readonly class Derived implements BookCheck
{
    private const AT_ONCE = 200;

    public function __construct(
        private Connection $connection,
        private MessageStore $messages,
        private ThreadIndex $threads,
        private EntityManagerInterface $orm,
        private MessageReader $reader,
    ) {
    }

    public function claim(): string
    {
        return 'What is kept twice to be found fast says the same: words, threads, people written to, lists.';
    }

    public function look(): Found
    {
        $count = $this->connection->fetchOne('SELECT COUNT(*) FROM message');
        $found = new Found(is_numeric($count) ? (int) $count : 0);
        try {
            $this->connection->executeStatement("INSERT INTO message_search(message_search, rank) VALUES ('integrity-check', 1)");
        } catch (\Throwable $problem) {
            $found->wrong('The index of words is broken, or does not say what the messages do: '.$problem->getMessage());
        }

        return $found
            ->allWrong(
                'A message is not in the index of words',
                $this->connection->fetchFirstColumn(
                    'SELECT x.message_id FROM conversation_message x LEFT JOIN message_search_docsize s ON s.id = x.number WHERE s.id IS '
                        .'NULL',
                ),
            )
            ->allWrong(
                'The index of words has something that is no message',
                $this->connection->fetchFirstColumn(
                    'SELECT s.id FROM message_search_docsize s LEFT JOIN conversation_message x ON x.number = s.id WHERE x.number IS NULL',
                ),
            )
            ->allWrong(
                'A task, a thing to look up, a note, an event or an entry is not found by its words',
                $this->connection->fetchFirstColumn("SELECT id FROM (
                    SELECT 'task' AS kind, id FROM task UNION ALL SELECT 'reference', id FROM reference
                    UNION ALL SELECT 'note', id FROM task_list UNION ALL SELECT 'event', id FROM event
                    UNION ALL SELECT 'entry', id FROM journal_entry
                ) t WHERE NOT EXISTS (SELECT 1 FROM search_thing s JOIN thing_search w ON w.rowid = s.number
                    WHERE s.kind = t.kind AND s.id = t.id)"),
            )
            ->allWrong(
                'A conversation is not found in its order or its place',
                $this->connection->fetchFirstColumn(
                    'SELECT c.id FROM conversation c LEFT JOIN search_conversation o ON o.id = c.id WHERE (o.latest_at, o.account_id, '
                        .'o.place, o.away_until, o.binned_at, o.muted) IS NOT (c.latest_at, c.account_id, c.place, c.away_until, '
                        .'c.binned_at, c.muted) UNION SELECT o.id FROM search_conversation o LEFT JOIN conversation c ON c.id = o.id WHERE '
                        .'c.id IS NULL',
                ),
            )
            ->allWrong(
                'A place counts its conversations wrongly',
                $this->connection->fetchFirstColumn(
                    "SELECT place FROM (SELECT account_id, place, COALESCE(away_reason, '') AS reason, 1 AS one FROM conversation
                        UNION ALL "
                        .'SELECT account_id, place, reason, -conversations FROM conversation_count) GROUP BY account_id, place, reason '
                        .'HAVING SUM(one) <> 0',
                ),
            )
            ->allWrong(
                'A message is not found in its conversation',
                $this->connection->fetchFirstColumn(
                    'SELECT x.message_id FROM conversation_message x LEFT JOIN search_message m ON m.number = x.number LEFT JOIN '
                        .'search_conversation o ON o.number = m.conversation WHERE o.id IS NOT x.conversation_id UNION SELECT m.number '
                        .'FROM search_message m LEFT JOIN conversation_message x ON x.number = m.number WHERE x.number IS NULL',
                ),
            )
            ->allWrong(
                'A message is not in the index of threads',
                $this->connection->fetchFirstColumn(
                    'SELECT m.id FROM message m LEFT JOIN thread_subject t ON t.message_id = m.id WHERE t.message_id IS NULL',
                ),
            )
            ->allWrong(
                'A message is not among those of its people',
                $this->connection->fetchFirstColumn(
                    "SELECT m.id FROM message m WHERE NOT m.own AND m.sender ->> 'email' LIKE '%_@_%' AND NOT EXISTS (SELECT 1
                        FROM person_message p WHERE p.message_id = m.id)",
                ),
            )
            ->allWrong(
                'A message that was sent is not among those of its people',
                $this->connection->fetchFirstColumn(
                    "SELECT DISTINCT m.id FROM message m, json_each(m.recipients) j WHERE m.own AND j.value ->> 'email' LIKE '%_@_%'
                        AND NOT EXISTS (SELECT 1 FROM person_message p WHERE p.message_id = m.id)",
                ),
            )
            ->allWrong(
                'A person counts their messages wrongly',
                $this->connection->fetchFirstColumn(
                    'SELECT p.email FROM person p LEFT JOIN person_message m ON m.account_id = p.account_id AND m.email = p.email GROUP BY '
                        .'p.account_id, p.email HAVING p.received <> SUM(NOT m.own) OR p.sent <> SUM(m.own) OR COUNT(m.message_id) = 0',
                ),
            )
            ->allWrong(
                'A conversation counts its messages wrongly',
                $this->connection->fetchFirstColumn(
                    'SELECT c.id FROM conversation c LEFT JOIN conversation_message x ON x.conversation_id = c.id GROUP BY c.id HAVING '
                        .'c.messages <> COUNT(x.message_id)',
                ),
            )
            ->allWrong(
                'A conversation counts its attachments wrongly',
                $this->connection->fetchFirstColumn(
                    'SELECT c.id FROM conversation c JOIN conversation_message x ON x.conversation_id = c.id JOIN message m ON m.id = '
                        .'x.message_id GROUP BY c.id HAVING c.attachments <> SUM(json_array_length(m.attachments))',
                ),
            )
            ->allWrong(
                'A conversation is not as late as its latest message',
                $this->connection->fetchFirstColumn(
                    'SELECT c.id FROM conversation c JOIN conversation_message x ON x.conversation_id = c.id JOIN message m ON m.id = '
                        .'x.message_id GROUP BY c.id HAVING c.latest_at <> MAX(m.sent_at)',
                ),
            );
    }

    public function repair(): void
    {
        foreach ([
            'search_message',
            'search_conversation',
            'conversation_count',
            'thread_id',
            'thread_subject',
            'person',
            'person_word',
            'person_message',
        ] as $table) {
            $this->connection->executeStatement('DELETE FROM '.$table);
        }
        $last = 0;
        while ([] !== $rows = $this->connection->fetchAllAssociative(
            'SELECT x.number, m.id, m.account_id FROM conversation_message x JOIN message m ON m.id = x.message_id WHERE x.number > ? '
                .'ORDER BY x.number LIMIT '.self::AT_ONCE,
            [$last],
        )) {
            foreach ($rows as ['number' => $number, 'id' => $id, 'account_id' => $account]) {
                if (\is_string($id) && \is_string($account) && is_numeric($number)) {
                    $message = $this->messages->get(new AccountId($account), new EmailId($id));
                    $content = $this->reader->read($this->messages->source($message), $message->sentAt->instant);
                    $this->connection->update(
                        'conversation_message',
                        MessageStore::words($message, (new AttachedText())->of($content->attachments)),
                        ['number' => $number],
                    );
                    PeopleIndex::add($this->connection, $message);
                    $this->threads->put($message);
                    $last = (int) $number;
                }
            }
            $this->orm->clear();
        }
        $this->connection->executeStatement("INSERT INTO message_search(message_search) VALUES ('rebuild')");
        $this->connection->executeStatement(
            'INSERT INTO search_conversation (id, account_id, latest_at, place, away_until, binned_at, muted) SELECT id, account_id, '
                .'latest_at, place, away_until, binned_at, muted FROM conversation',
        );
        $this->connection->executeStatement(
            "INSERT INTO conversation_count SELECT account_id, place, COALESCE(away_reason, ''), COUNT(*) FROM conversation
                GROUP BY 1, 2, 3",
        );
        $this->connection->executeStatement(
            'INSERT INTO search_message (number, conversation) SELECT x.number, o.number FROM conversation_message x JOIN '
                .'search_conversation o ON o.id = x.conversation_id',
        );
        foreach ($this->connection->fetchAllKeyValue('SELECT id, account_id FROM conversation') as $id => $account) {
            $conversation = $this->orm->find(Conversation::class, $id);
            $messages = \is_string($account)
                ? $this->messages->ofConversation(new AccountId($account), new ConversationId((string) $id))
                : [];
            if (null !== $conversation && [] !== $messages) {
                $conversation->describe($messages);
            }
            $this->orm->flush();
            $this->orm->clear();
        }
    }
}
