<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Importance\CorrectionAbout;

/**
 * How much a conversation matters, and why.
 *
 * @phpstan-import-type Choice from Importances
 */
final readonly class ImportanceView
{
    /**
     * @param int|null                                                                     $score   from 0 to 100; null while it is not read
     * @param list<string>                                                                 $reasons
     * @param list<array{about: CorrectionAbout, name: string, said: CorrectionView|null}> $choices other mail for which a word counts
     */
    private function __construct(public ?int $score, public ?AdvisedDecision $advised, public array $reasons, public array $choices)
    {
    }

    public static function none(): self
    {
        return new self(null, null, [], []);
    }

    /** @param list<Choice> $choices */
    public static function of(Weighed $weighed, array $choices): self
    {
        return new self(
            $weighed->score(),
            $weighed->advice->decision,
            $weighed->reasons(),
            array_map(
                static fn (array $one): array => ['about' => $one['about'], 'name' => $one['name'], 'said' => $one['said']],
                $choices,
            ),
        );
    }
}
