<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server;

use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;
use Symfony\Component\Routing\RouterInterface;

final class ContractTest extends KernelTestCase
{
    public function testTheServerOffersWhatTheContractNamesAndNothingElse(): void
    {
        $router = self::getContainer()->get('router');
        self::assertInstanceOf(RouterInterface::class, $router);
        $offered = [];
        foreach ($router->getRouteCollection() as $route) {
            foreach (str_starts_with($route->getPath(), '/api/') ? $route->getMethods() : [] as $method) {
                $offered[] = $method.' '.substr($route->getPath(), 4);
            }
        }
        sort($offered);
        self::assertSame((new Contract())->operations(), $offered);
    }
}
