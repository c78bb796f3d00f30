<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;

/**
 * What is written by hand can be read without scrolling sideways.
 */
final class LinesTest extends TestCase
{
    /** In characters. */
    private const LONGEST = 140;

    public function testNoLineIsTooLong(): void
    {
        $root = \dirname(__DIR__, 2);
        $files = (new Finder())->files()
            ->in(array_map(static fn (string $folder): string => "{$root}/{$folder}", [
                'core', 'server/src', 'server/public', 'demo/src', 'bench', 'tests', 'web/src',
            ]))
            ->exclude('build')
            ->name(['*.php', '*.ts', '*.vue', '*.css', '*.mjs'])
            // It is made from the contract.
            ->notPath('api/contract.ts');
        self::assertGreaterThan(1000, \count($files));
        $long = [];
        foreach ($files as $file) {
            foreach (explode("\n", $file->getContents()) as $number => $line) {
                if (mb_strlen($line) > self::LONGEST) {
                    $long[] = $file->getRelativePathname().':'.($number + 1);
                }
            }
        }
        self::assertSame([], $long);
    }
}
