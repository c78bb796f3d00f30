<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\ReadingKind;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Unreadable;

/**
 * The when phrases that a person has at hand for putting something off, in an order of their own.
 */
final readonly class SnoozePresets
{
    public const USUAL = ['in 3 hours', 'this evening', 'tomorrow morning', 'monday morning', 'first of next month'];

    /** Each has a digit of its own. */
    public const MOST = 7;

    /** A phrase with one of these words means today, or is of no use any more. */
    private const TODAY = '/\b(?:today|tonight|this (?:morning|afternoon|evening))\b/i';

    /** @var list<string> */
    public array $phrases;

    /**
     * @param list<string> $phrases
     *
     * @throws Refused when there are too many
     */
    public function __construct(array $phrases = self::USUAL)
    {
        $phrases = array_map(static fn (string $phrase): string => trim((string) preg_replace('/\s+/u', ' ', $phrase)), $phrases);
        $this->phrases = array_values(array_unique(array_filter($phrases, static fn (string $phrase): bool => '' !== $phrase)));
        if (\count($this->phrases) > self::MOST) {
            throw new Refused(\sprintf('At most %d: each has a digit of its own.', self::MOST), 'snoozes');
        }
    }

    /**
     * @throws Refused when one of them says no single day or moment
     */
    public function check(Speaker $speaker): void
    {
        foreach ($this->phrases as $phrase) {
            try {
                $isRepeat = ReadingKind::Repeat === $speaker->read($phrase)->kind;
            } catch (Unreadable $problem) {
                throw new Refused(\sprintf('"%s": %s', $phrase, $problem->getMessage()), 'snoozes');
            }
            if ($isRepeat) {
                throw new Refused(\sprintf('"%s" is a repeat. Write one day or moment.', $phrase), 'snoozes');
            }
        }
    }

    /**
     * What they mean now. Left out is what is over, or means today and leads to another day.
     *
     * @return array<string, Moment> by phrase, in the person's order
     */
    public function moments(Speaker $speaker): array
    {
        $moments = [];
        foreach ($this->phrases as $phrase) {
            try {
                $moment = $speaker->moment($phrase, 'snoozes');
            } catch (Refused) {
                continue;
            }
            $isMissed = 1 === preg_match(self::TODAY, $phrase) && !$moment->date()->equals($speaker->now->date());
            if ($moment->isAfter($speaker->now->instant) && !$isMissed) {
                $moments[$phrase] = $moment;
            }
        }

        return $moments;
    }
}
