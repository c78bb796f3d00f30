<?php

declare(strict_types=1);

namespace ZippyTray\Demo;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * The letters of the demo: sources of messages (RFC 5322) in which dates are written relative to
 * the moment of seeding.
 */
final readonly class Letters
{
    public function __construct(#[Autowire('%kernel.project_dir%/demo/letters')] private string $folder)
    {
    }

    /**
     * @param string $box tray, archive or mail-in
     *
     * @return list<string> the filled-in sources in the order in which they were written
     */
    public function of(string $box, RelativeDate $dates): array
    {
        $letters = [];
        foreach (glob($this->folder.'/'.$box.'/*.eml') ?: [] as $file) {
            $source = (string) file_get_contents($file);
            $sent = 1 === preg_match('/\{\{([^{}|]+)\|r\}\}/', $source, $m) ? $dates->read($m[1])->getTimestamp() : 0;
            $letters[\sprintf('%012d %s', $sent, $file)] = $dates->fill($source);
        }
        ksort($letters);

        return array_values($letters);
    }
}
