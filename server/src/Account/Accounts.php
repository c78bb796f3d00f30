<?php

declare(strict_types=1);

namespace ZippyTray\Server\Account;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use ZippyTray\Core\Ids;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;

/**
 * The people who can sign in.
 */
final readonly class Accounts
{
    public function __construct(
        private EntityManagerInterface $orm,
        private UserPasswordHasherInterface $hasher,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    public function find(string $email): ?Account
    {
        return $this->orm->getRepository(Account::class)->findOneBy(['email' => $email]);
    }

    /** @throws NotFound */
    public function get(string $id): Account
    {
        return $this->orm->find(Account::class, $id) ?? throw new NotFound('account', $id);
    }

    /** @return list<Account> oldest first */
    public function all(): array
    {
        return $this->orm->getRepository(Account::class)->findBy([], ['createdAt' => 'ASC']);
    }

    /** Whether nobody can sign in yet, so that the first visitor may make an account. */
    public function isFirstVisit(): bool
    {
        foreach ($this->all() as $account) {
            if ($account->hasPassword()) {
                return false;
            }
        }

        return true;
    }

    /** The address of the account that an import made and nobody has signed up for yet, when there is just one. */
    public function awaited(): ?string
    {
        $waiting = array_values(array_filter($this->all(), static fn (Account $account): bool => !$account->hasPassword()));

        return 1 === \count($waiting) ? $waiting[0]->email : null;
    }

    /**
     * An account made by an import is taken over by the first person who signs up with its address.
     *
     * @param string|null $password null: nobody can sign in until one is set
     *
     * @throws Refused when the address is taken or the password too short
     */
    public function open(string $email, string $name, string $zone, ?string $password): Account
    {
        $account = $this->find($email);
        if (true === $account?->hasPassword()) {
            throw new Refused('There is an account with this address already.', 'email');
        }
        $account?->settle($name, $zone);
        $account ??= new Account($this->ids->next(), $email, $name, $zone, $this->clock->now());
        if (null !== $password) {
            $this->setPassword($account, $password);
        }
        $this->orm->persist($account);
        $this->orm->flush();

        return $account;
    }

    private function setPassword(Account $account, string $password): void
    {
        if (mb_strlen($password) < Account::PASSWORD_LENGTH) {
            throw new Refused(\sprintf('A password needs at least %d characters.', Account::PASSWORD_LENGTH), 'password');
        }
        $account->setPassword($this->hasher->hashPassword($account, $password));
    }
}
