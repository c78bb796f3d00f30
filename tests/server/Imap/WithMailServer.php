<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Imap;

use PHPUnit\Framework\Attributes\AfterClass;
use PHPUnit\Framework\Attributes\BeforeClass;
use Symfony\Component\Filesystem\Filesystem;
use ZippyTray\Core\InStep\Security;
use ZippyTray\Demo\MailServer as Dovecot;
use ZippyTray\Server\Account\MailServer;
use ZippyTray\Server\Mailroom\Imap\ImapConnection;

/**
 * A real mail server for the tests of a class. Each test has a mailbox of its own in it.
 */
trait WithMailServer
{
    private static ?Dovecot $dovecot = null;

    private static int $people = 0;

    #[BeforeClass]
    public static function startMailServer(): void
    {
        if (!Dovecot::isInstalled()) {
            if ('1' === getenv('ZIPPY_REQUIRED')) {
                throw new \RuntimeException('Dovecot (dovecot-imapd) has to be installed for these tests.');
            }
            self::markTestSkipped('Dovecot is not installed.');
        }
        self::$dovecot = self::serve();
    }

    #[AfterClass]
    public static function stopMailServer(): void
    {
        if (null !== self::$dovecot) {
            self::endServing(self::$dovecot);
            self::$dovecot = null;
        }
    }

    /**
     * @param list<string>          $without capabilities
     * @param list<string>|null     $folders
     * @param array<string, string> $more
     * @param array<string, string> $plugin  settings of plugins
     */
    protected static function serve(
        array $without = [],
        ?array $folders = null,
        array $more = [],
        array $plugin = [],
        string $prefix = '',
    ): Dovecot {
        $folder = sys_get_temp_dir().'/zippy-dovecot-'.bin2hex(random_bytes(6));
        mkdir($folder, 0o755);

        return null === $folders
            ? Dovecot::start($folder, $without, more: $more, plugin: $plugin, prefix: $prefix)
            : Dovecot::start($folder, $without, $folders, $more, plugin: $plugin, prefix: $prefix);
    }

    protected static function endServing(Dovecot $dovecot): void
    {
        $dovecot->stop();
        (new Filesystem())->remove($dovecot->folder);
    }

    protected static function person(): string
    {
        return 'wren'.++self::$people;
    }

    protected static function dovecot(): Dovecot
    {
        return self::$dovecot ?? throw new \LogicException('It was started before the class.');
    }

    protected static function mailServer(string $user, ?Dovecot $dovecot = null, ?int $port = null): MailServer
    {
        return new MailServer(
            ['127.0.0.1', $port ?? ($dovecot ?? self::dovecot())->port, Security::Plain],
            ['', 0, Security::Tls],
            $user,
            Dovecot::PASSWORD,
        );
    }

    protected static function connection(string $user, ?Dovecot $dovecot = null): ImapConnection
    {
        $connection = new ImapConnection(self::mailServer($user, $dovecot));
        $connection->open();

        return $connection;
    }

    protected static function letter(
        string $subject,
        string $id,
        string $text = 'Could you send the plan by Friday?',
        string $more = '',
    ): string {
        return "From: Tam Ferrier <tam@glass.example>\r\nTo: wren@ternpoint.example\r\nSubject: {$subject}\r\n"
            ."Date: Mon, 23 Nov 2026 09:00:00 +0000\r\nMessage-ID: <{$id}>\r\n{$more}\r\n{$text}\r\n";
    }
}
