<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/**
 * Gives out the one page, whose script shows the view that the address names.
 */
final readonly class PageController
{
    public function __construct(#[Autowire('%kernel.project_dir%/server/public/build/index.html')] private string $page)
    {
    }

    #[Route('/{path}', requirements: ['path' => '(?!api/).*'], methods: 'GET', priority: -10)]
    public function __invoke(): Response
    {
        if (!is_file($this->page)) {
            return new Response('The front end is not built yet: run ./zippy setup.', Response::HTTP_SERVICE_UNAVAILABLE, ['Content-Type' => 'text/plain']);
        }

        return new Response((string) file_get_contents($this->page), headers: ['Cache-Control' => 'no-cache']);
    }
}
