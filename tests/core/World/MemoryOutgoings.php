<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\Outgoings;
use ZippyTray\Core\Post\OutgoingState;

final readonly class MemoryOutgoings implements Outgoings
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, OutgoingId $id): Outgoing
    {
        return $this->find($accountId, $id) ?? throw new NotFound('draft', $id->text);
    }

    public function find(AccountId $accountId, OutgoingId $id): ?Outgoing
    {
        return $this->memory->outgoings[$id->text] ?? null;
    }

    public function withHeader(AccountId $accountId, string $messageHeader): ?Outgoing
    {
        return $this->those(static fn (Outgoing $one): bool => $one->messageHeader === $messageHeader)[0] ?? null;
    }

    public function add(Outgoing $outgoing): void
    {
        $this->memory->outgoings[$outgoing->id->text] = $outgoing;
    }

    public function remove(Outgoing $outgoing): void
    {
        unset($this->memory->outgoings[$outgoing->id->text]);
    }

    public function due(\DateTimeImmutable $now): array
    {
        return $this->those(static fn (Outgoing $one): bool => $one->isDue($now));
    }

    public function begun(): array
    {
        return $this->those(static fn (Outgoing $one): bool => OutgoingState::Sending === $one->outgoingState());
    }

    /**
     * @param callable(Outgoing): bool $which
     *
     * @return list<Outgoing>
     */
    private function those(callable $which): array
    {
        return array_values(array_filter($this->memory->outgoings, $which));
    }
}
