<?php

declare(strict_types=1);

namespace ZippyTray\Server;

/**
 * In test and demo runs, a warning, notice or deprecation that the program's own code causes is an error, so that it is
 * seen. In somebody's own use it is only noted in the log.
 */
final class OwnFaults
{
    private const FOLDERS = ['core', 'server', 'demo'];

    /** Whether the environment asks for it: ZIPPY_STRICT=1. */
    public static function areErrors(string $projectFolder): void
    {
        if ('1' !== getenv('ZIPPY_STRICT')) {
            return;
        }
        $own = array_map(static fn (string $folder): string => $projectFolder.'/'.$folder.'/', self::FOLDERS);
        $before = set_error_handler(static fn (): bool => false);
        set_error_handler(static function (int $type, string $message, string $file = '', int $line = 0) use ($own, $before): bool {
            $isOwn = [] !== array_filter($own, static fn (string $folder): bool => str_starts_with($file, $folder));
            if ($isOwn && 0 !== ($type & error_reporting())) {
                throw new \ErrorException($message, 0, $type, $file, $line);
            }

            return null === $before ? false : (bool) $before($type, $message, $file, $line);
        });
    }
}
