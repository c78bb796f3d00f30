<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZippyTray\Server\Account\Account;

/**
 * Gives out the one page, whose script shows the view that the address names.
 */
final readonly class PageController
{
    public function __construct(
        #[Autowire('%kernel.project_dir%/server/public/build/index.html')]
        private string $page,
        private Security $security,
        private SessionState $state,
    ) {
    }

    /**
     * Where the provider of a mailbox leads back to. The browser does not say who is signed in to a page to which it was led from
     * elsewhere (SameSite=Strict); so this one leads it on, from here.
     */
    #[Route(MailSignIns::BACK, methods: 'GET')]
    public function leadOn(Request $request): Response
    {
        $query = http_build_query(array_map(
            static fn (mixed $value): string => \is_string($value) ? mb_strcut($value, 0, 4000) : '',
            array_intersect_key($request->query->all(), ['code' => true, 'state' => true, 'error' => true]),
        ));

        return new Response(
            '<!doctype html><title>Zippy Tray</title><meta http-equiv="refresh" content="0;url=/settings?'
                .htmlspecialchars($query, \ENT_QUOTES | \ENT_HTML5).'#mailboxes">',
            headers: ['Cache-Control' => 'no-store', 'Referrer-Policy' => 'no-referrer'],
        );
    }

    #[Route('/{path}', requirements: ['path' => '(?!api/).*'], methods: 'GET', priority: -10)]
    public function __invoke(Request $request): Response
    {
        if (!is_file($this->page)) {
            return new Response(
                'The front end is not built yet: run ./zippy setup.',
                Response::HTTP_SERVICE_UNAVAILABLE,
                ['Content-Type' => 'text/plain'],
            );
        }
        $page = (string) file_get_contents($this->page);
        $account = $this->account($request);
        if (null === $account) {
            return new Response($page, headers: ['Cache-Control' => 'no-cache']);
        }
        // What the page would ask for first stands in it (a data block, WHATWG HTML 4.12.1; nothing in its JSON is markup).
        $session = '<script type="application/json" id="session">'.$this->state->response($account)->getContent().'</script>';
        $headers = ['Cache-Control' => 'no-store'];
        if ('/' === $request->getPathInfo()) {
            // The browser asks for the tray while it still reads the script (Link, RFC 8288; preload, WHATWG HTML).
            $headers['Link'] = '</api/tray>; rel=preload; as=fetch; crossorigin';
        }

        return new Response(str_replace('</body>', $session.'</body>', $page), headers: $headers);
    }

    /**
     * Who is signed in. A refusal that is asked for ahead would be kept by the browser and taken for the answer after
     * somebody has signed in.
     */
    private function account(Request $request): ?Account
    {
        try {
            $user = $request->hasPreviousSession() ? $this->security->getUser() : null;

            return $user instanceof Account ? $user : null;
        } catch (\Throwable) {
            // What is wrong with the database the page says.
            return null;
        }
    }
}
