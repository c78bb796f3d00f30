<?php

declare(strict_types=1);

namespace ZippyTray\Core\People;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;

/**
 * The store of contacts. Every call is bound to one account.
 */
interface Contacts
{
    /** @throws NotFound */
    public function get(AccountId $accountId, string $id): Contact;

    public function find(AccountId $accountId, string $id): ?Contact;

    /** Capitals do not matter. */
    public function withEmail(AccountId $accountId, string $email): ?Contact;

    /**
     * @param list<string> $emails
     *
     * @return array<string, Contact> those that there are, by their address in lower case
     */
    public function withEmails(AccountId $accountId, array $emails): array;

    public function add(Contact $contact): void;

    public function remove(Contact $contact): void;
}
