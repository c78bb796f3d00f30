<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;

/**
 * What somebody said themselves about mail that has a trait: that it matters more or less than was believed, and what the advice for
 * it should have been. It is not unlearned.
 */
final class Correction implements Journaled
{
    /** From -1, it matters less, to 1, it matters more. */
    private int $matters = 0;

    private ?AdvisedDecision $should = null;

    /**
     * @param string $trait see Traits
     * @param string $name  of the sender, the list or the kind of mail, as it is shown
     */
    public function __construct(
        public readonly string $id,
        public readonly AccountId $accountId,
        public readonly CorrectionAbout $about,
        public readonly string $trait,
        public readonly string $name,
        public readonly \DateTimeImmutable $madeAt,
    ) {
    }

    /** @return int 1 when it matters more, -1 less, 0 when nothing was said of that */
    public function matters(): int
    {
        return $this->matters;
    }

    /** What is to be advised; null when nothing was said of that. */
    public function should(): ?AdvisedDecision
    {
        return $this->should;
    }

    public function say(int $matters, ?AdvisedDecision $should): void
    {
        $this->matters = max(-1, min(1, $matters));
        $this->should = $should;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Correction, $this->id);
    }

    public function state(): array
    {
        return [
            'about' => $this->about->value,
            'trait' => $this->trait,
            'name' => $this->name,
            'madeAt' => $this->madeAt->format(\DATE_ATOM),
            'matters' => $this->matters,
            'should' => $this->should?->value,
        ];
    }

    public function restore(array $state): void
    {
        /** @var array{matters: int, should: ?string} $state */
        $this->say($state['matters'], null === $state['should'] ? null : AdvisedDecision::from($state['should']));
    }

    /** @param array<string, mixed> $state */
    public static function revived(string $id, AccountId $accountId, array $state): self
    {
        /** @var array{about: string, trait: string, name: string, madeAt: string, matters: int, should: ?string} $state */
        $correction = new self(
            $id,
            $accountId,
            CorrectionAbout::from($state['about']),
            $state['trait'],
            $state['name'],
            new \DateTimeImmutable($state['madeAt']),
        );
        $correction->restore($state);

        return $correction;
    }

    public function needs(): array
    {
        return [];
    }
}
