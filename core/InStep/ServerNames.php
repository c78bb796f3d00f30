<?php

declare(strict_types=1);

namespace ZippyTray\Core\InStep;

/**
 * Where the mailbox of an address is likely to be: what the domain says (SRV records, RFC 6186 and RFC 8314, 5.1), else what servers are
 * usually called.
 *
 * @phpstan-type Server array{host: string, port: int, security: Security}
 * @phpstan-type Srv array{target: string, port: int, priority: int, weight: int}
 */
final readonly class ServerNames
{
    /** What is asked of a domain, the better one first: TLS from the first byte on. */
    public const SERVICES = [
        'imap' => ['_imaps._tcp' => Security::Tls, '_imap._tcp' => Security::StartTls],
        'smtp' => ['_submissions._tcp' => Security::Tls, '_submission._tcp' => Security::StartTls],
    ];

    private const USUAL = ['imap' => [['imap.', 993], ['mail.', 993]], 'smtp' => [['smtp.', 465], ['mail.', 465]]];

    /** @return string the part behind the @, in the form in which it is asked for (RFC 5890); empty when there is none */
    public static function domain(string $address): string
    {
        $domain = strtolower(trim((string) substr((string) strrchr($address, '@'), 1), " \t.>"));
        $ascii = '' === $domain ? false : idn_to_ascii($domain, \IDNA_NONTRANSITIONAL_TO_ASCII, \INTL_IDNA_VARIANT_UTS46);

        return false !== $ascii && 1 === preg_match('/^(?=.{1,253}$)[a-z0-9-]{1,63}(?:\.[a-z0-9-]{1,63})*$/D', $ascii) ? $ascii : '';
    }

    /**
     * @param 'imap'|'smtp'            $for
     * @param array<string, list<Srv>> $records what the domain says, by service
     *
     * @return Server|null null when it says nothing, or that there is none
     */
    public static function said(string $for, array $records): ?array
    {
        foreach (self::SERVICES[$for] as $service => $security) {
            $some = array_values(array_filter(
                $records[$service] ?? [],
                // A single dot: there is none (RFC 2782).
                static fn (array $one): bool => '' !== trim($one['target'], '.') && $one['port'] > 0 && $one['port'] < 65536,
            ));
            usort($some, static fn (array $a, array $b): int => [$a['priority'], -$a['weight'], $a['target']]
                <=> [$b['priority'], -$b['weight'], $b['target']]);
            if (isset($some[0])) {
                return ['host' => strtolower(rtrim($some[0]['target'], '.')), 'port' => $some[0]['port'], 'security' => $security];
            }
        }

        return null;
    }

    /**
     * @param 'imap'|'smtp' $for
     *
     * @return list<Server> the likeliest first
     */
    public static function usual(string $for, string $domain): array
    {
        return array_map(
            static fn (array $one): array => ['host' => $one[0].$domain, 'port' => $one[1], 'security' => Security::Tls],
            self::USUAL[$for],
        );
    }
}
