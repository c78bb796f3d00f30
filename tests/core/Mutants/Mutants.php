<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Mutants;

/**
 * Small changes of a source file, each of which should make a test fail.
 */
final readonly class Mutants
{
    /** What is put in the place of an operator or a word. */
    private const INSTEAD = [
        '===' => '!==', '!==' => '===', '<' => '>=', '>' => '<=', '<=' => '>', '>=' => '<', '&&' => '||', '||' => '&&',
        '+' => '-', '-' => '+', '*' => '+', '%' => '*', '++' => '--', '--' => '++', '!' => '', '+=' => '-=', '-=' => '+=',
        'true' => 'false', 'false' => 'true', 'min' => 'max', 'max' => 'min', 'continue' => 'break',
    ];

    /**
     * @param string $source of a PHP file
     *
     * @return list<array{line: int, what: string, source: string}> in order
     */
    public static function of(string $source): array
    {
        $tokens = array_values(\PhpToken::tokenize($source));
        $mutants = [];
        foreach ($tokens as $at => $token) {
            foreach (self::changes($tokens, $at) as $what => $instead) {
                $mutants[] = [
                    'line' => $token->line,
                    'what' => $what,
                    'source' => substr($source, 0, $token->pos).$instead.substr($source, $token->pos + \strlen($token->text)),
                ];
            }
            $length = self::call($tokens, $at);
            if ($length > 0) {
                $mutants[] = [
                    'line' => $token->line,
                    'what' => trim(substr($source, $token->pos, min($length, 60))).' is left out',
                    'source' => substr($source, 0, $token->pos).substr($source, $token->pos + $length),
                ];
            }
        }

        return $mutants;
    }

    /**
     * @param list<\PhpToken> $tokens
     *
     * @return array<string, string> what is changed => what stands there instead
     */
    private static function changes(array $tokens, int $at): array
    {
        $token = $tokens[$at];
        if ($token->is(\T_LNUMBER) && 1 === preg_match('/^\d+$/', $token->text)) {
            return ["{$token->text} becomes ".(int) $token->text + 1 => (string) ((int) $token->text + 1)];
        }
        $instead = $token->is([\T_CONSTANT_ENCAPSED_STRING, \T_COMMENT, \T_DOC_COMMENT, \T_INLINE_HTML, \T_ENCAPSED_AND_WHITESPACE])
            ? null
            : self::INSTEAD[$token->text]
            ?? null;
        // A sign is no sum, and "!" before "instanceof" reads differently.
        $before = self::beside($tokens, $at, -1);
        $isSign = \in_array($token->text, ['+', '-'], true)
            && !\in_array($before?->text, [')', ']'], true)
            && true !== $before?->is([\T_VARIABLE, \T_STRING, \T_LNUMBER]);

        if (null === $instead || $isSign || self::isStrictness($tokens, $at)) {
            return [];
        }

        return ["{$token->text} becomes ".('' === $instead ? 'nothing' : $instead) => $instead];
    }

    /**
     * Whether it says that texts are looked for as they are: of ids, addresses and names nothing else is ever equal.
     *
     * @param list<\PhpToken> $tokens
     */
    private static function isStrictness(array $tokens, int $at): bool
    {
        if ('true' !== $tokens[$at]->text || ',' !== self::beside($tokens, $at, -1)?->text || !\in_array(
            self::beside($tokens, $at, 1)?->text,
            [')', ','],
            true,
        )) {
            return false;
        }
        $depth = 0;
        for ($next = $at - 1; $next > 0; --$next) {
            $depth += match ($tokens[$next]->text) {
                ')', ']', '}' => 1,
                '(', '[', '{' => -1,
                default => 0,
            };
            if ($depth < 0) {
                return \in_array(ltrim($tokens[$next - 1]->text, '\\'), ['in_array', 'array_search', 'array_keys'], true);
            }
        }

        return false;
    }

    /**
     * A call that stands as a statement of its own, for what it does.
     *
     * @param list<\PhpToken> $tokens
     *
     * @return int its length in bytes; nought when there is none
     */
    private static function call(array $tokens, int $at): int
    {
        if (!$tokens[$at]->is(\T_VARIABLE)
            || !\in_array(self::beside($tokens, $at, -1)?->text, ['{', '}', ';'], true)
            || '->' !== self::beside($tokens, $at, 1)?->text) {
            return 0;
        }
        $text = '';
        for ($next = $at; isset($tokens[$next]) && ';' !== $tokens[$next]->text; ++$next) {
            if (\in_array($tokens[$next]->text, ['=', '.=', '+=', '-=', '{', 'function', 'fn', '++', '--', '??='], true)) {
                return 0;
            }
            $text .= $tokens[$next]->text;
        }

        return \strlen($text) + 1;
    }

    /** @param list<\PhpToken> $tokens */
    private static function beside(array $tokens, int $at, int $step): ?\PhpToken
    {
        for ($next = $at + $step; isset($tokens[$next]); $next += $step) {
            if (!$tokens[$next]->isIgnorable()) {
                return $tokens[$next];
            }
        }

        return null;
    }
}
