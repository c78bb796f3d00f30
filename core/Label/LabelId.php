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
     * calls by its name is found; it stays when the label is called otherwise.
     *
     * @param int $nth the first of that name, or the second one after the first was renamed or deleted …
     */
    public static function of(AccountId $accountId, string $name, int $nth = 1): self
    {
        return new self(self::hashed($accountId->text, LabelName::folded($name), (string) $nth));
    }
}
