<?php

declare(strict_types=1);

namespace ZippyTray\Server\Account;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Settings\Profile;

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
        private Transaction $transaction,
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
    public function open(string $email, string $name, string $zone, #[\SensitiveParameter] ?string $password): Account
    {
        $account = $this->find($email);
        if (true === $account?->hasPassword()) {
            throw new Refused('There is an account with this address already.', 'email');
        }
        $account?->profile->settle($name, $zone);
        $account ??= new Account(new AccountId($this->ids->next()), $email, new Profile($name, $zone), $this->clock->now());
        if (null !== $password) {
            $this->setPassword($account, $password);
        }
        $this->orm->persist($account);
        $this->orm->flush();

        return $account;
    }

    /**
     * The first account, which whoever has started the program makes. There is never a second one.
     *
     * @param string $word that FirstWord has shown
     *
     * @throws Refused
     */
    public function openFirst(
        #[\SensitiveParameter]
        string $word,
        string $email,
        string $name,
        string $zone,
        #[\SensitiveParameter]
        string $password,
    ): Account {
        return $this->transaction->run(function () use ($word, $email, $name, $zone, $password): Account {
            if (!$this->isFirstVisit()) {
                throw new Refused('There is an account here already. Sign in with it.');
            }
            FirstWord::check($word);
            $account = $this->open($email, $name, $zone, $password);
            FirstWord::forget();

            return $account;
        });
    }

    /** @throws Refused when the present one is another, or the new one is not taken */
    public function changePassword(Account $account, #[\SensitiveParameter] string $present, #[\SensitiveParameter] string $new): void
    {
        if (!$this->hasher->isPasswordValid($account, $present)) {
            throw new Refused('This is not your present password.', 'present');
        }
        Passwords::check($new, [$account->profile->name(), $account->email], 'new');
        $account->setPassword($this->hasher->hashPassword($account, $new));
        $this->orm->flush();
    }

    /** Takes as long as finding out that a password is wrong does, so that nobody can tell by it who has an account. */
    public function takeAsLong(#[\SensitiveParameter] string $password): void
    {
        $this->hasher->hashPassword(
            new Account(new AccountId(''), 'nobody@localhost', new Profile('', 'UTC'), $this->clock->now()),
            mb_strcut($password, 0, Passwords::LONGEST),
        );
    }

    private function setPassword(Account $account, #[\SensitiveParameter] string $password): void
    {
        Passwords::check($password, [$account->profile->name(), $account->email]);
        $account->setPassword($this->hasher->hashPassword($account, $password));
    }
}
