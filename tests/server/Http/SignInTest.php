<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Account\FirstWord;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Tests\Server\ApiTestCase;

final class SignInTest extends ApiTestCase
{
    public function testTheFirstVisitMakesAnAccountAndSignsIn(): void
    {
        self::assertTrue($this->call('GET', '/session')['firstVisit']);
        $new = [
            'name' => ' Wren Halloran ',
            'email' => 'wren@ternpoint.example',
            'password' => self::PASSWORD,
            'zone' => 'Europe/Dublin',
            'word' => FirstWord::show(),
        ];
        $session = $this->call('POST', '/accounts', $new, 201);
        self::assertSame(
            ['name' => 'Wren Halloran', 'email' => 'wren@ternpoint.example', 'addresses' => [],
                'senders' => ['wren@ternpoint.example'], 'zone' => 'Europe/Dublin'],
            array_diff_key((array) $session['account'], ['settings' => true, 'marks' => true]),
        );
        self::assertSame([], $this->rows('/tray'));

        $this->call('DELETE', '/session', null, 204);
        self::assertNull($this->call('GET', '/session')['account']);
        $this->call('POST', '/accounts', $new, 422);
    }

    public function testTheFirstVisitTakesOverWhatWasImportedBefore(): void
    {
        $this->service(Accounts::class)->open('wren@ternpoint.example', 'wren', 'UTC', null);
        $session = $this->call('GET', '/session');
        self::assertSame([true, 'wren@ternpoint.example'], [$session['firstVisit'], $session['awaited']]);
        $session = $this->call(
            'POST',
            '/accounts',
            [
                'name' => 'Wren Halloran',
                'email' => 'wren@ternpoint.example',
                'password' => self::PASSWORD,
                'zone' => 'Europe/Dublin',
                'word' => FirstWord::show(),
            ],
            201,
        );
        self::assertSame(
            ['name' => 'Wren Halloran', 'email' => 'wren@ternpoint.example', 'addresses' => [],
                'senders' => ['wren@ternpoint.example'], 'zone' => 'Europe/Dublin'],
            array_diff_key((array) $session['account'], ['settings' => true, 'marks' => true]),
        );
        self::assertCount(1, $this->service(Accounts::class)->all());
    }

    public function testBadAccountsAreRefusedAtTheirFields(): void
    {
        $good = [
            'name' => 'Wren',
            'email' => 'wren@ternpoint.example',
            'password' => self::PASSWORD,
            'zone' => 'Europe/Dublin',
            'word' => FirstWord::show(),
        ];
        foreach (['name' => ' ', 'email' => 'wren', 'password' => 'short', 'zone' => 'Middle/Earth'] as $field => $bad) {
            $problem = $this->call('POST', '/accounts', [$field => $bad] + $good, 422);
            self::assertIsArray($problem['violations']);
            self::assertContains($field, array_column($problem['violations'], 'field'));
        }
        self::assertTrue($this->call('GET', '/session')['firstVisit']);
    }

    /** A refusal that is asked for ahead would be taken for the tray after somebody has signed in. */
    public function testTheTrayIsAskedForAheadOnlyByWhoIsSignedIn(): void
    {
        $ahead = function (string $path): ?string {
            $this->browser->request('GET', $path);

            return $this->browser->getResponse()->headers->get('Link');
        };
        $account = $this->account();
        self::assertNull($ahead('/'));
        $this->call('POST', '/sign-in', ['email' => $account->email, 'password' => self::PASSWORD]);
        self::assertSame('</api/tray>; rel=preload; as=fetch; crossorigin', $ahead('/'));
        self::assertNull($ahead('/tasks'));
        $this->call('DELETE', '/session', null, 204);
        self::assertNull($ahead('/'));
    }

    /** Only who is signed in finds it there, and nothing that somebody typed ends the block that it stands in. */
    public function testThePageKnowsWhoIsSignedIn(): void
    {
        $page = function (string $path): string {
            $this->browser->request('GET', $path);

            return (string) $this->browser->getResponse()->getContent();
        };
        $account = $this->account(name: 'Wren </script><script>alert(1)</script>');
        self::assertStringNotContainsString('id="session"', $page('/'));
        $this->call('POST', '/sign-in', ['email' => $account->email, 'password' => self::PASSWORD]);
        foreach (['/', '/tasks'] as $path) {
            self::assertSame(1, preg_match('~<script type="application/json" id="session">([^<]+)</script></body>~', $page($path), $found));
            self::assertStringContainsString('no-store', (string) $this->browser->getResponse()->headers->get('Cache-Control'));
            $inPage = json_decode($found[1], true, flags: \JSON_THROW_ON_ERROR);
            self::assertIsArray($inPage);
            self::assertSame($this->call('GET', '/session')['account'], $inPage['account']);
        }
        $this->call('DELETE', '/session', null, 204);
        self::assertStringNotContainsString('id="session"', $page('/'));
    }

    public function testSigningInAndOut(): void
    {
        $this->account();
        self::assertFalse($this->call('GET', '/session')['firstVisit']);
        $problem = $this->call('GET', '/tray', null, 401);
        self::assertIsString($problem['detail']);
        self::assertStringContainsString('signed out', $problem['detail']);

        $this->call('POST', '/sign-in', ['email' => 'wren@ternpoint.example', 'password' => 'wrong'], 401);
        $this->call('POST', '/sign-in', ['email' => 'nobody@ternpoint.example', 'password' => self::PASSWORD], 401);
        $this->call('POST', '/sign-in', ['email' => 'WREN@ternpoint.example', 'password' => self::PASSWORD]);
        $cookie = $this->browser->getResponse()->headers->getCookies()[0] ?? null;
        self::assertTrue(null === $cookie || $cookie->isHttpOnly());
        self::assertSame([], $this->rows('/tray'));

        $this->call('DELETE', '/session', null, 204);
        $this->call('GET', '/tray', null, 401);
    }

