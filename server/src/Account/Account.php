<?php

declare(strict_types=1);

namespace ZippyTray\Server\Account;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Arrival\Recipient;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Settings\Profile;
use ZippyTray\Core\Time\Moment;

/**
 * Somebody who signs in. Every row of the database belongs to one. Who they are stands in the profile, how mail reaches them in
 * the mailboxes.
 */
#[ORM\Entity]
#[ORM\Table(name: 'account')]
class Account implements UserInterface, PasswordAuthenticatedUserInterface
{
    #[ORM\Column]
    private string $password = '';

    /** Where this person reaches the program, without a slash at its end; for links in mail. */
    #[ORM\Column]
    private string $programAddress = 'http://127.0.0.1:8017';

    /** Counts the changes of the mailboxes. */
    #[ORM\Column]
    private int $mailboxChanges = 0;

    /** @var Collection<int, Mailbox> mail goes out by the first */
    #[ORM\OneToMany(mappedBy: 'account', targetEntity: Mailbox::class, cascade: ['persist'])]
    #[ORM\OrderBy(['position' => 'ASC'])]
    private Collection $mailboxes;

    public function __construct(
        #[ORM\Id, ORM\Column(type: 'account_id')]
        public readonly AccountId $id,
        #[ORM\Column]
        public readonly string $email,
        #[ORM\Embedded(class: Profile::class, columnPrefix: false)]
        public readonly Profile $profile,
        #[ORM\Column(type: 'utc_datetime')]
        public readonly \DateTimeImmutable $createdAt,
    ) {
        $this->mailboxes = new ArrayCollection();
    }

    /** @return list<Mailbox> */
    public function mailboxes(): array
    {
        return array_values($this->mailboxes->toArray());
    }

    public function mailbox(int $position): ?Mailbox
    {
        foreach ($this->mailboxes() as $mailbox) {
            if ($mailbox->position === $position) {
                return $mailbox;
            }
        }

        return null;
    }

    /**
     * What the mailboxes on servers are called beside each other: as short as they can be told apart.
     *
     * @return array<int, string> by their numbers; none when there is only one, or none
     */
    public function mailboxNames(): array
    {
        $addresses = [];
        foreach ($this->mailboxes() as $mailbox) {
            if ($mailbox->isOnServer()) {
                $addresses[$mailbox->position] = $mailbox->address();
            }
        }
        $short = array_map(static fn (string $address): string => explode('@', $address)[0].'@', $addresses);

        return match (true) {
            \count($addresses) < 2 => [],
            \count(array_unique($short)) === \count($addresses) => $short,
            default => $addresses,
        };
    }

    /** The ways of the first mailbox, by which mail goes out. */
    public function mailWays(): MailWays
    {
        return $this->first()?->ways() ?? MailWays::none();
    }

    /**
     * The mailbox by whose server mail goes out: that of the address from which it goes. What comes from another one goes by the way that
     * was chosen for it, and only when there is none by the first mailbox that sends.
     *
     * @param string $from an address; empty: that of the account
     *
     * @return Mailbox|null null when none does
     */
    public function sendingMailbox(string $from = ''): ?Mailbox
    {
        $first = null;
        foreach ($this->mailboxes() as $mailbox) {
            if ('' === ($mailbox->server()->smtp[0] ?? '')) {
                continue;
            }
            $first ??= $mailbox;
            if (\in_array(strtolower('' === $from ? $this->email : $from), array_map(strtolower(...), $mailbox->addresses()), true)) {
                return $mailbox;
            }
        }

        return 'none' === $this->mailWays()->out ? $first : null;
    }

