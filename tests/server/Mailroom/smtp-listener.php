<?php

declare(strict_types=1);

/*
 * A mail server that knows just enough of RFC 5321 to be talked to, and can be told how to behave.
 * Arguments: how to behave, the file that gets what was taken. Prints its port.
 */
[, $behaviour, $file] = $argv + [1 => 'take', 2 => '/dev/null'];
$server = stream_socket_server('tcp://127.0.0.1:0') ?: exit(1);
echo explode(':', (string) stream_socket_get_name($server, false))[1]."\n";
while (false !== $client = @stream_socket_accept($server, 30)) {
    fwrite($client, "220 post.example ready\r\n");
    $envelope = '';
    while (false !== $line = fgets($client)) {
        $command = strtoupper(substr($line, 0, 4));
        if ('DATA' === $command) {
            fwrite($client, "354 go on\r\n");
            $data = '';
            while (false !== ($line = fgets($client)) && ".\r\n" !== $line) {
                $data .= str_starts_with($line, '..') ? substr($line, 1) : $line;
            }
            if ('vanish' === $behaviour) {
                fclose($client);
                continue 2;
            }
            if ('full' === $behaviour) {
                fwrite($client, "452 4.3.1 mailbox is full\r\n");
                continue;
            }
            file_put_contents($file, $envelope."\n".$data, \FILE_APPEND);
            fwrite($client, "250 2.0.0 taken\r\n");
            continue;
        }
        $envelope .= in_array($command, ['MAIL', 'RCPT', 'AUTH'], true) ? trim($line).';' : '';
        fwrite($client, match (true) {
            'RCPT' === $command && 'unknown' === $behaviour => "550 5.1.1 no such mailbox\r\n",
            'MAIL' === $command && 'busy' === $behaviour => "451 4.3.0 try again later\r\n",
            'QUIT' === $command => "221 bye\r\n",
            'EHLO' === $command && 'bearer' === $behaviour => "250-post.example\r\n250 AUTH OAUTHBEARER\r\n",
            'AUTH' === $command => "235 2.7.0 signed in\r\n",
            'EHLO' === $command => "250-post.example\r\n250 8BITMIME\r\n",
            default => "250 ok\r\n",
        });
        if ('QUIT' === $command) {
            break;
        }
    }
    @fclose($client);
}
