<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Doctrine\Migrations\DependencyFactory;
use Doctrine\Migrations\MigratorConfiguration;
use Doctrine\Migrations\Version\Version;
use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Console\CheckCommand;
use ZippyTray\Server\DataFolder;
use ZippyTray\Server\Migrations\Version20261124000000;
use ZippyTray\Server\Migrations\Version20261125000000;
use ZippyTray\Server\Migrations\Version20261208000000;
use ZippyTray\Server\Migrations\Version20261211000000;
use ZippyTray\Server\Store\Schema;
use ZippyTray\Server\Store\SqliteDriver;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * A database that an older version of the program has written goes on: nothing in it is lost, and what was done then
 * can still be undone.
 */
final class MigrationTest extends ApiTestCase
{
    /** SHA-256 of each file, as it was when it was published. */
    private const HASHES = [
        'Version20261124000000' => '4ef3722d8f5968c9852cc67a802afcbd283fb0e257e3e2aa27bd7d7c7dc4abfe',
        'Version20261125000000' => 'd82bd95b2ed71b0b451b78d88f379fcfbd848c314959730fef3e585c1efd7923',
        'Version20261126000000' => 'd50be8f2d59720413ed97718a59c64b83ba266d1470aa3263385f6580d99e468',
        'Version20261127000000' => '680f2d1d2c13ab9b49179f0c1b98acd33cb75d65545c7cbe5fbd365e2fc838d3',
        'Version20261128000000' => '8ae127a43bf66bdadd498c437dfb2831c351f74879ba11def04a8a4071d17653',
        'Version20261129000000' => '1dc537a05e73c6f2bec99becee4a6e3917906c92562184d59a6158645592fe08',
        'Version20261130000000' => '73744b881f1693201d453e7dc86e339edd1893b8cddc528c53602e09636dfc03',
        'Version20261201000000' => 'e4775995a754ea35102cd6df1e029b3ff07cc103aff37d4bb5d2bbf7f57845d1',
        'Version20261202000000' => 'c04eb43628357906daa72a6e02a49ec77079fab9a99440055f88814981647f84',
        'Version20261203000000' => '8a2cff506fae8f23fad9eeea30f96696d7c96f0545dc1ef5b2407dcbc6dccccb',
        'Version20261204000000' => '38c24cc2fc47563a33b06a0ee6d2a50a6ca309c008e3197248a9cf7579e9266f',
        'Version20261205000000' => '94a4dfef31f9f6e5b2c03a8ab2819bd86ab6330ba1e38be65e6af6cfd1bf9dcb',
        'Version20261206000000' => '0ffe9b3e6a4c532ed5e3befbcd6a49ebd1465eb173a4191a00763d2603a693ee',
        'Version20261207000000' => '3d41de22334b086169b4b44a471668606fd4aa1238274c651cc6d13021823882',
        'Version20261208000000' => '0a34d5f0fa8fbe1f892ae18067379dcfb1ea2bad3268156d6b62a4285805e1af',
        'Version20261209000000' => '9d5273553fa6507f6c4ec0c3728fb397d861182bc4802aea6cb687b11f305583',
        'Version20261210000000' => 'f98482013879dfc2ba9be2fcc4744b1c73554562f72f44074432eaef75a4102f',
        'Version20261211000000' => '64f6cb5f8c6c87c71cf43cc00f3c065cdf7ee3ea4f037868c439b20266235a03',
        'Version20261212000000' => 'aa42e94214b22e04f01f598a2282f1170973f41c0e479d021209c98cbc3511be',
        'Version20261213000000' => '8b922e4721909d73f145247995bdae150824973a5e2f2a87f1e20ceb24961236',
        'Version20261214000000' => '4940dc4da646195694fe7b7ad7f80cadf2bc2324139ab0cb14cd302ecde1e5ca',
        'Version20261215000000' => 'b4fe7d655920632975955fee4f2618a25f8c4aab9c0eb031bca2435f2da71f26',
        'Version20261216000000' => 'cb713849469c718728901714016fed0a5f4a09f07bc08d117e6df2c659d96e7c',
        'Version20261217000000' => '6cd34a5437b0a6654c23755d64877a0ece37473c5b5bcd26a3009769c9b2cb1b',
        'Version20261218000000' => '5ca5fea17ac0e454a2373168ee2d6d81c4c7665cc57df1d71aadc17662c817de',
        'Version20261219000000' => 'd776802ff76e0d4043487642b705cb2327c2b5e30d10c09195d4903f428483cb',
        'Version20261220000000' => 'ce3a417a8afa8a06580344b97978b0689d6a6958592ec856d5484347654c0a85',
        'Version20261221000000' => '6b94f0123c595370311fc66fdd6b6ccc3d781989bc74f92c4893c9d6080515f0',
        'Version20261222000000' => '4721a8650994e8ea998fd19e3defa503ab5a116a5b6ed43e639c70ff30b9a761',
        'Version20261223000000' => 'e69bf1c75c1352bb0c678b029fd4c608218cbf51a40a50a9f1a4b8142dd3b8be',
        'Version20261224000000' => '81f5f39a1d64d3d995bfb28822052a2a01e0f5221269c1c25b3b097ad1eef146',
        'Version20261225000000' => '6bab54843c02b3e90655c8208d0e5785fa84b3eafecb46ad0182b264fa0e75a9',
        'Version20261226000000' => 'd3f073057b986f6e6ea1d23bc1d5ab473af633310d593a0b5abbd9de204ceb01',
        'Version20261227000000' => '93ba4484e4a532267c173310d6c23bfc145a7d37c75d8ba5023de7bc5d498bdf',
        'Version20261228000000' => '1a2d2306742870fae5c3fa1b111a7f989076a6c882030a3c4bd3b1069fb40681',
    ];

