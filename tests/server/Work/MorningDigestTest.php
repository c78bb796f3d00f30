<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Work;

use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use ZippyTray\Core\Post\PostSettings;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Work\MorningDigest;
use ZippyTray\Tests\Server\ApiTestCase;

final class MorningDigestTest extends ApiTestCase
{
    /** @return iterable<string, array{string, bool}> the person's own time, whether they are written to */
    public static function times(): iterable
    {
        yield 'the morning of a Thursday' => ['2126-11-28 09:00', true];
        yield 'a moment before' => ['2126-11-28 08:59:59', false];
        yield 'a little later' => ['2126-11-28 11:59', true];
        yield 'at noon it is too late' => ['2126-11-28 12:00', false];
        yield 'a Saturday' => ['2126-11-30 09:30', false];
        yield 'in summer' => ['2127-07-10 09:10', true];
    }

    #[DataProvider('times')]
    public function testItComesOnWorkingMorningsAndOnce(string $time, bool $comes): void
    {
        $account = $this->wanting();
        $now = new \DateTimeImmutable($time, $account->timeZone());
        $this->makeTask(['title' => 'Order polish', 'due' => ['date' => $this->day(-1)]]);
        $this->service(ProgramClock::class)->at($now, function () use ($now): void {
            for ($times = 0; $times < 3; ++$times) {
                $this->service(MorningDigest::class)->do($now);
                $this->service(EntityManagerInterface::class)->flush();
            }
        });
        self::assertCount($comes ? 1 : 0, $this->waiting());
    }

    public function testItSaysWhatTheDayBringsWithLinks(): void
    {
        $account = $this->wanting();
        $task = $this->makeTask(['title' => 'Order polish', 'due' => ['date' => $this->day(-1)]]);
        $this->makeTask(['title' => 'Not yet', 'due' => ['date' => $this->day(9)]]);
        $conversation = $this->receive();
        $this->decide('hand_over', [$conversation], ['phrase' => 'in 1 hour'], more: ['by' => 'Petra', 'what' => 'the rota']);
        $morning = $this->nextMorning($account);
        $this->service(ProgramClock::class)->at($morning, function () use ($morning): void {
            $this->service(MorningDigest::class)->do($morning);
            $this->service(EntityManagerInterface::class)->flush();
        });
        [$row] = $this->waiting();
        self::assertIsString($row['id']);
        $letter = $this->call('GET', '/outgoing/'.$row['id'])['letter'];
        self::assertIsArray($letter);
        self::assertSame('Wren Halloran <wren@ternpoint.example>', $letter['to']);
        self::assertIsString($letter['subject']);
        self::assertStringEndsWith(': 1 due, 1 owed', $letter['subject']);
        self::assertSame(
            "Due\n- Order polish (over)\n  http://localhost/tasks/{$task}\n\nOwed to you\n- Petra: the rota\n  http://localhost/owed\n",
            $letter['text'],
        );
    }

    public function testWhoDoesNotWantItOrHasNoWayOutGetsNone(): void
    {
        $account = $this->wanting();
        $this->makeTask(['title' => 'Order polish', 'due' => ['date' => $this->day(-1)]]);
        $morning = $this->nextMorning($account);
        foreach ([[new PostSettings(), MailWays::postRoom()], [new PostSettings(digest: true), MailWays::none()]] as [$settings, $ways]) {
            $account = $this->service(EntityManagerInterface::class)->find(Account::class, $account->id) ?? $account;
            $account->profile->choosePost($settings);
            $account->connect($ways);
            $this->service(MorningDigest::class)->do($morning);
            $this->service(EntityManagerInterface::class)->flush();
            self::assertSame([], $this->waiting());
        }
    }

    private function wanting(): Account
    {
        $account = $this->signIn();
        $account->connect(MailWays::postRoom());
        $this->service(EntityManagerInterface::class)->flush();
        $this->settle(['digest' => true]);

        return $this->service(EntityManagerInterface::class)->find(Account::class, $account->id) ?? $account;
    }

    /** The morning of the next working day. */
    private function nextMorning(Account $account): \DateTimeImmutable
    {
        $day = $this->service(ProgramClock::class)->now()->setTimezone($account->timeZone())->modify('+1 weekday');

        return $day->setTime(9, 5);
    }

    /** @return list<array<string, mixed>> */
    private function waiting(): array
    {
        /** @var list<array<string, mixed>> $rows */
        $rows = $this->call('GET', '/outgoing')['waiting'];

        return $rows;
    }
}
