<?php

declare(strict_types=1);

namespace ZippyTray\Demo;

/**
 * A real mail server on this machine (Dovecot), with a folder of its own: for the demo, the tests and the measurements. It needs none of
 * the system's services, keeps its mail as Maildirs, and is gone with its folder. Every name signs in with the same password.
 */
final class MailServer
{
    private const PROGRAM = '/usr/sbin/dovecot';

    public const PASSWORD = 'tern-point-1858';

    /** Debian's user without rights: Dovecot serves no mail as root. */
    private const NOBODY = 'nobody';

    private function __construct(public readonly string $folder, public readonly int $port, public readonly int $tlsPort)
    {
    }

    public static function isInstalled(): bool
    {
        return is_file(self::PROGRAM) && is_file('/usr/lib/dovecot/imap');
    }

    /**
     * @param string                $folder  an empty one, or that of a server that was stopped
     * @param list<string>          $without capabilities that it is to do without (RFC 9051, 7.2.2)
     * @param list<string>          $folders that it begins with, besides the inbox: "Name" or "Name \Use"
     * @param array<string, string> $more    further settings of its configuration
     * @param array<string, string> $plugin  settings of its plugins
     * @param string                $asks    where it asks whether an access token holds (RFC 7662), up to the token; empty: it takes none
     */
    public static function start(
        string $folder,
        array $without = [],
        array $folders = ['Archive \Archive', 'Sent \Sent', 'Trash \Trash', 'Junk \Junk', 'Drafts \Drafts'],
        array $more = [],
        int $port = 0,
        string $asks = '',
        array $plugin = [],
        string $prefix = '',
    ): self {
        [$port, $tlsPort] = [0 === $port ? self::freePort() : $port, self::freePort()];
        foreach (['run', 'state', 'mail', 'home'] as $name) {
            is_dir("{$folder}/{$name}") || mkdir("{$folder}/{$name}", 0o755, true);
        }
        is_file("{$folder}/certificate.pem") || self::makeCertificate($folder);
        $isRoot = 0 === posix_getuid();
        $user = $isRoot ? posix_getpwnam(self::NOBODY) : posix_getpwuid(posix_getuid());
        if (false === $user) {
            throw new \RuntimeException('There is no user for whom mail could be kept.');
        }
        if ($isRoot) {
            // Whoever keeps the mail has to get through to it.
            for ($above = $folder; '/' !== $above && '/tmp' !== $above; $above = \dirname($above)) {
                @chmod($above, fileperms($above) | 0o011);
            }
            foreach (['mail', 'home'] as $name) {
                chown("{$folder}/{$name}", $user['uid']);
                chgrp("{$folder}/{$name}", $user['gid']);
            }
        }
        $server = new self($folder, $port, $tlsPort);
        file_put_contents("{$folder}/ports", "{$port} {$tlsPort}");
        file_put_contents(
            "{$folder}/dovecot.conf",
            $server->configuration($user, $without, $folders, $more, $prefix).$server->tokens($asks).self::plugin($plugin),
        );
        // It goes on in the background, and would hold whatever it could write to.
        exec(\sprintf(
            '%s -c %s </dev/null >%s 2>&1',
            self::PROGRAM,
            escapeshellarg("{$folder}/dovecot.conf"),
            escapeshellarg("{$folder}/start"),
        ), result_code: $code);
        if (0 !== $code) {
            throw new \RuntimeException('The mail server did not start: '.file_get_contents("{$folder}/start"));
        }
        for ($try = 0; $try < 100 && !$server->answers(); ++$try) {
            usleep(50_000);
        }

        return $server;
    }

    /** The one that was started in a folder. */
    public static function at(string $folder): self
    {
        [$port, $tlsPort] = array_map(intval(...), explode(' ', (string) file_get_contents("{$folder}/ports")));

        return new self($folder, $port, $tlsPort);
    }

    public function stop(): void
    {
        $pid = (int) @file_get_contents("{$this->folder}/run/master.pid");
        if ($pid > 0) {
            posix_kill($pid, \SIGTERM);
            usleep(100_000);
            // It would wait some seconds for its processes, which have nothing to do any more.
            posix_kill(-$pid, \SIGKILL);
            @unlink("{$this->folder}/run/master.pid");
        }
    }

    /** The certificate with which it answers, as its own authority (PEM). */
    public function authority(): string
    {
        return (string) file_get_contents("{$this->folder}/certificate.pem");
    }

    private function answers(): bool
    {
        $socket = @stream_socket_client("tcp://127.0.0.1:{$this->port}", $code, $problem, 1);

        return false !== $socket && fclose($socket);
    }

