<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar\Subscription;

use Symfony\Component\HttpClient\NoPrivateNetworkHttpClient;
use Symfony\Component\HttpFoundation\IpUtils;
use Symfony\Contracts\HttpClient\Exception\ExceptionInterface;
use Symfony\Contracts\HttpClient\HttpClientInterface;
use Symfony\Contracts\HttpClient\ResponseInterface;
use ZippyTray\Core\Agenda\Subscription\CalendarAddress;
use ZippyTray\Core\Refused;

/**
 * Fetches somebody else's calendar over https. The address is what a stranger may have given: nothing inside the network in which the
 * program runs is asked, wherever a name or a server leads, and all that comes is bounded. The address itself is a secret, and in no
 * message.
 */
final readonly class FetchCalendar
{
    /** In bytes. */
    public const LARGEST = 5_242_880;

    /** In seconds, from the first question to the last byte. */
    private const LONGEST = 20;

    /** In seconds, in which nothing comes. */
    private const SILENCE = 10;

    /** So often it is led on. */
    private const HOPS = 3;

    /** Beside those of the framework: what is no address of one server for all (RFC 6890; RFC 3879; multicast, RFC 5771 and RFC 4291). */
    private const INSIDE = ['192.0.0.0/24', '224.0.0.0/4', 'fec0::/10', 'ff00::/8'];

    private HttpClientInterface $client;

    public function __construct(HttpClientInterface $client)
    {
        $this->client = new NoPrivateNetworkHttpClient($client, [...IpUtils::PRIVATE_SUBNETS, ...self::INSIDE]);
    }

    /**
     * @param string $etag of what is known of it; empty: nothing is
     *
     * @throws Refused with a sentence that says why it cannot be read
     */
    public function __invoke(#[\SensitiveParameter] CalendarAddress $address, string $etag = ''): FetchedCalendar
    {
        if (CalendarRoom::isMeant($address)) {
            return new FetchedCalendar(CalendarRoom::read($address) ?? throw new Refused('There is nothing at this address (404).'));
        }
        $until = microtime(true) + self::LONGEST;
        try {
            for ($hop = 0; $hop <= self::HOPS; ++$hop) {
                $response = $this->ask($address, $etag, max(1.0, $until - microtime(true)));
                $status = $response->getStatusCode();
                if (304 === $status) {
                    return new FetchedCalendar(null, $etag);
                }
                $location = $response->getHeaders(false)['location'][0] ?? '';
                if (!\in_array($status, [301, 302, 303, 307, 308], true) || '' === $location) {
                    return new FetchedCalendar(
                        200 === $status ? $this->read($response) : throw self::refusal($status),
                        self::etag($response),
                    );
                }
                $response->cancel();
                $address = $address->next($location);
            }
        } catch (ExceptionInterface $problem) {
            // What it says holds the address.
            $text = $problem->getMessage();
            throw new Refused(match (true) {
                str_contains($text, ' is blocked for ') => self::isKnown($address->host)
                    ? 'It lies inside the network in which this program runs: nothing is read there.'
                    : 'There is no such server.',
                microtime(true) >= $until - 0.5, str_contains($text, 'timeout') => 'The server took too long.',
                1 === preg_match('/ssl|certificate|crypto/i', $text) => 'The server cannot show that it is the right one (certificate).',
                default => 'The server cannot be reached.',
            });
        }

        throw new Refused('The server leads on from one address to the next.');
    }

    private static function isKnown(string $host): bool
    {
        return false !== filter_var(trim($host, '[]'), \FILTER_VALIDATE_IP)
            || false !== gethostbynamel($host)
            || [] !== (@dns_get_record($host, \DNS_AAAA) ?: []);
    }

    private function ask(#[\SensitiveParameter] CalendarAddress $address, string $etag, float $seconds): ResponseInterface
    {
        return $this->client->request('GET', $address->url, [
            'max_redirects' => 0,
            'timeout' => self::SILENCE,
            'max_duration' => $seconds,
            'buffer' => false,
            'headers' => [
                'Accept' => 'text/calendar, */*;q=0.1',
                // What is packed can become any size.
                'Accept-Encoding' => 'identity',
                'User-Agent' => 'Zippy Tray',
            ] + ('' === $etag ? [] : ['If-None-Match' => $etag]),
        ]);
    }

    /** @throws ExceptionInterface */
    private function read(ResponseInterface $response): string
    {
        $bytes = '';
        foreach ($this->client->stream($response) as $chunk) {
            $bytes .= $chunk->getContent();
            if (\strlen($bytes) > self::LARGEST) {
                $response->cancel();
                throw new Refused(\sprintf('It is larger than %d MB.', self::LARGEST / 1_048_576));
            }
        }

        return $bytes;
    }

    private static function etag(ResponseInterface $response): string
    {
        $etag = $response->getHeaders(false)['etag'][0] ?? '';

        return 1 === preg_match('/^[\x21-\x7e]{1,200}$/', $etag) ? $etag : '';
    }

    private static function refusal(int $status): Refused
    {
        return new Refused(match (true) {
            \in_array($status, [401, 403], true) => \sprintf('The server does not let anybody read it (%d).', $status),
            \in_array($status, [404, 410], true) => \sprintf('There is nothing at this address (%d).', $status),
            429 === $status => 'The server was asked too often (429).',
            $status >= 500 => \sprintf('The server has trouble of its own (%d).', $status),
            default => \sprintf('The server answered %d.', $status),
        });
    }
}
