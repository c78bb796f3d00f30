<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;

/**
 * Files that people attach to tasks.
 *
 * @phpstan-type FileRow array{id: string, name: string, type: string, size: int}
 */
final readonly class Files
{
    /** In bytes. */
    public const LARGEST = 25_000_000;

    private const NAME_LENGTH = 200;

    public function __construct(private Connection $connection, private StoredNow $now, private Ids $ids)
    {
    }

    /**
     * @return FileRow
     *
     * @throws Refused when it is empty or too large
     */
    public function take(AccountId $accountId, string $name, string $type, string $content): array
    {
        $size = \strlen($content);
        $name = trim((string) preg_replace('~[\x00-\x1f/\\\\]+~', ' ', mb_scrub($name)));
        $name = mb_strimwidth('' === $name ? 'file' : $name, 0, self::NAME_LENGTH, '…');
        if (0 === $size || $size > self::LARGEST) {
            throw new Refused(
                0 === $size ? \sprintf('"%s" is empty.', $name) : \sprintf(
                    '"%s" has %.1f MB; %d MB at most can be attached.',
                    $name,
                    $size / 1_000_000,
                    intdiv(self::LARGEST, 1_000_000),
                ),
                'files',
            );
        }
        $file = ['id' => $this->ids->next(), 'name' => $name, 'type' => $type, 'size' => $size];
        $this->connection->transactional(function () use ($accountId, $file, $content): void {
            $this->connection->insert('file', $file + ['account_id' => $accountId, 'added_at' => $this->now->text()]);
            $this->connection->insert(
                'file_content',
                ['file_id' => $file['id'], 'content' => $content],
                ['content' => ParameterType::LARGE_OBJECT],
            );
        });

        return $file;
    }

    /**
     * @param list<string> $ids
     *
     * @return list<FileRow> in the order of the ids
     */
    public function some(AccountId $accountId, array $ids): array
    {
        $rows = $this->connection->fetchAllAssociative(
            'SELECT f.id, f.name, f.type, f.size FROM json_each(?) j JOIN file f ON f.id = j.value WHERE f.account_id = ? ORDER BY j.key',
            [json_encode($ids, \JSON_THROW_ON_ERROR), $accountId],
        );

        return array_map(static function (array $columns): array {
            $row = new Row($columns);

            return [
                'id' => $row->string('id'),
                'name' => $row->string('name'),
                'type' => $row->string('type'),
                'size' => $row->int('size'),
            ];
        }, $rows);
    }

    /**
     * @return array{FileRow, string} the file and its bytes
     *
     * @throws NotFound
     */
    public function read(AccountId $accountId, string $id): array
    {
        $file = $this->some($accountId, [$id])[0] ?? throw new NotFound('file', $id);
        $content = $this->connection->fetchOne('SELECT content FROM file_content WHERE file_id = ?', [$id]);

        return [$file, \is_string($content) ? $content : throw new NotFound('file', $id)];
    }
}
