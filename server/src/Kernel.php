<?php

declare(strict_types=1);

namespace ZippyTray\Server;

use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\DependencyInjection\Loader\Configurator\ContainerConfigurator;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;
use Symfony\Component\Routing\Loader\Configurator\RoutingConfigurator;

final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    public function __construct(string $environment, bool $debug)
    {
        DataFolder::settle($this->getProjectDir());
        parent::__construct($environment, $debug);
    }

    public function boot(): void
    {
        $isFirst = !$this->booted;
        if ($isFirst) {
            // Who runs out of memory still says so in the log, and that takes memory.
            register_shutdown_function(static fn () => null === error_get_last() || ini_set('memory_limit', '-1'));
        }
        parent::boot();
        if ($isFirst) {
            OwnFaults::areErrors($this->getProjectDir());
        }
    }

    public function getProjectDir(): string
    {
        return \dirname(__DIR__, 2);
    }

    public function getLogDir(): string
    {
        return DataFolder::path().'/log';
    }

    private function configureContainer(ContainerConfigurator $container): void
    {
        $container->import(__DIR__.'/../config/packages/*.yaml');
        $container->import(__DIR__.'/../config/services.yaml');
        // Besides how it is used: tested, and measured.
        if (\in_array($this->environment, ['test', 'bench'], true)) {
            $container->import(__DIR__."/../config/{$this->environment}.yaml");
        }
    }

    private function configureRoutes(RoutingConfigurator $routes): void
    {
        $routes->import(__DIR__.'/Http/', 'attribute');
    }

    private function getBundlesPath(): string
    {
        return __DIR__.'/../config/bundles.php';
    }
}
