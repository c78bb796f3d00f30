<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Tray\Undecided;

final class UndecidedTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> messages, own ones in capitals, X the program's; decided at; undecided */
    public static function conversations(): iterable
    {
        yield 'one' => ['a1', '', 'a'];
        yield 'several since' => ['a1 b2 c3', '1', 'bc'];
        yield 'never decided' => ['a1 b2', '', 'ab'];
        yield 'one answered since' => ['a1 B2 c3 d4', '', 'cd'];
        yield 'all decided: the newest by others' => ['a1 b2 C3', '5', 'b'];
        yield 'only own ones' => ['A1 B2', '', 'B'];
        yield 'one answered by the program' => ['a1 X2', '', 'a'];
        yield 'an own one, confirmed by the program' => ['A1 X2', '', 'A'];
        yield 'one of the program alone' => ['X1', '', 'X'];
        yield 'nothing' => ['', '', ''];
    }

    #[DataProvider('conversations')]
    public function testWhatIsUndecided(string $messages, string $decidedAt, string $undecided): void
    {
        $all = array_map(
            static fn (string $one): array => [
                'id' => $one[0],
                'own' => ctype_upper($one[0]),
                'byItself' => 'X' === $one[0],
                'importedAt' => $one[1],
            ],
            array_values(array_filter(explode(' ', $messages))),
        );
        self::assertSame($undecided, implode('', Undecided::of($all, $decidedAt)));
    }
}
