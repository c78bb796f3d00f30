<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use ZippyTray\Core\InStep\ServerNames;
use ZippyTray\Core\Refused;

/**
 * Where the mailbox of an address is likely to be.
 *
 * @phpstan-import-type Server from ServerNames
 */
final readonly class ProposeServer
{
    public function __construct(private SrvRecords $records)
    {
    }

    /**
     * @return array{imap: Server, smtp: Server, isSaid: bool} isSaid: the domain itself says so
     *
     * @throws Refused when it is no address
     */
    public function __invoke(string $address): array
    {
        $domain = ServerNames::domain($address);
        if ('' === $domain) {
            throw new Refused('This is no address: it looks like you@firm.example.', 'address');
        }
        $records = [];
        foreach (ServerNames::SERVICES as $services) {
            foreach (array_keys($services) as $service) {
                $records[$service] = $this->records->of($service.'.'.$domain);
            }
        }
        $imap = ServerNames::said('imap', $records);

        return [
            'imap' => $imap ?? ServerNames::usual('imap', $domain)[0],
            'smtp' => ServerNames::said('smtp', $records) ?? ServerNames::usual('smtp', $domain)[0],
            'isSaid' => null !== $imap,
        ];
    }
}
