<?php

declare(strict_types=1);

namespace ZippyTray\Core\Label;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Id;

/**
 * Which label.
 */
final readonly class LabelId extends Id
{
    /**
     * The id that a label is given when it is made under that name. It comes of the name, so that what an older entry of the journal
     * calls by its name is found; it stays when the label is called otherwise. A UUID of version 8 (RFC 9562, 5.8).
     *
     * @param int $nth the first of that name, or the second one after the first was renamed or deleted …
     */
    public static function of(AccountId $accountId, string $name, int $nth = 1): self
    {
        $hash = hash('sha256', implode("\n", [$accountId->text, LabelName::folded($name), $nth]));
        $hash[12] = '8';
        $hash[16] = '89ab'[(int) hexdec($hash[16]) & 3];

        return new self(implode('-', [
            substr($hash, 0, 8),
            substr($hash, 8, 4),
            substr($hash, 12, 4),
            substr($hash, 16, 4),
            substr($hash, 20, 12),
        ]));
    }
}
