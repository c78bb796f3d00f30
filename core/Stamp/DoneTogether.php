<?php

declare(strict_types=1);

namespace ZippyTray\Core\Stamp;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Change;
use ZippyTray\Core\Journal\Entries;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Label\Borne;
use ZippyTray\Core\Label\Labels;
use ZippyTray\Core\Lists\Card;
use ZippyTray\Core\Lists\Cards;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;

/**
 * What was done with the same mail shortly before, and is still in effect: together it is what somebody "just did".
 */
final readonly class DoneTogether
{
    /** Seconds: what lies further back was another matter. */
    private const SHORTLY = 600;

    public function __construct(private Entries $entries, private Labels $labels, private Cards $cards)
    {
    }

    /**
     * @return list<Entry> in the order in which it was done, that entry last
     *
     * @throws NotFound when there is no such entry
     */
    public function __invoke(AccountId $accountId, EntryId $entryId): array
    {
        $entry = $this->entries->find($accountId, $entryId) ?? throw new NotFound('journal entry', $entryId->text);
        $conversation = self::conversation($entry);
        if (null === $conversation) {
            return [$entry];
        }
        $about = [
            new ObjectRef(ObjectKind::Conversation, $conversation->text),
            ...array_map(static fn (Card $card): ObjectRef => $card->ref(), $this->cards->ofConversation($accountId, $conversation)),
            ...array_map(static fn (Borne $borne): ObjectRef => $borne->ref(), $this->labels->borneBy($accountId, $conversation)),
        ];
        $together = [];
        foreach ($this->entries->laterAbout($accountId, $about, 0) as $one) {
            $isShortly = $entry->at->getTimestamp() - $one->at->getTimestamp() <= self::SHORTLY;
            if ($one->number <= $entry->number && $isShortly && null === $one->undoneBy() && null === $one->undoes) {
                $together[$one->number] = $one;
            }
        }
        $together[$entry->number] = $entry;
        ksort($together);

        return array_values($together);
    }

    /** The first conversation that an entry is about, or whose label or list it changed. */
    public static function conversation(Entry $entry): ?ConversationId
    {
        foreach ($entry->changes() as $change) {
            $id = self::conversationOf($change);
            if ('' !== $id) {
                return new ConversationId($id);
            }
        }

        return null;
    }

    private static function conversationOf(Change $change): string
    {
        $borne = ($change->after ?? $change->before ?? [])['conversation'] ?? '';

        return match ($change->object->kind) {
            ObjectKind::Conversation => $change->object->id,
            ObjectKind::Borne, ObjectKind::Card => \is_string($borne) ? $borne : '',
            default => '',
        };
    }
}
