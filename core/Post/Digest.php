<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\Time\LocalDate;

/**
 * What a morning brings, in the words of a message to oneself.
 *
 * @phpstan-type DigestLine array{text: string, path: string}
 */
final readonly class Digest
{
    /** Lines of one kind at the most. */
    private const MOST = 20;

    /**
     * @param list<DigestLine> $due     tasks that are due today or over; the path leads to the sheet
     * @param list<DigestLine> $back    what comes back today
     * @param list<DigestLine> $owed    answers that are owed today or overdue
     * @param string           $address of the program, without a slash at its end
     */
    public function __construct(private array $due, private array $back, private array $owed, private string $address)
    {
    }

    public function isEmpty(): bool
    {
        return [] === $this->due && [] === $this->back && [] === $this->owed;
    }

    public function subject(LocalDate $today): string
    {
        $parts = array_filter([
            [] === $this->due ? '' : \sprintf('%d due', \count($this->due)),
            [] === $this->back ? '' : \sprintf('%d back', \count($this->back)),
            [] === $this->owed ? '' : \sprintf('%d owed', \count($this->owed)),
        ]);

        return $today->format('l j F').': '.([] === $parts ? 'nothing in particular' : implode(', ', $parts));
    }

    public function text(): string
    {
        $parts = [];
        foreach (['Due' => $this->due, 'Comes back' => $this->back, 'Owed to you' => $this->owed] as $name => $lines) {
            if ([] === $lines) {
                continue;
            }
            $shown = array_map(
                fn (array $line): string => \sprintf("- %s\n  %s%s", $line['text'], $this->address, $line['path']),
                \array_slice($lines, 0, self::MOST),
            );
            if (\count($lines) > self::MOST) {
                $shown[] = \sprintf('- and %d more', \count($lines) - self::MOST);
            }
            $parts[] = $name."\n".implode("\n", $shown);
        }

        return implode("\n\n", $parts)."\n";
    }
}
