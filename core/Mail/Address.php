<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

/**
 * A mailbox: an address with, perhaps, the name of who reads there (RFC 5322, 3.4).
 */
final readonly class Address implements \JsonSerializable
{
    /** A local part without quotes (RFC 5321, 4.1.2), letters beyond ASCII included (RFC 6531). */
    private const LOCAL = '/^[\p{L}\p{M}\p{N}!#$%&\'*+\/=?^_`{|}~-]+(?:\.[\p{L}\p{M}\p{N}!#$%&\'*+\/=?^_`{|}~-]+)*$/u';

    private const DOMAIN = '/
        ^(?=.{1,253}$)[\p{L}\p{N}](?:[\p{L}\p{M}\p{N}-]{0,61}[\p{L}\p{M}\p{N}])?(?:
            \.[\p{L}\p{N}](?:[\p{L}\p{M}\p{N}-]{0,61}[\p{L}\p{M}\p{N}])?
        )+$
    /xu';

    /**
     * @param string $email as written, without angle brackets; may be empty or malformed in mail from outside
     * @param string $name  decoded display name, may be empty
     */
    public function __construct(public string $email, public string $name = '')
    {
    }

    /** What to call this person on screen. */
    public function label(): string
    {
        return match (true) {
            '' !== $this->name => $this->name,
            '' !== $this->email => $this->email,
            default => 'unknown sender',
        };
    }

    /** Whether both are the same mailbox. Capitals do not matter, as in every system in use. */
    public function is(string $email): bool
    {
        return '' !== $this->email && 0 === strcasecmp($this->email, $email);
    }

    /** @return array{name: string, email: string} */
    public function jsonSerialize(): array
    {
        return ['name' => $this->name, 'email' => $this->email];
    }

    /** Whether mail can be sent there. */
    public static function isValid(string $email): bool
    {
        $at = strrpos($email, '@');
        if (false === $at || $at > 64 || \strlen($email) > 254 || 1 !== preg_match('//u', $email)) {
            return false;
        }

        return 1 === preg_match(self::LOCAL, substr($email, 0, $at)) && 1 === preg_match(self::DOMAIN, substr($email, $at + 1));
    }
}
