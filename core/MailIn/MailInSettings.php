<?php

declare(strict_types=1);

namespace ZippyTray\Core\MailIn;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Refused;

/**
 * Who may make things by mail, and what is said of it.
 *
 * @phpstan-type MailInSettingsState array{on: bool, allowed: list<string>, confirm: string}
 */
final readonly class MailInSettings
{
    public const MOST = 20;

    /** @var list<string> in lower case */
    public array $allowed;

    /**
     * @param list<string> $allowed addresses besides one's own
     *
     * @throws Refused when one is no address
     */
    public function __construct(public bool $on = true, array $allowed = [], public Confirm $confirm = Confirm::Always)
    {
        $addresses = array_values(array_unique(array_map(static fn (string $one): string => mb_strtolower(trim($one)), $allowed)));
        foreach ($addresses as $address) {
            if (!Address::isValid($address)) {
                throw new Refused(\sprintf('"%s" is no address.', mb_strimwidth(mb_scrub($address), 0, 80, '…')), 'mailIn');
            }
        }
        if (\count($addresses) > self::MOST) {
            throw new Refused(\sprintf('%d addresses can be allowed at most.', self::MOST), 'mailIn');
        }
        $this->allowed = $addresses;
    }

    public function isFrom(Address $sender, Person $person): bool
    {
        return $this->on && ($person->is($sender) || [] !== array_filter($this->allowed, $sender->is(...)));
    }

    /** @return MailInSettingsState */
    public function state(): array
    {
        return ['on' => $this->on, 'allowed' => $this->allowed, 'confirm' => $this->confirm->value];
    }

    /**
     * @param MailInSettingsState $state
     *
     * @throws Refused
     */
    public static function fromState(array $state): self
    {
        return new self($state['on'], $state['allowed'], Confirm::from($state['confirm']));
    }
}
