<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

/**
 * What became of the messages of an import.
 */
final class ImportOutcome implements \JsonSerializable
{
    public int $new = 0;

    public int $known = 0;

    /** Of the messages that have been read. */
    public int $bytes = 0;

    /** Where the last one that was kept begins in its file, in bytes: who stops can go on from there. */
    public int $position = 0;

    /** @var list<array{file: string, position: int, error: string}> position in bytes from the file's beginning */
    public array $refused = [];

    public function refuse(string $file, int $position, string $error): void
    {
        $this->refused[] = ['file' => $file, 'position' => $position, 'error' => $error];
    }

    public function read(): int
    {
        return $this->new + $this->known + \count($this->refused);
    }

    /** @return array{read: int, new: int, known: int, refused: list<array{file: string, position: int, error: string}>} */
    public function jsonSerialize(): array
    {
        return ['read' => $this->read(), 'new' => $this->new, 'known' => $this->known, 'refused' => $this->refused];
    }
}
