<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Order\Sieve;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Order\Condition;
use ZippyTray\Core\Order\OrderId;
use ZippyTray\Core\Order\Sieve\Parser;
use ZippyTray\Core\Order\Sieve\ReadRule;
use ZippyTray\Core\Order\Sieve\ReadSieve;
use ZippyTray\Core\Order\Sieve\SieveError;
use ZippyTray\Core\Order\Sieve\WriteSieve;
use ZippyTray\Core\Order\StandingOrder;
use ZippyTray\Core\Post\Template;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Stamp\StepKind;
use ZippyTray\Tests\Core\World\World;

/**
 * Standing orders as Sieve scripts, both ways, held against Debian's own compiler and interpreter of them.
 */
final class SieveTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>}> conditions that a server can ask */
    public static function conditions(): iterable
    {
        foreach ([
            'from' => 'olga@roofs.example', 'domain' => 'roofs.example', 'list' => 'keepers.lights.example',
            'to' => 'wren@ternpoint.example', 'subject' => 'invoice', 'words' => 'lantern', 'larger' => '5000', 'smaller' => '20',
        ] as $test => $is) {
            yield $test => [['test' => $test, 'is' => $is]];
        }
        yield 'a sub-address' => [['test' => 'to', 'is' => '+news']];
        yield 'a phrase' => [['test' => 'subject', 'is' => '"roof survey"']];
        foreach (['alone', 'among', 'copied'] as $how) {
            yield $how => [['test' => 'addressed', 'is' => $how]];
        }
        yield 'quotes and signs' => [['test' => 'any', 'of' => [
            ['test' => 'list', 'is' => 'a\\b"c'],
            ['test' => 'from', 'is' => "o'neill@x.example"],
        ]]];
        yield 'within one another' => [['test' => 'all', 'of' => [
            ['test' => 'any', 'of' => [['test' => 'from', 'is' => 'a@x.example'], ['test' => 'domain', 'is' => 'y.example']]],
            ['test' => 'none', 'of' => [['test' => 'subject', 'is' => 'hello'], ['test' => 'larger', 'is' => '9']]],
        ]]];
    }

    /** @param array<string, mixed> $condition */
    #[DataProvider('conditions')]
    public function testWhatIsWrittenIsReadAgain(array $condition): void
    {
        $order = self::order('Gulls', $condition, [
            new StampStep(StepKind::Label, ['roof survey', 'money']),
            new StampStep(StepKind::Read),
            new StampStep(StepKind::Archive),
        ], last: true);
        $script = WriteSieve::of([$order], [World::OWN], []);
        self::assertCompiles($script);
        [$rules, $left] = ReadSieve::of($script);
        self::assertSame([[], 1], [$left, \count($rules)], $script);
        self::assertSame($order->condition()->state(), $rules[0]->condition->state(), $script);
        self::assertEquals($order->steps(), $rules[0]->steps);
        self::assertSame(['Gulls', true, true], [$rules[0]->name, $rules[0]->on, $rules[0]->last]);
    }

    public function testOneAtRestIsWrittenSoAndReadSo(): void
    {
        $order = self::order('Gulls', ['test' => 'from', 'is' => 'a@x.example'], [new StampStep(StepKind::Delete)], false);
        $script = WriteSieve::of([$order], [], []);
        self::assertCompiles($script);
        self::assertSame([false, ['test' => 'from', 'is' => 'a@x.example']], [
            ReadSieve::of($script)[0][0]->on,
            ReadSieve::of($script)[0][0]->condition->state(),
        ]);
    }

    public function testAnAnswerGoesAlong(): void
    {
        $text = "Thank you.\n.A dot, \"quotes\" and a \\ in it.";
        $templates = ['t' => new Template('t', World::account(), 'Away', '', $text, false)];
        $answer = new StampStep(StepKind::Answer, template: 't', send: true);
        $order = self::order('Away', ['test' => 'from', 'is' => 'a@x.example'], [$answer]);
        $script = WriteSieve::of([$order], [], $templates);
        self::assertCompiles($script);
        self::assertSame($text, ReadSieve::of($script)[0][0]->answer);
    }

    /** @return iterable<string, array{array<string, mixed>, StampStep, string}> what a server cannot know or do, and what is said */
    public static function notForServers(): iterable
    {
        $archive = new StampStep(StepKind::Archive);
        $from = ['test' => 'from', 'is' => 'a@x.example'];
        yield 'importance' => [['test' => 'important', 'is' => '70'], $archive, 'cannot tell mail that matters'];
        yield 'within another' => [
            ['test' => 'none', 'of' => [['test' => 'known', 'is' => 'known']]],
            $archive,
            'cannot tell mail from somebody',
        ];
        yield 'a task' => [$from, new StampStep(StepKind::Task, line: '{asked}'), 'cannot do this: task'];
        yield 'a snooze' => [$from, new StampStep(StepKind::Snooze, until: 'friday'), 'cannot do this: away'];
        yield 'a word that is no keyword' => [$from, new StampStep(StepKind::Label, ['größe']), 'no keyword'];
        yield 'a draft' => [$from, new StampStep(StepKind::Answer, template: 't'), 'leaves no drafts'];
        yield 'a gap' => [$from, new StampStep(StepKind::Answer, template: 'gap', send: true), 'fill in the gaps'];
    }

    /** @param array<string, mixed> $condition */
    #[DataProvider('notForServers')]
    public function testHalfAnOrderIsNotWritten(array $condition, StampStep $step, string $said): void
    {
        $script = WriteSieve::of(
            [self::order("Two\nlines", $condition, [new StampStep(StepKind::Read), $step])],
            [],
            [
                't' => new Template('t', World::account(), 'T', '', 'Text', false),
                'gap' => new Template('gap', World::account(), 'Gap', '', 'Dear {first name}', false),
            ],
        );
        self::assertStringStartsWith('# Left out: Two lines (', $script);
        self::assertStringContainsString($said, $script);
        self::assertSame([[], []], ReadSieve::of($script));
        self::assertCompiles($script);
    }

    /** @return iterable<string, array{string, list<array{string, list<string>}>, list<string>}> script, mail and steps taken, why not */
    public static function scripts(): iterable
    {
        yield 'elsif and else' => [
            'require "fileinto"; if address :is "from" "a@x.example" { fileinto "Archive"; } elsif header :contains "subject" "b" '
                .'{ discard; } else { fileinto "Junk"; }',
            [
                ['from a@x.example', ['archived']],
                ['not from a@x.example and with “b” in its subject', ['deleted']],
                ['not from a@x.example, nor with “b” in its subject', ['sender blocked']],
            ],
            [],
        ];
        yield 'a branch that is left takes those behind it along' => [
            'require ["fileinto", "date"]; if currentdate :is "weekday" "0" { fileinto "Archive"; } else { discard; }',
            [],
            ['"currentdate" cannot be asked', 'depends on a branch before it'],
        ];
        yield 'a branch out of force does not keep those behind it' => [
            'require "fileinto"; if allof (false, address :is "from" "a@x.example") { fileinto "Archive"; } '
                .'elsif header :contains "subject" "b" { discard; }',
            [['from a@x.example', ['archived']], ['with “b” in its subject', ['deleted']]],
            [],
        ];
        yield 'within one another' => [
            'if address :domain :is "from" "x.example" { if size :over 5M { discard; } }',
            [['from anybody at x.example and larger than 5243 kB', ['deleted']]],
            [],
        ];
        yield 'a folder of its own' => [
            'require "fileinto"; if header :contains "List-Id" "<keepers.lights.example>" { fileinto "Lists/Keepers"; stop; }',
            [['of the list keepers.lights.example', ['label Keepers', 'archived']]],
            [],
        ];
        yield 'lists of keys and multi-line text' => [
            "require \"vacation\"; # Away\nif header :contains \"subject\" [\"holiday\", \"leave today\"] {\n"
                ."vacation :days 3 :subject \"Away\" text:\n"
                ."I am away.\n..\n.\n;\n}",
            [['with “holiday” in its subject or with “leave today” in its subject', ['answered']]],
            [],
        ];
        yield 'somebody at a domain, with stars' => [
            'if address :matches "from" "*@x.example" { discard; }',
            [['from anybody at x.example', ['deleted']]],
            [],
        ];
        yield 'flags' => [
            'require "imap4flags"; if not header :is "subject" "x y" { addflag ["\\\\Seen", "roof_survey"]; removeflag "today"; }',
            [['not with “x y” in its subject', ['read', 'label roof survey', 'without label today']]],
            [],
        ];
        yield 'what is not ours to do' => [
            'require ["copy", "reject", "fileinto"]; redirect "a@x.example"; if true { keep; }'
                .' if size :under 1K { redirect "a@x.example"; }'
                .' if size :over 1K { fileinto :copy "Archive"; } if size :over 1K { fileinto "A"; fileinto "B"; }'
                .' if header :matches "subject" "a*b" { discard; } if header :is "x-spam" "yes" { discard; }'
                .' if address :localpart :is "from" "a" { discard; } if size :over 1K { }',
            [],
            [
                'without a condition', '"true" cannot be asked', '"redirect" cannot be done', 'no copies', 'several places', 'a pattern',
                '"x-spam" cannot be asked', 'a part of an address',
            ],
        ];
    }

    /**
     * @param list<array{string, list<string>}> $taken
     * @param list<string>                      $left
     */
    #[DataProvider('scripts')]
    public function testScriptsOfElsewhereAreTakenOrSaidToBeLeft(string $script, array $taken, array $left): void
    {
        self::assertCompiles($script);
        [$rules, $not] = ReadSieve::of($script);
        self::assertSame($taken, array_map(static fn (ReadRule $rule): array => [
            $rule->condition->text(),
            array_map(static fn (StampStep $step): string => $step->text(), $rule->steps),
        ], $rules));
        self::assertCount(\count($left), $not, json_encode($not, \JSON_THROW_ON_ERROR));
        foreach ($left as $number => $why) {
            self::assertStringContainsString($why, $not[$number]['why'] ?? '');
        }
    }

    /** @return iterable<array{string, int}> what is no script, and the line at which that is noticed */
    public static function broken(): iterable
    {
        yield ['if', 1];
        yield ["keep;\nif true {", 2];
        yield ["keep;\n\n?", 3];
        yield ['keep', 1];
        yield ['if anyof (true, ) { keep; }', 1];
        yield ['fileinto ["a" "b"];', 1];
        yield ['"text";', 1];
        yield ["keep;\n\"unfinished", 2];
        yield [str_repeat('if true { ', 40), 1];
    }

    #[DataProvider('broken')]
    public function testWhatIsNoScriptIsRefusedWithItsLine(string $script, int $line): void
    {
        $this->expectException(SieveError::class);
        $this->expectExceptionMessage("Line {$line}: ");
        Parser::parse($script);
    }

    public function testAnythingEndsWithAnOutcomeInTime(): void
    {
        $chance = new Randomizer(new Mt19937(3));
        $pieces = [
            'if ', 'not ', 'anyof(', 'true', ',', ')', '{', '}', ';', '"a"', '[', ']', ':is', ':over', '5K',
            "text:\nx\n.\n", '/*', '*/', '#',
            "\n", '\\', "\xff",
        ];
        for ($round = 0; $round < 400; ++$round) {
            $script = '';
            for ($length = $chance->getInt(1, 60); $length > 0; --$length) {
                $script .= $pieces[$chance->getInt(0, \count($pieces) - 1)];
            }
            try {
                ReadSieve::of($script);
            } catch (SieveError $problem) {
                self::assertNotSame('', $problem->getMessage());
            }
        }
        $this->expectException(SieveError::class);
        Parser::parse(str_repeat('x', Parser::LONGEST + 1));
    }

    /** What the orders mean and what the script does are the same, by the interpreter that servers use. */
    public function testAServerDoesTheSame(): void
    {
        if (!is_executable('/usr/bin/sieve-test')) {
            self::markTestSkipped('Without sieve-test this cannot be tried.');
        }
        $script = self::file(WriteSieve::of([
            self::order('Gulls', ['test' => 'domain', 'is' => 'gulls.example'], [
                new StampStep(StepKind::Label, ['roof survey']),
                new StampStep(StepKind::Archive),
            ]),
            self::order('Plan', ['test' => 'all', 'of' => [
                ['test' => 'addressed', 'is' => 'alone'],
                ['test' => 'words', 'is' => '"roof plan"'],
            ]], [new StampStep(StepKind::Delete)]),
        ], [World::OWN], []));
        foreach ([
            ['From: a@news.gulls.example', 'To: wren@ternpoint.example', 'Hello', ['Archive', 'roof_survey']],
            ['From: a@xgulls.example', 'To: wren@ternpoint.example', 'The roof plan.', ['Trash']],
            ['From: a@xgulls.example', 'To: wren@ternpoint.example, b@x.example', 'The roof plan.', ['INBOX']],
            ['From: a@xgulls.example', 'To: wren@ternpoint.example', 'The plan of the roof.', ['INBOX']],
        ] as [$from, $to, $text, $expected]) {
            $mail = self::file("{$from}\n{$to}\nSubject: Hello\nDate: Mon, 2 Nov 2026 08:00:00 +0000\n\n{$text}\n");
            $said = (string) shell_exec(\sprintf(
                // It does nothing as root.
                '/usr/bin/sieve-test -o mail_uid=%1$d -o mail_gid=%1$d -o mail_home=/tmp %2$s %3$s 2>&1',
                fileowner($script) ?: 65534,
                escapeshellarg($script),
                escapeshellarg($mail),
            ));
            foreach ($expected as $word) {
                self::assertStringContainsString($word, $said);
            }
        }
    }

    private static function assertCompiles(string $script): void
    {
        if (!is_executable('/usr/bin/sievec')) {
            self::assertNotSame('x', $script);

            return;
        }
        $file = self::file($script);
        // It puts a file of its own in the place of where it writes to, whatever that is.
        exec('/usr/bin/sievec '.escapeshellarg($file).' '.escapeshellarg($file.'.svbin').' 2>&1', $said, $code);
        self::assertSame(0, $code, $script."\n".implode("\n", $said));
    }

    private static function file(string $content): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'sieve');
        file_put_contents($file, $content);
        chmod($file, 0o644);
        register_shutdown_function(static function () use ($file): void {
            foreach ([$file, $file.'.svbin', preg_replace('/\.sieve$/', '', $file).'.svbin'] as $one) {
                is_file($one) && unlink($one);
            }
        });

        return $file;
    }

    /**
     * @param array<string, mixed> $condition
     * @param list<StampStep>      $steps
     */
    private static function order(string $name, array $condition, array $steps, bool $on = true, bool $last = false): StandingOrder
    {
        $order = new StandingOrder(new OrderId('o'), World::account());
        $order->make($name, Condition::checked($condition), $steps, $last, false);
        $order->turn($on);

        return $order;
    }
}