    /**
     * @return iterable<string, array{
     *     class-string, array<string, bool|null>
     * }> the version, what it knew of a conversation besides the first one's fields
     */
    public static function versions(): iterable
    {
        yield 'the first' => [Version20261124000000::class, []];
        yield 'before tasks in full' => [
            Version20261125000000::class,
            ['owedBy' => null, 'owedWhat' => null, 'muted' => false, 'decidedAt' => null, 'decidedAs' => null],
        ];
    }

    /**
     * @param class-string             $version
     * @param array<string, bool|null> $more
     */
    #[DataProvider('versions')]
    public function testWhatWasDoneInAnOlderVersionIsThereAndCanBeUndone(string $version, array $more): void
    {
        $connection = $this->begin($version);
        [$account, $conversation] = [self::id(), self::id()];
        $connection->insert(
            'account',
            [
                'id' => $account,
                'email' => 'wren@ternpoint.example',
                'name' => 'Wren Halloran',
                'zone' => 'Europe/Dublin',
                'password' => 'x',
                'created_at' => '2026-11-01T08:00:00Z',
            ],
        );
        $connection->insert(
            'conversation',
            [
                'id' => $conversation,
                'account_id' => $account,
                'place' => 'away',
                'away_until' => '2099-01-01T09:00:00Z',
                'away_zone' => 'Europe/Dublin',
                'away_reason' => 'snooze',
                'snoozes' => 1,
                'unread' => 0,
                'subject' => 'Lantern glass',
                'latest_name' => 'Tam',
                'latest_email' => 'tam@glass.example',
                'excerpt' => '',
                'latest_at' => '2026-11-02T08:00:00Z',
                'messages' => 1,
                'attachments' => 0,
            ],
        );
        $before = [
            'place' => 'tray',
            'awayUntil' => null,
            'awayZone' => null,
            'awayReason' => null,
            'binnedAt' => null,
            'snoozes' => 0,
        ] + $more;
        $after = array_replace(
            $before,
            [
                'place' => 'away',
                'awayUntil' => '2099-01-01T09:00:00+00:00',
                'awayZone' => 'Europe/Dublin',
                'awayReason' => 'snooze',
                'snoozes' => 1,
            ],
        );
        $this->entry($connection, $account, 1, 'snooze', 'conversation', $conversation, $before, $after);

        [$list, $task] = [self::id(), self::id()];
        $connection->insert('task_list', ['id' => $list, 'account_id' => $account, 'name' => 'Supplies']);
        $made = [
            'createdAt' => '2026-11-02T08:00:00+00:00',
            'title' => 'Order polish',
            'notes' => 'Two tins',
            'list' => $list,
            'due' => ['date' => '2099-01-02', 'time' => null, 'zone' => null],
            'sources' => [],
            'completedAt' => null,
        ];
        $connection->insert(
            'task',
            [
                'id' => $task,
                'account_id' => $account,
                'created_at' => '2026-11-02T08:00:00Z',
                'title' => 'Order polish',
                'notes' => 'Two tins',
                'list_id' => $list,
                'due_date' => '2099-01-02',
                'sources' => '[]',
            ],
        );
        $this->entry($connection, $account, 2, 'make_task', 'task', $task, null, $made);
        $this->service(Schema::class)->bringUpToDate();
        $this->signIn($this->service(EntityManagerInterface::class)->find(Account::class, $account));

        self::assertSame(['Lantern glass'], array_column($this->away(), 'subject'));
        $sheet = $this->call('GET', '/tasks/'.$task);
        self::assertIsArray($sheet['row']);
        self::assertSame(
            ['Order polish', self::due('2099-01-02'), 'normal'],
            [$sheet['row']['title'], $sheet['row']['due'], $sheet['row']['priority']],
        );
        foreach ([2, 1] as $number) {
            $this->undo(['id' => $this->entryId($number)]);
        }
        self::assertSame(['Lantern glass'], array_column($this->rows('/tray'), 'subject'));
        $this->call('GET', '/tasks/'.$task, status: 404);
    }

