<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Mime\AddressParser;
use ZippyTray\Core\Mail\Mime\HeaderDecoder;
use ZippyTray\Core\Mail\Mime\TextDecoder;
use ZippyTray\Core\Mail\Text\SubjectLine;
use ZippyTray\Core\Person\Person;

/**
 * The letter with which an answer begins: to whom it goes, what it is called, and what it quotes.
 */
final readonly class Answering
{
    /** Characters of a quotation at the most; what is longer is cut. */
    private const QUOTED = 60_000;

    /** @param Person $person who answers */
    public function __construct(private Person $person, private \DateTimeZone $zone)
    {
    }

    public function to(Message $message, AnswerKind $kind): Letter
    {
        $subject = SubjectLine::cleaned($message->subject);

        return match ($kind) {
            AnswerKind::New => new Letter(),
            AnswerKind::Forward => new Letter(
                subject: rtrim('Fwd: '.$subject),
                text: $this->forwarded($message),
                carried: array_keys($message->attachments),
                from: $this->from($message),
            ),
            default => new Letter(
                to: $this->first($message, $kind),
                cc: AnswerKind::ReplyAll === $kind ? $this->others($message) : [],
                subject: rtrim('Re: '.$subject),
                text: $this->quoted($message),
                from: $this->from($message),
            ),
        };
    }

    /** @return string the address of the person's to which was written, or from which they wrote; empty: the one that they go by */
    private function from(Message $message): string
    {
        foreach ($message->own ? [$message->from] : [...$message->to, ...$message->cc] as $address) {
            $own = $this->person->ownOf($address->email);
            if ('' !== $own) {
                return $own === $this->person->email ? '' : $own;
            }
        }

        return '';
    }

    /**
     * To whom an answer goes first: Reply-To before From (RFC 5322, 3.6.2). An answer to what one wrote oneself goes on
     * to the same people.
     *
     * @return list<Address>
     */
    private function first(Message $message, AnswerKind $kind): array
    {
        if ($message->own) {
            return $this->without($message->to, []);
        }
        $first = $this->without([] === $message->replyTo ? [$message->from] : $message->replyTo, []);
        $list = self::listAddress($message);
        // To everybody of a mailing list is: to the list.
        if (AnswerKind::ReplyAll === $kind
            && null !== $list
            && [] === array_filter($first, static fn (Address $one): bool => $one->is($list->email))) {
            return [...$first, $list];
        }

        return $first;
    }

    /** @return list<Address> whoever else was written to */
    private function others(Message $message): array
    {
        return $this->without([...($message->own ? [] : $message->to), ...$message->cc], $this->first($message, AnswerKind::ReplyAll));
    }

    /**
     * @param list<Address> $addresses
     * @param list<Address> $taken     who gets it already
     *
     * @return list<Address> each once, without the person, who writes to themselves by hand, and without those that are no addresses
     */
    private function without(array $addresses, array $taken): array
    {
        $seen = array_map(static fn (Address $address): string => strtolower($address->email), $taken);
        $left = [];
        foreach ($addresses as $address) {
            $email = strtolower($address->email);
            if (Address::isValid($address->email) && !$this->person->is($address) && !\in_array($email, $seen, true)) {
                $left[] = $address;
                $seen[] = $email;
            }
        }

        return $left;
    }

    /** The address of the mailing list that the message came by (List-Post, RFC 2369, 3.4); null when none is known. */
    private static function listAddress(Message $message): ?Address
    {
        if (1 !== preg_match('/<mailto:([^>?]+)/i', $message->listHeaders['list-post'] ?? '', $m)) {
            return null;
        }
        $address = (new AddressParser(new HeaderDecoder(new TextDecoder())))->parse(rawurldecode($m[1]))[0] ?? null;

        return null !== $address && Address::isValid($address->email) ? $address : null;
    }

    private function quoted(Message $message): string
    {
        $text = rtrim(mb_substr($message->text, 0, self::QUOTED));
        $lines = array_map(
            static fn (string $line): string => '' === $line || str_starts_with($line, '>') ? '>'.$line : '> '.$line,
            explode("\n", $text),
        );

        return \sprintf("\n\nOn %s, %s wrote:\n%s\n", $this->written($message), $message->from->label(), implode("\n", $lines));
    }

    private function forwarded(Message $message): string
    {
        $lines = [
            '---------- Forwarded message ----------',
            'From: '.self::shown($message->from),
            'Date: '.$this->written($message),
            'Subject: '.$message->subject,
            'To: '.self::people($message->to),
        ];
        if ([] !== $message->cc) {
            $lines[] = 'Cc: '.self::people($message->cc);
        }

        return "\n\n".implode("\n", $lines)."\n\n".rtrim(mb_substr($message->text, 0, self::QUOTED))."\n";
    }

    private function written(Message $message): string
    {
        return $message->sentAt->instant->setTimezone($this->zone)->format('D j M Y \a\t H:i');
    }

    /** @param list<Address> $people */
    private static function people(array $people): string
    {
        return implode(', ', array_map(self::shown(...), $people));
    }

    private static function shown(Address $address): string
    {
        return '' === $address->name ? $address->email : \sprintf('%s <%s>', $address->name, $address->email);
    }
}
