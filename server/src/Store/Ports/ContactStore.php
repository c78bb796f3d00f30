<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\People\Contact;
use ZippyTray\Core\People\Contacts;

final readonly class ContactStore implements Contacts
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, string $id): Contact
    {
        return $this->find($accountId, $id) ?? throw new NotFound('contact', $id);
    }

    public function find(AccountId $accountId, string $id): ?Contact
    {
        return $this->orm->getRepository(Contact::class)->findOneBy(['accountId' => $accountId, 'id' => $id]);
    }

    public function withEmail(AccountId $accountId, string $email): ?Contact
    {
        return $this->withEmails($accountId, [$email])[strtolower($email)] ?? null;
    }

    public function withEmails(AccountId $accountId, array $emails): array
    {
        $found = [];
        foreach (array_chunk(array_values(array_unique(array_filter(array_map(strtolower(...), $emails)))), 500) as $some) {
            foreach ($this->orm->getRepository(Contact::class)->findBy(['accountId' => $accountId, 'email' => $some]) as $contact) {
                $found[strtolower($contact->email())] = $contact;
            }
        }

        return $found;
    }

    public function add(Contact $contact): void
    {
        $this->orm->persist($contact);
    }

    public function remove(Contact $contact): void
    {
        $this->orm->remove($contact);
    }

    /** @return list<Contact> by name */
    public function all(AccountId $accountId): array
    {
        $all = $this->orm->getRepository(Contact::class)->findBy(['accountId' => $accountId]);
        usort(
            $all,
            static fn (Contact $a, Contact $b): int => mb_strtolower($a->card()->name.$a->email())
                <=> mb_strtolower($b->card()->name.$b->email()),
        );

        return $all;
    }
}
