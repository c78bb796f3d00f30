<?php

declare(strict_types=1);

namespace ZippyTray\Core\Label;

/**
 * Which label is shown for one that something bears: itself, the one that it was merged into, or none.
 */
final readonly class ShownLabels
{
    /** @var array<string, Label> by id */
    private array $labels;

    /** @param iterable<Label> $labels all that were ever made by one person */
    public function __construct(iterable $labels)
    {
        $byId = [];
        foreach ($labels as $label) {
            $byId[$label->id->text] = $label;
        }
        $this->labels = $byId;
    }

    /** @return list<Label> those that are shown, by name */
    public function all(): array
    {
        $live = array_values(array_filter($this->labels, static fn (Label $label): bool => $label->isLive()));
        usort($live, static fn (Label $one, Label $other): int => [
            LabelName::folded($one->name()),
            $one->id->text,
        ] <=> [LabelName::folded($other->name()), $other->id->text]);

        return $live;
    }

    public function named(string $name): ?Label
    {
        foreach ($this->all() as $label) {
            if ($label->isNamed($name)) {
                return $label;
            }
        }

        return null;
    }

    /** @return Label|null null when it was deleted */
    public function of(string $id): ?Label
    {
        $seen = [];
        while (null !== $label = $this->labels[$id] ?? null) {
            if ($label->isDeleted() || isset($seen[$id])) {
                return null;
            }
            $seen[$id] = true;
            if (null === $label->into()) {
                return $label;
            }
            $id = $label->into()->text;
        }

        return null;
    }

    /**
     * @param list<string> $ids  what something bears
     * @param bool         $done whether that is dealt with
     *
     * @return list<Label> each once, by name
     */
    public function borne(array $ids, bool $done): array
    {
        $shown = [];
        foreach ($ids as $id) {
            $label = $this->of($id);
            if (null !== $label && !($done && $label->isUntilDealt())) {
                $shown[$label->id->text] = $label;
            }
        }

        return array_values(array_filter($this->all(), static fn (Label $label): bool => isset($shown[$label->id->text])));
    }

    /** @return list<string> the ids for which that label is shown, its own among them */
    public function shownAs(LabelId $id): array
    {
        return array_values(array_filter(
            array_map(strval(...), array_keys($this->labels)),
            fn (string $one): bool => true === $this->of($one)?->id->is($id),
        ));
    }

    /** @return list<string> the ids for which a label of that name is shown */
    public function shownNamed(string $name): array
    {
        $label = $this->named($name);

        return null === $label ? [] : $this->shownAs($label->id);
    }

    public function has(LabelId $id): bool
    {
        return isset($this->labels[$id->text]);
    }
}
