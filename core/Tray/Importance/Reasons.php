<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use ZippyTray\Core\Tray\Advice\Habit;
use ZippyTray\Core\Tray\Advice\MailKind;

/**
 * Why a conversation matters as much as it does, in sentences: what the person did with the last ones from the same sender or of the
 * same list, then what else of it weighs most.
 */
final readonly class Reasons
{
    private const MOST = 3;

    /** From so many lessons on it is said what the person does. */
    private const ENOUGH = 3;

    /** In units of the logit: what weighs less is not said. */
    private const WEIGHTY = 0.5;

    /** @return list<string> what they said themselves, then what speaks for what is believed, what they did first; may be empty */
    public static function of(Importance $importance, Traits $traits, Habit $habit): array
    {
        $matters = $importance->of($traits) > 0.5;
        [$words, $for, $against] = [[], [], []];
        if ('' !== $habit->text) {
            $habit->matters === $matters ? $for[] = $habit->text : $against[] = $habit->text;
        }
        foreach ($importance->because($traits) as $trait => $weight) {
            $said = $importance->said($trait);
            if (0 !== $said) {
                $words[] = $said > 0 ? 'You said that this matters more.' : 'You said that this matters less.';
                continue;
            }
            $sentence = abs($weight) < self::WEIGHTY
                ? ''
                : self::sentence($trait, $weight > 0, '' === $habit->text, $importance->seen($trait) >= self::ENOUGH);
            if ('' !== $sentence) {
                $weight > 0 === $matters ? $for[] = $sentence : $against[] = $sentence;
            }
        }

        return \array_slice(array_values(array_unique([...$words, ...$for, ...$against])), 0, self::MOST);
    }

    /**
     * @param bool $isNew   whether it was not said yet what is done with mail from there
     * @param bool $isHabit whether enough is known of it to say what the person does
     */
    private static function sentence(string $trait, bool $more, bool $isNew, bool $isHabit): string
    {
        [$kind, $what] = explode(' ', $trait, 2) + ['', ''];

        return match ($kind) {
            'kind' => self::ofKind(MailKind::tryFrom(explode(' ', $what)[0]), $more, $isHabit),
            'from', 'list', 'domain', 'word' => $isHabit ? self::habitual($kind, $what, $more, $isNew) : '',
            'asks' => $more ? 'It asks you for something.' : '',
            'may' => $more ? 'It may ask you for something.' : '',
            'tells' => $more ? '' : 'It asks for nothing.',
            'alone' => $more ? 'It is written to you alone.' : '',
            'among' => $more ? '' : 'It is written to others, too.',
            'copied' => $more ? '' : 'You are only copied.',
            'known' => $more ? 'You have written to them before.' : '',
            'dated' => $more ? 'It names a date.' : '',
            'attached' => $more ? 'Something is attached.' : '',
            default => '',
        };
    }

    private static function habitual(string $kind, string $what, bool $more, bool $isNew): string
    {
        return match ($kind) {
            // Of a sender who asks, a list that tells: said by what is done with mail from there.
            'from', 'list' => match (true) {
                !$isNew => '',
                $more => 'What comes from there matters to you.',
                default => 'What comes from there seldom matters to you.',
            },
            'domain' => \sprintf($more ? 'Mail from %s matters to you.' : 'Mail from %s seldom matters to you.', $what),
            'word' => \sprintf($more ? 'You act on what is about "%s".' : 'You seldom act on what is about "%s".', $what),
            default => '',
        };
    }

    private static function ofKind(?MailKind $kind, bool $more, bool $isHabit): string
    {
        return match (true) {
            null === $kind => '',
            MailKind::Suspicious === $kind => $more ? '' : 'It looks suspicious.',
            $isHabit => \sprintf($more ? 'You act on %s.' : 'You seldom act on %s.', $kind->plural()),
            $more => '',
            MailKind::Advert === $kind => 'It wants to sell something.',
            MailKind::Newsletter === $kind => 'It went out to many people.',
            MailKind::AutoReply === $kind => 'It is an automatic answer.',
            default => '',
        };
    }
}
