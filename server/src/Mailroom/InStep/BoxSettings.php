<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

/**
 * What a person has chosen for a mailbox on a server.
 *
 * @phpstan-type FolderChoices array<string, array{role?: string, takenIn?: bool}>
 */
final readonly class BoxSettings
{
    /**
     * @param bool          $hasAway        whether what is away lies in a folder of its own there; otherwise in the archive
     * @param bool|null     $keepsSent      whether the server keeps what is sent by itself, as the person says; null: that is found out
     * @param bool|null     $sentFound      what was found out of that; null: nothing yet
     * @param string|null   $since          what came into the inbox before is not put into the tray (UTC); null: everything is
     * @param Older         $older          what has become of what came before
     * @param bool          $takesOlder     whether more than new mail and what is to be decided comes in; otherwise that was stopped
     * @param int           $every          minutes between two looks
     * @param bool          $mayVanish      whether much may be gone there at once the next time: the person has been asked
     * @param string|null   $begunAt        when it was connected (UTC): what was sent before is of no concern to the server
     * @param string|null   $uncertainSince since when something may lie where it could not be looked at (UTC); null: nothing
     * @param FolderChoices $folders        what the person has chosen, by the names of folders
     */
    public function __construct(
        public bool $hasAway = true,
        public ?bool $keepsSent = null,
        public ?bool $sentFound = null,
        public ?string $since = null,
        public Older $older = Older::None,
        public bool $takesOlder = true,
        public array $folders = [],
        public int $every = 5,
        public bool $mayVanish = false,
        public ?string $begunAt = null,
        public ?string $uncertainSince = null,
    ) {
    }

    /** @param array<mixed> $state */
    public static function fromState(array $state): self
    {
        $every = $state['every'] ?? null;

        return new self(
            false !== ($state['hasAway'] ?? true),
            \is_bool($state['keepsSent'] ?? null) ? $state['keepsSent'] : null,
            \is_bool($state['sentFound'] ?? null) ? $state['sentFound'] : null,
            \is_string($state['since'] ?? null) ? $state['since'] : null,
            Older::tryFrom(\is_string($state['older'] ?? null) ? $state['older'] : '') ?? Older::None,
            false !== ($state['takesOlder'] ?? true),
            self::folders($state['folders'] ?? []),
            \is_int($every) ? max(1, $every) : 5,
            true === ($state['mayVanish'] ?? false),
            \is_string($state['begunAt'] ?? null) ? $state['begunAt'] : null,
            \is_string($state['uncertainSince'] ?? null) ? $state['uncertainSince'] : null,
        );
    }

    /**
     * @return array{
     *     hasAway: bool, keepsSent: bool|null, sentFound: bool|null, since: string|null, older: string, takesOlder: bool,
     *     folders: FolderChoices, every: int, mayVanish: bool, begunAt: string|null, uncertainSince: string|null
     * }
     */
    public function state(): array
    {
        return [
            'hasAway' => $this->hasAway,
            'keepsSent' => $this->keepsSent,
            'sentFound' => $this->sentFound,
            'since' => $this->since,
            'older' => $this->older->value,
            'takesOlder' => $this->takesOlder,
            'folders' => $this->folders,
            'every' => $this->every,
            'mayVanish' => $this->mayVanish,
            'begunAt' => $this->begunAt,
            'uncertainSince' => $this->uncertainSince,
        ];
    }

    /** @return bool|null whether the server keeps what is sent by itself; null: nobody knows yet */
    public function isSentKept(): ?bool
    {
        return $this->keepsSent ?? $this->sentFound;
    }

    /** @return FolderChoices */
    private static function folders(mixed $folders): array
    {
        $chosen = [];
        foreach (\is_array($folders) ? $folders : [] as $name => $one) {
            if (\is_array($one)) {
                $role = $one['role'] ?? null;
                $takenIn = $one['takenIn'] ?? null;
                $chosen[(string) $name] = array_filter(
                    ['role' => \is_string($role) ? $role : null, 'takenIn' => \is_bool($takenIn) ? $takenIn : null],
                    static fn (mixed $value): bool => null !== $value,
                );
            }
        }

        return $chosen;
    }
}
