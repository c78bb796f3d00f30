<?php

declare(strict_types=1);

namespace ZippyTray\Core\People;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;

final readonly class KeepContacts
{
    public function __construct(private Contacts $contacts, private Journal $journal, private Ids $ids)
    {
    }

    /**
     * @param string $id made by the client; of one that there is already it is changed
     *
     * @throws Refused when another one has its address
     */
    public function keep(AccountId $accountId, EntryId $entryId, string $id, ContactCard $card): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::KeepContact, function (Step $step) use (
            $accountId,
            $id,
            $card,
        ): void {
            $other = '' === $card->email ? null : $this->contacts->withEmail($accountId, $card->email);
            if (null !== $other && $other->id !== $id) {
                throw new Refused(
                    \sprintf('There is a contact with this address already: %s.', $other->card()->name ?: $card->email),
                    'email',
                );
            }
            $this->put($accountId, $id, $this->contacts->find($accountId, $id), $card, $step);
        });
    }

    /** @throws NotFound */
    public function delete(AccountId $accountId, EntryId $entryId, string $id): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::DeleteContact, function (Step $step) use ($accountId, $id): void {
            $contact = $this->contacts->get($accountId, $id);
            $step->say($contact->card()->name ?: $contact->email());
            $step->removed($contact);
            $this->contacts->remove($contact);
        });
    }

    /**
     * Takes cards in, in one step. One whose address is known is changed.
     *
     * @param non-empty-list<ContactCard> $cards
     */
    public function takeIn(AccountId $accountId, EntryId $entryId, array $cards): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::KeepContact, function (Step $step) use ($accountId, $cards): void {
            $known = $this->contacts->withEmails($accountId, array_map(static fn (ContactCard $card): string => $card->email, $cards));
            foreach ($cards as $card) {
                $email = strtolower($card->email);
                $contact = $this->put($accountId, ($known[$email] ?? null)->id ?? $this->ids->next(), $known[$email] ?? null, $card, $step);
                if ('' !== $email) {
                    $known[$email] = $contact;
                }
            }
        });
    }

    private function put(AccountId $accountId, string $id, ?Contact $contact, ContactCard $card, Step $step): Contact
    {
        if (null === $contact) {
            $contact = new Contact($id, $accountId, $card);
            $this->contacts->add($contact);
            $step->made($contact);
        } else {
            $step->touch($contact);
            $contact->write($card);
        }
        $step->say($card->name ?: $card->email);

        return $contact;
    }
}
