<?php

declare(strict_types=1);

namespace ZippyTray\Server\Account;

use ZippyTray\Core\Refused;

/**
 * Which passwords are taken. Length counts more than kinds of characters (NIST SP 800-63B, 3.1.1.2); what is tried first
 * by everybody who guesses is refused.
 */
final readonly class Passwords
{
    public const SHORTEST = 10;

    public const LONGEST = 1000;

    /** What most people take, without digits and signs; many are longer with them. */
    private const COMMON = [
        'password', 'passwort', 'passw', 'letmein', 'welcome', 'willkommen', 'iloveyou', 'ichliebedich', 'admin', 'administrator',
        'login', 'master', 'dragon', 'monkey', 'sunshine', 'princess', 'football', 'fussball', 'baseball', 'superman', 'batman',
        'trustno', 'shadow', 'michael', 'jennifer', 'jordan', 'hunter', 'killer', 'charlie', 'freedom', 'whatever', 'computer',
        'internet', 'starwars', 'pokemon', 'cheese', 'summer', 'winter', 'spring', 'autumn', 'secret', 'changeme', 'default', 'test',
        'testtest', 'user', 'guest', 'root', 'access', 'hello', 'helloworld', 'hallo', 'zippytray', 'mail', 'email', 'inbox', 'qwerty',
        'azerty', 'qwertz', 'abc', 'abcdef', 'asdf', 'motdepasse', 'bonjour', 'soleil', 'contrasena', 'senha', 'haslo', 'parola',
    ];

    /** Rows of keyboards, and what everybody can count. */
    private const ROWS = [
        'qwertyuiop', 'asdfghjkl', 'zxcvbnm', 'qwertzuiop', 'yxcvbnm', 'azertyuiop', '1234567890', 'abcdefghijklmnopqrstuvwxyz',
        '1q2w3e4r5t6y7u8i9o0p', '1qaz2wsx3edc4rfv5tgb',
    ];

    private const LEET = ['0' => 'o', '1' => 'i', '3' => 'e', '4' => 'a', '5' => 's', '7' => 't', '@' => 'a', '$' => 's', '!' => 'i'];

    /**
     * @param list<string> $own words that everybody knows of the person: name, address
     *
     * @throws Refused with a sentence that says what is wrong
     */
    public static function check(#[\SensitiveParameter] string $password, array $own = [], string $field = 'password'): void
    {
        $length = mb_strlen($password);
        $problem = match (true) {
            $length < self::SHORTEST => \sprintf('A password needs at least %d characters.', self::SHORTEST),
            $length > self::LONGEST => \sprintf('A password can have %s characters at most.', number_format(self::LONGEST)),
            self::isRepeated($password) => 'This password repeats itself, and is guessed at once. Take several words.',
            self::isCommon($password) => 'This password is one that everybody tries first. Take several words.',
            self::isOwn($password, $own) => 'This password is little more than your name or address. Take several words.',
            default => null,
        };
        if (null !== $problem) {
            throw new Refused($problem, $field);
        }
    }

    private static function isRepeated(#[\SensitiveParameter] string $password): bool
    {
        $lower = mb_strtolower($password);

        return \count(array_unique(mb_str_split($lower))) < 5
            || 1 === preg_match('/^(.{1,6}?)\1{2,}.{0,5}$/u', $lower)
            || 1 === preg_match('/^(.{5,})\1$/u', $lower);
    }

    private static function isCommon(#[\SensitiveParameter] string $password): bool
    {
        $lower = mb_strtolower($password);
        // What is left without what is only hung on: digits, signs, a year.
        $stem = (string) preg_replace('/^[^\p{L}]+|[^\p{L}]+$/u', '', $lower);
        $bare = static fn (string $text): string => (string) preg_replace('/[^a-z]+/', '', $text);
        foreach ([$bare($stem), $bare(strtr($stem, self::LEET)), $bare(strtr($lower, self::LEET))] as $word) {
            foreach (self::COMMON as $common) {
                if ($word === $common || $word === $common.$common) {
                    return true;
                }
            }
        }
        foreach (self::ROWS as $row) {
            foreach ([$row.$row, strrev($row.$row)] as $way) {
                if (str_contains($way, $lower)
                    || ('' !== $stem && mb_strlen($stem) >= 5 && mb_strlen($lower) - mb_strlen($stem) <= 6 && str_contains($way, $stem))) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @param list<string> $own */
    private static function isOwn(#[\SensitiveParameter] string $password, array $own): bool
    {
        $plain = static fn (string $text): string => (string) preg_replace('/[^\p{L}]+/u', '', mb_strtolower($text));
        $said = $plain($password);
        foreach ($own as $word) {
            foreach ([$word, explode('@', $word)[0], ...(preg_split('/[\s@.]+/u', $word) ?: [])] as $part) {
                if (mb_strlen($plain($part)) >= 4 && ($said === $plain($part) || $said === $plain($part).$plain($part))) {
                    return true;
                }
            }
        }

        return false;
    }
}
