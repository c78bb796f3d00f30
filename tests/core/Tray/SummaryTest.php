<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Attachment;
use ZippyTray\Core\Mail\DateSource;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Summary;

/**
 * What lists show of a conversation, from its messages alone.
 */
final class SummaryTest extends TestCase
{
    public function testNothingIsShownOfNone(): void
    {
        self::assertEquals(Summary::none(), Summary::of([]));
        self::assertSame(['', 0, 0], [Summary::none()->subject, Summary::none()->messages, Summary::none()->attachments]);
    }

    public function testTheLatestOfSomebodyElseIsShown(): void
    {
        $summary = Summary::of(
            [self::message(1, 'Tam'), self::message(2, 'Olga', attachments: 2), self::message(3, 'Wren', own: true, attachments: 1)],
        );
        self::assertSame(
            ['Slates of Olga', 'Olga', 'olga@roofs.example', 'Text of Olga.', 'olga@roofs.example'],
            [$summary->subject, $summary->latestName, $summary->latestEmail, $summary->excerpt, $summary->habitKey],
        );
        self::assertSame([3, 3], [$summary->messages, $summary->attachments]);
        self::assertEquals(self::instant(3), $summary->latestAt, 'It is as new as its latest message, whosever that is.');
    }

    public function testAMachineSaysNothingAboutIt(): void
    {
        $summary = Summary::of([self::message(1, 'Tam'), self::message(2, 'Olga', automatic: true)]);
        self::assertSame(['Tam', 2], [$summary->latestName, $summary->messages]);
    }

    public function testWhereNobodyElseHasWrittenTheFirstIsShown(): void
    {
        $summary = Summary::of([self::message(1, 'Wren', own: true), self::message(2, 'Wren', own: true, subject: 'Again')]);
        self::assertSame(['Slates of Wren', 2], [$summary->subject, $summary->messages]);
        self::assertEquals(self::instant(2), $summary->latestAt);
    }

    public function testAnswersKeepTheSubjectWithoutItsMarks(): void
    {
        self::assertSame('Slates', Summary::of([self::message(1, 'Tam', subject: 'Re: Fwd: AW: Slates')])->subject);
    }

    public function testTheOrderInWhichTheyAreGivenDoesNotMatter(): void
    {
        for ($seed = 0; $seed < 200; ++$seed) {
            $chance = new Randomizer(new Mt19937($seed));
            $messages = [];
            for ($number = 0; $number < $chance->getInt(1, 8); ++$number) {
                $messages[] = self::message(
                    $chance->getInt(1, 5),
                    ['Tam', 'Olga', 'Wren'][$kind = $chance->getInt(0, 2)],
                    own: 2 === $kind,
                    automatic: 0 === $chance->getInt(0, 3),
                    id: "m{$number}",
                    attachments: $chance->getInt(0, 2),
                );
            }
            /** @var list<Message> $shuffled */
            $shuffled = $chance->shuffleArray($messages);
            $all = Summary::of($messages);
            self::assertEquals($all, Summary::of($shuffled), "seed {$seed}");
            usort($messages, static fn (Message $a, Message $b): int => [$a->sentAt->instant, $a->id] <=> [$b->sentAt->instant, $b->id]);
            $last = array_pop($messages);
            $before = Summary::of($messages);
            self::assertEquals($all, $before->with($last), 'What comes last can be told from what is there.');
            self::assertSame($before->latestAt < $last->sentAt->instant, $before->isBefore($last));
        }
    }

    private static function instant(int $hour): \DateTimeImmutable
    {
        return new \DateTimeImmutable("2026-11-24T0{$hour}:00:00Z");
    }

    private static function message(
        int $hour,
        string $name,
        bool $own = false,
        bool $automatic = false,
        int $attachments = 0,
        ?string $subject = null,
        string $id = 'm',
    ): Message {
        return new Message(
            new EmailId($id),
            new AccountId('account'),
            $id.'@roofs.example',
            [],
            new Address(strtolower($name).'@roofs.example', $name),
            [],
            [],
            [],
            $subject ?? 'Slates of '.$name,
            new Moment(self::instant($hour), new \DateTimeZone('UTC')),
            DateSource::Header,
            "Text of {$name}.",
            true,
            false,
            array_fill(0, $attachments, new Attachment('plan.pdf', 'application/pdf', 10, '', false)),
            $automatic ? ['auto-submitted' => 'auto-replied'] : [],
            $id,
            100,
            $own,
            self::instant($hour),
        );
    }
}
