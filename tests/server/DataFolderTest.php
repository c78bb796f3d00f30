<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use ZippyTray\Server\DataFolder;

final class DataFolderTest extends TestCase
{
    private string $before;

    private string $folder;

    protected function setUp(): void
    {
        $this->before = DataFolder::path();
        $this->folder = sys_get_temp_dir().'/zippy-tray-folder-'.getmypid();
        (new Filesystem())->mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        $_SERVER['ZIPPY_DATA'] = $this->before;
        DataFolder::settle('/nowhere');
        (new Filesystem())->remove($this->folder);
    }

    public function testTheFolderIsMadeForTheOwnerAloneAndItsSecretIsKept(): void
    {
        $_SERVER['ZIPPY_DATA'] = $this->folder.'/a/b';
        DataFolder::settle('/nowhere');
        self::assertSame($this->folder.'/a/b', DataFolder::path());
        self::assertSame('0700', substr(\sprintf('%o', fileperms(DataFolder::path())), -4));
        self::assertSame('0600', substr(\sprintf('%o', fileperms(DataFolder::path().'/secret')), -4));
        $secret = $_SERVER['ZIPPY_SECRET'];
        DataFolder::settle('/nowhere');
        self::assertSame($secret, $_SERVER['ZIPPY_SECRET']);
    }

    public function testWithoutAWishItIsVarOfTheProject(): void
    {
        $_SERVER['ZIPPY_DATA'] = '';
        DataFolder::settle($this->folder);
        self::assertSame($this->folder.'/var', DataFolder::path());
    }

    public function testAFolderThatCannotBeMadeIsNamedWithARemedy(): void
    {
        touch($this->folder.'/file');
        $_SERVER['ZIPPY_DATA'] = $this->folder.'/file/data';
        $this->expectException(\RuntimeException::class);
        $this->expectExceptionMessage('Set ZIPPY_DATA to a folder that you can write to.');
        DataFolder::settle('/nowhere');
    }
}
