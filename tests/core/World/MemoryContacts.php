<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\People\Contact;
use ZippyTray\Core\People\Contacts;

final readonly class MemoryContacts implements Contacts
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, string $id): Contact
    {
        return $this->find($accountId, $id) ?? throw new NotFound('contact', $id);
    }

    public function find(AccountId $accountId, string $id): ?Contact
    {
        return $this->memory->contacts[$id] ?? null;
    }

    public function withEmail(AccountId $accountId, string $email): ?Contact
    {
        return $this->withEmails($accountId, [$email])[strtolower($email)] ?? null;
    }

    public function withEmails(AccountId $accountId, array $emails): array
    {
        $found = [];
        foreach ($this->memory->contacts as $contact) {
            if ('' !== $contact->email() && \in_array($contact->email(), array_map(strtolower(...), $emails), true)) {
                $found[$contact->email()] = $contact;
            }
        }

        return $found;
    }

    public function add(Contact $contact): void
    {
        $this->memory->contacts[$contact->id] = $contact;
    }

    public function remove(Contact $contact): void
    {
        unset($this->memory->contacts[$contact->id]);
    }
}