    public function testTheVeryFirstDatabaseComesOverWhole(): void
    {
        $connection = $this->begin(Version20261124000000::class);
        // Its index of threads named conversations, and there was none of subjects.
        $connection->executeStatement('DROP TABLE thread_id');
        $connection->executeStatement('DROP TABLE thread_subject');
        $connection->executeStatement(
            'CREATE TABLE thread_id (account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED, header CLOB '
                .'NOT NULL, conversation_id VARCHAR(36) NOT NULL REFERENCES conversation (id) DEFERRABLE INITIALLY DEFERRED, PRIMARY KEY '
                .'(account_id, header))',
        );
        [$account, $conversation, $message] = [self::id(), self::id(), self::id()];
        $raw = "From: Tam <tam@glass.example>\r\nTo: wren@ternpoint.example\r\nSubject: Lantern glass\r\n"
            ."Date: Mon, 2 Nov 2026 08:00:00 +0000\r\nMessage-ID: <glass@glass.example>\r\nReferences: <before@glass.example>\r\n\r\n"
            ."Which one?\r\n";
        $connection->insert(
            'account',
            [
                'id' => $account,
                'email' => 'wren@ternpoint.example',
                'name' => 'Wren Halloran',
                'zone' => 'Europe/Dublin',
                'password' => 'x',
                'created_at' => '2026-11-01T08:00:00Z',
            ],
        );
        $connection->insert(
            'conversation',
            [
                'id' => $conversation,
                'account_id' => $account,
                'place' => 'archive',
                'snoozes' => 0,
                'unread' => 0,
                'subject' => 'Lantern glass',
                'latest_name' => 'Tam',
                'latest_email' => 'tam@glass.example',
                'excerpt' => '',
                'latest_at' => '2026-11-02T08:00:00Z',
                'messages' => 1,
                'attachments' => 0,
            ],
        );
        $connection->insert(
            'message',
            [
                'id' => $message,
                'account_id' => $account,
                'message_header' => 'glass@glass.example',
                'reference_ids' => '["before@glass.example"]',
                'sender' => '{"name":"Tam","email":"tam@glass.example"}',
                'reply_to' => '[]',
                'recipients' => '[{"name":"","email":"wren@ternpoint.example"}]',
                'copied' => '[]',
                'subject' => 'Lantern glass',
                'sent_at' => '2026-11-02T08:00:00Z',
                'sent_zone' => '+00:00',
                'date_source' => 'header',
                'text' => 'Which one?',
                'plain' => 1,
                'formatted' => 0,
                'attachments' => '[]',
                'list_headers' => '{}',
                'fingerprint' => (new MessageReader())->fingerprint($raw),
                'size' => \strlen($raw),
                'own' => 0,
                'imported_at' => '2026-11-02T09:00:00Z',
            ],
        );
        $connection->insert(
            'message_source',
            ['message_id' => $message, 'source' => gzcompress($raw)],
            ['source' => ParameterType::LARGE_OBJECT],
        );
        $connection->insert('conversation_message', ['number' => 1, 'message_id' => $message, 'conversation_id' => $conversation]);
        $connection->insert('message_search', ['rowid' => 1, 'subject' => 'Lantern glass', 'people' => 'Tam', 'text' => 'Which one?']);
        $connection->insert('thread_id', ['account_id' => $account, 'header' => 'glass@glass.example', 'conversation_id' => $conversation]);
        $this->service(Schema::class)->bringUpToDate();
        $this->signIn($this->service(EntityManagerInterface::class)->find(Account::class, $account));

        self::assertSame(1, $this->call('GET', '/find?words=lantern')['total']);
        $this->upload([
            'reply.eml' => "From: Tam <tam@glass.example>\r\nSubject: Re: Lantern glass\r\nDate: Tue, 3 Nov 2026 08:00:00 +0000\r\n"
                ."Message-ID: <reply@glass.example>\r\nIn-Reply-To: <glass@glass.example>\r\n\r\nWell?\r\n",
            'beside.eml' => "From: Tam <tam@glass.example>\r\nSubject: Something else\r\nDate: Tue, 3 Nov 2026 09:00:00 +0000\r\n"
                ."Message-ID: <beside@glass.example>\r\nReferences: <before@glass.example>\r\n\r\nAnd this?\r\n",
        ]);
        self::assertCount(3, (array) $this->call('GET', '/conversations/'.$conversation)['messages'], 'What belongs to it finds it.');
        self::assertCount(1, $this->rows('/tray'));
        foreach ($this->service(CheckCommand::class)->checks() as $check) {
            self::assertSame([], $check->look()->examples, $check->claim());
        }
    }

