<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

/**
 * The messages of a conversation about which there is something to decide: what others wrote since the person last wrote
 * or decided; when there is none, the newest by others. What the program wrote in their name is no word of theirs.
 */
final readonly class Undecided
{
    /**
     * @param list<array{id: string, own: bool, byItself: bool, importedAt: string}> $messages  oldest first; times in a form that sorts
     * @param string                                                                 $decidedAt in the same form; empty when it never was
     *
     * @return non-empty-list<string>|array{} ids, oldest first; empty only where there is no message
     */
    public static function of(array $messages, string $decidedAt): array
    {
        $theirs = array_values(array_filter($messages, static fn (array $message): bool => !$message['byItself'])) ?: $messages;
        [$since, $newest] = [[], $theirs[\count($theirs) - 1]['id'] ?? null];
        foreach ($theirs as ['id' => $id, 'own' => $own, 'importedAt' => $importedAt]) {
            if ($own) {
                $since = [];
                continue;
            }
            $newest = $id;
            if ($importedAt > $decidedAt) {
                $since[] = $id;
            }
        }

        return [] !== $since ? $since : (null === $newest ? [] : [$newest]);
    }
}
