<?php

declare(strict_types=1);

namespace ZippyTray\Bench;

/**
 * What one request took.
 */
final readonly class Asked
{
    /**
     * @param float $wall  milliseconds until the answer was read
     * @param float $cpu   milliseconds of the processor's time that the server's process took for it (Server-Timing)
     * @param int   $bytes of the answer's body
     */
    public function __construct(public float $wall, public float $cpu, public int $bytes)
    {
    }

    /** @param callable(): array{status: int, headers: string, body: string} $ask */
    public static function of(callable $ask): self
    {
        $began = hrtime(true);
        $answer = $ask();
        $wall = (hrtime(true) - $began) / 1_000_000;
        preg_match('/^Server-Timing: cpu;dur=([\d.]+)/mi', $answer['headers'], $m);
        200 <= $answer['status'] && $answer['status'] < 300 || throw new \RuntimeException(
            "{$answer['status']}: ".substr($answer['body'], 0, 300),
        );

        return new self($wall, (float) ($m[1] ?? 0), \strlen($answer['body']));
    }
}
