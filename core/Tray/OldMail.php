<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Tray\Advice\MailKind;

/**
 * After how many days what nobody decided is archived by itself, for each kind of mail or label.
 *
 * @phpstan-type OldRule array{about: string, what: string, days: int}
 */
final readonly class OldMail
{
    public const KIND = 'kind';

    public const LABEL = 'label';

    public const MOST = 20;

    public const LONGEST = 365;

    /** Whose mail asks for somebody, however old it is. */
    private const NEVER = [MailKind::Personal, MailKind::Invitation, MailKind::Bounce];

    /**
     * @param list<OldRule> $rules about: kind or label; what: its value, or the name of the label
     *
     * @throws Refused when one makes no sense
     */
    public function __construct(public array $rules = [])
    {
        if (\count($rules) > self::MOST) {
            throw new Refused(\sprintf('There can be %d of these at most.', self::MOST), 'oldMail');
        }
        $seen = [];
        foreach ($rules as ['about' => $about, 'what' => $what, 'days' => $days]) {
            $kind = self::KIND === $about ? MailKind::tryFrom($what) : null;
            $wrong = match (true) {
                !\in_array($about, [self::KIND, self::LABEL], true) || '' === trim($what) => 'Which mail?',
                self::KIND === $about && null === $kind => 'Which kind of mail?',
                \in_array($kind, self::NEVER, true) => \sprintf('%s do not go by themselves.', ucfirst($kind->plural())),
                $days < 1 || $days > self::LONGEST => \sprintf('After how many days? From 1 to %d.', self::LONGEST),
                isset($seen[$about.' '.mb_strtolower($what)]) => \sprintf('"%s" is there twice.', $what),
                default => '',
            };
            if ('' !== $wrong) {
                throw new Refused($wrong, 'oldMail');
            }
            $seen[$about.' '.mb_strtolower($what)] = true;
        }
    }

    /** @return int|null days after which the first of any mail may go; null when none does */
    public function soonest(): ?int
    {
        return [] === $this->rules ? null : min(array_column($this->rules, 'days'));
    }

    /**
     * @param MailKind     $kind   of what is undecided in a conversation
     * @param list<string> $labels names that it bears
     * @param int          $age    in days, since the newest message came
     */
    public function goes(MailKind $kind, array $labels, int $age): bool
    {
        $labels = array_map(mb_strtolower(...), $labels);
        foreach ($this->rules as ['about' => $about, 'what' => $what, 'days' => $days]) {
            $means = self::KIND === $about ? $kind->value === $what : \in_array(mb_strtolower($what), $labels, true);
            if ($means && $age >= $days) {
                return true;
            }
        }

        return false;
    }
}
