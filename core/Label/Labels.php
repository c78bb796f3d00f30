<?php

declare(strict_types=1);

namespace ZippyTray\Core\Label;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;

/**
 * Where labels are kept, and which of them conversations bear. Every call is bound to one account.
 */
interface Labels
{
    public function all(AccountId $accountId): ShownLabels;

    /** @throws NotFound when there is none, or it was deleted or merged into another */
    public function get(AccountId $accountId, LabelId $id): Label;

    public function add(Label $label): void;

    /** @return list<Borne> */
    public function borneBy(AccountId $accountId, ConversationId $conversationId): array;

    public function put(Borne $borne): void;

    public function takeOff(Borne $borne): void;

    /** What the one conversation bears the other bears from now on: they turned out to be one. */
    public function move(AccountId $accountId, ConversationId $from, ConversationId $to): void;
}
