<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

/**
 * Why a conversation matters as much as it does, in sentences: what the person did with the last ones from the same sender or of the
 * same list, then what else of it weighs most.
 */
final readonly class Reasons
{
    /** So many conversations from a sender or of a list are looked at. */
    public const LOOKED_AT = 12;

    private const MOST = 3;

    /** From so many conversations on it is said what was done with them. */
    private const ENOUGH = 3;

    /** In units of the logit: what weighs less is not said. */
    private const WEIGHTY = 0.5;

    /**
     * @param string      $name who writes, or which list
     * @param bool        $list whether it is a list
     * @param list<Shown> $done with the last conversations from there, the last one first; LOOKED_AT of them are enough
     *
     * @return list<string> the weightiest first; may be empty
     */
    public static function of(Importance $importance, Traits $traits, string $name, bool $list, array $done): array
    {
        $reasons = [];
        $habit = self::habit($name, $list, \array_slice($done, 0, self::LOOKED_AT));
        if ('' !== $habit) {
            $reasons[] = $habit;
        }
        foreach ($importance->because($traits) as $trait => $weight) {
            $sentence = match (true) {
                abs($weight) < self::WEIGHTY => '',
                0 !== $importance->said($trait) => $weight > 0 ? 'You said that this matters more.' : 'You said that this matters less.',
                default => self::sentence($trait, $weight > 0, '' === $habit, $importance->seen($trait) >= self::ENOUGH),
            };
            if ('' !== $sentence && !\in_array($sentence, $reasons, true)) {
                $reasons[] = $sentence;
            }
        }

        return \array_slice($reasons, 0, self::MOST);
    }

    /** @param list<Shown> $done */
    private static function habit(string $name, bool $list, array $done): string
    {
        if (\count($done) < self::ENOUGH) {
            return '';
        }
        [$most, $count] = [Shown::Read, 0];
        foreach (Shown::cases() as $shown) {
            $often = \count(array_filter($done, static fn (Shown $one): bool => $one === $shown));
            [$most, $count] = $often > $count ? [$shown, $often] : [$most, $count];
        }
        if (2 * $count <= \count($done)) {
            return '';
        }
        [$did, $how] = match ($most) {
            Shown::Answered => ['answered', ' within a day'],
            Shown::Acted => ['acted on', ''],
            Shown::PutOff => ['put off', ''],
            Shown::Read => ['archived', ' after a look'],
            Shown::Unread => ['archived', ' without a look'],
            Shown::Dropped => ['deleted', ''],
        };
        $which = $count === \count($done) ? 'the last '.$count : \sprintf('%d of the last %d', $count, \count($done));

        return \sprintf('You %s %s %s%s.', $did, $which, $list ? 'of this list' : 'from '.$name, $how);
    }

    /**
     * @param bool $isNew   whether it was not said yet what is done with mail from there
     * @param bool $isHabit whether enough is known of it to say what the person does
     */
    private static function sentence(string $trait, bool $more, bool $isNew, bool $isHabit): string
    {
        [$kind, $what] = explode(' ', $trait, 2) + ['', ''];

        return match ($kind) {
            'kind' => 'suspicious' === explode(' ', $what)[0]
                ? ($more ? '' : 'It looks suspicious.')
                : ($isHabit ? self::ofKind($what, $more) : ''),
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

    private static function ofKind(string $kind, bool $more): string
    {
        $plural = match (explode(' ', $kind)[0]) {
            'personal' => 'personal letters',
            'discussion' => 'discussions',
            'newsletter' => 'newsletters',
            'advert' => 'adverts',
            'notice' => 'notices',
            'invitation', 'invitation_news' => 'invitations',
            'auto_reply' => 'automatic answers',
            'bounce', 'delay' => 'reports of delivery',
            default => '',
        };

        return '' === $plural ? '' : \sprintf($more ? 'You act on %s.' : 'You seldom act on %s.', $plural);
    }
}
