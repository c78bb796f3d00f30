<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Tray\Advice\Advice;
use ZippyTray\Core\Tray\Advice\AdviceGroup;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Advice\DateKind;
use ZippyTray\Core\Tray\Advice\FoundDate;
use ZippyTray\Core\Tray\Advice\MailKind;
use ZippyTray\Core\Tray\RestCheck;

final class RestCheckTest extends TestCase
{
    /**
     * @return iterable<string, array{
     *     string, MailKind, AdviceGroup, string, bool, bool
     * }> why it is held; kind, group, what it asks, whether it names a day, whether it came back
     */
    public static function letters(): iterable
    {
        yield 'news' => ['', MailKind::Newsletter, AdviceGroup::Bulk, '', false, false];
        yield 'information' => ['', MailKind::Personal, AdviceGroup::Information, '', false, false];
        yield 'an invitation' => ['It is an invitation.', MailKind::Invitation, AdviceGroup::Dated, '', true, false];
        yield 'an invitation without a day' => ['It is an invitation.', MailKind::Invitation, AdviceGroup::Information, '', false, false];
        yield 'news of an invitation' => ['', MailKind::InvitationNews, AdviceGroup::Information, '', false, false];
        yield 'what did not arrive' => ['A message of yours did not arrive.', MailKind::Bounce, AdviceGroup::Automatic, '', false, false];
        yield 'what is late' => ['', MailKind::Delay, AdviceGroup::Automatic, '', false, false];
        yield 'what asks' => ['It seems to ask for something.', MailKind::Personal, AdviceGroup::Asks, 'Which one?', false, false];
        yield 'what asks with a day' => [
            'It seems to ask for something, and names Fri 27 Nov.',
            MailKind::Personal,
            AdviceGroup::Asks,
            'Which one?',
            true,
            false,
        ];
        yield 'what may ask' => ['It may ask you for something.', MailKind::Personal, AdviceGroup::Asks, '', false, false];
        yield 'a day alone' => ['It names a day still to come, Fri 27 Nov.', MailKind::Notice, AdviceGroup::Dated, '', true, false];
        yield 'what came back' => ['You had it come back.', MailKind::Newsletter, AdviceGroup::Bulk, '', false, true];
    }

    #[DataProvider('letters')]
    public function testWhatIsHeldAndWhy(
        string $reason,
        MailKind $kind,
        AdviceGroup $group,
        string $asks,
        bool $isDated,
        bool $returned,
    ): void {
        $date = new FoundDate(DateKind::Appointment, LocalDate::parse('2026-11-27'), null, 'on Friday', 0, 9);
        $advice = new Advice(AdvisedDecision::Archive, $group, $kind, 'Title', 1, [], $asks, $isDated ? $date : null, null);

        self::assertSame($reason, RestCheck::reason($advice, $returned));
    }

    public function testWhatHasNotBeenReadMayAsk(): void
    {
        self::assertSame('It has not been read yet, and may ask for something.', RestCheck::reason(null, false));
        self::assertSame('You had it come back.', RestCheck::reason(null, true));
        self::assertSame('“+x” was not understood.', RestCheck::reason(null, false, '“+x” was not understood.'));
    }
}
