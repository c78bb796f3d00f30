<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Response;

/**
 * Somebody's file as an answer that can do nothing in the browser.
 */
final readonly class HarmlessFile
{
    /** Pictures that a browser shows without running anything; all else is only ever downloaded. */
    private const SHOWN = ['image/png', 'image/jpeg', 'image/gif', 'image/webp'];

    /** Bytes of a name; most systems take 255. */
    private const NAME = 200;

    /** @param bool $asIs whether the type is given as it is, though the file is downloaded */
    public static function response(string $bytes, string $type, string $name, bool $asIs = false): Response
    {
        return self::download(
            new Response($bytes),
            $asIs || \in_array($type, self::SHOWN, true) ? $type : 'application/octet-stream',
            $name,
        );
    }

    /** @param string $type as it is said to be */
    public static function download(Response $response, string $type, string $name): Response
    {
        $name = mb_strcut(
            str_replace(['/', '\\', '%'], ' ', (string) preg_replace('/[\x00-\x1f\x7f]/', ' ', mb_scrub($name))),
            0,
            self::NAME,
        );
        $plain = (string) preg_replace('/[^\x20-\x7e]/', '_', $name);
        $response->headers->add([
            'Content-Type' => $type,
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, $name, $plain),
            'Content-Security-Policy' => "default-src 'none'; sandbox",
        ]);

        return $response;
    }
}
