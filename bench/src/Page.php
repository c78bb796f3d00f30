<?php

declare(strict_types=1);

namespace ZippyTray\Bench;

use Symfony\Component\Console\Style\SymfonyStyle;

/**
 * The page itself, in Chromium.
 */
final class Page
{
    /**
     * @param list<Folder> $folders
     *
     * @return array<string, array<string, float|int>> by the folders' labels
     */
    public static function report(array $folders, SymfonyStyle $style): array
    {
        $report = [];
        foreach ($folders as $folder) {
            $process = proc_open(
                ['node', \dirname(__DIR__).'/page.mjs', 'http://127.0.0.1:'.$folder->server->port(), ...array_values(Folder::access())],
                [1 => ['pipe', 'w'], 2 => \STDERR],
                $pipes,
            );
            \is_resource($process) || throw new \RuntimeException('Node did not start.');
            $said = (string) stream_get_contents($pipes[1]);
            proc_close($process);
            /** @var array<string, float|int>|null $figures */
            $figures = json_decode($said, true);
            $report[$folder->label()] = $figures ?? throw new \RuntimeException('The page: '.$said);
        }
        $rows = [];
        foreach (array_keys(reset($report) ?: []) as $name) {
            $rows[] = [
                $name,
                ...array_map(static fn (array $figures): string => number_format((float) $figures[$name], 1), array_values($report)),
            ];
        }
        $style->table(['page', ...array_map(strval(...), array_keys($report))], $rows);

        return $report;
    }
}
