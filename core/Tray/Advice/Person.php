<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Time\TimeSettings;

/**
 * The person that mail is read for.
 */
final readonly class Person
{
    /**
     * @param string             $name as the person writes it; may be empty
     * @param TimeSettings       $time how this person speaks of time
     * @param \DateTimeZone|null $zone in which a moment is shown that was written in a zone of its own; null: as it was written
     */
    public function __construct(public string $email, public string $name = '', public TimeSettings $time = new TimeSettings(), public ?\DateTimeZone $zone = null)
    {
    }

    /**
     * Whether a name in the text means this person: any of the person's names, as they are known or
     * as the letter writes them.
     */
    public function isCalled(string $name, Letter $letter): bool
    {
        $names = [$this->name, explode('@', $this->email)[0]];
        foreach ([...$letter->to, ...$letter->cc] as $address) {
            if ($address->is($this->email)) {
                $names[] = $address->name;
            }
        }
        $known = preg_split('/[\s._,-]+/u', mb_strtolower(implode(' ', $names)), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        foreach (preg_split('/\s+/u', mb_strtolower($name)) ?: [] as $word) {
            if (\in_array($word, $known, true)) {
                return true;
            }
        }

        return false;
    }

    /** @param list<Address> $addresses */
    public function isAmong(array $addresses): bool
    {
        return [] !== array_filter($addresses, fn (Address $address): bool => $address->is($this->email));
    }
}
