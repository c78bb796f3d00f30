<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use ZippyTray\Core\InStep\FolderRole;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\MailServer;
use ZippyTray\Server\Mailroom\Imap\FolderStatus;
use ZippyTray\Server\Mailroom\Imap\ImapConnection;
use ZippyTray\Server\Mailroom\Imap\NotDone;
use ZippyTray\Server\Mailroom\Imap\NotSignedIn;
use ZippyTray\Server\Mailroom\In\NotReached;
use ZippyTray\Server\Mailroom\Out\NotTaken;
use ZippyTray\Server\Mailroom\Out\SmtpOut;

/**
 * Signs in at a mailbox, and says what is there. Nothing is changed by that.
 *
 * @phpstan-type Found array{
 *     messages: int, inbox: int, ages: list<array{days: int, messages: int}>,
 *     folders: list<array{name: string, role: string, messages: int}>, missing: list<string>, sends: string
 * }
 */
final readonly class TryServer
{
    /** Days of which it is said how much came in since. */
    private const AGES = [3, 14, 30, 90, 365];

    /** What conversations go to; Drafts is of no use here. */
    private const NEEDED = [FolderRole::Archive, FolderRole::Sent, FolderRole::Bin, FolderRole::Spam];

    /**
     * @param LocalDate $today in the person's zone
     *
     * @return Found ages: what came into the inbox in so many last days; missing: roles for which there is no folder; sends: why nothing
     *               can be sent, empty when it can
     *
     * @throws Refused when nothing can be read there
     */
    public function __invoke(MailServer $server, LocalDate $today): array
    {
        [$statuses, $ages] = $this->asked($server, static fn (ImapConnection $on): array => [
            $on->folders(),
            array_map(
                static fn (int $days): array => [
                    'days' => $days,
                    'messages' => $on->countSince('INBOX', new \DateTimeImmutable((string) $today->plusDays(-$days))),
                ],
                self::AGES,
            ),
        ]);
        $roles = FolderStatus::roles($statuses);
        $folders = [];
        foreach ($statuses as $status) {
            if ($status->canBeOpened()) {
                $role = array_search($status->name, $roles, true);
                $folders[] = [
                    'name' => $status->name,
                    'role' => \is_string($role) ? $role : FolderRole::Other->value,
                    'messages' => $status->messages,
                ];
            }
        }

        return [
            'messages' => array_sum(array_column($folders, 'messages')),
            'inbox' => array_sum(array_column(
                array_filter($folders, static fn (array $one): bool => 'inbox' === $one['role']),
                'messages',
            )),
            'ages' => $ages,
            'folders' => $folders,
            'missing' => array_map(static fn (FolderRole $role): string => $role->value, self::missing($roles)),
            'sends' => $this->sends($server),
        ];
    }

    /**
     * @param LocalDate $since in the person's zone
     *
     * @return int how many came into the inbox since that day
     *
     * @throws Refused when nothing can be read there
     */
    public function since(MailServer $server, LocalDate $since): int
    {
        return $this->asked(
            $server,
            static fn (ImapConnection $on): int => $on->countSince('INBOX', new \DateTimeImmutable((string) $since)),
        );
    }

    /**
     * Makes a folder for everything that none stands for.
     *
     * @throws Refused
     */
    public function makeMissing(MailServer $server): void
    {
        $this->asked($server, static function (ImapConnection $on): void {
            foreach (self::missing(FolderStatus::roles($on->folders())) as $role) {
                ServerFolders::make($on, $role);
            }
        });
    }

    /**
     * @param array<string, string> $roles
     *
     * @return list<FolderRole>
     */
    private static function missing(array $roles): array
    {
        return array_values(array_filter(self::NEEDED, static fn (FolderRole $role): bool => !isset($roles[$role->value])));
    }

    /**
     * @template T
     *
     * @param callable(ImapConnection): T $work
     *
     * @return T
     *
     * @throws Refused
     */
    private function asked(MailServer $server, callable $work): mixed
    {
        $connection = new ImapConnection($server);
        try {
            $connection->open();

            return $work($connection);
        } catch (NotSignedIn $problem) {
            throw new Refused($problem->getMessage(), 'password');
        } catch (NotReached|NotDone $problem) {
            throw new Refused($problem->getMessage(), 'imapHost');
        } finally {
            $connection->close();
        }
    }

    private function sends(MailServer $server): string
    {
        if ('' === $server->smtp[0]) {
            return 'No server is named for sending.';
        }
        try {
            SmtpOut::of($server)->greet();

            return '';
        } catch (NotTaken $problem) {
            return $problem->getMessage();
        }
    }
}
