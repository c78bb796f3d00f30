<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Post;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Post\PostSettings;
use ZippyTray\Core\Refused;

final class PostSettingsTest extends TestCase
{
    /** @return iterable<string, array{int, string, string|null}> seconds, signature, the field that is refused */
    public static function settings(): iterable
    {
        yield 'nothing' => [0, '', null];
        yield 'as long as it can be taken back' => [PostSettings::LONGEST_UNDO, str_repeat('ü', PostSettings::SIGNATURE_LENGTH), null];
        yield 'spaces behind it do not count' => [10, str_repeat('x', PostSettings::SIGNATURE_LENGTH)." \n\n", null];
        yield 'before it is sent' => [-1, '', 'undoSeconds'];
        yield 'too long' => [PostSettings::LONGEST_UNDO + 1, '', 'undoSeconds'];
        yield 'a letter of a signature' => [10, str_repeat('x', PostSettings::SIGNATURE_LENGTH + 1), 'signature'];
    }

    #[DataProvider('settings')]
    public function testWhatCanBeChosen(int $seconds, string $signature, ?string $refused): void
    {
        try {
            $settings = new PostSettings($seconds, $signature);
            self::assertSame([$seconds, null], [$settings->undoSeconds, $refused]);
        } catch (Refused $problem) {
            self::assertSame($refused, $problem->field);
        }
    }

    public function testASignatureHasLineEndsOfOneKindAndNoneBehindIt(): void
    {
        $settings = new PostSettings(signature: "Wren\r\nTern Point\rLight\r\n \n");
        self::assertSame(['undoSeconds' => 10, 'signature' => "Wren\nTern Point\nLight", 'digest' => false], $settings->state());
    }
}
