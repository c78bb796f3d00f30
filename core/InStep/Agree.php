<?php

declare(strict_types=1);

namespace ZippyTray\Core\InStep;

/**
 * What has to happen where, after a conversation or its mail on the server has changed, or both. docs/mailbox.md holds the table of all
 * cases.
 *
 * What was decided here since both agreed goes before what was moved there: nobody can tell which was later, and here it was
 * said of the whole conversation. Otherwise what was moved there is followed, once none of the conversation's mail is left where it was.
 */
final readonly class Agree
{
    /**
     * @param list<Copy>      $copies  all that the mailboxes hold of the conversation
     * @param FolderRole|null $decided where it belonged before time alone brought it back; null: it did not
     */
    public static function on(FolderRole $belongs, array $copies, ?FolderRole $decided = null): Agreement
    {
        $mail = array_values(array_filter($copies, static fn (Copy $copy): bool => $copy->now->follows()));
        $follow = null === $decided || !self::agreed($decided, $mail) ? null : self::follow($decided, $mail);
        if (null !== $follow && $follow !== $belongs && $follow !== $decided) {
            return new Agreement($follow);
        }
        if (self::agreed($belongs, $mail)) {
            $follow = self::follow($belongs, $mail);
            if (null !== $follow && $follow !== $belongs) {
                return new Agreement($follow);
            }

            // What was put away by itself while the rest was in the inbox is archived with the rest.
            $isLeftOver = static fn (Copy $copy): bool => FolderRole::Archive === $belongs && FolderRole::Away === $copy->now;

            return new Agreement(moves: self::moves(
                $belongs,
                $mail,
                static fn (Copy $copy): bool => $copy->isNew() || $isLeftOver($copy),
            ));
        }
        $there = array_filter($mail, static fn (Copy $copy): bool => !$copy->isGone());

        return new Agreement(
            moves: self::moves($belongs, $mail, static fn (): bool => true),
            putBack: FolderRole::Inbox === $belongs && [] === $there,
        );
    }

    /** @param list<Copy> $mail */
    private static function agreed(FolderRole $belongs, array $mail): bool
    {
        foreach ($mail as $copy) {
            if (!$copy->isNew() && $copy->agreed !== $belongs) {
                return false;
            }
        }

        return true;
    }

    /** @param list<Copy> $mail */
    private static function follow(FolderRole $belongs, array $mail): ?FolderRole
    {
        $moved = array_values(array_filter($mail, static fn (Copy $copy): bool => $copy->hasMoved()));
        if ([] === $moved) {
            return null;
        }
        foreach ($moved as $copy) {
            if (FolderRole::Inbox === $copy->now) {
                return FolderRole::Inbox;
            }
        }
        foreach (FolderRole::Inbox === $belongs ? [] : $moved as $copy) {
            if (FolderRole::Away === $copy->now) {
                return FolderRole::Away;
            }
        }

        return match ($belongs) {
            FolderRole::Inbox => self::where($moved, $mail, [FolderRole::Inbox], [FolderRole::Inbox]),
            FolderRole::Away => self::where($moved, $mail, [FolderRole::Inbox, FolderRole::Away], [FolderRole::Inbox, FolderRole::Away]),
            // It stays in the archive as long as some of it does.
            FolderRole::Archive => FolderRole::Bin === self::where($moved, $mail, null, [
                FolderRole::Inbox, FolderRole::Away, FolderRole::Archive, FolderRole::Other,
            ]) ? FolderRole::Bin : null,
            // What was emptied there is still here.
            FolderRole::Bin, FolderRole::Spam => self::out($belongs, $moved),
            default => null,
        };
    }

    /**
     * @param non-empty-list<Copy>  $moved
     * @param list<Copy>            $mail
     * @param list<FolderRole>|null $from  what lay there counts as moved away; null: wherever it lay
     * @param list<FolderRole>      $home  as long as some of it lies there, the conversation stays
     */
    private static function where(array $moved, array $mail, ?array $from, array $home): ?FolderRole
    {
        foreach ($mail as $copy) {
            if (\in_array($copy->now, $home, true)) {
                return null;
            }
        }
        $left = array_filter($moved, static fn (Copy $copy): bool => null === $from || \in_array($copy->settled, $from, true));
        $newest = self::newest($left);

        return $newest?->now->decides();
    }

    /** @param non-empty-list<Copy> $moved */
    private static function out(FolderRole $of, array $moved): ?FolderRole
    {
        $out = array_filter($moved, static fn (Copy $copy): bool => $copy->settled?->decides() !== $copy->now->decides());
        $to = self::newest(array_filter($out, static fn (Copy $copy): bool => !$copy->isGone()))?->now->decides();

        return FolderRole::Bin === $to && FolderRole::Bin === $of ? null : $to;
    }

    /**
     * @param list<Copy>           $mail
     * @param callable(Copy): bool $which
     *
     * @return array<string, FolderRole>
     */
    private static function moves(FolderRole $belongs, array $mail, callable $which): array
    {
        $goals = [];
        foreach ($mail as $copy) {
            $goals[$copy->id] = $which($copy) ? self::goal($belongs, $copy) : $copy->now;
        }
        if (FolderRole::Inbox === $belongs && !\in_array(FolderRole::Inbox, $goals, true)) {
            $kept = array_filter($mail, static fn (Copy $copy): bool => $which($copy) && !$copy->isNew() && $goals[$copy->id]->isKept());
            foreach (self::comeBack(array_values($kept)) as $copy) {
                $goals[$copy->id] = FolderRole::Inbox;
            }
        }
        $moves = [];
        foreach ($mail as $copy) {
            if ($goals[$copy->id] !== $copy->now) {
                $moves[$copy->id] = $goals[$copy->id];
            }
        }

        return $moves;
    }

    /** Where a copy goes by itself, whatever the others do. */
    private static function goal(FolderRole $belongs, Copy $copy): FolderRole
    {
        $now = $copy->now;
        $wasKept = null !== $copy->from && $copy->from->isKept() ? $copy->from : null;

        return match ($belongs) {
            FolderRole::Inbox => match ($now) {
                FolderRole::Away, FolderRole::Bin, FolderRole::Spam => $copy->isNew() ? $now : $wasKept ?? FolderRole::Inbox,
                default => $now,
            },
            FolderRole::Archive, FolderRole::Away => match ($now) {
                FolderRole::Inbox => $belongs,
                FolderRole::Bin, FolderRole::Spam => $copy->isNew() ? $now : $wasKept ?? $belongs,
                FolderRole::Away => $copy->isNew() ? $now : $belongs,
                default => $now,
            },
            FolderRole::Bin => match ($now) {
                FolderRole::Spam, FolderRole::Gone => $now,
                default => $copy->isNew() && FolderRole::Inbox !== $now ? $now : FolderRole::Bin,
            },
            FolderRole::Spam => match ($now) {
                FolderRole::Inbox => FolderRole::Spam,
                FolderRole::Away, FolderRole::Archive => $copy->isNew() ? $now : FolderRole::Spam,
                default => $now,
            },
            default => $now,
        };
    }

    /**
     * @param list<Copy> $kept
     *
     * @return list<Copy> what left the inbox last, or else the newest that was received
     */
    private static function comeBack(array $kept): array
    {
        $last = max([0, ...array_map(static fn (Copy $copy): int => $copy->left, $kept)]);
        if ($last > 0) {
            return array_values(array_filter($kept, static fn (Copy $copy): bool => $copy->left === $last));
        }
        $newest = self::newest(array_filter($kept, static fn (Copy $copy): bool => !$copy->own)) ?? self::newest($kept);

        return null === $newest ? [] : [$newest];
    }

    /** @param array<Copy> $copies */
    private static function newest(array $copies): ?Copy
    {
        usort($copies, static fn (Copy $a, Copy $b): int => [$a->age, $a->id] <=> [$b->age, $b->id]);

        return $copies[0] ?? null;
    }
}
