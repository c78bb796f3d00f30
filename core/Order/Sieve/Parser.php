<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order\Sieve;

/**
 * Reads a script by its grammar (RFC 5228, 8): what its commands mean is told by ReadSieve.
 */
final class Parser
{
    /** What strangers wrote is bounded: bytes of a script, and how deep its blocks and tests lie. */
    public const LONGEST = 1_000_000;

    private const DEEPEST = 30;

    /** A token, or what stands between tokens (RFC 5228, 8.1). */
    private const TOKEN = '~\G(?:(?<space>\s+)|\#(?<comment>[^\n]*)|/\*(?<long>.*?)\*/'
        .'|text:[ \t]*(?:\#[^\n]*)?\n(?<multi>.*?)(?:^|\n)\.(?:\n|$)'
        .'|"(?<string>(?:[^"\\\\]|\\\\.)*+)"|(?<number>\d+)(?<unit>[KMGkmg])?|:(?<tag>[A-Za-z_]\w*)|(?<word>[A-Za-z_]\w*)'
        .'|(?<sign>[\[\](){},;]))~sm';

    /** Tags that are followed by an argument of their own. */
    private const WITH_ARGUMENT = [
        'over', 'under', 'comparator', 'days', 'seconds', 'subject', 'from', 'addresses', 'handle', 'value', 'count', 'flags', 'content',
        'zone', 'mailboxid',
    ];

    /** @var list<array{string, string|int, int}> kind, value, line */
    private array $tokens = [];

    private int $at = 0;

    private string $comment = '';

    private function __construct(private readonly string $script)
    {
    }

    /**
     * @return list<Command>
     *
     * @throws SieveError
     */
    public static function parse(string $script): array
    {
        if (\strlen($script) > self::LONGEST) {
            throw new SieveError('The script is longer than a megabyte.');
        }
        $parser = new self(str_replace("\r\n", "\n", mb_scrub($script)));
        $parser->cut();

        return $parser->commands(false, 0);
    }

    /** @throws SieveError */
    private function cut(): void
    {
        $offset = 0;
        $line = 1;
        $length = \strlen($this->script);
        while ($offset < $length) {
            if (1 !== preg_match(self::TOKEN, $this->script, $m, \PREG_UNMATCHED_AS_NULL, $offset)) {
                throw new SieveError(\sprintf('Line %d: this is no Sieve.', $line));
            }
            match (true) {
                null !== $m['comment'] => $this->tokens[] = ['comment', trim($m['comment']), $line],
                null !== $m['long'] => $this->tokens[] = ['comment', trim($m['long']), $line],
                null !== $m['multi'] => $this->tokens[] = ['string', (string) preg_replace('/^\.\./m', '.', $m['multi']), $line],
                null !== $m['string'] => $this->tokens[] = ['string', (string) preg_replace('/\\\\(.)/s', '$1', $m['string']), $line],
                null !== $m['number'] => $this->tokens[] = ['number', self::number($m['number'], $m['unit'] ?? ''), $line],
                null !== $m['tag'] => $this->tokens[] = ['tag', strtolower($m['tag']), $line],
                null !== $m['word'] => $this->tokens[] = ['word', strtolower($m['word']), $line],
                null !== $m['sign'] => $this->tokens[] = ['sign', $m['sign'], $line],
                default => null,
            };
            $line += substr_count((string) $m[0], "\n");
            $offset += \strlen((string) $m[0]);
        }
    }

    private static function number(string $digits, string $unit): int
    {
        return (int) min((float) $digits * match (strtoupper($unit)) {
            'K' => 1024,
            'M' => 1024 ** 2,
            'G' => 1024 ** 3,
            default => 1,
        }, 4e15);
    }

    /**
     * @return list<Command>
     *
     * @throws SieveError
     */
    private function commands(bool $inBlock, int $depth): array
    {
        $commands = [];
        while (true) {
            [$kind, $value, $line] = $this->next();
            if ('end' === $kind) {
                return $inBlock ? throw new SieveError(\sprintf('Line %d: a block has no end.', $line)) : $commands;
            }
            if ('sign' === $kind && '}' === $value && $inBlock) {
                return $commands;
            }
            if ('word' !== $kind) {
                throw new SieveError(\sprintf('Line %d: a command was expected.', $line));
            }
            $commands[] = $this->command((string) $value, $line, $depth + 1, true);
        }
    }

    /** @throws SieveError */
    private function command(string $name, int $line, int $depth, bool $isAction): Command
    {
        if ($depth > self::DEEPEST) {
            throw new SieveError(\sprintf('Line %d: this lies too deep.', $line));
        }
        $comment = $this->comment;
        $this->comment = '';
        [$tags, $arguments, $tests] = [[], [], []];
        while (true) {
            [$kind, $value, $at] = $this->peek();
            if ('tag' === $kind) {
                $this->next();
                $tags[(string) $value] = \in_array($value, self::WITH_ARGUMENT, true) ? $this->argument() : true;
            } elseif ('string' === $kind || 'number' === $kind || ('sign' === $kind && '[' === $value)) {
                $arguments[] = $this->argument();
            } elseif ('word' === $kind) {
                $this->next();
                $tests[] = $this->command((string) $value, $at, $depth + 1, false);
            } elseif ('sign' === $kind && '(' === $value) {
                $this->next();
                do {
                    [$inner, $word, $where] = $this->next();
                    if ('word' !== $inner) {
                        throw new SieveError(\sprintf('Line %d: a test was expected.', $where));
                    }
                    $tests[] = $this->command((string) $word, $where, $depth + 1, false);
                    [, $sign, $where] = $this->next();
                } while (',' === $sign);
                ')' === $sign || throw new SieveError(\sprintf('Line %d: ")" is missing.', $where));
            } else {
                break;
            }
        }
        if (!$isAction) {
            return new Command($name, $tags, $arguments, $tests, [], $line);
        }
        [, $sign, $at] = $this->next();

        return match ($sign) {
            ';' => new Command($name, $tags, $arguments, $tests, [], $line, $comment),
            '{' => new Command($name, $tags, $arguments, $tests, $this->commands(true, $depth), $line, $comment),
            default => throw new SieveError(\sprintf('Line %d: ";" is missing.', $at)),
        };
    }

    /**
     * @return list<string>|int
     *
     * @throws SieveError
     */
    private function argument(): array|int
    {
        [$kind, $value, $line] = $this->next();
        if ('string' === $kind) {
            return [(string) $value];
        }
        if ('number' === $kind) {
            return (int) $value;
        }
        $strings = [];
        if ('sign' !== $kind || '[' !== $value) {
            throw new SieveError(\sprintf('Line %d: an argument was expected.', $line));
        }
        do {
            [$kind, $value, $line] = $this->next();
            'string' === $kind || throw new SieveError(\sprintf('Line %d: a text was expected.', $line));
            $strings[] = (string) $value;
            [, $sign, $line] = $this->next();
        } while (',' === $sign);

        return ']' === $sign ? $strings : throw new SieveError(\sprintf('Line %d: "]" is missing.', $line));
    }

    /** @return array{string, string|int, int} */
    private function next(): array
    {
        $token = $this->peek();
        ++$this->at;

        return $token;
    }

    /** @return array{string, string|int, int} the next that is no comment; the last comment is kept */
    private function peek(): array
    {
        while ('comment' === ($this->tokens[$this->at][0] ?? '')) {
            $this->comment = (string) $this->tokens[$this->at][1];
            ++$this->at;
        }
        $last = $this->tokens[\count($this->tokens) - 1][2] ?? 1;

        return $this->tokens[$this->at] ?? ['end', '', $last];
    }
}
