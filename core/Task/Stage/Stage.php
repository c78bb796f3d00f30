<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task\Stage;

use ZippyTray\Core\Refused;

/**
 * One of the stages that the cases of a list go through.
 *
 * @phpstan-type StageState array{id: string, name: string, days?: int, onwards?: string}
 */
final readonly class Stage
{
    public const NAME_LENGTH = 40;

    public const DAYS = 366;

    public string $name;

    /**
     * @param int|null     $days    after which what stands here comes up; null: never
     * @param Onwards|null $onwards after which it goes on by itself; null: after nothing
     *
     * @throws Refused when it has no name or too long a one, or the days make no sense
     */
    public function __construct(public string $id, string $name, public ?int $days = null, public ?Onwards $onwards = null)
    {
        $this->name = trim((string) preg_replace('/\s+/u', ' ', $name));
        if ('' === $this->name) {
            throw new Refused('A stage needs a name.', 'stages');
        }
        if (mb_strlen($this->name) > self::NAME_LENGTH) {
            throw new Refused(\sprintf('The name of a stage can have %d characters.', self::NAME_LENGTH), 'stages');
        }
        if (null !== $days && ($days < 1 || $days > self::DAYS)) {
            throw new Refused(\sprintf('A stage lets things stand between a day and %d days.', self::DAYS), 'stages');
        }
    }

    /** @param StageState $state */
    public static function fromState(array $state): self
    {
        return new self(
            $state['id'],
            $state['name'],
            $state['days'] ?? null,
            isset($state['onwards']) ? Onwards::from($state['onwards']) : null,
        );
    }

    /** @return StageState */
    public function state(): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            ...(null === $this->days ? [] : ['days' => $this->days]),
            ...(null === $this->onwards ? [] : ['onwards' => $this->onwards->value]),
        ];
    }

    /** The moment at which what stands here since then comes up; null when it does not. */
    public function comesUp(\DateTimeImmutable $since): ?\DateTimeImmutable
    {
        return null === $this->days ? null : $since->add(new \DateInterval("P{$this->days}D"));
    }
}
