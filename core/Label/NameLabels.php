<?php

declare(strict_types=1);

namespace ZippyTray\Core\Label;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Refused;

/**
 * The labels of given names; those that there are not yet are made.
 */
final readonly class NameLabels
{
    /** So many labels somebody can have: with more, none is found again. */
    public const MOST = 300;

    public function __construct(private Labels $labels)
    {
    }

    /**
     * @param list<string> $names
     *
     * @return list<LabelId>
     *
     * @throws Refused when a name cannot be, or there are too many
     */
    public function __invoke(AccountId $accountId, array $names, Step $step): array
    {
        $all = [] === $names ? new ShownLabels([]) : $this->labels->all($accountId);

        // Two of these names are never one, so that what is made on the way need not be looked through.
        return array_map(
            fn (string $name): LabelId => ($all->named($name) ?? $this->make($accountId, $name, null, $step))->id,
            LabelName::each($names),
        );
    }

    /**
     * @param Colour|null $colour null: the next one
     *
     * @throws Refused when the name cannot be, or there are too many
     */
    public function make(AccountId $accountId, string $name, ?Colour $colour, Step $step): Label
    {
        $all = $this->labels->all($accountId);
        $count = \count($all->all());
        if ($count >= self::MOST) {
            throw new Refused(\sprintf('You have %d labels already. Merge or delete some first.', $count), 'labels');
        }
        $nth = 1;
        while ($all->has($id = LabelId::of($accountId, $name, $nth))) {
            ++$nth;
        }
        $colours = Colour::cases();
        $label = new Label($id, $accountId, $name, $colour ?? $colours[(1 + $count) % \count($colours)]);
        $this->labels->add($label);
        $step->made($label);

        return $label;
    }
}
