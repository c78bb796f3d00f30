<?php

declare(strict_types=1);

namespace ZippyTray\Server\Account;

use Doctrine\ORM\Mapping as ORM;

/**
 * Where a person's mail comes from, and by which it goes out. What holds a password is kept sealed.
 */
#[ORM\Entity]
#[ORM\Table(name: 'mailbox')]
class Mailbox
{
    #[ORM\Column(name: 'goes_out', length: 20)]
    private string $out;

    #[ORM\Column(type: 'text')]
    private string $dsn;

    #[ORM\Column]
    private bool $plain;

    #[ORM\Column(name: 'comes_in', length: 20)]
    private string $in;

    #[ORM\Column(type: 'text')]
    private string $folder;

    /** Where it is on a server, sealed; empty when it is on none. */
    #[ORM\Column(type: 'text')]
    private string $server = '';

    /** Its own address; empty: that of the account. */
    #[ORM\Column(type: 'text')]
    private string $address = '';

    /** @var list<string> other addresses whose mail comes into it */
    #[ORM\Column(type: 'json')]
    private array $aliases = [];

    public function __construct(
        #[ORM\Id, ORM\ManyToOne(targetEntity: Account::class, inversedBy: 'mailboxes'), ORM\JoinColumn(nullable: false)]
        public readonly Account $account,
        #[ORM\Id, ORM\Column]
        public readonly int $position,
        MailWays $ways,
    ) {
        $this->connect($ways);
    }

    public function connect(MailWays $ways): void
    {
        ['out' => $this->out, 'dsn' => $this->dsn, 'plain' => $this->plain, 'in' => $this->in, 'folder' => $this->folder] = $ways->state();
    }

    /**
     * @param string       $address of the mailbox
     * @param list<string> $aliases other addresses whose mail comes into it
     */
    public function keepInStepWith(MailServer $server, string $address, array $aliases = []): void
    {
        $this->server = $server->sealed();
        $this->address = $address;
        $this->aliases = $aliases;
    }

    /** The same server, to which is signed in otherwise. */
    public function signInTo(MailServer $server): void
    {
        $this->server = $server->sealed();
    }

    public function disconnect(): void
    {
        $this->server = $this->address = '';
        $this->aliases = [];
    }

    public function isOnServer(): bool
    {
        return '' !== $this->server;
    }

    /** @return MailServer|null null when it is on none, or its password cannot be opened any more */
    public function server(): ?MailServer
    {
        return '' === $this->server ? null : MailServer::unsealed($this->server);
    }

    public function address(): string
    {
        return '' === $this->address ? $this->account->email : $this->address;
    }

    /** @return list<string> */
    public function aliases(): array
    {
        return $this->aliases;
    }

    /** @return list<string> all addresses whose mail comes into it, when it is on a server */
    public function addresses(): array
    {
        return $this->isOnServer() ? [$this->address(), ...$this->aliases] : [];
    }

    public function ways(): MailWays
    {
        return MailWays::fromState(
            ['out' => $this->out, 'dsn' => $this->dsn, 'plain' => $this->plain, 'in' => $this->in, 'folder' => $this->folder],
        );
    }
}
