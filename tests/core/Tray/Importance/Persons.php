<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Importance;

use ZippyTray\Core\Tray\Advice\MailKind;
use ZippyTray\Core\Tray\Importance\Shown;

/**
 * People with habits of their own: what each does with a letter, when they do as they always do.
 */
final class Persons
{
    /** @return array<string, \Closure(SimulatedLetter, int): Shown> by name; the number is that of the letter */
    public static function all(): array
    {
        $number = static fn (string $text): int => (int) preg_replace('/\D+/', '', $text);
        $who = static fn (SimulatedLetter $letter): int => $number(explode('@', $letter->email)[0]);
        $isPerson = static fn (SimulatedLetter $letter): bool => \in_array($letter->kind, [MailKind::Personal, MailKind::Discussion], true);
        $customers = static fn (SimulatedLetter $letter, int $change = 0): Shown => match (true) {
            MailKind::Personal === $letter->kind && ($number($letter->domain) + $change) % 13 < 4 => Shown::Answered,
            MailKind::Personal === $letter->kind => $letter->asks ? Shown::Acted : Shown::Read,
            MailKind::Newsletter === $letter->kind && ($number($letter->list) + $change) % 12 < 3 => Shown::PutOff,
            MailKind::Notice === $letter->kind => Shown::Unread,
            MailKind::Discussion === $letter->kind => Shown::Read,
            default => Shown::Dropped,
        };

        return [
            'answers the customers' => static fn (SimulatedLetter $letter, int $at): Shown => $customers($letter),
            'only what is to them alone' => static fn (SimulatedLetter $letter, int $at): Shown => match (true) {
                $letter->alone && $isPerson($letter) => Shown::Acted,
                $isPerson($letter) => Shown::Unread,
                default => Shown::Dropped,
            },
            'two subjects, whoever writes' => static fn (SimulatedLetter $letter, int $at): Shown => match (true) {
                \in_array($letter->topic, ['grant', 'roof'], true) => Shown::Acted,
                $isPerson($letter) => Shown::Read,
                default => Shown::Dropped,
            },
            'only what is asked' => static fn (SimulatedLetter $letter, int $at): Shown => match (true) {
                $letter->asks => Shown::Acted,
                $isPerson($letter) => Shown::Read,
                default => Shown::Unread,
            },
            'some always, some when they ask' => static fn (SimulatedLetter $letter, int $at): Shown => match (true) {
                MailKind::Personal === $letter->kind && 0 === $who($letter) % 3 => Shown::Answered,
                MailKind::Personal === $letter->kind && 1 === $who($letter) % 3 => $letter->asks ? Shown::Acted : Shown::Read,
                MailKind::Notice === $letter->kind && $number($letter->domain) < 3 => Shown::Acted,
                MailKind::Personal === $letter->kind => Shown::Unread,
                default => Shown::Dropped,
            },
            'reads newsletters, and hardly anything else' => static fn (SimulatedLetter $letter, int $at): Shown => match (true) {
                MailKind::Newsletter === $letter->kind => 0 === $number($letter->list) % 2 ? Shown::PutOff : Shown::Read,
                MailKind::Personal === $letter->kind && $who($letter) < 8 => Shown::Answered,
                $isPerson($letter) => Shown::Unread,
                default => Shown::Dropped,
            },
            'by dates' => static fn (SimulatedLetter $letter, int $at): Shown => match (true) {
                $letter->dated && !$letter->kind->isBulk() => Shown::Acted,
                $isPerson($letter) => Shown::Read,
                default => Shown::Unread,
            },
            'other customers after a thousand' => static fn (SimulatedLetter $letter, int $at): Shown => $customers(
                $letter,
                $at < 1000 ? 0 : 6,
            ),
        ];
    }
}
