<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;
use Symfony\Component\Filesystem\Filesystem;
use ZippyTray\Core\Refused;
use ZippyTray\Server\DataFolder;

/**
 * A copy of the database as one file, and the way back from it.
 */
final readonly class Backup
{
    /** What belongs to a database that is in use. */
    private const BESIDE = ['', '-wal', '-shm'];

    public function __construct(private Connection $connection)
    {
    }

    /**
     * Everything that was kept by the moment at which this begins, also while others write.
     *
     * @return int its bytes
     *
     * @throws Refused
     */
    public function write(string $file, bool $replace): int
    {
        if (is_dir($file) || !is_dir(\dirname($file)) || !is_writable(\dirname($file))) {
            throw new Refused(\sprintf('"%s" cannot be written: name a file in a folder that is there.', $file));
        }
        if (is_file($file) && !$replace) {
            throw new Refused(\sprintf('There is "%s" already. Name another file, or say --replace.', $file));
        }
        $new = $file.'.'.bin2hex(random_bytes(4)).'.part';
        try {
            $this->connection->executeStatement('VACUUM INTO ?', [$new]);
            self::checked($new);
            chmod($new, 0o600);
            rename($new, $file);
        } finally {
            @unlink($new);
        }

        return (int) filesize($file);
    }

    /**
     * What was there is kept whole, with its write-ahead log: that belongs to the old one, and would be played over
     * the new.
     *
     * @return string|null the folder in which the old one lies; null when there was none
     *
     * @throws Refused when the file is no whole backup; then nothing is changed
     */
    public function restore(string $file): ?string
    {
        if (!is_file($file) || !is_readable($file)) {
            throw new Refused(\sprintf('There is no file "%s" that can be read.', $file));
        }
        self::checked($file);
        $this->connection->close();
        $database = DataFolder::path().'/zippy-tray.sqlite';
        $files = new Filesystem();
        $new = $database.'.'.bin2hex(random_bytes(4)).'.new';
        $files->copy($file, $new, true);
        chmod($new, 0o600);
        self::checked($new);
        $there = array_filter(self::BESIDE, static fn (string $ending): bool => file_exists($database.$ending));
        $aside = [] === $there ? null : DataFolder::path().'/before-restore-'.gmdate('Ymd-His').'-'.bin2hex(random_bytes(2));
        if (null !== $aside) {
            $files->mkdir($aside, 0o700);
            foreach ($there as $ending) {
                rename($database.$ending, $aside.'/zippy-tray.sqlite'.$ending);
            }
        }
        rename($new, $database);

        return $aside;
    }

    /** @throws Refused when it is no whole database of this program */
    private static function checked(string $file): void
    {
        try {
            // It is opened as it is: a log beside it is not its own.
            $database = new \PDO(
                'sqlite:file:'.rawurlencode($file).'?immutable=1',
                options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION, \PDO::SQLITE_ATTR_OPEN_FLAGS => \PDO::SQLITE_OPEN_READONLY],
            );
            $one = static function (string $query) use ($database): mixed {
                $result = $database->query($query);

                return false === $result ? null : $result->fetchColumn();
            };
            $said = $one('PRAGMA integrity_check(1)');
            $tables = $one(
                "SELECT COUNT(*) FROM sqlite_master
                    WHERE name IN ('account', 'message', 'message_source', 'conversation', 'journal_entry', 'doctrine_migration_versions')",
            );
            $version = 6 === $tables ? $one('SELECT MAX(version) FROM doctrine_migration_versions') : null;
        } catch (\PDOException $problem) {
            throw new Refused(\sprintf('"%s" is no database, or is damaged: %s.', $file, $problem->getMessage()));
        }
        if ('ok' !== $said) {
            throw new Refused(\sprintf('"%s" is damaged: %s.', $file, \is_string($said) ? $said : 'it cannot be read'));
        }
        if (6 !== $tables) {
            throw new Refused(\sprintf('"%s" is no backup of Zippy Tray.', $file));
        }
        if (\is_string($version) && !class_exists($version)) {
            throw new Refused(\sprintf(
                '"%s" comes from a newer version of Zippy Tray than this one. Bring the program up to date first.',
                $file,
            ));
        }
    }
}
