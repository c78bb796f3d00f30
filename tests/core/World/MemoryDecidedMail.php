<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Tray\Advice\Adviser;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\ReadMessage;
use ZippyTray\Core\Tray\Importance\DecidedLetter;
use ZippyTray\Core\Tray\Importance\DecidedMail;
use ZippyTray\Core\Tray\Importance\NotReadYet;

final class MemoryDecidedMail implements DecidedMail
{
    public bool $isRead = true;

    /** How often it was asked for. */
    public int $asked = 0;

    public function __construct(private readonly Memory $memory)
    {
    }

    public function of(AccountId $accountId, array $conversations, \DateTimeImmutable $at): array
    {
        ++$this->asked;
        $this->isRead || throw new NotReadYet();
        [$letters, $today] = [[], LocalDate::of($at, World::zone())];
        foreach (array_keys($conversations) as $id) {
            $messages = array_values(array_filter(
                array_map(
                    fn (int|string $one): Message => $this->memory->messages[$one],
                    array_keys($this->memory->conversationOf, (string) $id, true),
                ),
                static fn (Message $message): bool => !$message->own,
            ));
            if ([] !== $messages) {
                $findings = array_map(
                    static fn (Message $one) => (new ReadMessage())(Gist::ofMessage($one, []), World::recipient()->person),
                    $messages,
                );
                $letters[(string) $id] = new DecidedLetter(
                    Adviser::main($findings, $today),
                    $messages[\count($messages) - 1]->sentAt->instant,
                    false,
                    (new Adviser())->byRules($findings, $today),
                );
            }
        }

        return $letters;
    }
}
