<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Imap;

use PHPUnit\Framework\Attributes\DataProvider;

/**
 * The connection is cut at every command once, before and after the server has done it. The next time all is in step, and
 * nothing is doubled.
 */
final class CutTest extends MailboxTestCase
{
    /** @return iterable<string, array{list<string>, bool|null}> after the server has done it; null: by turns */
    public static function cuts(): iterable
    {
        yield 'a server that can do all' => [[], null];
        yield 'an old one, before' => [['MOVE', 'UIDPLUS', 'QRESYNC', 'CONDSTORE'], false];
        yield 'an old one, after' => [['MOVE', 'UIDPLUS', 'QRESYNC', 'CONDSTORE'], true];
    }

    /** @param list<string> $without */
    #[DataProvider('cuts')]
    public function testAtEveryCommand(array $without, ?bool $isDone): void
    {
        $dovecot = [] === $without ? self::dovecot() : self::serve($without);
        $proxy = CuttingProxy::before($dovecot->port);
        try {
            $this->connect($dovecot, $proxy);
            for ($command = 1, $isOver = false; !$isOver; ++$command) {
                self::assertLessThan(100, $command);
                $isOver = !$this->cutOnce($proxy, $command, $isDone ?? 0 === $command % 2);
            }
            self::assertGreaterThan(10, $command);
        } finally {
            $proxy->stop();
            [] === $without || self::endServing($dovecot);
        }
    }

    /** A move in two halves was cut between them, and then something else is decided, here or there. */
    public function testWhatIsDecidedOtherwiseAfterTheCutDoublesNothing(): void
    {
        $dovecot = self::serve(['MOVE']);
        $proxy = CuttingProxy::before($dovecot->port);
        $whats = ['undone', 'snoozed', 'deleted', 'elsewhere', 'same'];
        try {
            $this->connect($dovecot, $proxy);
            for ($command = 1, $hasCut = true; $hasCut; ++$command) {
                $proxy->passAll();
                foreach ($whats as $what) {
                    $this->there("{$what} {$command}", "{$what}{$command}@glass.example");
                }
                $this->inStep();
                foreach ($whats as $what) {
                    $this->decide('archive', [$this->conversation("{$what} {$command}")]);
                }
                $proxy->cutAt($command, true);
                $this->inStep();
                $hasCut = $proxy->hasCut();
                $proxy->passAll();
                $this->decide('bring_back', [$this->conversation("undone {$command}")]);
                $this->decide('bring_back', [$this->conversation("snoozed {$command}")]);
                $this->decide('snooze', [$this->conversation("snoozed {$command}")], ['phrase' => 'in 3 days']);
                $this->decide('delete', [$this->conversation("deleted {$command}")]);
                foreach (['elsewhere' => 'Trash', 'same' => 'Archive'] as $what => $folder) {
                    if (\in_array("INBOX {$what}{$command}", $this->lies(), true)) {
                        $this->move($this->other(), $what.$command, 'INBOX', $folder);
                    }
                }
                for ($look = 0; $look < 3; ++$look) {
                    $this->inStep();
                }
                $lies = array_values(array_filter(
                    $this->lies(),
                    static fn (string $one): bool => 1 === preg_match("/\\D{$command}\$/", $one),
                ));
                self::assertCount(\count($whats), $lies, "cut at command {$command}: ".implode(', ', $lies));
                self::assertContains("INBOX undone{$command}", $lies);
                self::assertContains("Trash deleted{$command}", $lies);
                self::assertSame(0, $this->number('SELECT COUNT(*) FROM server_wish'), "cut at command {$command}");
            }
            self::assertGreaterThan(15, $command);
        } finally {
            $proxy->stop();
            self::endServing($dovecot);
        }
    }

