<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Imap;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Demo\MailServer as Dovecot;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Mailroom\Imap\ImapConnection;
use ZippyTray\Server\Mailroom\InStep\BoxSettings;
use ZippyTray\Server\Mailroom\InStep\KeepInStep;
use ZippyTray\Server\Mailroom\InStep\ServerBoxes;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Somebody with a mailbox on a real server, and what lies in it as the server's own tool lists it.
 */
abstract class MailboxTestCase extends ApiTestCase
{
    use WithMailServer;

    protected string $user = '';

    protected Account $wren;

    protected Dovecot $at;

    private ?ImapConnection $other = null;

    protected function tearDown(): void
    {
        $this->other?->close();
        $this->other = null;
        parent::tearDown();
    }

    /** @param CuttingProxy|null $through what stands before the server */
    protected function connect(?Dovecot $dovecot = null, ?CuttingProxy $through = null): void
    {
        $this->at = $dovecot ?? self::dovecot();
        $this->user = self::person();
        $this->wren = $this->signIn();
        $this->wren->addMailbox(MailWays::none())->keepInStepWith(
            self::mailServer($this->user, $this->at, $through?->port),
            'wren@ternpoint.example',
        );
        $this->service(EntityManagerInterface::class)->flush();
        $this->service(ServerBoxes::class)->begin($this->wren, 0, new BoxSettings());
    }

    protected function inStep(): void
    {
        $this->service(ServerBoxes::class)->lookNow($this->wren);
        $this->service(KeepInStep::class)(static fn (): bool => false);
        $this->service(EntityManagerInterface::class)->clear();
    }

    /** Another program on the same mailbox. */
    protected function other(): ImapConnection
    {
        return $this->other ??= self::connection($this->user, $this->at);
    }

    /** Six hours later: what has failed is tried again. */
    protected function later(): void
    {
        $this->service(ProgramClock::class)->moveForward(3600 * 6);
    }

    protected function there(string $subject, string $id, string $folder = 'INBOX'): void
    {
        $this->other()->append(
            $folder,
            str_replace('tam@glass.example', 'by-'.$id, self::letter($subject, $id)),
            [],
            new \DateTimeImmutable('2026-11-24T09:00:00Z'),
        );
    }

    protected function move(ImapConnection $on, string $id, string $from, string $to): void
    {
        $uid = $this->uid($on, $from, $id);
        '' === $to ? $on->expunge($from, $this->validity($on, $from), [$uid]) : $on->move($from, $this->validity($on, $from), $uid, $to);
    }

    protected function uid(ImapConnection $on, string $folder, string $id): int
    {
        return $on->find($folder, $this->validity($on, $folder), $id.'@glass.example')[0]->uid ?? self::fail("{$id} is not in {$folder}.");
    }

    protected function validity(ImapConnection $on, string $folder): int
    {
        return $on->folder($folder)->validity ?? self::fail("There is no {$folder}.");
    }

    /** @return list<string> of each message of the mailbox, as the server's own tool lists them: the folder and its name */
    protected function lies(): array
    {
        $lies = [];
        foreach ($this->doveadm('hdr.message-id flags mailbox') as $one) {
            if (!str_contains($one['flags'] ?? '', '\Deleted')) {
                $lies[] = $one['mailbox'].' '.trim(explode('@', $one['hdr.message-id'] ?? '')[0], '< ');
            }
        }
        usort($lies, static fn (string $a, string $b): int => strrchr($a, ' ') <=> strrchr($b, ' '));

        return $lies;
    }

    protected function isSeen(string $id): bool
    {
        foreach ($this->doveadm('hdr.message-id flags') as $one) {
            if (str_starts_with($one['hdr.message-id'] ?? '', "<{$id}@")) {
                return str_contains($one['flags'] ?? '', '\Seen');
            }
        }
        self::fail("{$id} is not there.");
    }

    /** @return list<array<string, string>> */
    protected function doveadm(string $fields): array
    {
        exec(\sprintf(
            'doveadm -f json -c %s fetch -u %s %s all 2>/dev/null',
            escapeshellarg($this->at->folder.'/dovecot.conf'),
            escapeshellarg($this->user),
            escapeshellarg($fields),
        ), $lines);
        /** @var list<array<string, string>> $found */
        $found = json_decode(implode("\n", $lines), true, 16, \JSON_THROW_ON_ERROR);

        return $found;
    }

    protected function said(): string
    {
        return (string) file_get_contents($this->at->folder.'/log');
    }

    protected function conversation(string $subject): string
    {
        return self::text($this->column('SELECT id FROM conversation WHERE subject = ?', [$subject])[0] ?? null);
    }

    protected function place(string $subject): string
    {
        $row = (array) $this->call('GET', '/conversations/'.$this->conversation($subject));

        return self::text(((array) ($row['row'] ?? []))['place'] ?? null);
    }

    /**
     * @param list<string> $parameters
     *
     * @return list<mixed>
     */
    protected function column(string $query, array $parameters = []): array
    {
        return $this->service(Connection::class)->fetchFirstColumn($query, $parameters);
    }

    protected function number(string $query): int
    {
        $count = $this->column($query)[0] ?? null;

        return is_numeric($count) ? (int) $count : -1;
    }

    /** @return array{address: string, imap: array<string, mixed>, smtp: null, user: string, password: string} */
    protected function fields(): array
    {
        return [
            'address' => 'wren@ternpoint.example',
            'imap' => ['host' => '127.0.0.1', 'port' => $this->at->port, 'security' => 'plain'],
            'smtp' => null,
            'user' => $this->user,
            'password' => Dovecot::PASSWORD,
        ];
    }

    /**
     * @param array<mixed> $answer
     *
     * @return array<mixed> the only one
     */
    protected function mailbox(array $answer): array
    {
        self::assertCount(1, (array) $answer['mailboxes']);

        return (array) ((array) $answer['mailboxes'])[0];
    }

    /** @param array<mixed> $problem */
    protected function field(array $problem): string
    {
        $first = (array) (((array) ($problem['violations'] ?? []))[0] ?? []);

        return self::text($first['field'] ?? null);
    }
}
