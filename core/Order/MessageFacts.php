<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\MailKind;
use ZippyTray\Core\Tray\HabitKey;

/**
 * What conditions ask of one message, and of its conversation.
 */
final readonly class MessageFacts
{
    /** Characters of a text in which words are looked for: a letter of strangers may be of any length. */
    private const TEXT = 200_000;

    /**
     * @param string                                  $from        address, in small letters
     * @param string                                  $list        id of its mailing list, in small letters; empty when it has none
     * @param list<string>                            $own         the person's own addresses that it came to, with sub-addresses
     * @param 'alone'|'among'|'copied'|'neither'      $addressed
     * @param int                                     $size        bytes
     * @param list<array{name: string, type: string}> $attachments without what is only shown within the text
     * @param MailKind|null                           $kind        null: it was not read yet
     * @param int|null                                $importance  from 0 to 100; null: it was not weighed
     * @param list<string>                            $labels      names that its conversation bears, in small letters
     * @param list<string>                            $lists       names of the lists in which tasks are that came from it, in small letters
     */
    public function __construct(
        public string $from = '',
        public string $list = '',
        public array $own = [],
        public string $addressed = 'neither',
        public string $subject = '',
        public string $text = '',
        public int $size = 0,
        public array $attachments = [],
        public ?MailKind $kind = null,
        public bool $known = false,
        public ?int $importance = null,
        public array $labels = [],
        public array $lists = [],
    ) {
    }

    /**
     * @param list<string> $labels see above
     * @param list<string> $lists
     */
    public static function of(
        Message $message,
        ?Findings $findings,
        Person $person,
        bool $known,
        ?int $importance = null,
        array $labels = [],
        array $lists = [],
    ): self {
        $key = HabitKey::of($message->listHeaders, $message->from);
        $own = self::own($message, $person);
        $to = \count(array_filter($message->to, static fn ($address): bool => [] !== self::matching($address->email, $person)));

        return new self(
            strtolower($message->from->email),
            HabitKey::isList($key) ? HabitKey::listId($key) : '',
            $own,
            match (true) {
                [] === $own => 'neither',
                0 === $to => 'copied',
                1 === \count($message->to) + \count($message->cc) => 'alone',
                default => 'among',
            },
            $message->subject,
            mb_substr($message->text, 0, self::TEXT),
            $message->size,
            array_values(array_map(
                static fn ($attachment): array => ['name' => mb_strtolower($attachment->name), 'type' => $attachment->type],
                array_filter($message->attachments, static fn ($attachment): bool => !$attachment->inline),
            )),
            $findings?->kind,
            $known,
            $importance,
            $labels,
            $lists,
        );
    }

    /** @return list<string> */
    private static function own(Message $message, Person $person): array
    {
        $own = [];
        foreach ([...$message->to, ...$message->cc] as $address) {
            array_push($own, ...self::matching($address->email, $person));
        }

        return array_values(array_unique($own));
    }

    /** @return list<string> the address in small letters, when it is one of theirs or a sub-address of one */
    private static function matching(string $email, Person $person): array
    {
        return $person->isAddressedAs($email) ? [strtolower($email)] : [];
    }
}
