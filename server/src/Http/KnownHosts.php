<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Exception\SuspiciousOperationException;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\RequestEvent;

/**
 * Answers only under names that are its own. Otherwise a web site whose name is made to lead to this machine could use
 * the program from within somebody's browser as if it were its page (DNS rebinding).
 */
#[AsEventListener(priority: 4096)]
final readonly class KnownHosts
{
    private const OWN = ['localhost', '127.0.0.1', '[::1]'];

    /** @param string $more names of ZIPPY_HOSTS, separated by commas; "*.ternpoint.example" is all that end so */
    public function __construct(#[Autowire('%env(ZIPPY_HOSTS)%')] private string $more)
    {
    }

    public function __invoke(RequestEvent $event): void
    {
        try {
            $host = strtolower($event->getRequest()->getHost());
        } catch (SuspiciousOperationException) {
            $host = '';
        }
        foreach ([...self::OWN, ...explode(',', strtolower($this->more))] as $known) {
            $known = trim($known);
            if ($host === $known || (str_starts_with($known, '*.') && str_ends_with($host, substr($known, 1)))) {
                return;
            }
        }
        $event->setResponse(new Response(
            'Zippy Tray does not answer under this name. If it is meant to, start it with ZIPPY_HOSTS naming the name, as in '
                ."ZIPPY_HOSTS=tray.example ./zippy serve.\n",
            Response::HTTP_MISDIRECTED_REQUEST,
            ['Content-Type' => 'text/plain; charset=utf-8'],
        ));
    }
}
