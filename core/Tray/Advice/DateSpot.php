<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Time\Day\Day;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Words\Token;
use ZippyTray\Core\Time\Words\Tokens;

/**
 * Where in a sentence a day, a time or both stand.
 */
final readonly class DateSpot
{
    /**
     * @param int  $first index of its first token
     * @param int  $next  index of the token behind it
     * @param bool $isDay a certain day is named, and not only a time, a number or a stretch of time
     */
    public function __construct(
        public Tokens $tokens,
        public int $first,
        public int $next,
        public Day $day,
        public ?TimeOfDay $time,
        public bool $isDay,
    ) {
    }

    /** Whether a clock says the time, and not only a part of the day. */
    public function isExact(): bool
    {
        $words = array_map(static fn (Token $token): string => $token->lower, \array_slice($this->tokens->all, $this->first, $this->next - $this->first));

        return null !== $this->time && ([] === array_intersect($words, ['morning', 'afternoon', 'evening', 'tonight', 'thing', 'lunch']) || 1 === preg_match('/\d/', implode(' ', $words)));
    }

    /** Its first character within the sentence. */
    public function from(): int
    {
        return $this->tokens->at($this->first)->from ?? 0;
    }

    /** The character behind its last one. */
    public function to(): int
    {
        return $this->tokens->at($this->next - 1)->to ?? 0;
    }
}
