<?php

declare(strict_types=1);

namespace ZippyTray\Core\MailIn;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\MessageContent;
use ZippyTray\Core\Mail\Text\BodyText;
use ZippyTray\Core\Person\Person;

/**
 * What a letter asks of the program by the addresses that it was sent to (RFC 5233: name+detail@domain), by the first line of a letter
 * to oneself, or as the answer to a confirmation.
 */
final readonly class Asking
{
    /** So many details of one letter, each of so many bytes, are looked at. */
    private const DETAILS = 10;

    private const LENGTH = 120;

    /** The detail, and the beginning of the Message-ID, by which a confirmation is answered. */
    public const ANSWER = 'made.';

    /**
     * @param list<string> $details what stands between "+" and "@", in lower case, as it was written
     * @param string       $answers what was made before, by the id of its record; empty when it answers nothing
     */
    private function __construct(public array $details, public string $answers)
    {
    }

    /** @return self|null null when it asks for nothing, or is not from somebody who may */
    public static function of(MessageContent $content, Person $person, MailInSettings $settings): ?self
    {
        if (!$settings->isFrom($content->from, $person) || $content->isDisowned || self::isOfAProgram($content)) {
            return null;
        }
        $details = self::details($content, $person);
        $isAnswer = static fn (string $detail): bool => str_starts_with($detail, self::ANSWER);
        $answers = array_values(array_filter(array_map(self::id(...), array_filter($details, $isAnswer))))[0] ?? '';
        $details = array_values(array_filter($details, static fn (string $detail): bool => !$isAnswer($detail)));
        $isToOneself = self::isToOneself([...$content->to, ...$content->cc], $person);
        if ('' === $answers && $isToOneself) {
            $answers = self::answered($content->references);
        }
        $isAsking = [] !== $details || '' !== $answers || ($isToOneself && null !== self::firstLine($content->text));

        return $isAsking ? new self($details, $answers) : null;
    }

    /**
     * Whether nobody else gets a letter that is addressed so.
     *
     * @param list<Address> $to
     */
    public static function isToOneself(array $to, Person $person): bool
    {
        return [] !== $to && [] === array_filter($to, static fn (Address $one): bool => !$person->isAddressedAs($one->email));
    }

    /** What a letter to oneself asks in its first line, without its "+"; null when it begins otherwise. */
    public static function firstLine(string $text): ?string
    {
        $line = trim(explode("\n", ltrim((new BodyText())->written(mb_strcut($text, 0, 4000))), 2)[0]);

        $isWish = 1 === preg_match('/^\+\s*(?=[\p{L}\d])(.+)$/u', mb_strcut($line, 0, 500), $match) && !self::isNumber($match[1]);

        return $isWish ? $match[1] : null;
    }

    /** A number to call, or one that counts, is nobody's wish. */
    private static function isNumber(string $text): bool
    {
        $digits = preg_match_all('/\d/', $text);

        return 1 === preg_match('/^[\d\s().\/-]+$/', $text) && (1 === preg_match('/[\s()]/', trim($text)) || $digits > 8 || $digits < 3);
    }

    /** @return list<string> each once */
    private static function details(MessageContent $content, Person $person): array
    {
        $emails = [
            ...array_map(static fn (Address $one): string => $one->email, [...$content->to, ...$content->cc]),
            ...$content->deliveredTo,
        ];
        $details = [];
        foreach ($emails as $email) {
            foreach (explode('+', strtolower(mb_strcut($person->detailOf($email) ?? '', 0, self::LENGTH))) as $detail) {
                '' === trim($detail, " .-_\t") ?: $details[trim($detail)] = true;
            }
        }

        return \array_slice(array_map(strval(...), array_keys($details)), 0, self::DETAILS);
    }

    /** @param list<string> $references */
    private static function answered(array $references): string
    {
        foreach (array_reverse($references) as $header) {
            $id = self::id(strtolower(explode('@', $header)[0]));
            if ('' !== $id) {
                return $id;
            }
        }

        return '';
    }

    private static function id(string $text): string
    {
        return 1 === preg_match('/^made\.([0-9a-f]{8})([0-9a-f]{4})([0-9a-f]{4})([0-9a-f]{4})([0-9a-f]{12})$/D', $text, $match)
            ? implode('-', \array_slice($match, 1))
            : '';
    }

    /** (RFC 3834, 5; RFC 2919) */
    private static function isOfAProgram(MessageContent $content): bool
    {
        return !\in_array(strtolower(trim(explode(';', $content->listHeaders['auto-submitted'] ?? 'no')[0])), ['', 'no'], true)
            || '' !== ($content->listHeaders['list-id'] ?? '')
            || null !== $content->report;
    }
}
