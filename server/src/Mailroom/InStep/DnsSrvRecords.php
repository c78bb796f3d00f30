<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

final readonly class DnsSrvRecords implements SrvRecords
{
    public function of(string $name): array
    {
        // Whoever waits for it is a person: a name server that does not answer is not asked again.
        putenv('RES_OPTIONS=timeout:2 attempts:1');
        $records = @dns_get_record($name, \DNS_SRV);
        putenv('RES_OPTIONS');
        $found = [];
        foreach (false === $records ? [] : $records as $record) {
            [$target, $port, $priority, $weight] = [
                $record['target'] ?? null, $record['port'] ?? null, $record['pri'] ?? null, $record['weight'] ?? null,
            ];
            if (\is_string($target) && \is_int($port)) {
                $found[] = [
                    'target' => $target,
                    'port' => $port,
                    'priority' => \is_int($priority) ? $priority : 0,
                    'weight' => \is_int($weight) ? $weight : 0,
                ];
            }
        }

        return $found;
    }
}
