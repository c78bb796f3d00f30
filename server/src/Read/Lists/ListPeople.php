<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Lists;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;
use ZippyTray\Server\Store\WhereNow;

/**
 * Who is in a list: who wrote in its conversations, and who owes what there.
 *
 * @phpstan-type Owes array{id: string, what: string, until: string, conversation: string}
 * @phpstan-type PersonInList array{
 *     name: string, email: string, messages: int, latestAt: string|null, waiting: int, owes: list<Owes>
 * }
 */
final readonly class ListPeople
{
    public const MOST = 200;

    private const OF_LIST = 'FROM card x CROSS JOIN conversation c ON c.id = x.conversation_id
        WHERE x.account_id = :account AND x.list_id = :list';

    public function __construct(private Connection $connection, private StoredNow $now)
    {
    }

    /** @return list<PersonInList> who owes something first, then who wrote last; MOST at the most */
    public function of(Account $account, ListId $listId): array
    {
        $with = ['account' => $account->id->text, 'list' => $listId->text];
        $people = [];
        foreach ($this->rows("SELECT LOWER(m.sender ->> '$.email') AS email, MAX(m.sender ->> '$.name') AS name, COUNT(*) AS messages,
                MAX(m.sent_at) AS latest_at FROM card x CROSS JOIN conversation_message n ON n.conversation_id = x.conversation_id
                CROSS JOIN message m ON m.id = n.message_id WHERE x.account_id = :account AND x.list_id = :list AND NOT m.own
                GROUP BY LOWER(m.sender ->> '$.email') ORDER BY latest_at DESC LIMIT ".self::MOST, $with) as $row) {
            $people[$row->string('email')] = [
                'name' => $row->string('name'),
                'email' => $row->string('email'),
                'messages' => $row->int('messages'),
                'latestAt' => $row->string('latest_at'),
                'waiting' => 0,
                'owes' => [],
            ];
        }
        // What is still to be decided waits for the person themselves.
        foreach ($this->rows('SELECT LOWER(c.latest_email) AS email, COUNT(*) AS waiting '.self::OF_LIST.' AND ('.WhereNow::TRAY.' OR ('
            .WhereNow::BACK.')) GROUP BY LOWER(c.latest_email)', $with + ['now' => $this->now->text()]) as $row) {
            if (isset($people[$row->string('email')])) {
                $people[$row->string('email')]['waiting'] = $row->int('waiting');
            }
        }
        foreach ($this->rows("SELECT o.id, LOWER(o.person_email) AS email, o.person_name, o.what, o.until, o.conversation_id FROM card x
                CROSS JOIN owed o ON o.conversation_id = x.conversation_id AND o.state = 'open'
                WHERE x.account_id = :account AND x.list_id = :list ORDER BY o.until, o.id", $with) as $row) {
            $key = $row->string('email') ?: $row->string('person_name');
            $people[$key] ??= [
                'name' => $row->string('person_name'), 'email' => $row->string('email'), 'messages' => 0, 'latestAt' => null,
                'waiting' => 0, 'owes' => [],
            ];
            $people[$key]['owes'][] = [
                'id' => $row->string('id'),
                'what' => $row->string('what'),
                'until' => $row->string('until'),
                'conversation' => $row->string('conversation_id'),
            ];
        }
        $people = array_values($people);
        usort($people, static fn (array $one, array $other): int => [\count($other['owes']) > 0, $other['latestAt']]
            <=> [\count($one['owes']) > 0, $one['latestAt']]);

        return $people;
    }

    /**
     * @param array<string, string> $with
     *
     * @return list<Row>
     */
    private function rows(string $query, array $with): array
    {
        return array_map(static fn (array $columns): Row => new Row($columns), $this->connection->fetchAllAssociative($query, $with));
    }
}