    /** They are known by their bytes; another one of the same size is not it. */
    public function testMessagesWithoutAMessageIdAreNotDoubledEither(): void
    {
        $dovecot = self::serve(['MOVE', 'UIDPLUS']);
        $proxy = CuttingProxy::before($dovecot->port);
        try {
            $this->connect($dovecot, $proxy);
            for ($command = 1, $hasCut = true; $hasCut; ++$command) {
                $proxy->passAll();
                foreach (['moved', 'other', 'again'] as $what) {
                    $this->other()->append('INBOX', self::nameless("{$what} {$command}"), [], new \DateTimeImmutable('2026-11-24'));
                }
                $this->inStep();
                $this->decide('delete', [$this->conversation("again {$command}")]);
                $this->decide('archive', [$this->conversation("other {$command}")]);
                $this->inStep();
                // Gone there for good; brought back here it is put there anew.
                $folder = $this->other()->folder('Trash');
                self::assertNotNull($folder);
                $this->other()->expunge('Trash', $folder->validity, $this->other()->uids('Trash', $folder->validity));
                exec(\sprintf(
                    'doveadm -c %s expunge -u %s mailbox Trash all',
                    escapeshellarg($this->at->folder.'/dovecot.conf'),
                    escapeshellarg($this->user),
                ));
                $this->inStep();
                $this->decide('archive', [$this->conversation("moved {$command}")]);
                $this->decide('put_back', [$this->conversation("again {$command}")]);
                $proxy->cutAt($command, true);
                $this->inStep();
                $hasCut = $proxy->hasCut();
                $proxy->passAll();
                for ($look = 0; $look < 3; ++$look) {
                    $this->inStep();
                }
                $lies = [];
                foreach ($this->doveadm('hdr.subject flags mailbox') as $one) {
                    if (!str_contains($one['flags'] ?? '', '\Deleted') && str_ends_with($one['hdr.subject'] ?? '', " {$command}")) {
                        $lies[] = "{$one['mailbox']} {$one['hdr.subject']}";
                    }
                }
                sort($lies);
                self::assertSame(
                    ["Archive moved {$command}", "Archive other {$command}", "INBOX again {$command}"],
                    $lies,
                    "cut at command {$command}",
                );
                self::assertSame(0, $this->number('SELECT COUNT(*) FROM server_wish'), "cut at command {$command}");
            }
            self::assertGreaterThan(10, $command);
        } finally {
            $proxy->stop();
            self::endServing($dovecot);
        }
    }

    private static function nameless(string $subject): string
    {
        $letter = str_replace('tam@', str_replace(' ', '-', $subject).'@', self::letter($subject, 'none'));

        return (string) preg_replace('/^Message-ID:.*\r\n/m', '', $letter);
    }

    private function cutOnce(CuttingProxy $proxy, int $command, bool $isDone): bool
    {
        $proxy->passAll();
        foreach (['archived', 'deleted', 'moved'] as $what) {
            $this->there("{$what} {$command}", "{$what}{$command}@glass.example");
        }
        $this->inStep();
        $this->decide('archive', [$this->conversation("archived {$command}")]);
        $this->decide('delete', [$this->conversation("deleted {$command}")]);
        $this->call('PUT', '/conversations/'.$this->conversation("moved {$command}").'/read', null, 204);
        $other = $this->other();
        $this->move($other, "moved{$command}", 'INBOX', 'Archive');
        $this->there("new {$command}", "new{$command}@glass.example");

        $proxy->cutAt($command, $isDone);
        $this->inStep();
        $hasCut = $proxy->hasCut();
        $proxy->passAll();
        $this->inStep();
        $this->inStep();
        self::assertSame(
            ["Archive archived{$command}", "Trash deleted{$command}", "Archive moved{$command}", "INBOX new{$command}"],
            array_values(array_filter($this->lies(), static fn (string $one): bool => 1 === preg_match("/\\D{$command}\$/", $one))),
            "cut at command {$command}",
        );
        foreach (['archived' => 'archive', 'deleted' => 'bin', 'moved' => 'archive', 'new' => 'tray'] as $what => $place) {
            self::assertSame($place, $this->place("{$what} {$command}"), "cut at command {$command}");
        }
        self::assertSame(0, $this->number('SELECT COUNT(*) FROM server_wish'), "cut at command {$command}");
        self::assertSame(4 * $command, $this->number('SELECT COUNT(*) FROM server_copy'), "cut at command {$command}");

        return $hasCut;
    }
}
