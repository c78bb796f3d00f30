<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use ZippyTray\Tests\Server\ApiTestCase;

/** How a large mailbox that is brought in tells how far it is, and how one goes on with it. */
final class ImportLinesTest extends ApiTestCase
{
    private const MANY = 330;

    public function testEachFewMessagesAreToldAndOneGoesOnAtAnyOfThem(): void
    {
        $this->signIn();
        $mbox = '';
        for ($number = 0; $number < self::MANY; ++$number) {
            // One of them is no message.
            $mbox .= "From a@x.example Tue Nov 24 10:00:00 2026\n".(300 === $number ? "\n\n" : "From: <a@x.example>\nSubject: Letter "
                ."{$number}\nDate: Tue, 24 Nov 2026 10:00:00 +0000\nMessage-ID: <{$number}@x.example>\n\nText\n\n");
        }
        $lines = $this->lines($mbox);
        self::assertGreaterThan(3, \count($lines));
        self::assertSame(['done' => true], end($lines));
        self::assertSame(self::MANY - 1, self::sum('new', $lines));
        $refused = array_merge(...array_map(static fn (array $line): array => (array) ($line['refused'] ?? []), $lines));
        self::assertSame([strpos($mbox, "From a@x.example Tue Nov 24 10:00:00 2026\n\n")], array_column($refused, 'position'));

        $first = $lines[0]['position'] ?? null;
        self::assertIsInt($first);
        $rest = substr($mbox, $first);
        self::assertStringStartsWith('From ', $rest);
        $again = $this->lines($rest);
        self::assertSame(substr_count($rest, 'Message-ID:'), self::sum('known', $again));
        self::assertSame(
            1 + substr_count(substr($mbox, 0, $first), 'Message-ID:'),
            $lines[0]['new'] ?? 0,
            'It begins with the last one that was kept.',
        );
        self::assertSame(0, self::sum('new', $again));
    }

    public function testWhatStopsItIsTheLastLine(): void
    {
        $this->signIn();
        $this->service(Connection::class)->executeStatement('PRAGMA query_only=1');
        $lines = $this->lines("From a@x.example Tue Nov 24 10:00:00 2026\nFrom: <a@x.example>\nSubject: Letter\n\nText\n");
        $this->service(Connection::class)->executeStatement('PRAGMA query_only=0');
        self::assertCount(1, $lines);
        self::assertStringContainsString('cannot be written to', self::text($lines[0]['problem'] ?? null));
    }

    /** @return non-empty-list<array<string, mixed>> */
    private function lines(string $mbox): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'upload');
        file_put_contents($path, $mbox);
        $this->browser->request(
            'POST',
            '/api/imports',
            ['into' => 'archive'],
            ['files' => [new UploadedFile($path, 'old.mbox', test: true)]],
            ['HTTP_ACCEPT' => 'application/x-ndjson'],
        );
        $response = $this->browser->getInternalResponse();
        self::assertSame([200, 'application/x-ndjson'], [$response->getStatusCode(), $response->getHeader('Content-Type')]);
        $lines = [];
        foreach (explode("\n", trim($response->getContent())) as $line) {
            /** @var array<string, mixed> $read */
            $read = json_decode($line, true, flags: \JSON_THROW_ON_ERROR);
            self::contract()->assertResponse('POST', '/api/imports', 200, 'application/x-ndjson', $line);
            $lines[] = $read;
        }

        return $lines;
    }

    /** @param list<array<string, mixed>> $lines */
    private static function sum(string $what, array $lines): int
    {
        return (int) array_sum(array_filter(array_column($lines, $what), \is_int(...)));
    }
}
