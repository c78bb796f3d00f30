<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Hostile;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use ZippyTray\Server\Mailroom\ImportMail;
use ZippyTray\Server\Work\ReadWanted;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Whatever a stranger sends is taken in, listed, opened in both versions and advised within bounds, and can do nothing
 * in the page that shows it.
 */
#[Group('hostile')]
final class HostileLetterTest extends ApiTestCase
{
    /** Seconds of processor time for all that is done with one letter, on the slowest of machines: what has no bound takes minutes. */
    private const SECONDS = 20.0;

    private const BYTES = 256_000_000;

    /** What must not stand in a page, whatever is asked for: what runs, fetches, sends, or covers other things. */
    private const FORBIDDEN = '~<(?:script|iframe|object|embed|form|input|button|base|meta http|link|svg|math|style>(?!body)|video|audio'
        .'|source|marquee|details)\b|\son\w+\s*=|javascript:|vbscript:|data:text|url\s*\(|image-set|expression\s*\(|@import|-moz-binding'
        .'|behavior\s*:|position\s*:|(?:src|srcset|background|poster|ping|action)\s*=\s*["\']?\s*(?:https?:)?//~i';

    /** @return iterable<string, array{string}> */
    public static function letters(): iterable
    {
        foreach (array_keys(Corpus::letters()) as $name) {
            yield $name => [$name];
        }
    }

    #[DataProvider('letters')]
    public function testItIsTakenInListedOpenedAndAdvised(string $name): void
    {
        $account = $this->signIn();
        $this->receive('A letter like others');
        $raw = Corpus::letters()[$name]();
        $file = (string) tempnam(sys_get_temp_dir(), 'hostile');
        file_put_contents($file, $raw);
        gc_collect_cycles();
        memory_reset_peak_usage();
        [$before, $memory] = [self::processor(), memory_get_usage()];

        $outcome = $this->service(ImportMail::class)($account, [$name => $file]);
        unlink($file);
        self::assertSame(1, $outcome->new + \count($outcome->refused), 'It is taken in, or it is said that it is no message.');
        foreach ($outcome->refused as ['error' => $error]) {
            self::assertStringNotContainsString('This program', $error, 'No fault of ours.');
        }
        $rows = $this->get('/tray');
        self::assertCount(1 + $outcome->new, $rows);
        $this->service(ReadWanted::class)(static fn (): bool => false);
        foreach ($rows as $row) {
            self::assertIsArray($row);
            self::assertIsString($row['id']);
            $this->open($row['id']);
        }
        self::assertArrayHasKey('held', $this->get('/rest'));
        self::assertArrayHasKey('rows', $this->get('/find?words=plan'));

        self::assertLessThan(self::SECONDS, self::processor() - $before);
        self::assertLessThan(self::BYTES, memory_get_peak_usage() - $memory);
    }

    private function open(string $conversation): void
    {
        foreach ((array) $this->get('/conversations/'.$conversation)['messages'] as $message) {
            self::assertIsArray($message);
            self::assertIsString($message['id']);
            self::assertIsString($message['text']);
            self::assertLessThanOrEqual(2001, substr_count($message['text'], "\n"));
            foreach (['/formatted', '/formatted', '/source'] as $view) {
                $this->browser->request('GET', '/api/messages/'.$message['id'].$view);
                $response = $this->browser->getResponse();
                self::assertSame(200, $response->getStatusCode());
                if ('/formatted' === $view) {
                    self::assertStringContainsString('sandbox', (string) $response->headers->get('Content-Security-Policy'));
                    self::assertStringNotContainsString('cannot be shown', (string) $response->getContent());
                    // What stands in a text or in a quoted value does nothing.
                    $tags = (string) preg_replace(
                        ['~(alt|title|href)="[^"]*"~', '~>[^<]*~'],
                        ['$1=""', '>'],
                        substr((string) $response->getContent(), (int) strpos((string) $response->getContent(), '</style>')),
                    );
                    self::assertSame(0, preg_match(self::FORBIDDEN, $tags, $m), $m[0] ?? '');
                }
            }
            foreach (\array_slice((array) $message['attachments'], 0, 3) as $number => $file) {
                self::assertIsArray($file);
                self::assertIsString($file['name']);
                self::assertSame(0, preg_match('~[\x00-\x1f/\\\\\x{202a}-\x{202e}]~u', $file['name']));
                $this->browser->request('GET', "/api/messages/{$message['id']}/attachments/{$number}");
                self::assertSame(200, $this->browser->getResponse()->getStatusCode());
            }
        }
    }

    /**
     * Without the contract, whose check of so much would take the time that is measured here.
     *
     * @return array<mixed>
     */
    private function get(string $path): array
    {
        $this->browser->request('GET', '/api'.$path);
        self::assertSame(
            200,
            $this->browser->getResponse()->getStatusCode(),
            mb_strcut((string) $this->browser->getResponse()->getContent(), 0, 500),
        );

        return (array) json_decode((string) $this->browser->getResponse()->getContent(), true, 512, \JSON_THROW_ON_ERROR);
    }

    /** Seconds of processor time of this process so far. */
    private static function processor(): float
    {
        $used = (array) getrusage();
        $seconds = 0.0;
        foreach (['ru_utime', 'ru_stime'] as $kind) {
            [$whole, $part] = [$used[$kind.'.tv_sec'] ?? 0, $used[$kind.'.tv_usec'] ?? 0];
            $seconds += (\is_int($whole) ? $whole : 0) + (\is_int($part) ? $part : 0) / 1e6;
        }

        return $seconds;
    }
}
