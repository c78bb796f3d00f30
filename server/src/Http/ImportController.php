<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Mailroom\ImportMail;

final readonly class ImportController
{
    #[Route('/api/imports', methods: 'POST')]
    public function __invoke(#[CurrentUser] Account $account, Request $request, ImportMail $import): JsonResponse
    {
        // A large file takes longer than a page may.
        set_time_limit(0);
        $files = $request->files->all('files');
        if ([] === $files) {
            throw new Refused('No file arrived. Choose one or more .eml or mbox files.', 'files');
        }
        $paths = [];
        foreach ($files as $file) {
            if (!$file instanceof UploadedFile || !$file->isValid()) {
                throw new Refused($file instanceof UploadedFile ? \sprintf('"%s" did not arrive whole: %s', $file->getClientOriginalName(), $file->getErrorMessage()) : 'No file arrived.', 'files');
            }
            $paths[$file->getClientOriginalName()] = $file->getPathname();
        }

        return new JsonResponse($import($account, $paths, 'archive' === $request->request->get('into') ? Place::Archive : Place::Tray));
    }
}
