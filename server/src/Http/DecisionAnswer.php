<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use ZippyTray\Core\Tray\Decided;
use ZippyTray\Core\Tray\Overtaken;
use ZippyTray\Server\Read\Journal\EntryRows;

/**
 * What the page is told about a decision: its entry in the journal, and what was left as it is.
 */
final readonly class DecisionAnswer
{
    public function __construct(private EntryRows $entries)
    {
    }

    public function of(Decided $decided, int $status = 200): JsonResponse
    {
        return new JsonResponse([
            'entry' => $this->entries->of($decided->entry),
            'overtaken' => array_map(
                static fn (Overtaken $overtaken): array => [
                    'conversation' => $overtaken->conversationId,
                    'sentence' => $overtaken->getMessage(),
                ],
                $decided->overtaken,
            ),
        ], $status);
    }
}
