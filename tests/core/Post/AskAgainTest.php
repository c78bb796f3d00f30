<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Post;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Owed\Owed;
use ZippyTray\Core\Post\AskAgain;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Tests\Core\World\World;

/**
 * The letter that asks somebody again; it was asked for on the evening of 3 November in New York, which was the 4th in Lisbon.
 */
final class AskAgainTest extends TestCase
{
    /** @return iterable<string, array{string, string, string, string, string, string}> what, subject, by whom; its subject, text, end */
    public static function letters(): iterable
    {
        yield 'what was asked for' => [
            'the two panes. ',
            'Lantern glass',
            'Wren Halloran',
            'Re: Lantern glass',
            'On Wednesday 4 November I asked you for this: the two panes. I have not heard from you since.',
            'Wren',
        ];
        yield 'an answer' => [
            '',
            '',
            'Halloran, Wren',
            'A reminder',
            'On Wednesday 4 November I asked you for an answer. I have not heard from you since.',
            'Wren',
        ];
    }

    #[DataProvider('letters')]
    public function testItSaysWhatWasAskedForWhen(
        string $what,
        string $of,
        string $name,
        string $subject,
        string $said,
        string $below,
    ): void {
        $at = new \DateTimeImmutable('2026-11-04T02:30:00Z');
        $zone = new \DateTimeZone('Europe/Lisbon');
        $owed = new Owed(
            'o',
            World::account(),
            new Address('tam@glass.example', 'Tam Achterberg'),
            $what,
            new Moment($at->modify('+7 days'), $zone),
            null,
            null,
            null,
            $at,
        );
        $letter = AskAgain::of($owed, $of, $name, $zone);
        self::assertSame([$subject, 'tam@glass.example'], [$letter->subject, $letter->to[0]->email]);
        self::assertStringStartsWith("Hello Tam,\n\n", $letter->text);
        self::assertStringContainsString($said, $letter->text);
        self::assertStringEndsWith("\n\n{$below}\n", $letter->text);
    }
}
