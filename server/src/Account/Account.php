<?php

declare(strict_types=1);

namespace ZippyTray\Server\Account;

use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Arrival\Recipient;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Post\PostSettings;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskSettings;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Tray\ClearingOrder;
use ZippyTray\Core\Tray\TraySettings;

/**
 * A person who signs in. Every row of the database belongs to one.
 */
#[ORM\Entity]
#[ORM\Table(name: 'account')]
class Account implements UserInterface, PasswordAuthenticatedUserInterface
{
    #[ORM\Column]
    private string $password = '';

    /** Whether 4/12 is the fourth of December to this person. */
    #[ORM\Column]
    private bool $dayFirst = true;

    /**
     * @var array{
     *     weekStart?: int, workingDays?: list<int>, marks?: array<string, string>
     * } how they speak of time; what is missing is as usual
     */
    #[ORM\Column(type: 'json')]
    private array $timeSettings = [];

    /**
     * @var array{
     *     completeSubtasks?: bool, reminderPercent?: int, reminderDays?: int, taskDue?: string,
     *     taskReminder?: string
     * } what is missing is as usual
     */
    #[ORM\Column(type: 'json')]
    private array $taskSettings = [];

    /** @var array{snoozes?: list<string>, mailEndsSnooze?: bool, nextAfterDeciding?: bool} what is missing is as usual */
    #[ORM\Column(type: 'json')]
    private array $traySettings = [];

    /**
     * @var array{
     *     undoSeconds?: int, signature?: string, digest?: bool, address?: string, out?: string, dsn?: string,
     *     plain?: bool, in?: string, folder?: string
     * } what is missing is as usual
     */
    #[ORM\Column(type: 'json')]
    private array $postSettings = [];

    #[ORM\Column(enumType: ClearingOrder::class)]
    private ClearingOrder $clearingOrder = ClearingOrder::Grouped;

    /** @param string $zone IANA name of the zone that the person lives in */
    public function __construct(
        #[ORM\Id, ORM\Column(type: 'account_id')]
        public readonly AccountId $id,
        #[ORM\Column]
        public readonly string $email,
        #[ORM\Column]
        private string $name,
        #[ORM\Column]
        private string $zone,
        #[ORM\Column(type: 'utc_datetime')]
        public readonly \DateTimeImmutable $createdAt,
    ) {
        $this->settle($name, $zone);
    }

    /** @throws Refused when the system does not know the zone */
    public function settle(string $name, string $zone): void
    {
        $this->name = $name;
        $this->zone = Moment::zone($zone)->getName();
    }

    public function name(): string
    {
        return $this->name;
    }

    public function choose(ClearingOrder $clearingOrder, TimeSettings $time, TaskSettings $tasks, TraySettings $tray): void
    {
        $this->clearingOrder = $clearingOrder;
        $this->dayFirst = $time->dayFirst;
        $state = $time->state();
        $this->timeSettings = ['weekStart' => $state['weekStart'], 'workingDays' => $state['workingDays'], 'marks' => $state['marks']];
        $this->taskSettings = $tasks->state();
        $this->traySettings = $tray->state();
    }

    public function timeSettings(): TimeSettings
    {
        return TimeSettings::fromState(['dayFirst' => $this->dayFirst] + $this->timeSettings + (new TimeSettings())->state());
    }

    public function taskSettings(): TaskSettings
    {
        return TaskSettings::fromState($this->taskSettings + (new TaskSettings())->state());
    }

    public function traySettings(): TraySettings
    {
        return TraySettings::fromState($this->traySettings + (new TraySettings())->state());
    }

    public function postSettings(): PostSettings
    {
        $state = $this->postSettings + (new PostSettings())->state();

        return new PostSettings($state['undoSeconds'], $state['signature'], $state['digest']);
    }

    public function mailWays(): MailWays
    {
        $state = $this->postSettings + MailWays::none()->state();

        return MailWays::fromState([
            'out' => $state['out'],
            'dsn' => $state['dsn'],
            'plain' => $state['plain'],
            'in' => $state['in'],
            'folder' => $state['folder'],
        ]);
    }

    /** Where this person reaches the program, without a slash at its end; for links in mail. */
    public function address(): string
    {
        return $this->postSettings['address'] ?? 'http://127.0.0.1:8017';
    }

    public function reachedAt(string $address): void
    {
        $this->postSettings['address'] = rtrim($address, '/');
    }

    public function write(PostSettings $post): void
    {
        $this->postSettings = $post->state() + $this->postSettings;
    }

    public function connect(MailWays $ways): void
    {
        $this->postSettings = $ways->state() + $this->postSettings;
    }

    /** Changes whenever the person chooses something else. */
    public function fingerprint(): string
    {
        return hash(
            'xxh32',
            json_encode(
                [
                    $this->id,
                    $this->name,
                    $this->zone,
                    $this->dayFirst,
                    $this->timeSettings,
                    $this->taskSettings,
                    $this->traySettings,
                    $this->postSettings,
                    $this->clearingOrder,
                ],
                \JSON_THROW_ON_ERROR,
            ),
        );
    }

    /** The person as somebody who writes time at that moment. */
    public function speaker(\DateTimeInterface $now): Speaker
    {
        return new Speaker(new Moment($now, $this->timeZone()), $this->timeSettings());
    }

    public function clearingOrder(): ClearingOrder
    {
        return $this->clearingOrder;
    }

    /** Without what only the program knows of them. */
    public function person(): Person
    {
        return new Person($this->email, $this->name, $this->timeSettings(), $this->timeZone());
    }

    /** The person as somebody whose mail comes in. */
    public function recipient(): Recipient
    {
        return new Recipient($this->id, $this->person(), $this->traySettings()->mailEndsSnooze);
    }

    public function setPassword(string $hash): void
    {
        $this->password = $hash;
    }

    /** Without a password nobody can sign in: such an account was made by an import on the command line. */
    public function hasPassword(): bool
    {
        return '' !== $this->password;
    }

    public function timeZone(): \DateTimeZone
    {
        return Moment::zone($this->zone);
    }

    public function getPassword(): ?string
    {
        return $this->hasPassword() ? $this->password : null;
    }

    public function getRoles(): array
    {
        return ['ROLE_USER'];
    }

    public function eraseCredentials(): void
    {
    }

    public function getUserIdentifier(): string
    {
        return '' === $this->email ? throw new \LogicException('An account has an address.') : $this->email;
    }
}
