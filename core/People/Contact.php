<?php

declare(strict_types=1);

namespace ZippyTray\Core\People;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;

/**
 * A card that the person keeps.
 *
 * @phpstan-import-type CardState from ContactCard
 */
final class Contact implements Journaled
{
    /** Lower case, so that it is found by it. */
    private string $email;

    /** @var CardState */
    private array $card;

    public function __construct(public readonly string $id, public readonly AccountId $accountId, ContactCard $card)
    {
        $this->write($card);
    }

    public function write(ContactCard $card): void
    {
        $this->card = $card->state();
        $this->email = strtolower($card->email);
    }

    public function card(): ContactCard
    {
        return ContactCard::fromState($this->card);
    }

    public function email(): string
    {
        return $this->email;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Contact, $this->id);
    }

    public function state(): array
    {
        return ['card' => $this->card];
    }

    public function restore(array $state): void
    {
        /** @var array{card: CardState} $state */
        $this->write(ContactCard::fromState($state['card']));
    }

    /** @param array<string, mixed> $state */
    public static function revived(string $id, AccountId $accountId, array $state): self
    {
        /** @var array{card: CardState} $state */
        return new self($id, $accountId, ContactCard::fromState($state['card']));
    }

    public function needs(): array
    {
        return [];
    }
}
