<?php

declare(strict_types=1);

/*
 * The least that answering can cost: the same rows by plain PDO, as JSON, over the same kind of server. It looks after
 * nobody and checks nothing.
 */

$spent = static function (): float {
    $used = getrusage() ?: [];

    return 1000 * (($used['ru_utime.tv_sec'] ?? 0) + ($used['ru_stime.tv_sec'] ?? 0))
        + (($used['ru_utime.tv_usec'] ?? 0) + ($used['ru_stime.tv_usec'] ?? 0)) / 1000;
};
$before = $spent();
header_register_callback(static fn () => header(sprintf('Server-Timing: cpu;dur=%.3f', $spent() - $before)));
$database = new PDO(
    'sqlite:'.getenv('ZIPPY_DATA').'/zippy-tray.sqlite',
    options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION, PDO::ATTR_TIMEOUT => 60],
);
$database->exec('PRAGMA journal_mode=WAL');
$database->exec('PRAGMA synchronous=NORMAL');
$all = static function (string $sql, array $values = []) use ($database): array {
    $statement = $database->prepare($sql);
    $statement->execute($values);

    return $statement->fetchAll(PDO::FETCH_ASSOC);
};
$words = implode(
    ' ',
    array_map(
        static fn (string $word): string => '"'.rtrim($word, '*').'"'.(str_ends_with($word, '*') ? '*' : ''),
        explode(' ', (string) ($_GET['words'] ?? '')),
    ),
);
$many = (int) ($_GET['many'] ?? 1);
echo json_encode(match (parse_url($_SERVER['REQUEST_URI'] ?? '/', PHP_URL_PATH)) {
    '/tray' => $all(
        "SELECT id, subject, latest_name, latest_email, excerpt, latest_at, messages, attachments, unread FROM conversation WHERE "
            ."place = 'tray' ORDER BY latest_at DESC LIMIT 500",
    ),
    '/open' => $all(
        'SELECT m.id, m.sender, m.recipients, m.copied, m.subject, m.sent_at, m.text, m.attachments FROM conversation_message c JOIN '
            .'message m ON m.id = c.message_id WHERE c.conversation_id = ? ORDER BY m.sent_at',
        [$_GET['id'] ?? ''],
    ),
    '/journal' => $all('SELECT id, kind, about, consequence, done_at FROM journal_entry ORDER BY number DESC LIMIT 50'),
    '/heartbeat' => $all("SELECT COUNT(*) FROM conversation WHERE place = 'tray'"),
    '/find' => [
        $all(
            'SELECT COUNT(DISTINCT m.conversation_id) FROM message_search s JOIN conversation_message m ON m.number = s.rowid WHERE '
                .'message_search MATCH ?',
            [$words],
        ),
        $all(
            'SELECT c.id, c.subject, c.excerpt FROM conversation c WHERE c.id IN (SELECT m.conversation_id FROM message_search s JOIN '
                .'conversation_message m ON m.number = s.rowid WHERE message_search MATCH ?) ORDER BY c.latest_at DESC LIMIT 50',
            [$words],
        ),
    ],
    '/latest' => $all('SELECT id, subject, excerpt FROM conversation ORDER BY latest_at DESC LIMIT 50'),
    '/people' => $all(
        'SELECT DISTINCT p.email, p.name FROM person_word w JOIN person p ON p.account_id = w.account_id AND p.email = w.email WHERE '
            .'w.word >= ? AND w.word < ? LIMIT 20',
        [$_GET['words'] ?? '', ($_GET['words'] ?? '').'~'],
    ),
    '/tasks' => $all('SELECT id, title, due_date, due_time, list_id, estimate FROM task WHERE completed_at IS NULL ORDER BY due_date'),
    '/away' => $all("SELECT id, subject, excerpt, away_until FROM conversation WHERE place = 'away' ORDER BY away_until"),
    '/decide' => (static function () use ($database, $all, $many): array {
        $database->exec('CREATE TABLE IF NOT EXISTS bare_entry (id TEXT PRIMARY KEY, text TEXT)');
        $database->exec('CREATE TABLE IF NOT EXISTS bare_touch (entry TEXT, id TEXT, PRIMARY KEY (id, entry)) WITHOUT ROWID');
        $rows = $all("SELECT id, place FROM conversation WHERE place = 'tray' LIMIT {$many}");
        $database->exec('BEGIN IMMEDIATE');
        $database->prepare('INSERT INTO bare_entry VALUES (?, ?)')->execute([$id = bin2hex(random_bytes(16)), json_encode($rows)]);
        $touch = $database->prepare('INSERT INTO bare_touch VALUES (?, ?)');
        $update = $database->prepare('UPDATE conversation SET excerpt = excerpt, revision = revision WHERE id = ?');
        foreach ($rows as ['id' => $conversation]) {
            $touch->execute([$id, $conversation]);
            $update->execute([$conversation]);
        }
        $database->exec('COMMIT');

        return $rows;
    })(),
    '/task' => (static function () use ($database): array {
        $database->exec('CREATE TABLE IF NOT EXISTS bare_entry (id TEXT PRIMARY KEY, text TEXT)');
        $database->exec('BEGIN IMMEDIATE');
        for ($row = 0; $row < 3; ++$row) {
            $database->prepare('INSERT INTO bare_entry VALUES (?, ?)')->execute([bin2hex(random_bytes(16)), str_repeat('x', 800)]);
        }
        $database->exec('COMMIT');

        return [];
    })(),
    default => [],
}, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);
