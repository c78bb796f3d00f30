<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Label\Borne;
use ZippyTray\Core\Label\Label;
use ZippyTray\Core\Label\LabelId;
use ZippyTray\Core\Label\LabelName;
use ZippyTray\Core\Label\Labels;
use ZippyTray\Core\Label\NameLabels;
use ZippyTray\Core\Label\ShownLabels;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;

/**
 * Puts labels on conversations and takes them off.
 */
final readonly class PutLabels
{
    public function __construct(
        private Conversations $conversations,
        private Labels $labels,
        private NameLabels $name,
        private Journal $journal,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /**
     * @param EntryId              $entryId         made by the client; the same id again changes nothing
     * @param list<ConversationId> $conversationIds
     * @param list<string>         $on              names; a label that there is not yet is made
     * @param list<string>         $off             names
     *
     * @throws NotFound when a conversation is not there; then nothing is done
     * @throws Refused  when a name cannot be; then nothing is done
     */
    public function __invoke(AccountId $accountId, EntryId $entryId, array $conversationIds, array $on, array $off): Entry
    {
        [$on, $off] = [LabelName::each($on), LabelName::each($off)];
        if ([] === [...$on, ...$off] || [] === $conversationIds) {
            throw new Refused('Which label?', 'on');
        }

        return $this->journal->write($accountId, $entryId, EntryKind::Label, function (Step $step) use (
            $accountId,
            $conversationIds,
            $on,
            $off,
        ): void {
            $wanted = ($this->name)($accountId, $on, $step);
            $all = $this->labels->all($accountId);
            foreach ($conversationIds as $id) {
                $conversation = $this->conversations->get($accountId, $id);
                $this->change($conversation, $wanted, $off, $all, $step);
                $step->say($conversation->subject());
            }
            $step->say('', implode(', ', [
                ...array_map(static fn (string $name): string => 'label '.$name, $on),
                ...array_map(static fn (string $name): string => 'without label '.$name, $off),
            ]));
        });
    }

    /**
     * The same within another step.
     *
     * @param list<string> $on  names
     * @param list<string> $off names
     *
     * @throws Refused when a name cannot be, or it would bear too many
     */
    public function put(Conversation $conversation, array $on, array $off, Step $step): void
    {
        $wanted = ($this->name)($conversation->accountId, $on, $step);
        $this->change($conversation, $wanted, $off, $this->labels->all($conversation->accountId), $step);
    }

    /**
     * @param list<LabelId> $wanted
     * @param list<string>  $off    names
     *
     * @throws Refused when it would bear too many
     */
    private function change(Conversation $conversation, array $wanted, array $off, ShownLabels $all, Step $step): void
    {
        $accountId = $conversation->accountId;
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $unwanted = array_map(static fn (string $name): ?LabelId => $all->named($name)?->id, $off);
        $borne = [];
        foreach ($this->labels->borneBy($accountId, $conversation->id) as $one) {
            $shown = $all->of($one->labelId()->text);
            if (null === $shown) {
                continue;
            }
            if (self::isAmong($shown, $unwanted)) {
                $step->removed($one);
                $this->labels->takeOff($one);
            } else {
                $borne[$shown->id->text] = $one;
            }
        }
        foreach ($wanted as $id) {
            $there = $borne[$id->text] ?? null;
            if (null !== $there) {
                if ($conversation->isDealtSince($there->since())) {
                    $step->touch($there);
                    $there->renew($now);
                }
                continue;
            }
            $borne[$id->text] = new Borne($this->ids->next(), $accountId, $conversation->id, $id, $now);
            $this->labels->put($borne[$id->text]);
            $step->made($borne[$id->text]);
        }
        if (\count($borne) > LabelName::MOST) {
            throw new Refused(\sprintf('There can be %d labels on one thing at most.', LabelName::MOST), 'labels');
        }
    }

    /** @param list<LabelId|null> $among */
    private static function isAmong(Label $label, array $among): bool
    {
        return [] !== array_filter($among, static fn (?LabelId $id): bool => true === $id?->is($label->id));
    }
}
