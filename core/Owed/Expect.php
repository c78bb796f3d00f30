<?php

declare(strict_types=1);

namespace ZippyTray\Core\Owed;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Expectations;

/**
 * Somebody owes an answer from now on. What the same person owes in the same conversation already is asked for anew.
 */
final readonly class Expect implements Expectations
{
    public function __construct(private Owing $owing, private Ids $ids)
    {
    }

    /** For the parameters see Owed. */
    public function of(
        AccountId $accountId,
        Address $person,
        string $what,
        Moment $until,
        ?ConversationId $conversationId,
        ?TaskId $taskId,
        ?OutgoingId $outgoingId,
        Step $step,
        \DateTimeImmutable $now,
    ): void {
        foreach (null === $conversationId ? [] : $this->owing->openIn($accountId, $conversationId) as $before) {
            if ($before->isOwedBy($person)) {
                $step->touch($before);
                $before->settle(OwedState::Dropped, $now);
            }
        }
        $owed = new Owed($this->ids->next(), $accountId, $person, $what, $until, $conversationId, $taskId, $outgoingId, $now);
        $this->owing->add($owed);
        $step->made($owed);
    }

    public function expect(Conversation $in, Address $person, string $what, Moment $until, Step $step, \DateTimeImmutable $now): void
    {
        $this->of($in->accountId, $person, $what, $until, $in->id, null, null, $step, $now);
    }

    public function giveTime(Conversation $in, Moment $until, Step $step): void
    {
        foreach ($this->owing->openIn($in->accountId, $in->id) as $owed) {
            $step->touch($owed);
            $owed->moveTo($until);
        }
    }
}
