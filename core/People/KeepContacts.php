<?php

declare(strict_types=1);

namespace ZippyTray\Core\People;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Page;
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
    public function keep(AccountId $accountId, EntryId $entryId, string $id, Card $card): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::KeepContact, function (Page $page) use ($accountId, $id, $card): void {
            $other = '' === $card->email ? null : $this->contacts->withEmail($accountId, $card->email);
            if (null !== $other && $other->id !== $id) {
                throw new Refused(
                    \sprintf('There is a contact with this address already: %s.', $other->card()->name ?: $card->email),
                    'email',
                );
            }
            $this->put($accountId, $id, $this->contacts->find($accountId, $id), $card, $page);
        });
    }

    /** @throws NotFound */
    public function delete(AccountId $accountId, EntryId $entryId, string $id): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::DeleteContact, function (Page $page) use ($accountId, $id): void {
            $contact = $this->contacts->get($accountId, $id);
            $page->say($contact->card()->name ?: $contact->email());
            $page->removed($contact);
            $this->contacts->remove($contact);
        });
    }

    /**
     * Takes cards in, in one step. One whose address is known is changed.
     *
     * @param non-empty-list<Card> $cards
     */
    public function takeIn(AccountId $accountId, EntryId $entryId, array $cards): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::KeepContact, function (Page $page) use ($accountId, $cards): void {
            $known = $this->contacts->withEmails($accountId, array_map(static fn (Card $card): string => $card->email, $cards));
            foreach ($cards as $card) {
                $email = strtolower($card->email);
                $contact = $this->put($accountId, ($known[$email] ?? null)->id ?? $this->ids->next(), $known[$email] ?? null, $card, $page);
                if ('' !== $email) {
                    $known[$email] = $contact;
                }
            }
        });
    }

    private function put(AccountId $accountId, string $id, ?Contact $contact, Card $card, Page $page): Contact
    {
        if (null === $contact) {
            $contact = new Contact($id, $accountId, $card);
            $this->contacts->add($contact);
            $page->made($contact);
        } else {
            $page->touch($contact);
            $contact->write($card);
        }
        $page->say($card->name ?: $card->email);

        return $contact;
    }
}
