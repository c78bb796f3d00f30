<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\InStep\FolderRole;
use ZippyTray\Core\InStep\Patience;
use ZippyTray\Core\InStep\Security;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Mailbox;
use ZippyTray\Server\Account\MailServer;
use ZippyTray\Server\Store\LeftThere;
use ZippyTray\Server\Store\Row;

/**
 * How it stands with the mailboxes of somebody: what is in step, what is still to come in, and what the server would not do.
 *
 * @phpstan-type Trouble array{id: int, subject: string, conversation: string|null, what: string, to: string|null, problem: string}
 * @phpstan-type BoxState array{
 *     number: int, address: string, aliases: list<string>, user: string, imap: array{host: string, port: int, security: string},
 *
 *     smtp: array{host: string, port: int, security: string}|null, authority: bool, provider: string|null,
 *     hasAway: bool, keepsSent: bool|null, sentFound: bool|null, lookedAt: string|null, paused: bool,
 *     problem: string, here: int, wanted: int, left: int, waiting: int, since: string|null, takesOlder: bool,
 *     older: array{state: string, messages: int, coming: int, reading: int},
 *     folders: list<array{name: string, role: string, takenIn: bool}>,
 *     troubles: list<Trouble>
 * }
 */
final readonly class BoxStates
{
    /** So many of what the server would not do are told. */
    private const MOST = 50;

    public function __construct(private Connection $connection, private OlderMail $older)
    {
    }

    /** @return list<BoxState> */
    public function of(Account $account): array
    {
        $states = [];
        foreach ($account->mailboxes() as $mailbox) {
            $state = $mailbox->isOnServer() ? $this->connection->fetchAssociative(
                'SELECT * FROM server_state WHERE account_id = ? AND mailbox = ?',
                [$account->id, $mailbox->position],
            ) : false;
            if (false !== $state) {
                $states[] = $this->one($account, $mailbox, $mailbox->server(), new Row($state));
            }
        }

        return $states;
    }

    /** @return BoxState */
    private function one(Account $account, Mailbox $mailbox, ?MailServer $server, Row $state): array
    {
        $key = [$account->id, $mailbox->position];
        $settings = BoxSettings::fromState($state->json('settings'));
        $counts = new Row($this->connection->fetchAssociative(
            "SELECT COALESCE(SUM(state = 'here'), 0) AS here, COALESCE(SUM(state = 'wanted' AND missed = 0), 0) AS wanted,
                COALESCE(SUM(state = 'left'), 0) AS left_out,
                COALESCE(SUM(".LeftThere::COPY.'), 0) AS older,
                (SELECT COUNT(*) FROM server_wish WHERE account_id = c.account_id AND mailbox = c.mailbox
                    AND target <> \'stay\') AS waiting
             FROM server_copy c WHERE account_id = ? AND mailbox = ?',
            $key,
        ) ?: []);

        return [
            'number' => $mailbox->position,
            'address' => $mailbox->address(),
            'aliases' => $mailbox->aliases(),
            'user' => $server->user ?? '',
            'imap' => self::server($server->imap ?? ['', 993, Security::Tls]),
            'smtp' => null === $server || '' === $server->smtp[0] ? null : self::server($server->smtp),
            'authority' => '' !== ($server->authority ?? ''),
            'provider' => $server?->grant?->provider,
            'hasAway' => $settings->hasAway,
            'keepsSent' => $settings->keepsSent,
            'sentFound' => $settings->sentFound,
            'since' => $settings->since,
            'takesOlder' => $settings->takesOlder,
            'older' => ['state' => $settings->older->value, 'messages' => $counts->int('older')] + (Older::Waiting === $settings->older
                ? $this->older->progress($account->id, $mailbox->position)
                : ['coming' => 0, 'reading' => 0]),
            'lookedAt' => $state->stringOrNull('looked_at'),
            'paused' => $state->bool('paused'),
            // As after a backup was put back: the key is not part of it.
            'problem' => null === $server
                ? 'What was kept of the server cannot be opened any more: connect the mailbox anew, with the same address.'
                : $state->string('problem'),
            'here' => $counts->int('here'),
            'wanted' => $counts->int('wanted'),
            'left' => $counts->int('left_out'),
            'waiting' => $counts->int('waiting'),
            'folders' => array_map(static function (array $columns): array {
                $row = new Row($columns);

                return ['name' => $row->string('name'), 'role' => $row->string('role'), 'takenIn' => $row->bool('taken_in')];
            }, $this->connection->fetchAllAssociative(
                'SELECT name, role, taken_in FROM server_folder WHERE account_id = ? AND mailbox = ? ORDER BY name',
                $key,
            )),
            'troubles' => $this->troubles($key),
        ];
    }

    /**
     * @param array{\ZippyTray\Core\AccountId, int} $key
     *
     * @return list<Trouble>
     */
    private function troubles(array $key): array
    {
        return array_map(static function (array $columns): array {
            $row = new Row($columns);

            return [
                'id' => $row->int('id'),
                'subject' => $row->string('subject'),
                'conversation' => $row->stringOrNull('conversation_id'),
                'what' => $row->string('kind'),
                'to' => FolderRole::tryFrom(explode(' ', $row->string('target'))[0])?->value,
                'problem' => $row->string('problem'),
            ];
        }, $this->connection->fetchAllAssociative(
            'SELECT w.id, w.kind, w.target, w.problem, COALESCE(m.subject, \'\') AS subject,
                (SELECT t.conversation_id FROM conversation_message t WHERE t.message_id = m.id) AS conversation_id
             FROM server_wish w LEFT JOIN server_copy c ON c.id = w.copy_id
             LEFT JOIN message m ON m.id = COALESCE(w.message_id, c.message_id)
             WHERE w.account_id = ? AND w.mailbox = ? AND w.failures >= '.Patience::TOLD_AFTER.' ORDER BY w.id DESC LIMIT '.self::MOST,
            $key,
        ));
    }

    /**
     * @param array{string, int, Security} $server
     *
     * @return array{host: string, port: int, security: string}
     */
    private static function server(array $server): array
    {
        return ['host' => $server[0], 'port' => $server[1], 'security' => $server[2]->value];
    }
}
