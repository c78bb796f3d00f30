<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Files;

/**
 * Files that are attached to tasks.
 */
#[Route('/api/files')]
final readonly class FileController
{
    public function __construct(private Files $files)
    {
    }

    #[Route('', methods: 'POST')]
    public function take(#[CurrentUser] Account $account, Request $request): JsonResponse
    {
        $file = $request->files->get('file');
        if (!$file instanceof UploadedFile) {
            throw new Refused('No file arrived. Choose one, and try again.', 'files');
        }
        if (!$file->isValid()) {
            throw new Refused(\sprintf('"%s" did not arrive whole: %s', $file->getClientOriginalName(), $file->getErrorMessage()), 'files');
        }

        return new JsonResponse(
            $this->files->take(
                $account->id,
                $file->getClientOriginalName(),
                (string) (new \finfo(\FILEINFO_MIME_TYPE))->file($file->getPathname()),
                $file->getContent(),
            ),
            Response::HTTP_CREATED,
        );
    }

    #[Route('/{id}', requirements: ['id' => Requirement::UUID], methods: 'GET')]
    public function read(#[CurrentUser] Account $account, string $id): Response
    {
        [$file, $bytes] = $this->files->read($account->id, $id);

        return HarmlessFile::response($bytes, $file['type'], $file['name']);
    }
}
