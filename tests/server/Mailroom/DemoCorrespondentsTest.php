<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Mailroom;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Demo\DemoCorrespondents;
use ZippyTray\Demo\Scenario;

final class DemoCorrespondentsTest extends TestCase
{
    private const RAW = "From: Wren Halloran <wren@ternpoint.example>\r\nTo: x@y.example\r\nSubject: Re: Glass\r\n"
        ."Date: Thu, 26 Nov 2026 10:00:00 +0000\r\nMessage-ID: <one@ternpoint.example>\r\n\r\nHere.\r\n";

    /**
     * @return iterable<string, array{
     *     string, list<string>
     * }> to whom, what comes back: seconds, subject, whether a program wrote it, who did not get it
     */
    public static function recipients(): iterable
    {
        yield 'somebody' => ['petra@ternpoint.example', ['7200 Re: Glass']];
        yield 'somebody who is away' => ['ada@ternpoint.example', ['30 Automatic answer: Glass automatic', '180000 Re: Glass']];
        yield 'somebody who never answers' => ['kit.marsh@countyheritage.example', []];
        yield 'nobody' => [
            'gone.fishing@ternpoint.example',
            ['40 Your message could not be delivered automatic gone.fishing@ternpoint.example'],
        ];
        yield 'whoever else' => ['new@person.example', ['25200 Re: Glass']];
        yield 'a machine' => ['no-reply@shop.example', []];
        yield 'oneself' => ['wren@ternpoint.example', []];
    }

    /** @param list<string> $expected */
    #[DataProvider('recipients')]
    public function testWhoAnswersWhen(string $to, array $expected): void
    {
        $found = [];
        foreach ($this->people()->react(new Address($to), new Address(
            'wren@ternpoint.example',
            'Wren Halloran',
        ), self::RAW) ?? [] as $reaction) {
            $content = (new MessageReader())->read($reaction->raw, new \DateTimeImmutable('2026-12-31'));
            self::assertContains('one@ternpoint.example', $content->references);
            self::assertSame($reaction->after, $content->sentAt->instant->getTimestamp() - strtotime('2026-11-26T10:00:00Z'));
            $found[] = implode(
                ' ',
                array_filter([
                    $reaction->after,
                    $content->subject,
                    isset($content->listHeaders['auto-submitted']) ? 'automatic' : '',
                    ...($content->report->failed ?? []),
                ]),
            );
        }
        self::assertSame($expected, $found);
    }

    public function testLettersKeepComingAndNoneTwice(): void
    {
        $people = $this->people();
        $monday = new \DateTimeImmutable('2026-11-23T00:00:00Z');
        $all = [...$people->unasked($monday, $monday->modify('+7 days'))];
        self::assertCount(9, $all);
        $pieces = [];
        for ($hour = 0; $hour < 7 * 24; $hour += 5) {
            $until = min($monday->modify('+7 days'), $monday->modify(\sprintf('+%d hours', $hour + 5)));
            foreach ($people->unasked($monday->modify("+{$hour} hours"), $until) as $name => [$at, $raw]) {
                self::assertArrayNotHasKey($name, $pieces);
                $pieces[$name] = $at;
                self::assertNotSame('', (new MessageReader())->read($raw, $at)->header);
            }
        }
        self::assertEqualsCanonicalizing(array_keys($all), array_keys($pieces));
        self::assertSame([], [...$this->people(false)->unasked($monday, $monday->modify('+7 days'))], 'Only in the demo.');
    }

    private function people(bool $isDemo = true): DemoCorrespondents
    {
        $folder = \dirname(__DIR__, 3).'/demo/';

        return new DemoCorrespondents($folder.'correspondents.yaml', $isDemo, new Scenario($folder.'scenario.yaml'));
    }
}
