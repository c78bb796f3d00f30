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
use ZippyTray\Core\Tray\HeldBecause;
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

        self::assertSame($reason, RestCheck::of($advice, $returned)->reason ?? '');
    }

    public function testWhatHasNotBeenReadMayAsk(): void
    {
        self::assertSame('It has not been read yet, and may ask for something.', RestCheck::of(null, false)?->reason);
        self::assertSame(HeldBecause::Unread, RestCheck::ofOlder(null, true, false)?->because);
        self::assertSame('You had it come back.', RestCheck::of(null, true)?->reason);
        self::assertSame('“+x” was not understood.', RestCheck::of(null, false, '“+x” was not understood.')?->reason);
    }

    /** @return iterable<string, array{HeldBecause|null, MailKind, AdviceGroup, string, bool, bool, bool}> the same; who wrote last */
    public static function older(): iterable
    {
        [$last, $before, $never] = [[true, false], [false, false], [false, true]];
        yield 'news' => [null, MailKind::Newsletter, AdviceGroup::Bulk, '', false, ...$never];
        yield 'a letter without an answer' => [HeldBecause::Unanswered, MailKind::Personal, AdviceGroup::Information, '', false, ...$never];
        yield 'a letter in a talk' => [null, MailKind::Personal, AdviceGroup::Information, '', false, ...$before];
        yield 'an answered letter' => [null, MailKind::Personal, AdviceGroup::Information, '', false, ...$last];
        yield 'a notice' => [null, MailKind::Notice, AdviceGroup::Automatic, '', false, ...$never];
        yield 'a question' => [HeldBecause::Asks, MailKind::Personal, AdviceGroup::Asks, 'Which one?', false, ...$never];
        yield 'a question in a talk' => [HeldBecause::Asks, MailKind::Personal, AdviceGroup::Asks, 'Which one?', false, ...$before];
        yield 'an answered question' => [null, MailKind::Personal, AdviceGroup::Asks, 'Which one?', false, ...$last];
        yield 'an answered question with a day' => [HeldBecause::Day, MailKind::Personal, AdviceGroup::Asks, 'Which one?', true, ...$last];
        yield 'what may ask' => [HeldBecause::Asks, MailKind::Notice, AdviceGroup::Asks, '', false, ...$never];
        yield 'a day' => [HeldBecause::Day, MailKind::Notice, AdviceGroup::Dated, '', true, ...$never];
        yield 'an invitation that is over' => [null, MailKind::Invitation, AdviceGroup::Information, '', false, ...$never];
        yield 'an invitation' => [HeldBecause::Day, MailKind::Invitation, AdviceGroup::Dated, '', true, ...$never];
        yield 'what did not arrive, long ago' => [null, MailKind::Bounce, AdviceGroup::Automatic, '', false, ...$never];
    }

    #[DataProvider('older')]
    public function testWhatIsHeldOfOlderMail(
        ?HeldBecause $because,
        MailKind $kind,
        AdviceGroup $group,
        string $asks,
        bool $isDated,
        bool $isAnswered,
        bool $isUnanswered,
    ): void {
        $date = new FoundDate(DateKind::Appointment, LocalDate::parse('2026-11-27'), null, 'on Friday', 0, 9);
        $advice = new Advice(AdvisedDecision::Archive, $group, $kind, 'Title', 1, [], $asks, $isDated ? $date : null, null);

        self::assertSame($because, RestCheck::ofOlder($advice, $isAnswered, $isUnanswered)?->because);
    }
}
