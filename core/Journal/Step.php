<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

/**
 * Gathers what one step does, while it is being done.
 */
final class Step
{
    /** @var array<string, array{Journaled, array<string, mixed>|null, bool}> object, state before, still there */
    private array $touched = [];

    private string $about = '';

    private string $consequence = '';

    private int $things = 0;

    /** To be called before the object is changed. */
    public function touch(Journaled $object): void
    {
        $this->touched[self::key($object)] ??= [$object, $object->state(), true];
    }

    public function isTouched(Journaled $object): bool
    {
        return isset($this->touched[self::key($object)]);
    }

    /** The object was made in this step. */
    public function made(Journaled $object): void
    {
        $this->touched[self::key($object)] ??= [$object, null, true];
    }

    /** The object is removed in this step. */
    public function removed(Journaled $object): void
    {
        $this->touch($object);
        $this->touched[self::key($object)][2] = false;
    }

    /**
     * What the entry will say: the first call counts for $about, the last for $consequence.
     *
     * @param int $things to how many it was done that are meant by this call; none where it is not named again
     */
    public function say(string $about, string $consequence = '', int $things = 1): void
    {
        $this->things += '' === $about ? 0 : $things;
        $this->about = '' === $this->about ? $about : $this->about;
        $this->consequence = $consequence;
    }

    /** Said behind the rest: what went along with it. */
    public function addTo(string $consequence): void
    {
        $this->consequence = '' === $this->consequence ? $consequence : $this->consequence.'; '.$consequence;
    }

    public function about(): string
    {
        return $this->about;
    }

    /** To how many it was done, without what changed along with them. */
    public function things(): int
    {
        return $this->things;
    }

    public function consequence(): string
    {
        return $this->consequence;
    }

    /** @return list<Change> without objects that are as they were */
    public function changes(Lifts $lifts = new Lifts()): array
    {
        $changes = [];
        foreach ($this->touched as [$object, $before, $there]) {
            $after = $there ? $object->state() : null;
            if ($before !== $after) {
                $changes[] = new Change($object->ref(), $before, $after, $lifts->version($object->ref()->kind));
            }
        }

        return $changes;
    }

    private static function key(Journaled $object): string
    {
        return $object->ref()->kind->value.' '.$object->ref()->id;
    }
}
