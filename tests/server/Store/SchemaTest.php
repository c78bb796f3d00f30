<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use Doctrine\DBAL\Schema\Table;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Tools\SchemaTool;
use Doctrine\ORM\Tools\SchemaValidator;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;
use ZippyTray\Server\DataFolder;

final class SchemaTest extends KernelTestCase
{
    public function testTheMigrationsMakeWhatTheMappingsExpect(): void
    {
        @unlink(DataFolder::path().'/zippy-tray.sqlite');
        copy(DataFolder::path().'/empty.sqlite', DataFolder::path().'/zippy-tray.sqlite');
        $orm = self::getContainer()->get(EntityManagerInterface::class);
        self::assertInstanceOf(EntityManagerInterface::class, $orm);
        self::assertSame([], (new SchemaValidator($orm))->validateMapping());

        $tables = $orm->getConnection()->createSchemaManager();
        foreach ((new SchemaTool($orm))->getSchemaFromMetadata($orm->getMetadataFactory()->getAllMetadata())->getTables() as $expected) {
            self::assertSame(self::columns($expected), self::columns($tables->introspectTable($expected->getName())), $expected->getName());
        }
    }

    /** @return array<string, bool> name => whether it may be null */
    private static function columns(Table $table): array
    {
        $columns = [];
        foreach ($table->getColumns() as $column) {
            $columns[$column->getName()] = !$column->getNotnull();
        }
        ksort($columns);

        return $columns;
    }
}
