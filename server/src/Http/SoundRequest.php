<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\RequestEvent;

/**
 * Refuses what no request of ours can hold, wherever it stands in it, before anybody reads it: what is no UTF-8,
 * characters that the database would cut at, nothing within a list, and lists without end.
 */
#[AsEventListener(priority: 24)]
final readonly class SoundRequest
{
    private const DEPTH = 32;

    /** Values of one list. */
    private const LIST = 15_000;

    public function __invoke(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->isMainRequest() || !str_starts_with($request->getPathInfo(), '/api/')) {
            return;
        }
        $path = rawurldecode($request->getPathInfo());
        if (!self::isText($path) || !self::areTexts($request->query->all())) {
            $event->setResponse(Problem::of(
                Response::HTTP_BAD_REQUEST,
                'The request could not be understood. Reload the page, then try again.',
            ));

            return;
        }
        if ('json' !== $request->getContentTypeFormat() || '' === $request->getContent()) {
            return;
        }
        $problem = $this->problem($request->getContent());
        if (null !== $problem) {
            $event->setResponse(Problem::of(Response::HTTP_UNPROCESSABLE_ENTITY, $problem));
        }
    }

    private function problem(string $body): ?string
    {
        $value = json_decode($body, true, self::DEPTH);
        if (\JSON_ERROR_NONE !== json_last_error()) {
            return 'The request could not be understood. Reload the page, then try again.';
        }

        return \is_array($value) ? $this->problemIn($value) : 'The request could not be understood. Reload the page, then try again.';
    }

    /** @param array<mixed> $value */
    private function problemIn(array $value): ?string
    {
        $isList = array_is_list($value) && [] !== $value;
        if ($isList && \count($value) > self::LIST) {
            return \sprintf('So much cannot be done in one step; %s at most.', number_format(self::LIST));
        }
        foreach ($value as $name => $inner) {
            $problem = match (true) {
                $isList && null === $inner => 'A list in the request holds nothing where something should be. Reload the page, then try '
                    .'again.',
                \is_array($inner) => $this->problemIn($inner),
                \is_string($inner) && str_contains($inner, "\0") => 'The text holds a character that cannot be kept (NUL). Take it out, '
                    .'and try again.',
                \is_string($name) && str_contains($name, "\0") => 'The request could not be understood. Reload the page, then try again.',
                default => null,
            };
            if (null !== $problem) {
                return $problem;
            }
        }

        return null;
    }

    /** @param array<mixed> $values */
    private static function areTexts(array $values): bool
    {
        foreach ($values as $name => $value) {
            if (!self::isText((string) $name)
                || (\is_array($value) ? !self::areTexts($value) : \is_string($value) && !self::isText($value))) {
                return false;
            }
        }

        return true;
    }

    private static function isText(string $text): bool
    {
        return mb_check_encoding($text, 'UTF-8') && !str_contains($text, "\0");
    }
}
