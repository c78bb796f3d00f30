<?php

declare(strict_types=1);

namespace ZippyTray\Demo;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Core\InStep\Belongs;
use ZippyTray\Core\InStep\FolderRole;
use ZippyTray\Core\InStep\FolderRoles;
use ZippyTray\Core\InStep\Security;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Account\MailServer as Server;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Mailroom\Imap\ImapConnection;
use ZippyTray\Server\Mailroom\InStep\BoxSettings;
use ZippyTray\Server\Mailroom\InStep\ServerBoxes;
use ZippyTray\Server\Store\StoredNow;

/**
 * A real mail server beside the demo: the demo's mail lies in a mailbox that is kept in step, and another mailbox, which was not cleared
 * for years, waits to be connected.
 */
#[AsCommand('demo:mail-server', 'Starts a mail server with the mail of the demo, and connects it')]
final class DemoMailServerCommand extends Command
{
    public function __construct(
        private readonly Scenario $scenario,
        private readonly Accounts $accounts,
        private readonly Messages $messages,
        private readonly ServerBoxes $boxes,
        private readonly EntityManagerInterface $orm,
        private readonly ClockInterface $clock,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('folder', InputArgument::REQUIRED, 'Where the server keeps what it has');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $folder = $input->getArgument('folder');
        \assert(\is_string($folder));
        if (!MailServer::isInstalled()) {
            $output->writeln('Dovecot is not installed: apt-get install dovecot-imapd');

            return self::FAILURE;
        }
        $isNew = !is_file($folder.'/ports');
        $server = MailServer::start($folder, port: $isNew ? 0 : MailServer::at($folder)->port);
        $account = $this->accounts->find($this->scenario->account()['email']) ?? throw new \LogicException('The demo is seeded first.');
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        if ($isNew) {
            $this->fill($account, self::connection($server, self::user($account)), $now);
            $this->fillOld($server, $now);
        }
        $mailbox = $account->mailboxes()[0] ?? $account->addMailbox(MailWays::none());
        $mailbox->keepInStepWith(self::at($server, self::user($account)), $account->email);
        $this->orm->flush();
        $this->boxes->begin($account, $mailbox->position, new BoxSettings(begunAt: StoredNow::of($now)));
        foreach ([
            'Its mail server: IMAP at 127.0.0.1, port '.$server->port.', no encryption; every name signs in with '.MailServer::PASSWORD.'.',
            \sprintf(
                'In step with %s: what lies there is listed by "php demo/mail-server.php list %s %s".',
                $account->email,
                $folder,
                self::user($account),
            ),
            \sprintf('Not connected yet, and not cleared for years: %s, who signs in as "%s".', OldLetters::ADDRESS, OldLetters::USER),
        ] as $line) {
            $output->writeln($line);
        }

        return self::SUCCESS;
    }

    /** Each message of the demo, where its conversation belongs. */
    private function fill(Account $account, ImapConnection $on, \DateTimeImmutable $now): void
    {
        $on->create(FolderRoles::MADE[FolderRole::Away->value]);
        /** @var list<Conversation> $conversations */
        $conversations = $this->orm->getRepository(Conversation::class)->findBy(['accountId' => $account->id]);
        foreach ($conversations as $conversation) {
            $role = Belongs::of($conversation, $now);
            foreach ($this->messages->ofConversation($account->id, $conversation->id) as $message) {
                $on->append(
                    FolderRoles::MADE[($message->own ? FolderRole::Sent : $role)->value] ?? 'INBOX',
                    $this->messages->source($message),
                    $message->own || !$conversation->isUnread() ? ['\Seen'] : [],
                    $message->sentAt->instant,
                );
            }
        }
        $on->close();
    }

    private function fillOld(MailServer $server, \DateTimeImmutable $now): void
    {
        $on = self::connection($server, OldLetters::USER);
        OldLetters::put($on, $now);
        $on->close();
    }

    private static function user(Account $account): string
    {
        return explode('@', $account->email)[0];
    }

    private static function at(MailServer $server, string $user): Server
    {
        return new Server(['127.0.0.1', $server->port, Security::Plain], ['', 0, Security::Tls], $user, MailServer::PASSWORD);
    }

    private static function connection(MailServer $server, string $user): ImapConnection
    {
        $connection = new ImapConnection(self::at($server, $user));
        $connection->open();

        return $connection;
    }
}
