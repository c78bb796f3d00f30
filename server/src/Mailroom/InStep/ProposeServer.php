<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use ZippyTray\Core\InStep\ServerNames;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Mailroom\SignIn\Providers;

/**
 * Where the mailbox of an address is likely to be.
 *
 * @phpstan-import-type Server from ServerNames
 */
final readonly class ProposeServer
{
    public function __construct(private SrvRecords $records, private Providers $providers)
    {
    }

    /**
     * @return array{imap: Server, smtp: Server, isSaid: bool, provider: string|null} isSaid: the domain itself says so, or who runs this
     *                                                                                program; provider: at whom one signs in instead of
     *                                                                                giving a password
     *
     * @throws Refused when it is no address
     */
    public function __invoke(string $address): array
    {
        $domain = ServerNames::domain($address);
        if ('' === $domain) {
            throw new Refused('This is no address: it looks like you@firm.example.', 'address');
        }
        $provider = $this->providers->of($address);
        $records = [];
        foreach (ServerNames::SERVICES as $services) {
            foreach (array_keys($services) as $service) {
                $records[$service] = $this->records->of($service.'.'.$domain);
            }
        }
        $imap = ServerNames::said('imap', $records);

        return [
            'imap' => $provider->imap ?? $imap ?? ServerNames::usual('imap', $domain)[0],
            'smtp' => $provider->smtp ?? ServerNames::said('smtp', $records) ?? ServerNames::usual('smtp', $domain)[0],
            'isSaid' => null !== $imap || null !== $provider?->imap,
            'provider' => $provider?->name,
        ];
    }
}
