<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\SignIn;

use Psr\Log\LoggerInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;
use ZippyTray\Core\InStep\ServerNames;
use ZippyTray\Server\DataFolder;

/**
 * The providers that whoever runs this program has entered: in providers.yaml of the data folder, else in the file that comes with the
 * program, which holds examples only.
 */
final readonly class Providers
{
    public function __construct(
        #[Autowire('%kernel.project_dir%/server/config/providers.yaml')]
        private string $shipped,
        private LoggerInterface $logger,
    ) {
    }

    /** @return Provider|null that of an address; null when there is none */
    public function of(string $address): ?Provider
    {
        $domain = ServerNames::domain($address);
        foreach ('' === $domain ? [] : $this->all() as $provider) {
            if (\in_array($domain, $provider->domains, true)) {
                return $provider;
            }
        }

        return null;
    }

    public function named(string $name): ?Provider
    {
        foreach ($this->all() as $provider) {
            if ($provider->name === $name) {
                return $provider;
            }
        }

        return null;
    }

    /** @return list<Provider> those that are written as they should be; what is wrong with others is in the log */
    private function all(): array
    {
        $own = DataFolder::path().'/providers.yaml';
        $file = is_file($own) ? $own : $this->shipped;
        try {
            $read = Yaml::parseFile($file);
        } catch (ParseException $problem) {
            $this->logger->error('The file of providers cannot be read.', ['file' => $file, 'problem' => $problem->getMessage()]);
            $read = [];
        }
        $providers = [];
        foreach (\is_array($read) && \is_array($read['providers'] ?? null) ? $read['providers'] : [] as $one) {
            try {
                $providers[] = Provider::of(\is_array($one) ? $one : []);
            } catch (\InvalidArgumentException $problem) {
                $this->logger->error('A provider cannot be used.', ['file' => $file, 'problem' => $problem->getMessage()]);
            }
        }

        return $providers;
    }
}
