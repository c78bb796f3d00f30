<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server;

use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;
use Symfony\Component\Routing\RouterInterface;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Server\Http\Payload\Tray\DecisionKind;

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

    /** Whoever adds a kind of decision adds it everywhere. */
    public function testEachDecisionIsInTheContractAndInTheCore(): void
    {
        /** @var array{oneOf: list<array{properties: array{kind: array{enum: list<string>}}}>} $schema */
        $schema = (new Contract())->bodies()['POST /decisions'];
        $named = array_merge(...array_map(static fn (array $one): array => $one['properties']['kind']['enum'], $schema['oneOf']));
        $kinds = array_column(DecisionKind::cases(), 'value');
        self::assertEqualsCanonicalizing($kinds, $named);

        $classes = array_map(
            static fn (string $file): string => basename($file, '.php'),
            glob(\dirname(__DIR__, 2).'/core/Tray/Decision/*.php') ?: [],
        );
        self::assertEqualsCanonicalizing([...$classes, 'Block'], array_column(DecisionKind::cases(), 'name'));
        self::assertSame([], array_diff($kinds, array_column(EntryKind::cases(), 'value')), 'The journal knows them by the same names.');
    }
}
