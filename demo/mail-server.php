<?php

declare(strict_types=1);

/*
 * A real mail server for a try or a test, with letters in its inbox:
 *
 *     php demo/mail-server.php start FOLDER [ASKS]             ASKS: where it asks whether an access token holds
 *     php demo/mail-server.php put FOLDER USER SUBJECT NAME [DAYS [TEXT]]
 *                                                            a letter of so many days ago whose Message-ID is NAME@glass.example
 *     php demo/mail-server.php old FOLDER                      the mailbox of "office", which was not cleared for years
 *     php demo/mail-server.php list FOLDER USER                what lies where
 *     php demo/mail-server.php stop FOLDER
 *
 * "start" says its ports and the password with which every name signs in, as JSON.
 */

use ZippyTray\Core\InStep\Security;
use ZippyTray\Demo\MailServer;
use ZippyTray\Demo\OldLetters;
use ZippyTray\Server\Mailroom\Imap\ImapConnection;

require dirname(__DIR__).'/vendor/autoload.php';

[$what, $folder] = [$argv[1] ?? '', $argv[2] ?? ''];
$server = 'start' === $what ? MailServer::start(
    $folder,
    more: isset($argv[3]) ? ['auth_mechanisms' => 'plain login oauthbearer'] : [],
    asks: $argv[3] ?? '',
) : MailServer::at($folder);
match ($what) {
    'start' => print json_encode(
        ['port' => $server->port, 'tlsPort' => $server->tlsPort, 'password' => MailServer::PASSWORD],
        \JSON_THROW_ON_ERROR,
    ),
    'stop' => $server->stop(),
    'old' => (static function () use ($server): void {
        $connection = new ImapConnection(new ZippyTray\Server\Account\MailServer(
            ['127.0.0.1', $server->port, Security::Plain],
            ['', 0, Security::Tls],
            OldLetters::USER,
            MailServer::PASSWORD,
        ));
        $connection->open();
        OldLetters::put($connection, new DateTimeImmutable());
    })(),
    'list' => passthru(sprintf(
        'doveadm -f table -c %s fetch -u %s %s all',
        escapeshellarg($folder.'/dovecot.conf'),
        escapeshellarg($argv[3] ?? ''),
        escapeshellarg('mailbox flags hdr.subject'),
    )),
    'put' => (static function (string $user, string $subject, string $name, int $days, string $text) use ($server): void {
        $at = new DateTimeImmutable("-{$days} days");
        $_SERVER['ZIPPY_DATA'] ??= sys_get_temp_dir();
        $connection = new ImapConnection(new ZippyTray\Server\Account\MailServer(
            ['127.0.0.1', $server->port, Security::Plain],
            ['', 0, Security::Tls],
            $user,
            MailServer::PASSWORD,
        ));
        $connection->open();
        $connection->append(
            'INBOX',
            "From: Tam Achterberg <tam-{$name}@glass.example>\r\nTo: wren@ternpoint.example\r\nSubject: {$subject}\r\n"
                .'Date: '.$at->format(\DATE_RFC2822)."\r\nMessage-ID: <{$name}@glass.example>\r\n\r\n{$text}\r\n",
            [],
            $at,
        );
    })($argv[3] ?? '', $argv[4] ?? '', $argv[5] ?? '', (int) ($argv[6] ?? 0), $argv[7] ?? 'Which one shall it be?'),
    default => exit(2),
};
