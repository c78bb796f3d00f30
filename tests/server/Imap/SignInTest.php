<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Imap;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use ZippyTray\Demo\MailServer as Dovecot;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\DataFolder;
use ZippyTray\Server\Mailroom\SignIn\FreshServer;

/**
 * Signing in at the provider of a mailbox instead of giving a password, against an authorization server and a mail server that asks it.
 */
final class SignInTest extends MailboxTestCase
{
    private AuthorizationServer $provider;

    private ?Dovecot $server = null;

    protected function setUp(): void
    {
        parent::setUp();
        $this->provider = AuthorizationServer::start();
        file_put_contents(DataFolder::path().'/providers.yaml', $this->provider->providers());
    }

    protected function tearDown(): void
    {
        parent::tearDown();
        unlink(DataFolder::path().'/providers.yaml');
        $this->provider->stop();
        null === $this->server || self::endServing($this->server);
        $this->server = null;
    }

    #[DataProvider('mechanisms')]
    public function testSomebodySignsInThereAndTheMailboxIsKeptInStep(string $mechanism): void
    {
        $this->begin($mechanism);
        $proposal = $this->call('POST', '/mailboxes/proposals', ['address' => 'wren@ternpoint.example']);
        self::assertSame('Example Mail', $proposal['provider']);
        self::assertSame(
            ['address' => 'wren@ternpoint.example', 'provider' => 'Example Mail'],
            $this->call('POST', '/mailboxes/sign-ins/answers', $this->allowed('Wren@Ternpoint.example')),
        );
        self::assertSame(1, $this->call('POST', '/mailboxes/trials', $this->signedIn())['inbox']);
        $mailbox = $this->mailbox($this->call('PUT', '/mailboxes', $this->signedIn()));
        self::assertSame('Example Mail', $mailbox['provider']);
        $this->inStep();
        self::assertSame(['Lantern glass'], array_column($this->rows('/tray'), 'subject'));

        // Something else is chosen, which needs no signing in.
        $this->call('PUT', '/mailboxes', ['signedIn' => false, 'hasAway' => false] + $this->signedIn());

        // After an hour the token is over, and another one is asked for, once.
        $this->service(ProgramClock::class)->moveForward(3600);
        $this->there('Rota', 'two@glass.example');
        $this->inStep();
        $this->inStep();
        self::assertCount(2, $this->rows('/tray'));
        self::assertSame(['/token refresh_token'], array_values(array_filter(
            $this->provider->asked(),
            static fn (string $one): bool => str_contains($one, 'refresh_token'),
        )));
        $this->isNowhereToBeRead();
    }

    /** @return iterable<string, array{string}> */
    public static function mechanisms(): iterable
    {
        yield 'OAUTHBEARER' => ['oauthbearer'];
        yield 'XOAUTH2' => ['xoauth2'];
    }

    public function testATokenThatIsNotTakenAnyMoreIsSaidAndSigningInAnewHelps(): void
    {
        $this->begin('oauthbearer');
        $this->call('POST', '/mailboxes/sign-ins/answers', $this->allowed());
        $this->call('PUT', '/mailboxes', $this->signedIn());
        $this->inStep();
        $this->provider->forget();
        $this->service(ProgramClock::class)->moveForward(4000);
        for ($time = 0; $time < 3; ++$time) {
            $this->inStep();
        }
        $mailbox = $this->mailbox($this->call('GET', '/mailboxes'));
        self::assertSame(
            [true, 'Example Mail does not let this program in any more: sign in there anew.'],
            [$mailbox['paused'], $mailbox['problem']],
        );
        $this->call('POST', '/mailboxes/sign-ins/answers', $this->allowed());
        $mailbox = $this->mailbox($this->call('PUT', '/mailboxes', $this->signedIn()));
        self::assertSame([false, ''], [$mailbox['paused'], $mailbox['problem']]);
        $this->inStep();
        self::assertSame('', $this->mailbox($this->call('GET', '/mailboxes'))['problem']);
    }

    public function testAProviderThatDoesNotAnswerIsAskedAgainLater(): void
    {
        $this->begin('oauthbearer');
        $this->call('POST', '/mailboxes/sign-ins/answers', $this->allowed());
        $this->call('PUT', '/mailboxes', $this->signedIn());
        $this->provider->behave('trouble', '503');
        $this->service(ProgramClock::class)->moveForward(4000);
        for ($time = 0; $time < 5; ++$time) {
            $this->inStep();
        }
        $mailbox = $this->mailbox($this->call('GET', '/mailboxes'));
        self::assertSame(
            [false, 'Example Mail could not be asked, or did not answer in a way that is understood.'],
            [$mailbox['paused'], $mailbox['problem']],
        );
        $this->provider->behave('trouble', '0');
        $this->inStep();
        self::assertCount(1, $this->rows('/tray'));
    }

    public function testAnAnswerHoldsOnceAndOnlyForWhatWasBegunHere(): void
    {
        $this->begin('oauthbearer');
        self::assertSame('address', $this->field($this->call('POST', '/mailboxes/sign-ins', ['address' => 'wren@elsewhere.example'], 422)));
        $this->call('POST', '/mailboxes/sign-ins/answers', ['state' => 'x', 'code' => 'y'], 422);
        $answer = $this->allowed();
        $this->call('POST', '/mailboxes/sign-ins/answers', ['state' => 'another'] + $answer, 422);
        $this->call('POST', '/mailboxes/sign-ins/answers', $answer);
        $this->call('POST', '/mailboxes/sign-ins/answers', $answer, 422);
        // For another address it does not hold, nor for another person.
        $this->call('PUT', '/mailboxes', ['address' => 'ilse@ternpoint.example'] + $this->signedIn(), 422);
        $this->signIn($this->account('other@ternpoint.example', 'Other'));
        $this->call('PUT', '/mailboxes', $this->signedIn(), 422);
    }