    public function testTheWaysOfMailBecomeAMailbox(): void
    {
        $connection = $this->begin(Version20261208000000::class);
        $account = ['zone' => 'UTC', 'password' => '', 'created_at' => '2026-11-01T08:00:00Z', 'name' => 'Wren'];
        foreach ([
            'wren' => [
                'undoSeconds' => 20,
                'address' => 'https://tray.ternpoint.example',
                'out' => 'smtp',
                'dsn' => 'sealed',
                'plain' => true,
                'in' => 'maildir',
                'folder' => '/mail',
            ],
            'tam' => ['undoSeconds' => 5],
            'ada' => [],
        ] as $name => $settings) {
            $connection->insert(
                'account',
                ['id' => $name, 'email' => $name.'@ternpoint.example', 'post_settings' => json_encode($settings)] + $account,
            );
        }
        $this->service(Schema::class)->bringUpToDate();
        self::assertSame(
            [[
                'account_id' => 'wren',
                'position' => 0,
                'goes_out' => 'smtp',
                'dsn' => 'sealed',
                'plain' => 1,
                'comes_in' => 'maildir',
                'folder' => '/mail',
                'server' => '',
                'address' => '',
                'aliases' => '[]',
            ]],
            $connection->fetchAllAssociative('SELECT * FROM mailbox'),
        );
        self::assertSame(
            ['ada' => '[]', 'tam' => '{"undoSeconds":5}', 'wren' => '{"undoSeconds":20}'],
            $connection->fetchAllKeyValue('SELECT id, post_settings FROM account ORDER BY id'),
        );
        self::assertSame(
            'https://tray.ternpoint.example',
            $this->service(Accounts::class)->find('wren@ternpoint.example')?->programAddress(),
        );
    }

