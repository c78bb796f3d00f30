<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Calendar;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\HttpClient\MockHttpClient;
use Symfony\Component\HttpClient\NativeHttpClient;
use Symfony\Component\HttpClient\Response\MockResponse;
use ZippyTray\Core\Agenda\Subscription\CalendarAddress;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Calendar\Subscription\FetchCalendar;
use ZippyTray\Server\Calendar\Subscription\FetchedCalendar;

/**
 * Asking servers of others: what is asked for, where nothing is, and how much of an answer is taken. Addresses are numbers that stand
 * for nobody's server (RFC 7534, RFC 7535), so that no name has to be known, and none of them is asked.
 */
final class FetchCalendarTest extends TestCase
{
    private const PLACE = 'https://192.31.196.5/secret-word.ics';

    /** @var list<string> */
    private array $asked = [];

    /** @var array<mixed> */
    private array $headers = [];

    public function testItTakesWhatTheServerAnswers(): void
    {
        $fetched = $this->fetch([new MockResponse('BEGIN:VCALENDAR', ['response_headers' => ['ETag' => '"a7"']])]);
        self::assertSame(['BEGIN:VCALENDAR', '"a7"'], [$fetched->bytes, $fetched->etag]);
        self::assertSame(['GET '.self::PLACE], $this->asked);
    }

    public function testWhatIsAsItWasIsNotSentAgain(): void
    {
        $fetched = $this->fetch([new MockResponse('', ['http_code' => 304])], '"a7"');
        self::assertContains('If-None-Match: "a7"', $this->headers);
        self::assertContains('Accept-Encoding: identity', $this->headers);
        self::assertNull($fetched->bytes);
        self::assertSame('"a7"', $fetched->etag);
    }

    public function testItIsLedOnAFewTimes(): void
    {
        $on = static fn (string $to): MockResponse => new MockResponse('', ['http_code' => 302, 'response_headers' => ['Location' => $to]]);
        $fetched = $this->fetch([$on('/b.ics'), $on('https://192.175.48.9/c.ics'), $on('d.ics'), new MockResponse('BEGIN')]);
        self::assertSame('BEGIN', $fetched->bytes);
        self::assertSame(
            ['GET '.self::PLACE, 'GET https://192.31.196.5/b.ics', 'GET https://192.175.48.9/c.ics', 'GET https://192.175.48.9/d.ics'],
            $this->asked,
        );
        $this->refused('leads on', array_fill(0, 6, $on('/again.ics')));
        self::assertCount(4, $this->asked, 'So often, and no more.');
        $this->refused('https', [$on('http://192.31.196.5/b.ics')]);
        $this->refused('inside the network', [$on('https://10.0.0.1/b.ics'), new MockResponse('BEGIN')]);
        self::assertCount(1, $this->asked);
        $this->refused('inside the network', [$on('https://[::1]/b.ics'), new MockResponse('BEGIN')]);
    }

    /** @return iterable<array{string}> */
    public static function inside(): iterable
    {
        foreach ([
            '127.0.0.1', '127.1.2.3', 'localhost', '10.1.2.3', '172.16.0.1', '192.168.1.1', '169.254.169.254', '0.0.0.0', '100.64.0.1',
            '[::1]', '[::]', '[fd00::1]', '[fe80::1]', '[::ffff:127.0.0.1]', '[::ffff:7f00:1]', '[64:ff9b::7f00:1]', '[2002:7f00:1::]',
            '224.0.0.1', '255.255.255.255', '198.18.0.1', '2130706433', '0x7f.1', '0177.0.0.1', '127.1',
        ] as $host) {
            yield $host => [$host];
        }
    }

    /** By the client that is used, not by one that stands in: nothing may be asked, and nothing is. */
    #[DataProvider('inside')]
    public function testNothingInsideTheNetworkIsAsked(string $host): void
    {
        $server = stream_socket_server('tcp://127.0.0.1:0');
        self::assertIsResource($server);
        $port = explode(':', (string) stream_socket_get_name($server, false))[1];
        try {
            (new FetchCalendar(new NativeHttpClient()))(CalendarAddress::parse("https://{$host}:{$port}/secret-word.ics"));
            self::fail('It was read.');
        } catch (Refused $refused) {
            self::assertStringNotContainsString('secret', $refused->getMessage());
            self::assertMatchesRegularExpression('/inside the network|cannot be reached|no address|no such/', $refused->getMessage());
        }
        stream_set_blocking($server, false);
        self::assertFalse(@stream_socket_accept($server, 0), 'Somebody was asked.');
    }

    /** @return iterable<array{MockResponse, string}> */
    public static function trouble(): iterable
    {
        yield 'gone' => [new MockResponse('no', ['http_code' => 404]), 'There is nothing at this address (404).'];
        yield 'closed' => [new MockResponse('no', ['http_code' => 401]), 'The server does not let anybody read it (401).'];
        yield 'broken' => [new MockResponse('no', ['http_code' => 502]), 'The server has trouble of its own (502).'];
        yield 'tea' => [new MockResponse('no', ['http_code' => 418]), 'The server answered 418.'];
        yield 'lost' => [new MockResponse(['BEGIN', new \RuntimeException('lost '.self::PLACE)]), 'The server cannot be reached.'];
        yield 'silent' => [new MockResponse(['BEGIN', '']), 'The server took too long.'];
        yield 'no way' => [new MockResponse('', ['error' => 'No route to '.self::PLACE]), 'The server cannot be reached.'];
        yield 'not itself' => [
            new MockResponse('', ['error' => 'SSL: certificate verify failed for '.self::PLACE]),
            'The server cannot show that it is the right one (certificate).',
        ];
        yield 'far too much' => [new MockResponse(array_fill(0, 60, str_repeat('a', 100_000))), 'It is larger than 5 MB.'];
    }

    #[DataProvider('trouble')]
    public function testTroubleIsASentenceWithoutTheAddress(MockResponse $response, string $sentence): void
    {
        try {
            $this->fetch([$response]);
            self::fail('It was read.');
        } catch (Refused $refused) {
            self::assertSame($sentence, $refused->getMessage());
            self::assertNull($refused->getPrevious(), 'Nothing that holds the address goes along.');
        }
    }

    /** @param list<MockResponse> $answers */
    private function fetch(array $answers, string $etag = ''): FetchedCalendar
    {
        $this->asked = [];
        $next = function (string $method, string $url, array $options) use (&$answers): MockResponse {
            $this->asked[] = $method.' '.$url;
            $this->headers = (array) $options['headers'];

            return array_shift($answers) ?? throw new \LogicException('Nobody expected that to be asked.');
        };

        return (new FetchCalendar(new MockHttpClient($next)))(CalendarAddress::parse(self::PLACE), $etag);
    }

    /** @param list<MockResponse> $answers */
    private function refused(string $word, array $answers): void
    {
        try {
            $this->fetch($answers);
            self::fail('It was read.');
        } catch (Refused $refused) {
            self::assertStringContainsString($word, $refused->getMessage());
        }
    }
}
