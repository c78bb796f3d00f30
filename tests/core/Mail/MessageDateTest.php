<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Mail;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\DateSource;
use ZippyTray\Core\Mail\Mime\Headers;
use ZippyTray\Core\Mail\Mime\MessageDate;

final class MessageDateTest extends TestCase
{
    /** @return iterable<string, array{string, string, DateSource}> header block, instant, where from */
    public static function dates(): iterable
    {
        $received = 'Received: from a by b; Mon, 23 Nov 2026 18:20:00 +0000';
        yield 'usual' => ['Date: Mon, 23 Nov 2026 08:12:00 +0100', '2026-11-23T07:12:00+00:00', DateSource::Header];
        yield 'with a comment' => ['Date: Mon, 23 Nov 2026 08:12:00 +0000 (GMT)', '2026-11-23T08:12:00+00:00', DateSource::Header];
        yield 'without weekday and seconds' => ['Date: 3 Nov 2026 08:12 -0500', '2026-11-03T13:12:00+00:00', DateSource::Header];
        yield 'obsolete zone' => ['Date: Tue, 3 Nov 2026 08:12:00 EST', '2026-11-03T13:12:00+00:00', DateSource::Header];
        yield 'two-digit year' => ['Date: Tue, 3 Nov 98 08:12:00 GMT', '1998-11-03T08:12:00+00:00', DateSource::Header];
        yield 'three-digit year' => ['Date: Tue, 3 Nov 102 08:12:00 GMT', '2002-11-03T08:12:00+00:00', DateSource::Header];
        yield 'dashes and a long month' => ['Date: 3-November-2026 08:12:00 +0000', '2026-11-03T08:12:00+00:00', DateSource::Header];
        yield 'leap second' => ['Date: Sat, 31 Dec 2016 23:59:60 +0000', '2016-12-31T23:59:59+00:00', DateSource::Header];
        yield 'missing' => [$received, '2026-11-23T18:20:00+00:00', DateSource::Received];
        yield 'nonsense' => ["Date: yesterday\n".$received, '2026-11-23T18:20:00+00:00', DateSource::Received];
        yield 'impossible day' => ["Date: 31 Feb 2026 08:00:00 +0000\n".$received, '2026-11-23T18:20:00+00:00', DateSource::Received];
        yield 'absurdly old' => ["Date: Thu, 1 Jan 1970 00:00:00 +0000\n".$received, '2026-11-23T18:20:00+00:00', DateSource::Received];
        yield 'far in the future' => [
            "Date: Thu, 1 Jan 2099 00:00:00 +0000\n".$received,
            '2026-11-23T18:20:00+00:00',
            DateSource::Received,
        ];
        yield 'a clock that is a day ahead' => ['Date: Wed, 25 Nov 2026 09:00:00 +0000', '2026-11-25T09:00:00+00:00', DateSource::Header];
        yield 'the newest Received line' => [
            "Received: x; Mon, 23 Nov 2026 18:00:00 +0000\nReceived: y; Mon, 23 Nov 2026 17:00:00 +0000",
            '2026-11-23T18:00:00+00:00',
            DateSource::Received,
        ];
        yield 'nothing usable' => ["Date: never\nReceived: from a by b", '2026-11-24T10:00:00+00:00', DateSource::Import];
    }

    #[DataProvider('dates')]
    public function testWhereADateIsTakenFrom(string $headers, string $instant, DateSource $source): void
    {
        [$moment, $found] = (new MessageDate())->of(Headers::parse($headers), new \DateTimeImmutable('2026-11-24T10:00:00Z'));
        self::assertSame([$instant, $source], [$moment->instant->format(\DATE_ATOM), $found]);
    }

    public function testTheSendersZoneIsKept(): void
    {
        [$moment] = (new MessageDate())->of(
            Headers::parse('Date: Mon, 23 Nov 2026 08:12:00 +0100'),
            new \DateTimeImmutable('2026-11-24T10:00:00Z'),
        );
        self::assertSame('08:12', (string) $moment->time());
    }
}
