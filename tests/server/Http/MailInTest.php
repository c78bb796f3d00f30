<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Filesystem\Filesystem;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\DataFolder;
use ZippyTray\Server\Mailroom\Deliver;
use ZippyTray\Server\Mailroom\Fetch;
use ZippyTray\Server\Mailroom\PostRoom\PostRoom;
use ZippyTray\Server\Mailroom\PostRoom\Trouble;
use ZippyTray\Server\Work\ObeyMailIn;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Letters to oneself, and to sub-addresses of oneself, that make things.
 */
final class MailInTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        (new Filesystem())->remove(DataFolder::path().'/post-room');
        $this->service(PostRoom::class)->behave(new Trouble(quiet: true));
        $this->signIn()->connect(MailWays::postRoom());
        $this->service(EntityManagerInterface::class)->flush();
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove(DataFolder::path().'/post-room');
        parent::tearDown();
    }

    public function testALetterFromAnotherProgramMakesATaskAndIsAnswered(): void
    {
        $this->arrive("To: wren+task+friday@ternpoint.example\nSubject: Call the keeper\n\nhigh; label harbour\n\nSoon.");
        $task = $this->tasks()[0];
        self::assertSame(['Call the keeper', 'high', ['harbour']], [
            $task['title'], $task['priority'], array_column((array) $task['labels'], 'name'),
        ]);
        $conversation = $this->found('keeper');
        [$made] = (array) $this->call('GET', '/conversations/'.$conversation)['byMail'];
        self::assertSame(['done', []], [((array) $made)['state'], ((array) $made)['troubles']]);
        self::assertSame('mail_in', ((array) ((array) $this->call('GET', '/journal')['entries'])[0])['kind']);

        $sent = $this->sent();
        self::assertCount(1, $sent);
        self::assertStringContainsString('Auto-Submitted: auto-replied', $sent[0]);
        self::assertMatchesRegularExpression('/^Reply-To: (wren\+made\.[0-9a-f]{32}@ternpoint\.example)\r$/m', $sent[0]);
        $to = 1 === preg_match('/^Reply-To: (.+)\r$/m', $sent[0], $match) ? $match[1] : '';
        $this->arrive("To: {$to}\nSubject: Re: Made\n\nnext tuesday\n");
        self::assertNotSame($task['due'], $this->tasks()[0]['due']);
        $this->arrive("To: {$to}\nSubject: Re: Made\n\ncancel\n");
        [, $last] = \array_slice($this->made(), -2);
        self::assertStringContainsString('came later', $last['troubles']);
        self::assertSame(1, $this->counts()['tray'], 'What could not be done lies in the tray.');
    }

    public function testWhatIsSentFromHereWithACopyToASubAddressComesBackUnlessAnswered(): void
    {
        $id = self::id();
        $this->call('PUT', "/outgoing/{$id}", ['revision' => 0, 'kind' => 'new', 'message' => null, 'letter' => [
            'to' => 'olga@roofs.example', 'cc' => '', 'bcc' => 'wren+in.3.days@ternpoint.example', 'subject' => 'Panes',
            'text' => 'Which?', 'formatted' => false, 'files' => [], 'carried' => [], 'what' => '', 'until' => '',
        ]]);
        $this->call('POST', "/outgoing/{$id}/send", ['entry' => self::id()]);
        $this->service(ProgramClock::class)->moveForward(60);
        $this->round();
        self::assertSame(['Panes'], array_column($this->away(), 'subject'));
        self::assertSame(['olga@roofs.example'], array_map(
            static fn (array $owed): mixed => ((array) $owed['person'])['email'],
            $this->rows('/owed'),
        ));
        $this->round();
        self::assertCount(1, $this->made(), 'Once, however often it is looked at.');
    }

    public function testWhatIsNotUnderstoodLiesInTheTrayAndSaysSo(): void
    {
        $this->arrive("To: wren+tomorow.9pmx@ternpoint.example\nSubject: Rope\n\nText");
        $row = $this->rows('/tray')[0];
        self::assertSame(['Rope', '“+tomorow.9pmx” was not understood.'], [$row['subject'], $row['trouble']]);
        self::assertSame([$row['trouble']], array_column((array) $this->call('GET', '/rest')['held'], 'reason'));
        $made = (array) ((array) $this->call('GET', '/conversations/'.self::text($row['id']))['byMail'])[0];
        self::assertSame(['refused', '', ['“+tomorow.9pmx” was not understood.']], [$made['state'], $made['did'], $made['troubles']]);
        $this->decide('archive', [self::text($row['id'])]);
        self::assertSame('', ((array) $this->call('GET', '/conversations/'.self::text($row['id']))['row'])['trouble']);
        self::assertStringContainsString('Your letter lies in the tray.', quoted_printable_decode($this->sent()[0]));
    }

    public function testStrangersMakeNothing(): void
    {
        $this->arrive("To: wren+task@ternpoint.example\nSubject: Buy\n\nText", 'olga@roofs.example');
        self::assertSame([[], 1], [$this->made(), $this->counts()['tray']]);
        $this->settle(['mailIn' => ['on' => true, 'allowed' => ['Olga@roofs.example'], 'confirm' => 'never']]);
        $this->arrive("To: wren+task@ternpoint.example\nSubject: Rope\n\nText", 'olga@roofs.example');
        self::assertSame([1, 1, []], [\count($this->made()), \count($this->tasks()), $this->sent()]);
        foreach ([['allowed' => ['x']], ['confirm' => 'sometimes'], ['on' => 'yes'], ['allowed' => 'a@b.example']] as $wrong) {
            $this->settle(['mailIn' => $wrong + ['on' => true, 'allowed' => [], 'confirm' => 'never']], 422);
        }
    }

    public function testOneThatIsDamagedDoesNotKeepTheOthersUp(): void
    {
        foreach (['One', 'Two'] as $subject) {
            $this->bring("To: wren+task@ternpoint.example\nSubject: {$subject}\n\nText");
        }
        ($this->service(Fetch::class))(static fn (): bool => false);
        $this->service(Connection::class)->executeStatement(
            "UPDATE mail_in SET details = 'x' WHERE rowid = (SELECT MIN(rowid) FROM mail_in)",
        );
        ($this->service(ObeyMailIn::class))(static fn (): bool => false);
        self::assertCount(1, $this->tasks());
        self::assertSame([1], array_column($this->rows('/tray'), 'messages'), 'It lies in the tray.');
        self::assertSame(['done', 'refused'], array_column($this->made(), 'state'));
    }

    private function arrive(string $letter, string $from = 'wren@ternpoint.example'): void
    {
        $this->bring($letter, $from);
        $this->round();
    }

    private function bring(string $letter, string $from = 'wren@ternpoint.example'): void
    {
        $now = $this->service(ProgramClock::class)->now();
        $id = self::id();
        $this->service(PostRoom::class)->bring(
            "From: {$from}\nMessage-ID: <{$id}@phone.example>\nDate: {$now->format(\DATE_RFC2822)}\n{$letter}\n",
            $now,
            $id,
            'wren@ternpoint.example',
        );
    }

    private function round(): void
    {
        foreach ([Deliver::class, Fetch::class, ObeyMailIn::class, Deliver::class] as $step) {
            ($this->service($step))(static fn (): bool => false);
        }
    }

    /** @return list<array{state: string, did: string, troubles: string}> */
    private function made(): array
    {
        /** @var list<array{state: string, did: string, troubles: string}> $made */
        $made = $this->service(Connection::class)->fetchAllAssociative('SELECT state, did, troubles FROM mail_in ORDER BY state, rowid');

        return $made;
    }

    /** @return list<string> */
    private function sent(): array
    {
        return array_map(
            static fn (string $file): string => (string) file_get_contents($file),
            glob(DataFolder::path().'/post-room/sent/new/*') ?: [],
        );
    }

    private function found(string $words): string
    {
        return self::text(((array) ((array) $this->call('GET', '/find?words='.$words)['rows'])[0])['id']);
    }
}
