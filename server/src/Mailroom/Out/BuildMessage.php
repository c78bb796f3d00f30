<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Out;

use League\CommonMark\GithubFlavoredMarkdownConverter;
use Symfony\Component\Mime\Address as MimeAddress;
use Symfony\Component\Mime\Email;
use Symfony\Component\Mime\Header\MailboxListHeader;
use Symfony\Component\Mime\Part\Multipart\AlternativePart;
use Symfony\Component\Mime\Part\TextPart;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Files;

/**
 * Makes the bytes of a message (RFC 5322, 2045) from what was written.
 */
final readonly class BuildMessage
{
    /** Bytes of all that is attached, before it is encoded: what most servers take. */
    public const LARGEST = 25_000_000;

    /** Bytes; a line holds 998 (RFC 5322, 2.1.1). */
    private const LONGEST_IDENTIFIER = 900;

    public function __construct(private Files $files, private Messages $messages, private MessageReader $reader)
    {
    }

    /**
     * @return string as it goes out, without Bcc
     *
     * @throws Refused when what goes with it is not there any more, or is too much
     */
    public function __invoke(Account $account, Outgoing $outgoing, \DateTimeImmutable $now): string
    {
        $letter = $outgoing->letter();
        $email = (new Email())
            ->from(new MimeAddress($account->sender($letter->from), $account->profile->name()))
            ->to(...self::addresses($letter->to))
            ->cc(...self::addresses($letter->cc))
            ->subject($letter->subject)
            ->date($now->setTimezone($account->timeZone()))
            ->text('' === $letter->text ? "\n" : $letter->text);
        if ($letter->formatted) {
            $email->html(self::html($letter->text));
        }
        $headers = $email->getHeaders();
        $headers->addIdHeader('Message-ID', $outgoing->messageHeader);
        if ($letter->automatic) {
            $headers->addTextHeader('Auto-Submitted', $outgoing->kind->isReply() ? 'auto-replied' : 'auto-generated');
        }
        if ('' !== $letter->replyTo) {
            $email->replyTo($letter->replyTo);
        }
        $answered = $this->answered($outgoing);
        if (null !== $answered) {
            // Of a message that has no identifier nothing can be referred to (RFC 5322, 3.6.4).
            $references = array_values(array_unique(array_filter(
                [...\array_slice($answered->references, -30), $answered->messageHeader],
                self::isIdentifier(...),
            )));
            // They are written as they came: the library takes only those that the RFC allows, and others are in use.
            if ([] !== $references) {
                $headers->addTextHeader('References', '<'.implode('> <', $references).'>');
            }
            if ($outgoing->kind->isReply() && self::isIdentifier($answered->messageHeader)) {
                $headers->addTextHeader('In-Reply-To', '<'.$answered->messageHeader.'>');
            }
        }
        if ('' !== $letter->calendar) {
            $email->setBody(self::withCalendar($letter));
        }
        $this->attach($email, $outgoing, $answered, $now);

        return $email->toString();
    }

    /** As the person keeps it, with the field that nobody else gets to see (RFC 5322, 3.6.3). */
    public static function withBcc(string $raw, Letter $letter): string
    {
        return [] === $letter->bcc ? $raw : (new MailboxListHeader('Bcc', self::addresses($letter->bcc)))->toString()."\r\n".$raw;
    }

    private function answered(Outgoing $outgoing): ?Message
    {
        try {
            return null === $outgoing->messageId || AnswerKind::New === $outgoing->kind
                ? null
                : $this->messages->get($outgoing->accountId, $outgoing->messageId);
        } catch (NotFound) {
            return null;
        }
    }

    private function attach(Email $email, Outgoing $outgoing, ?Message $answered, \DateTimeImmutable $now): void
    {
        $letter = $outgoing->letter();
        $size = 0;
        foreach ($letter->files as $id) {
            [$file, $bytes] = $this->files->read($outgoing->accountId, $id);
            $email->attach($bytes, $file['name'], $file['type']);
            $size += \strlen($bytes);
        }
        if ([] !== $letter->carried) {
            $carried = null === $answered ? [] : $this->reader->read($this->messages->source($answered), $now)->attachments;
            foreach ($letter->carried as $place) {
                $one = $carried[$place] ?? throw new Refused('An attachment of the forwarded message is not there any more.', 'files');
                $email->attach($one->bytes, $one->attachment->name, $one->attachment->type);
                $size += \strlen($one->bytes);
            }
        }
        self::checkSize($size);
    }

    /** @throws Refused */
    public static function checkSize(int $size): void
    {
        if ($size > self::LARGEST) {
            throw new Refused(
                \sprintf(
                    'The attachments have %.1f MB together; %d MB at most can go with one message.',
                    $size / 1_000_000,
                    intdiv(self::LARGEST, 1_000_000),
                ),
                'files',
            );
        }
    }

    /** The text, and the same as a calendar object (RFC 6047, 2.4). */
    private static function withCalendar(Letter $letter): AlternativePart
    {
        $calendar = new TextPart($letter->calendar, 'utf-8', 'calendar');
        $calendar->getHeaders()->addParameterizedHeader('Content-Type', 'text/calendar', ['method' => strtoupper($letter->method)]);

        return new AlternativePart(new TextPart('' === $letter->text ? "\n" : $letter->text), $calendar);
    }

    /** @return string a whole page, whose words are those of the text */
    private static function html(string $markdown): string
    {
        $converter = new GithubFlavoredMarkdownConverter([
            'html_input' => 'escape',
            'allow_unsafe_links' => false,
            'max_nesting_level' => 30,
            'renderer' => ['soft_break' => "<br>\n"],
        ]);

        return '<!doctype html><html><body>'.$converter->convert($markdown).'</body></html>';
    }

    private static function isIdentifier(string $id): bool
    {
        return \strlen($id) < self::LONGEST_IDENTIFIER
            && 1 === preg_match('/^[^\s<>@]+@[^\s<>@]+$/', $id)
            && 1 === preg_match('/^[\x21-\x7e]+$/', $id);
    }

    /**
     * @param list<Address> $addresses
     *
     * @return list<MimeAddress>
     */
    private static function addresses(array $addresses): array
    {
        return array_map(static fn (Address $address): MimeAddress => new MimeAddress($address->email, $address->name), $addresses);
    }
}
