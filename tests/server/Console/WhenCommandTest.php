<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Console;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/**
 * when:read, as a person calls it.
 */
final class WhenCommandTest extends TestCase
{
    /** @return iterable<array{list<string>, int, string}> arguments, exit code, output */
    public static function calls(): iterable
    {
        $now = ['--now=2026-11-24T10:00', '--zone=Europe/Lisbon'];
        yield [
            ['friday', ...$now],
            0,
            '{"understood":true,"kind":"date","date":"2026-11-27","time":null,"instant":null,"rrule":null,"past":false,"text":"Fri 27 Nov '
                .'2026","alternatives":[]}',
        ];
        yield [
            ['friday 3pm', ...$now],
            0,
            '{"understood":true,"kind":"moment","date":"2026-11-27","time":"15:00","instant":"2026-11-27T15:00:00+00:00",'
                .'"rrule":null,"past":false,"text":"Fri 27 Nov 2026, 15:00","alternatives":[]}',
        ];
        yield [
            ['every weekday at 3pm', ...$now],
            0,
            '{"understood":true,"kind":"repeat","date":"2026-11-24","time":"15:00","instant":"2026-11-24T15:00:00+00:00",'
                .'"rrule":"FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR","past":false,'
                .'"text":"every weekday at 15:00, from Tue 24 Nov 2026","alternatives":[]}',
        ];
        yield [['next blursday', ...$now], 1, '{"understood":false,"error":"I cannot read \"blursday\".","offset":5}'];
        yield [
            ['3/4', '--now=2026-11-24T10:00:30', '--zone=Europe/Lisbon', '--month-first'],
            0,
            '{"understood":true,"kind":"date","date":"2027-03-04","time":null,"instant":null,"rrule":null,"past":false,"text":"Thu 4 Mar '
                .'2027",'
                .'"alternatives":[{"kind":"date","date":"2027-04-03","time":null,"instant":null,'
                .'"rrule":null,"past":false,"text":"Sat 3 Apr 2027"}]}',
        ];
        yield [
            ['noon', '--now=2026-07-01T10:00', '--zone=America/New_York'],
            0,
            '{"understood":true,"kind":"moment","date":"2026-07-01","time":"12:00","instant":"2026-07-01T16:00:00+00:00",'
                .'"rrule":null,"past":false,"text":"Wed 1 Jul 2026, 12:00","alternatives":[]}',
        ];
        yield [
            ['friday', '--zone=Moon/Base'],
            2,
            '{"understood":false,"error":"\"Moon/Base\" is not a time zone that is known here.","offset":0}',
        ];
        yield [
            ['friday', '--now=soon'],
            2,
            '{"understood":false,"error":"\"soon\" is not a moment of the form 2026-11-24T10:00.","offset":0}',
        ];
        yield [["gr\xFCn", ...$now], 1, '{"understood":false,"error":"I cannot read \"gr\".","offset":0}'];
    }

    /** @param list<string> $arguments */
    #[DataProvider('calls')]
    public function testItPrintsOneObjectAndNothingElse(array $arguments, int $code, string $output): void
    {
        $process = new Process([\PHP_BINARY, \dirname(__DIR__, 3).'/server/console.php', 'when:read', ...$arguments]);
        $process->run();
        self::assertSame($output."\n", $process->getOutput(), $process->getErrorOutput());
        self::assertSame($code, $process->getExitCode());
    }
}
