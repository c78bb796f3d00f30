<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;

/**
 * An address, or a whole domain with all below it, whose mail does not come into the tray.
 */
final class BlockedSender implements Journaled
{
    /** @param string $pattern an address, or "@" and a domain; in lower case */
    public function __construct(
        public readonly string $id,
        public readonly AccountId $accountId,
        public readonly string $pattern,
        public readonly \DateTimeImmutable $since,
    ) {
    }

    /** @param array<string, mixed> $state what state() gave */
    public static function revived(string $id, AccountId $accountId, array $state): self
    {
        /** @var array{pattern: string, since: string} $state */
        return new self($id, $accountId, $state['pattern'], new \DateTimeImmutable($state['since']));
    }

    public static function pattern(string $email, bool $wholeDomain): string
    {
        $email = strtolower($email);

        return $wholeDomain ? (string) strrchr($email, '@') : $email;
    }

    /** @return list<string> all patterns under which mail from this address would be blocked */
    public static function patternsFor(string $email): array
    {
        $email = strtolower($email);
        $domain = substr((string) strrchr($email, '@'), 1);
        $patterns = '' === $email ? [] : [$email];
        while ('' !== $domain && str_contains($domain, '.')) {
            $patterns[] = '@'.$domain;
            $domain = substr((string) strstr($domain, '.'), 1);
        }

        return $patterns;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::BlockedSender, $this->id);
    }

    public function state(): array
    {
        return ['pattern' => $this->pattern, 'since' => $this->since->format(\DATE_ATOM)];
    }

    /** Nothing of it ever changes. */
    public function restore(array $state): void
    {
    }

    public function needs(): array
    {
        return [];
    }
}
