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
    /** Nobody waits for more; the worker reads the rest. */
    private const ADVISED = 50;

    /**
     * @param array<mixed> $files
     *
     * @return iterable<string, string>
     */
    private static function paths(array $files): iterable
    {
        foreach ($files as $file) {
            if ($file instanceof UploadedFile) {
                yield $file->getClientOriginalName() => $file->getPathname();
            }
        }
    }

    #[Route('/api/imports', methods: 'POST')]
    public function __invoke(#[CurrentUser] Account $account, Request $request, ImportMail $import): JsonResponse
    {
        // A large file takes longer than a page may.
        set_time_limit(0);
        $files = $request->files->all('files');
        if ([] === $files) {
            throw new Refused('No file arrived. Choose one or more .eml or mbox files.', 'files');
        }
        $most = (int) \ini_get('max_file_uploads');
        if (\count($files) >= $most) {
            // PHP says nothing of those behind them.
            throw new Refused(\sprintf('These are too many files for one time, and it cannot be told whether all have arrived. Nothing was taken in; bring at most %d.', $most - 1), 'files');
        }
        foreach ($files as $file) {
            if (!$file instanceof UploadedFile || !$file->isValid()) {
                throw new Refused($file instanceof UploadedFile ? \sprintf('"%s" did not arrive whole: %s', $file->getClientOriginalName(), $file->getErrorMessage()) : 'No file arrived.', 'files');
            }
        }

        return new JsonResponse($import($account, self::paths($files), 'archive' === $request->request->get('into') ? Place::Archive : Place::Tray, advised: self::ADVISED));
    }
}
