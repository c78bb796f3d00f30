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

    public function ways(): MailWays
    {
        return MailWays::fromState(
            ['out' => $this->out, 'dsn' => $this->dsn, 'plain' => $this->plain, 'in' => $this->in, 'folder' => $this->folder],
        );
    }
}
