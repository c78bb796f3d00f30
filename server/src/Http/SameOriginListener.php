<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\Security\Csrf\CsrfToken;
use Symfony\Component\Security\Csrf\CsrfTokenManagerInterface;

/**
 * Lets nothing be changed by a request that another site made a browser send.
 */
#[AsEventListener(priority: 16)]
final readonly class SameOriginListener
{
    public const HEADER = 'X-Csrf-Token';

    public function __construct(#[Autowire(service: 'security.csrf.same_origin_token_manager')] private CsrfTokenManagerInterface $tokens)
    {
    }

    public function __invoke(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->isMainRequest() || $request->isMethodSafe() || !str_starts_with($request->getPathInfo(), '/api/')) {
            return;
        }
        if (!$this->tokens->isTokenValid(new CsrfToken('api', (string) $request->headers->get(self::HEADER)))) {
            $event->setResponse(Problem::of(
                Response::HTTP_FORBIDDEN,
                'This request did not come from Zippy Tray\'s own page, so it was not carried out.',
            ));
        }
    }
}
