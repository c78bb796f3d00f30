<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/**
 * Gives out the one page, whose script shows the view that the address names.
 */
final readonly class PageController
{
    public function __construct(
        #[Autowire('%kernel.project_dir%/server/public/build/index.html')]
        private string $page,
        private Security $security,
    ) {
    }

    #[Route('/{path}', requirements: ['path' => '(?!api/).*'], methods: 'GET', priority: -10)]
    public function __invoke(Request $request): Response
    {
        if (!is_file($this->page)) {
            return new Response('The front end is not built yet: run ./zippy setup.', Response::HTTP_SERVICE_UNAVAILABLE, ['Content-Type' => 'text/plain']);
        }
        $headers = ['Cache-Control' => 'no-cache'];
        if ('/' === $request->getPathInfo() && $this->isSignedIn($request)) {
            // The browser asks for the tray while it still reads the script (Link, RFC 8288; preload, WHATWG HTML).
            $headers['Link'] = '</api/tray>; rel=preload; as=fetch; crossorigin';
        }

        return new Response((string) file_get_contents($this->page), headers: $headers);
    }

    /** A refusal would be kept by the browser and taken for the answer after somebody has signed in. */
    private function isSignedIn(Request $request): bool
    {
        try {
            return $request->hasPreviousSession() && null !== $this->security->getUser();
        } catch (\Throwable) {
            // What is wrong with the database the page says.
            return false;
        }
    }
}
