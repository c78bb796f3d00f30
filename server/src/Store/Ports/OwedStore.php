<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Owed\Owed;
use ZippyTray\Core\Owed\Owing;

final readonly class OwedStore implements Owing
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, string $id): Owed
    {
        return $this->orm->getRepository(Owed::class)->findOneBy(['accountId' => $accountId, 'id' => $id])
            ?? throw new NotFound('answer', $id);
    }

    public function add(Owed $owed): void
    {
        $this->orm->persist($owed);
    }

    public function openIn(AccountId $accountId, ConversationId $conversationId): array
    {
        return $this->open($accountId, 'conversationId', $conversationId->text);
    }

    public function openOf(AccountId $accountId, OutgoingId $outgoingId): array
    {
        return $this->open($accountId, 'outgoingId', $outgoingId->text);
    }

    public function move(AccountId $accountId, ConversationId $fromConversation, ConversationId $toConversation): void
    {
        foreach ($this->orm->getRepository(Owed::class)->findBy([
            'accountId' => $accountId,
            'conversationId' => $fromConversation,
        ]) as $owed) {
            $owed->belongsTo($toConversation);
        }
    }

    /**
     * What has been changed and is not written yet counts as it is now.
     *
     * @param 'conversationId'|'outgoingId' $field
     *
     * @return list<Owed> the one asked first first
     */
    private function open(AccountId $accountId, string $field, string $value): array
    {
        $work = $this->orm->getUnitOfWork();
        $known = array_filter(
            [...$work->getScheduledEntityInsertions(), ...($work->getIdentityMap()[Owed::class] ?? [])],
            static fn (object $one): bool => $one instanceof Owed && !$work->isScheduledForDelete($one),
        );
        // Asked with each arrival, and there is hardly ever any.
        $ids = $this->orm->getConnection()->fetchFirstColumn(
            "SELECT id FROM owed WHERE state = 'open' AND ".('conversationId' === $field ? 'conversation_id' : 'outgoing_id').' = ?',
            [$value],
        );
        $stored = [] === $ids ? [] : $this->orm->getRepository(Owed::class)->findBy(['id' => $ids]);
        $open = [];
        foreach ([...$known, ...$stored] as $owed) {
            if ($owed->accountId->is($accountId)
                && $owed->isOpen()
                && $value === ('conversationId' === $field ? $owed->conversationId()?->text : $owed->outgoingId?->text)) {
                $open[$owed->id] = $owed;
            }
        }
        usort($open, static fn (Owed $a, Owed $b): int => [$a->askedAt(), $a->id] <=> [$b->askedAt(), $b->id]);

        return $open;
    }
}
