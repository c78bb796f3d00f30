<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Account;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Agenda\AgendaSettings;
use ZippyTray\Core\MailIn\MailInSettings;
use ZippyTray\Core\Post\PostSettings;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\FirstReminder;
use ZippyTray\Core\Task\TaskSettings;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Time\Week;
use ZippyTray\Core\Tray\ClearingOrder;
use ZippyTray\Core\Tray\OldMail;
use ZippyTray\Core\Tray\Sessions;
use ZippyTray\Core\Tray\SnoozePresets;
use ZippyTray\Core\Tray\TraySettings;

/**
 * @phpstan-import-type OldRule from OldMail
 * @phpstan-import-type SessionsState from Sessions
 * @phpstan-import-type AgendaSettingsState from AgendaSettings
 * @phpstan-import-type MailInSettingsState from MailInSettings
 */
final readonly class Settings
{
    /**
     * @param bool                  $dayFirst    whether 4/12 is the fourth of December
     * @param list<int>             $workingDays 1 is Monday
     * @param array<string, string> $marks       times by the value of their mark
     * @param string                $zone        IANA name
     * @param list<string>          $snoozes     when phrases
     * @param string                $taskDue     a when phrase; empty: none
     * @param string|null           $name        of the person; null: as it is
     * @param list<OldRule>         $oldMail     see OldMail
     * @param SessionsState         $sessions    see Sessions
     * @param AgendaSettingsState   $agenda      see AgendaSettings
     * @param MailInSettingsState   $mailIn      see MailInSettings
     * @param list<string>|null     $addresses   that are theirs besides; null: as they are
     */
    public function __construct(
        public bool $dayFirst,
        public ClearingOrder $clearingOrder,
        public int $weekStart,
        #[Assert\All([new Assert\Type('int')])]
        public array $workingDays,
        #[Assert\All([new Assert\Type('string')])]
        public array $marks,
        public bool $completeSubtasks,
        public int $reminderPercent,
        public int $reminderDays,
        public string $zone,
        #[Assert\All([new Assert\Type('string'), new Assert\Length(max: 200)])]
        public array $snoozes,
        public bool $mailEndsSnooze,
        public int $undoSeconds,
        public string $signature,
        public bool $digest,
        public bool $nextAfterDeciding = true,
        #[Assert\Length(max: 200)]
        public string $taskDue = '',
        #[Assert\Length(max: 200)]
        public string $taskReminder = '',
        #[Assert\Length(max: 200, maxMessage: 'A name can have {{ limit }} characters at most.')]
        #[Assert\NotBlank(message: 'What is your name?', allowNull: true, normalizer: 'trim')]
        public ?string $name = null,
        #[Assert\All([new Assert\Type('string'), new Assert\Length(max: 320)])]
        public ?array $addresses = null,
        #[Assert\Count(max: 50), Assert\All([new Assert\Collection([
            'about' => new Assert\Type('string'),
            'what' => new Assert\Length(max: 100),
            'days' => new Assert\Type('int'),
        ])])]
        public array $oldMail = [],
        #[Assert\Collection([
            'on' => new Assert\Type('bool'),
            'hours' => [new Assert\Type('list'), new Assert\Count(max: 50), new Assert\All([new Assert\Type('string')])],
            'workingDaysOnly' => new Assert\Type('bool'),
        ])]
        public array $sessions = ['on' => false, 'hours' => Sessions::USUAL, 'workingDaysOnly' => false],
        #[Assert\Collection([
            'on' => new Assert\Type('bool'),
            'allowed' => [new Assert\Type('list'), new Assert\Count(max: 50), new Assert\All([new Assert\Type('string')])],
            'confirm' => new Assert\Choice(['always', 'trouble', 'never']),
        ])]
        public array $mailIn = ['on' => true, 'allowed' => [], 'confirm' => 'always'],
        #[Assert\Collection([
            'hours' => [new Assert\AtLeastOneOf([new Assert\IsNull(), new Assert\Sequentially([
                new Assert\Type('array'),
                new Assert\Count(max: 7),
                new Assert\All([new Assert\Collection(['from' => new Assert\Type('string'), 'to' => new Assert\Type('string')])]),
            ])])],
            'keptFree' => new Assert\Type('int'),
            'from' => new Assert\Type('string'),
            'to' => new Assert\Type('string'),
            'days' => new Assert\Type('int'),
        ])]
        public array $agenda = ['hours' => null, 'keptFree' => 30, 'from' => '07:00', 'to' => '19:00', 'days' => 7],
    ) {
    }

    /** @throws Refused */
    public function time(): TimeSettings
    {
        $days = array_values(array_unique($this->workingDays));
        sort($days);

        return new TimeSettings($this->dayFirst, new Week($this->weekStart, $days), $this->marks);
    }

    /** @throws Refused */
    public function tray(): TraySettings
    {
        return new TraySettings(
            new SnoozePresets($this->snoozes),
            $this->mailEndsSnooze,
            $this->nextAfterDeciding,
            new OldMail($this->oldMail),
            Sessions::fromState($this->sessions),
        );
    }

    /** @throws Refused */
    public function mailIn(): MailInSettings
    {
        return MailInSettings::fromState($this->mailIn);
    }

    /** @throws Refused */
    public function agenda(): AgendaSettings
    {
        return AgendaSettings::fromState($this->agenda);
    }

    /** @throws Refused */
    public function post(): PostSettings
    {
        return new PostSettings($this->undoSeconds, $this->signature, $this->digest);
    }

    /** @throws Refused */
    public function tasks(Speaker $speaker): TaskSettings
    {
        $tasks = new TaskSettings(
            $this->completeSubtasks,
            new FirstReminder($this->reminderPercent, $this->reminderDays),
            trim($this->taskDue),
            trim($this->taskReminder),
        );
        $tasks->check($speaker);

        return $tasks;
    }
}