    public function testWhatTasksCallTheirLabelsBecomesLabels(): void
    {
        $connection = $this->begin(Version20261211000000::class);
        foreach (['wren', 'ada'] as $name) {
            $connection->insert('account', [
                'id' => $name,
                'email' => $name.'@ternpoint.example',
                'name' => $name,
                'zone' => 'UTC',
                'password' => '',
                'created_at' => '2026-11-01T08:00:00Z',
            ]);
            $connection->insert('task_list', ['id' => 'list of '.$name, 'account_id' => $name, 'name' => 'Roof']);
        }
        foreach ([
            'one' => ['wren', ['Harbour', 'money']],
            'two' => ['wren', ['harbour', ' ', 'money', str_repeat('x', 50)]],
            'none' => ['wren', []],
            'hers' => ['ada', ['money']],
        ] as $id => [$account, $labels]) {
            $connection->insert('task', [
                'id' => $id,
                'account_id' => $account,
                'created_at' => '2026-11-02T08:00:00Z',
                'title' => $id,
                'notes' => '',
                'list_id' => 'list of '.$account,
                'sources' => '[]',
                'labels' => json_encode($labels, \JSON_THROW_ON_ERROR),
            ]);
        }
        $this->service(Schema::class)->bringUpToDate();

        $names = $connection->fetchAllKeyValue('SELECT id, name FROM label');
        $shown = static function (mixed $json) use ($names): array {
            self::assertIsString($json);

            return array_map(static fn (mixed $id): mixed => \is_string($id) ? $names[$id] : null, (array) json_decode($json, true));
        };
        self::assertSame(
            [
                'hers' => ['money'],
                'none' => [],
                'one' => ['Harbour', 'money'],
                'two' => ['Harbour', 'money', str_repeat('x', 40)],
            ],
            array_map($shown, $connection->fetchAllKeyValue('SELECT id, labels FROM task ORDER BY id')),
        );
        self::assertSame(
            [['ada', 'money', 'sea'], ['wren', 'Harbour', 'sea'], ['wren', 'money', 'moss'], ['wren', str_repeat('x', 40), 'brass']],
            $connection->fetchAllNumeric('SELECT account_id, name, colour FROM label ORDER BY account_id, colour DESC, name'),
        );
    }

    public function testMigrationsThatHaveRunSomewhereStayAsTheyAre(): void
    {
        $hashes = [];
        foreach (glob(\dirname(__DIR__, 3).'/server/migrations/*.php') ?: [] as $file) {
            $hashes[basename($file, '.php')] = hash_file('sha256', $file);
        }
        foreach (self::HASHES as $version => $hash) {
            self::assertSame(
                $hash,
                $hashes[$version] ?? null,
                "{$version} was changed. Databases that it has made do not change with it: write a new one.",
            );
        }
        self::assertSame(array_keys(self::HASHES), array_keys($hashes), 'A new migration is written down here when it is finished.');
    }

    /** An empty database as that version made it. */
    private function begin(string $version): Connection
    {
        foreach (['', '-wal', '-shm'] as $ending) {
            @unlink(DataFolder::path().'/zippy-tray.sqlite'.$ending);
        }
        @unlink(DataFolder::path().'/'.SqliteDriver::MADE);
        $connection = $this->service(Connection::class);
        $connection->close();
        $factory = self::getContainer()->get('doctrine.migrations.dependency_factory');
        self::assertInstanceOf(DependencyFactory::class, $factory);
        $factory->getMetadataStorage()->ensureInitialized();
        $connection->transactional(static fn (): array => $factory->getMigrator()->migrate(
            $factory->getMigrationPlanCalculator()->getPlanUntilVersion(new Version($version)),
            new MigratorConfiguration(),
        ));

        return $connection;
    }

    /**
     * @param array<string, mixed>|null $before
     * @param array<string, mixed>      $after
     */
    private function entry(
        Connection $connection,
        string $account,
        int $number,
        string $kind,
        string $object,
        string $id,
        ?array $before,
        array $after,
    ): void {
        $entry = self::id();
        $changes = [['kind' => $object, 'id' => $id, 'before' => $before, 'after' => $after]];
        $connection->insert(
            'journal_entry',
            [
                'id' => $entry,
                'account_id' => $account,
                'number' => $number,
                'done_at' => '2026-11-02T09:00:00Z',
                'kind' => $kind,
                'about' => 'It',
                'consequence' => '',
                'changes' => json_encode($changes, \JSON_THROW_ON_ERROR),
            ],
        );
        $connection->insert('journal_touch', ['entry_id' => $entry, 'kind' => $object, 'object_id' => $id]);
    }

    private function entryId(int $number): string
    {
        $id = $this->service(Connection::class)->fetchOne('SELECT id FROM journal_entry WHERE number = ?', [$number]);

        return \is_string($id) ? $id : throw new \OutOfBoundsException('no entry '.$number);
    }
}