    /**
     * The mailbox on a server in which a letter is kept when it has gone out: that of the address from which it goes, else the one that
     * sends it, else the first.
     *
     * @param string $from an address; empty: that of the account
     */
    public function keepingMailbox(string $from = ''): ?Mailbox
    {
        $onServers = array_values(array_filter($this->mailboxes(), static fn (Mailbox $mailbox): bool => $mailbox->isOnServer()));
        $from = strtolower('' === $from ? $this->email : $from);
        foreach ($onServers as $mailbox) {
            if (\in_array($from, array_map(strtolower(...), $mailbox->addresses()), true)) {
                return $mailbox;
            }
        }

        return $this->sendingMailbox($from) ?? $onServers[0] ?? null;
    }

    /** @return string the address from which a letter comes: one of their own, else the one that they go by */
    public function sender(string $from): string
    {
        foreach ($this->person()->addresses() as $own) {
            if (strtolower($own) === strtolower($from)) {
                return $own;
            }
        }

        return $this->email;
    }

    /** Whether mail can go out at all. */
    public function canSend(): bool
    {
        return null !== $this->sendingMailbox() || 'none' !== $this->mailWays()->out;
    }

    /** Other ways for the first mailbox, which begins with them when there is none. */
    public function connect(MailWays $ways): void
    {
        $first = $this->first();
        if (null === $first) {
            $this->addMailbox($ways);
        } else {
            $first->connect($ways);
            ++$this->mailboxChanges;
        }
    }

    public function addMailbox(MailWays $ways): Mailbox
    {
        $numbers = array_map(static fn (Mailbox $one): int => $one->position, $this->mailboxes());
        $mailbox = new Mailbox($this, [] === $numbers ? 0 : 1 + max($numbers), $ways);
        $this->mailboxes->add($mailbox);
        ++$this->mailboxChanges;

        return $mailbox;
    }

    private function first(): ?Mailbox
    {
        $first = $this->mailboxes->first();

        return false === $first ? null : $first;
    }

    public function programAddress(): string
    {
        return $this->programAddress;
    }

    public function reachedAt(string $address): void
    {
        $this->programAddress = rtrim($address, '/');
    }

    /** Changes whenever the person chooses something else. */
    public function fingerprint(): string
    {
        return hash(
            'xxh32',
            json_encode(
                [$this->id, $this->programAddress, $this->mailboxChanges, $this->person()->others, $this->profile->state()],
                \JSON_THROW_ON_ERROR,
            ),
        );
    }

    public function timeZone(): \DateTimeZone
    {
        return $this->profile->timeZone();
    }

    public function person(): Person
    {
        return $this->profile->person(
            $this->email,
            array_merge(...array_map(static fn (Mailbox $one): array => $one->addresses(), $this->mailboxes())),
        );
    }

    /**
     * The person as somebody whose mail comes in.
     *
     * @param \DateTimeInterface|null $now when it arrives by itself, so that it is held back and asks for things as they wish; null: it is
     *                                     brought in
     */
    public function recipient(?\DateTimeInterface $now = null): Recipient
    {
        $settings = $this->profile->traySettings();

        return new Recipient(
            $this->id,
            $this->person(),
            $settings->mailEndsSnooze,
            null === $now ? null : $this->nextSession($now),
            null === $now ? null : $this->profile->mailInSettings(),
        );
    }

    /** When mail comes in the next time; null when it comes in as it arrives. */
    public function nextSession(\DateTimeInterface $now): ?Moment
    {
        return $this->profile->traySettings()->sessions->next(
            new Moment($now, $this->timeZone()),
            $this->profile->timeSettings()->week,
        );
    }

    public function setPassword(string $hash): void
    {
        $this->password = $hash;
    }

    /** Without a password nobody can sign in: such an account was made by an import on the command line. */
    public function hasPassword(): bool
    {
        return '' !== $this->password;
    }

    public function getPassword(): ?string
    {
        return $this->hasPassword() ? $this->password : null;
    }

    public function getRoles(): array
    {
        return ['ROLE_USER'];
    }

    public function eraseCredentials(): void
    {
    }

    public function getUserIdentifier(): string
    {
        return '' === $this->email ? throw new \LogicException('An account has an address.') : $this->email;
    }
}