    public function testACodeThatTheProviderDoesNotKnowIsRefused(): void
    {
        $this->begin('oauthbearer');
        $problem = $this->call('POST', '/mailboxes/sign-ins/answers', ['code' => 'made up'] + $this->allowed(), 422);
        self::assertSame('address', $this->field($problem));
        self::assertStringNotContainsString('made up', json_encode($problem, \JSON_THROW_ON_ERROR));
        $answer = $this->allowed();
        $problem = $this->call('POST', '/mailboxes/sign-ins/answers', ['code' => '', 'error' => 'access_denied'] + $answer, 422);
        self::assertStringContainsString('did not let this program in', json_encode($problem, \JSON_THROW_ON_ERROR));
    }

    public function testThePageToWhichTheProviderLeadsBackLeadsOn(): void
    {
        $this->signIn();
        $this->browser->request('GET', '/mail-sign-in?code=a%22%3E%3Cscript%3E&state=b%26c&more=1');
        $page = (string) $this->browser->getResponse()->getContent();
        self::assertStringContainsString('url=/settings?code=a%22%3E%3Cscript%3E&amp;state=b%26c#mailboxes', $page);
        self::assertStringNotContainsString('<script', $page);
    }

    public function testTwoWhoNeedANewTokenAskForItOnce(): void
    {
        $this->begin('oauthbearer');
        $this->call('POST', '/mailboxes/sign-ins/answers', $this->allowed());
        $this->call('PUT', '/mailboxes', $this->signedIn());
        $this->service(ProgramClock::class)->moveForward(3600);
        $account = $this->service(EntityManagerInterface::class)->find(Account::class, $this->wren->id);
        self::assertNotNull($account);
        $first = $this->service(FreshServer::class)->of($account, 0);
        // Another process has read the mailbox before that.
        $this->service(EntityManagerInterface::class)->clear();
        $second = $this->service(FreshServer::class)->of($account, 0);
        self::assertSame($first?->secret(), $second?->secret());
        self::assertCount(1, array_filter($this->provider->asked(), static fn (string $one): bool => '/token refresh_token' === $one));
    }

    public function testFilesOfProvidersThatAreWrong(): void
    {
        $this->signIn();
        foreach ([
            'providers: [', 'x', '', 'providers: {a: b}', "providers:\n  - 7\n  - {name: A, domains: [ternpoint.example]}",
            str_replace('http://127.0.0.1', 'http://sign-in.example', $this->provider->providers()),
        ] as $text) {
            file_put_contents(DataFolder::path().'/providers.yaml', $text);
            self::assertNull($this->call('POST', '/mailboxes/proposals', ['address' => 'wren@ternpoint.example'])['provider'], $text);
        }
        unlink(DataFolder::path().'/providers.yaml');
        self::assertNull($this->call('POST', '/mailboxes/proposals', ['address' => 'wren@ternpoint.example'])['provider']);
        touch(DataFolder::path().'/providers.yaml');
    }

    private function begin(string $mechanism): void
    {
        $folder = sys_get_temp_dir().'/zippy-dovecot-'.bin2hex(random_bytes(6));
        mkdir($folder, 0o755);
        $this->server = Dovecot::start(
            $folder,
            more: ['auth_mechanisms' => 'plain login '.$mechanism],
            asks: $this->provider->introspection(),
        );
        $this->wren = $this->signIn();
        $this->at = $this->server;
        $this->user = 'wren';
        $this->there('Lantern glass', 'one@glass.example');
    }

    /** @return array<string, mixed> */
    private function signedIn(): array
    {
        return ['password' => '', 'signedIn' => true] + $this->fields();
    }

    /** @return array{state: string, code: string} what the provider leads back with after the person has allowed it */
    private function allowed(string $address = 'wren@ternpoint.example'): array
    {
        $url = self::text($this->call('POST', '/mailboxes/sign-ins', ['address' => $address])['url']);
        self::assertStringContainsString('code_challenge_method=S256', $url);
        self::assertStringContainsString('Allow</a>', (string) file_get_contents($url));
        $to = str_replace('/authorize?', '/allow?', $url);
        $headers = get_headers($to, true, stream_context_create(['http' => ['follow_location' => 0]]));
        $location = self::text(false === $headers ? null : $headers['Location'] ?? null);
        self::assertStringStartsWith('http://localhost/mail-sign-in?', $location);
        parse_str((string) parse_url($location, \PHP_URL_QUERY), $query);

        return ['state' => self::text($query['state'] ?? null), 'code' => self::text($query['code'] ?? null)];
    }

    private function isNowhereToBeRead(): void
    {
        /** @var array{access: array<string, mixed>, refresh: array<string, string>} $state */
        $state = json_decode((string) file_get_contents($this->provider->folder.'/state.json'), true, 8, \JSON_THROW_ON_ERROR);
        $this->service(Connection::class)->executeStatement('PRAGMA wal_checkpoint(TRUNCATE)');
        $kept = (string) file_get_contents(DataFolder::path().'/zippy-tray.sqlite')
            .json_encode($this->call('GET', '/mailboxes'), \JSON_THROW_ON_ERROR)
            .implode(
                '',
                array_map(static fn (string $log): string => (string) file_get_contents($log), glob(DataFolder::path().'/log/*.log') ?: []),
            );
        foreach ([...array_keys($state['access']), ...array_keys($state['refresh'])] as $token) {
            self::assertStringNotContainsString((string) $token, $kept);
        }
    }
}
