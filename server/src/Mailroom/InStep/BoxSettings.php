<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

/**
 * What a person has chosen for a mailbox on a server.
 */
final readonly class BoxSettings
{
    /**
     * @param bool        $hasAway      whether what is away lies in a folder of its own there; otherwise in the archive
     * @param bool|null   $keepsSent    whether the server keeps what is sent by itself; null: that is found out
     * @param string|null $since        what came into the inbox before is not put into the tray (UTC); null: everything is
     * @param bool        $archiveThere whether what came before goes into the archive there, too
     * @param int         $every        minutes between two looks
     * @param string|null $begunAt      when it was connected (UTC): what was sent before is of no concern to the server
     * @param bool        $mayVanish    whether much may be gone there at once the next time: the person has been asked
     */
    public function __construct(
        public bool $hasAway = true,
        public ?bool $keepsSent = null,
        public ?string $since = null,
        public bool $archiveThere = false,
        public int $every = 5,
        public bool $mayVanish = false,
        public ?string $begunAt = null,
    ) {
    }

    /** @param array<string, bool|string|int|null> $changes by the names of what changes */
    public function with(array $changes): self
    {
        return self::fromState($changes + $this->state());
    }

    /** @param array<mixed> $state */
    public static function fromState(array $state): self
    {
        $every = $state['every'] ?? null;

        return new self(
            false !== ($state['hasAway'] ?? true),
            \is_bool($state['keepsSent'] ?? null) ? $state['keepsSent'] : null,
            \is_string($state['since'] ?? null) ? $state['since'] : null,
            true === ($state['archiveThere'] ?? false),
            \is_int($every) ? max(1, $every) : 5,
            true === ($state['mayVanish'] ?? false),
            \is_string($state['begunAt'] ?? null) ? $state['begunAt'] : null,
        );
    }

    /**
     * @return array{
     *     hasAway: bool, keepsSent: bool|null, since: string|null, archiveThere: bool, every: int, mayVanish: bool, begunAt: string|null
     * }
     */
    public function state(): array
    {
        return [
            'hasAway' => $this->hasAway,
            'keepsSent' => $this->keepsSent,
            'since' => $this->since,
            'archiveThere' => $this->archiveThere,
            'every' => $this->every,
            'mayVanish' => $this->mayVanish,
            'begunAt' => $this->begunAt,
        ];
    }
}