    /**
     * @param array{uid: int, gid: int, name: string} $user
     * @param list<string>                            $without
     * @param list<string>                            $folders
     * @param array<string, string>                   $more
     */
    private function configuration(array $user, array $without, array $folders, array $more, string $prefix): string
    {
        $isRoot = 0 === posix_getuid();
        $group = posix_getgrgid($user['gid']);
        $settings = [
            'base_dir' => $this->folder.'/run',
            'state_dir' => $this->folder.'/state',
            'log_path' => $this->folder.'/log',
            'protocols' => 'imap',
            'listen' => '127.0.0.1',
            'default_login_user' => $isRoot ? self::NOBODY : $user['name'],
            'default_internal_user' => $isRoot ? self::NOBODY : $user['name'],
            'default_internal_group' => false === $group ? 'nogroup' : $group['name'],
            'first_valid_uid' => '1',
            'first_valid_gid' => '1',
            'mail_uid' => (string) $user['uid'],
            'mail_gid' => (string) $user['gid'],
            'mail_location' => "maildir:{$this->folder}/mail/%u:UTF-8",
            'mail_fsync' => 'never',
            'mail_max_userip_connections' => '100',
            'disable_plaintext_auth' => 'no',
            'auth_failure_delay' => '0',
            'ssl' => 'yes',
            'ssl_cert' => "<{$this->folder}/certificate.pem",
            'ssl_key' => "<{$this->folder}/key.pem",
        ] + ([] === $without ? [] : ['imap_capability' => implode(' ', array_diff(self::CAPABILITIES, $without))]);
        $lines = [];
        foreach ($more + $settings as $name => $value) {
            $lines[] = "{$name} = {$value}";
        }
        $boxes = '';
        foreach ($folders as $box) {
            [$name, $use] = explode(' ', $box, 2) + [1 => ''];
            $boxes .= "  mailbox \"{$name}\" {\n    auto = create\n".('' === $use ? '' : "    special_use = {$use}\n")."  }\n";
        }
        $separator = '' === $prefix ? '/' : substr($prefix, -1);
        $ids = "uid={$user['uid']} gid={$user['gid']}";

        return implode("\n", $lines)."\n".
            "passdb {\n  driver = static\n  args = password=".self::PASSWORD."\n}\n".
            "userdb {\n  driver = static\n  args = {$ids} home={$this->folder}/home/%u\n}\n".
            "service imap-login {\n  chroot =\n  inet_listener imap {\n    port = {$this->port}\n  }\n".
            "  inet_listener imaps {\n    port = {$this->tlsPort}\n    ssl = yes\n  }\n}\n".
            "service anvil {\n  chroot =\n  unix_listener anvil-auth-penalty {\n    mode = 0\n  }\n}\nservice stats {\n  chroot =\n}\n".
            "namespace inbox {\n  inbox = yes\n  prefix = {$prefix}\n  separator = {$separator}\n{$boxes}}\n";
    }

    /** @param array<string, string> $settings */
    private static function plugin(array $settings): string
    {
        $lines = array_map(static fn (string $name): string => "  {$name} = {$settings[$name]}\n", array_keys($settings));

        return [] === $lines ? '' : "plugin {\n".implode('', $lines)."}\n";
    }

    private function tokens(string $asks): string
    {
        if ('' === $asks) {
            return '';
        }
        file_put_contents($this->folder.'/oauth2.conf', implode("\n", [
            'introspection_url = '.$asks,
            'introspection_mode = get',
            'force_introspection = yes',
            'username_attribute = username',
            'active_attribute = active',
            'active_value = true',
            '',
        ]));

        return "passdb {\n  driver = oauth2\n  mechanisms = xoauth2 oauthbearer\n  args = {$this->folder}/oauth2.conf\n}\n";
    }

    /** What Dovecot can do that matters here; what is left out of it is not offered. */
    private const CAPABILITIES = [
        'IMAP4rev1', 'SASL-IR', 'LOGIN-REFERRALS', 'ID', 'ENABLE', 'IDLE', 'LITERAL+', 'UNSELECT', 'CHILDREN', 'NAMESPACE', 'UIDPLUS',
        'LIST-EXTENDED', 'CONDSTORE', 'QRESYNC', 'ESEARCH', 'SEARCHRES', 'LIST-STATUS', 'MOVE', 'SPECIAL-USE', 'CREATE-SPECIAL-USE',
    ];

    private static function makeCertificate(string $folder): void
    {
        $key = openssl_pkey_new(['private_key_bits' => 2048, 'private_key_type' => \OPENSSL_KEYTYPE_RSA]);
        $configuration = "{$folder}/certificate.conf";
        file_put_contents($configuration, "[req]\ndistinguished_name = dn\n[dn]\n[v3]\nsubjectAltName = DNS:localhost, IP:127.0.0.1\n");
        $options = ['config' => $configuration, 'x509_extensions' => 'v3', 'req_extensions' => 'v3', 'digest_alg' => 'sha256'];
        $request = false === $key ? false : openssl_csr_new(['commonName' => 'localhost'], $key, $options);
        $certificate = $request instanceof \OpenSSLCertificateSigningRequest
            ? openssl_csr_sign($request, null, $key, 3650, $options, random_int(1, \PHP_INT_MAX))
            : false;
        if (!$key instanceof \OpenSSLAsymmetricKey || false === $certificate) {
            throw new \RuntimeException('No certificate could be made for the mail server.');
        }
        openssl_x509_export_to_file($certificate, "{$folder}/certificate.pem");
        openssl_pkey_export_to_file($key, "{$folder}/key.pem");
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        if (false === $socket) {
            throw new \RuntimeException('There is no free port.');
        }
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);

        return $port;
    }
}