    public function testTooManyAttemptsHaveToWait(): void
    {
        $this->account();
        for ($i = 0; $i < 5; ++$i) {
            $this->call('POST', '/sign-in', ['email' => 'wren@ternpoint.example', 'password' => 'wrong '.$i], 401);
        }
        $this->call('POST', '/sign-in', ['email' => 'wren@ternpoint.example', 'password' => self::PASSWORD], 429);
    }

    public function testWhatAnotherSiteMakesABrowserSendIsNotCarriedOut(): void
    {
        $this->signIn();
        $id = $this->receive();
        $body = ['id' => self::id(), 'kind' => 'delete', 'conversations' => self::claims([$id])];
        $this->browser->setServerParameter('HTTP_SEC_FETCH_SITE', 'cross-site');
        $this->call('POST', '/decisions', $body, 403);
        $this->browser->setServerParameter('HTTP_SEC_FETCH_SITE', 'same-origin');
        $this->browser->setServerParameter('HTTP_X_CSRF_TOKEN', '');
        $this->call('POST', '/decisions', $body, 403);
        self::assertCount(1, $this->rows('/tray'));
    }

    public function testTheSessionCookieIsKeptFromScriptsAndOtherSites(): void
    {
        $options = self::getContainer()->getParameter('session.storage.options');
        self::assertIsArray($options);
        self::assertTrue($options['cookie_httponly']);
        self::assertSame('strict', $options['cookie_samesite']);
    }

    public function testNobodySeesWhatBelongsToAnother(): void
    {
        $this->signIn($this->account('other@ternpoint.example'));
        $conversation = $this->receive('A secret');
        $task = self::id();
        $entry = (array) $this->call(
            'POST',
            '/tasks',
            [
                'entry' => self::id(),
                'tasks' => [['id' => $task, 'fields' => ['title' => 'Keep it'], 'conversation' => ['id' => $conversation]]],
            ],
            201,
        )['entry'];
        $sources = $this->call('GET', '/tasks/'.$task)['sources'];
        $list = $this->rows('/lists')[0]['id'];
        self::assertIsString($list);
        $messages = $this->call('GET', '/conversations/'.$conversation)['messages'];
        self::assertIsArray($sources);
        self::assertIsArray($messages);
        [$source, $message] = [array_column($sources, 'ref')[0], array_column($messages, 'id')[0]];
        self::assertIsString($source);
        self::assertIsString($message);
        self::assertIsString($entry['id']);

        $this->signIn();
        foreach (['/tray', '/lists'] as $path) {
            self::assertSame([], $this->rows($path), $path);
        }
        foreach (['', '?state=waiting', '?state=done'] as $query) {
            self::assertSame([], $this->tasks($query));
        }
        self::assertSame(0, $this->call('GET', '/find?words=secret')['total']);
        self::assertSame([], $this->call('GET', '/journal')['entries']);
        self::assertSame(0, $this->counts()['tasks']);
        foreach ([
            "/conversations/{$conversation}",
            "/messages/{$message}",
            "/messages/{$message}/formatted",
            "/messages/{$message}/source",
            "/messages/{$message}/attachments/0",
            "/tasks/{$task}",
            "/sources/{$source}",
        ] as $path) {
            $this->call('GET', $path, null, 404);
        }
        $this->call('PUT', "/conversations/{$conversation}/read", null, 404);
        $this->decide('delete', [$conversation], null, 404);
        $this->call(
            'POST',
            '/tasks',
            ['entry' => self::id(), 'tasks' => [['id' => self::id(), 'fields' => ['title' => 'x'], 'message' => $message]]],
            404,
        );
        $this->call('PUT', "/tasks/{$task}", ['entry' => self::id(), 'revision' => 1, 'fields' => ['title' => 'x']], 404);
        $this->call('POST', "/tasks/{$task}/skip", ['entry' => self::id()], 404);
        foreach ([
            'PUT /tasks/state' => ['done' => true],
            'POST /tasks/deletions' => [],
            'POST /tasks/changes' => ['label' => 'x'],
            'POST /tasks/moves' => ['behind' => $task],
        ] as $step => $more) {
            [$method, $path] = explode(' ', $step);
            $this->call($method, $path, ['entry' => self::id(), 'tasks' => [$task]] + $more, 404);
        }
        $this->call(
            'POST',
            '/tasks',
            ['entry' => self::id(), 'tasks' => [['id' => self::id(), 'fields' => ['title' => 'x'], 'parent' => $task]]],
            404,
        );
        $this->call('PUT', "/lists/{$list}", ['entry' => self::id(), 'name' => 'Mine', 'colour' => 'sea', 'archived' => false], 404);
        $this->call('DELETE', "/lists/{$list}?entry=".self::id(), null, 404);
        $this->call('POST', '/journal/'.$entry['id'].'/undo', ['id' => self::id()], 404);
    }

    public function testTheClockIsMovedInDemoAndTestRunsOnly(): void
    {
        $clock = new ProgramClock(sys_get_temp_dir(), false);
        self::assertEqualsWithDelta(time(), $clock->now()->getTimestamp(), 2);
        $this->expectException(\LogicException::class);
        $clock->moveForward(3600);
    }
}
