<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Log\LoggerInterface;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Mailroom\ImportMail;
use ZippyTray\Server\Mailroom\ImportOutcome;
use ZippyTray\Server\Store\DatabaseTrouble;

final readonly class ImportController
{
    /** Nobody waits for more; the worker reads the rest. */
    private const ADVISED = 50;

    /** One JSON text in each line. */
    private const LINES = 'application/x-ndjson';

    public function __construct(private LoggerInterface $logger)
    {
    }

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
    public function __invoke(#[CurrentUser] Account $account, Request $request, ImportMail $import): Response
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
            throw new Refused(
                \sprintf(
                    'These are too many files for one time, and it cannot be told whether all have arrived. Nothing was taken in; bring at '
                        .'most %d.',
                    $most - 1,
                ),
                'files',
            );
        }
        foreach ($files as $file) {
            if (!$file instanceof UploadedFile || !$file->isValid()) {
                throw new Refused(
                    $file instanceof UploadedFile
                    ? \sprintf('"%s" did not arrive whole: %s', $file->getClientOriginalName(), $file->getErrorMessage())
                    : 'No file arrived.',
                    'files',
                );
            }
        }

        $into = 'archive' === $request->request->get('into') ? Place::Archive : Place::Tray;

        return \in_array(self::LINES, $request->getAcceptableContentTypes(), true)
            ? $this->told(static fn (\Closure $progress): ImportOutcome => $import(
                $account,
                self::paths($files),
                $into,
                $progress,
                self::ADVISED,
            ))
            : new JsonResponse($import($account, self::paths($files), $into, advised: self::ADVISED));
    }

    /**
     * A line after each few messages with what became of them, and one at the end. PHP ends when nobody reads them any
     * more; what has been kept by then stays.
     *
     * @param \Closure(\Closure(ImportOutcome): void): ImportOutcome $work
     */
    private function told(\Closure $work): StreamedResponse
    {
        return new StreamedResponse(function () use ($work): void {
            $said = new ImportOutcome();
            $tell = static function (ImportOutcome $outcome) use (&$said): void {
                self::say([
                    'position' => $outcome->position,
                    'new' => $outcome->new - $said->new,
                    'known' => $outcome->known - $said->known,
                    'refused' => \array_slice($outcome->refused, \count($said->refused)),
                ]);
                $said = clone $outcome;
            };
            try {
                $work($tell);
                self::say(['done' => true]);
            } catch (\Throwable $problem) {
                $this->logger->error($problem->getMessage(), ['exception' => $problem]);
                self::say(
                    ['problem' => DatabaseTrouble::sentence($problem) ?? 'Something went wrong here. What was read until then is kept; go '
                        .'on in a moment.'],
                );
            }
        }, headers: ['Content-Type' => self::LINES, 'Cache-Control' => 'no-store', 'X-Accel-Buffering' => 'no']);
    }

    /** @param array{position?: int, new?: int, known?: int, refused?: list<mixed>, done?: true, problem?: string} $line */
    private static function say(array $line): void
    {
        echo json_encode($line, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE | \JSON_UNESCAPED_UNICODE), "\n";
        ob_get_level() > 0 && ob_flush();
        flush();
    }
}
