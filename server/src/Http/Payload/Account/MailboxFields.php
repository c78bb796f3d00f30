<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Account;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\InStep\FolderRole;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Account\Grant;
use ZippyTray\Server\Account\MailServer;

final readonly class MailboxFields
{
    /**
     * @param ServerFields|null  $smtp      null: its mail goes out another way
     * @param string             $user      empty: the address
     * @param string             $password  empty: the one that is there
     * @param string|null        $authority certificates, PEM; null: those that are there
     * @param bool|null          $keepsSent whether its server keeps what is sent by itself; null: that is found out
     * @param bool               $signedIn  whether what the provider gave when the person signed in there is used instead of a password
     * @param string             $part      which part of the inbox is to be decided, see Part; the rest is archived. Asked once, when it is
     *                                      connected
     * @param list<string>       $aliases   other addresses whose mail comes into it
     * @param list<FolderFields> $folders   those for which something else is chosen than is found out
     */
    public function __construct(
        #[Assert\Email(mode: Assert\Email::VALIDATION_MODE_HTML5), Assert\Length(max: 320)]
        public string $address,
        #[Assert\Valid]
        public ServerFields $imap,
        #[Assert\Valid]
        public ?ServerFields $smtp = null,
        #[Assert\Length(max: 320)]
        public string $user = '',
        #[Assert\Length(max: 1000), \SensitiveParameter]
        public string $password = '',
        #[Assert\Length(max: 100_000)]
        public ?string $authority = '',
        public bool $hasAway = true,
        public ?bool $keepsSent = null,
        public bool $signedIn = false,
        #[Assert\Length(max: 100)]
        public string $part = 'last 14 days',
        #[Assert\Count(max: 50), Assert\All([new Assert\Type('string'), new Assert\Email(mode: Assert\Email::VALIDATION_MODE_HTML5)])]
        public array $aliases = [],
        #[Assert\Valid, Assert\Count(max: 1000)]
        public array $folders = [],
    ) {
    }

    /**
     * @return array<string, array{role: string, takenIn: bool}> by the names of folders
     *
     * @throws Refused when two stand for the same
     */
    public function chosen(): array
    {
        $chosen = $taken = [];
        foreach ($this->folders as $folder) {
            $isOnlyOne = !\in_array($folder->role, [FolderRole::Other, FolderRole::Gone], true);
            if ($isOnlyOne && isset($taken[$folder->role->value])) {
                throw new Refused(\sprintf('Both %s and %s stand for the same.', $taken[$folder->role->value], $folder->name), 'folders');
            }
            !$isOnlyOne || $taken[$folder->role->value] = $folder->name;
            $chosen[$folder->name] = ['role' => $folder->role->value, 'takenIn' => $folder->takenIn];
        }

        return $chosen;
    }

    /**
     * @param MailServer|null $known the one that is there
     * @param Grant|null      $grant what a provider has given instead of a password
     *
     * @throws Refused
     */
    public function server(?MailServer $known = null, ?Grant $grant = null): MailServer
    {
        $user = '' === trim($this->user) ? trim($this->address) : trim($this->user);
        $smtp = $this->smtp?->server() ?? ['', 0, $this->imap->security];
        $password = null === $grant ? $this->password : '';
        if ('' === $password && null === $grant && null !== $known) {
            // A password is not handed on to another server than the one that it was given for.
            $isSame = [$known->imap[0], $known->smtp[0], $known->user] === [trim($this->imap->host), $smtp[0], $user];
            $isSame || throw new Refused('The server is another one: enter the password for it.', 'password');
            [$password, $grant] = [$known->password, $known->grant];
        }
        if ('' === $password && null === $grant) {
            throw new Refused('With which password do you sign in there?', 'password');
        }

        return new MailServer($this->imap->server(), $smtp, $user, $password, trim($this->authority ?? $known->authority ?? ''), $grant);
    }
}
