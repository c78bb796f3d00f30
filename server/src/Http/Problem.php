<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;

/**
 * Problem details (RFC 9457).
 */
final readonly class Problem
{
    /**
     * @param string               $sentence what went wrong, and if possible what to do, for the person
     * @param array<string, mixed> $members  more members of the problem
     */
    public static function of(int $status, string $sentence, array $members = []): JsonResponse
    {
        return new JsonResponse(
            [
                'type' => 'about:blank',
                'title' => Response::$statusTexts[$status] ?? 'Problem',
                'status' => $status,
                'detail' => $sentence,
            ] + $members,
            $status,
            ['Content-Type' => 'application/problem+json'],
        );
    }
}
