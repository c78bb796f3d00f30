<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use ZippyTray\Server\DataFolder;

/**
 * What is wrong with the database, in a sentence that says what to do. The causes are those that SQLite tells apart
 * (its result codes).
 */
final class DatabaseTrouble extends \RuntimeException
{
    /** What SQLite says => what it means. */
    private const CAUSES = [
        'database is locked' => 'The database is in use by something that does not let go of it. Wait a moment, then try again; if it '
            .'stays so, end what else works with it.',
        'database table is locked' => 'The database is in use by something that does not let go of it. Wait a moment, then try again; if '
            .'it stays so, end what else works with it.',
        'database or disk is full' => 'The disk is full, so nothing can be kept. Nothing was changed. Make room, then try again.',
        'readonly database' => 'The database cannot be written to. Nothing was changed. Let the program write to the folder %s and the '
            .'files in it, then try again.',
        'unable to open database file' => 'The database cannot be opened. Look whether the folder %s is there and can be written to.',
        'database disk image is malformed' => 'The database is damaged. End the program, then restore a backup: ./zippy restore FILE. The '
            .'damaged one is kept by that, in the folder %s.',
        'database schema is corrupt' => 'The database is damaged. End the program, then restore a backup: ./zippy restore FILE. The '
            .'damaged one is kept by that, in the folder %s.',
        'malformed database schema' => 'The database is damaged. End the program, then restore a backup: ./zippy restore FILE. The damaged '
            .'one is kept by that, in the folder %s.',
        'file is not a database' => 'The file of the database holds something else. End the program, then restore a backup: ./zippy '
            .'restore FILE. What is there is kept by that, in the folder %s.',
        'disk i/o error' => 'The disk does not work as it should, and the database could not be read or written. Look after the disk, then '
            .'restore a backup if it has to be: ./zippy restore FILE.',
        'no such table' => 'The database in %s is not up to date, or is not one of this program. End it and start it again, which brings '
            .'it up to date; if that does not help, restore a backup: ./zippy restore FILE.',
        'no such column' => 'The database in %s is not up to date, or is not one of this program. End it and start it again, which brings '
            .'it up to date; if that does not help, restore a backup: ./zippy restore FILE.',
    ];

    /** Null when the database is not the cause. */
    public static function sentence(?\Throwable $problem): ?string
    {
        for (; null !== $problem; $problem = $problem->getPrevious()) {
            if ($problem instanceof self) {
                return $problem->getMessage();
            }
            $isOfDatabase = $problem instanceof \PDOException || $problem instanceof \Doctrine\DBAL\Exception;
            foreach ($isOfDatabase ? self::CAUSES : [] as $said => $sentence) {
                if (str_contains(strtolower($problem->getMessage()), $said)) {
                    return \sprintf($sentence, DataFolder::path());
                }
            }
        }

        return null;
    }

    /** There was a database, and now there is nothing in its place: a new one would hide that. */
    public static function gone(): self
    {
        return new self(\sprintf(
            'There was a database in %1$s, and now it is empty or gone. Restore a backup: ./zippy restore FILE. To begin anew '
                .'nevertheless, remove %1$s/%2$s.',
            DataFolder::path(),
            SqliteDriver::MADE,
        ));
    }

    /** It is shorter than it says. */
    public static function truncated(): self
    {
        return new self(\sprintf(
            'The database is cut off: its file is shorter than it was. End the program, then restore a backup: ./zippy restore FILE. What '
                .'is there is kept by that, in the folder %s.',
            DataFolder::path(),
        ));
    }
}
