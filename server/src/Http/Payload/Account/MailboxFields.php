<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Account;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Account\MailServer;

final readonly class MailboxFields
{
    /**
     * @param ServerFields|null $smtp         null: its mail goes out another way
     * @param string            $user         empty: the address
     * @param string            $password     empty: the one that is there
     * @param int|null          $days         what came into the inbox in the last so many days is to be decided, the rest is archived;
     *                                        null: all is to be decided; asked once, when it is connected
     * @param bool              $archiveThere whether the rest is archived on the server, too
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
        public string $authority = '',
        public bool $hasAway = true,
        #[Assert\Range(min: 0, max: 36500)]
        public ?int $days = 14,
        public bool $archiveThere = false,
    ) {
    }

    /**
     * @param MailServer|null $known the one that is there
     *
     * @throws Refused
     */
    public function server(?MailServer $known = null): MailServer
    {
        $user = '' === trim($this->user) ? trim($this->address) : trim($this->user);
        $smtp = $this->smtp?->server() ?? ['', 0, $this->imap->security];
        $password = $this->password;
        if ('' === $password && null !== $known) {
            // A password is not handed on to another server than the one that it was given for.
            $isSame = [$known->imap[0], $known->smtp[0], $known->user] === [trim($this->imap->host), $smtp[0], $user];
            $password = $isSame ? $known->password : throw new Refused('The server is another one: enter the password for it.', 'password');
        }
        if ('' === $password) {
            throw new Refused('With which password do you sign in there?', 'password');
        }

        return new MailServer($this->imap->server(), $smtp, $user, $password, trim($this->authority));
    }
}
