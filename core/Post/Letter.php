<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Refused;

/**
 * What a person writes: to whom, about what, and what goes with it.
 *
 * @phpstan-type AddressState array{name: string, email: string}
 * @phpstan-type LetterState array{
 *     to: list<AddressState>, cc: list<AddressState>, bcc: list<AddressState>, subject: string, text: string,
 *     formatted: bool, files: list<string>, carried: list<int>, what: string, until: string, automatic?: bool, replyTo?: string,
 *     calendar?: string, method?: string, from?: string
 * }
 */
final readonly class Letter
{
    /** Bytes of the text at the most. */
    public const TEXT_LENGTH = 500_000;

    public const SUBJECT_LENGTH = 500;

    public const FILES = 50;

    public string $subject;

    public string $text;

    /**
     * @param list<Address> $to
     * @param list<Address> $cc
     * @param list<Address> $bcc
     * @param string        $subject   line ends in it become spaces: it is one line of a header (RFC 5322, 2.2)
     * @param string        $text      "\n" line ends
     * @param bool          $formatted whether the text is read as Markdown, and HTML goes along with it
     * @param list<string>  $files     ids of files that go with it
     * @param list<int>     $carried   places, from 0, of the attachments of the forwarded message that go with it
     * @param string        $what      the writer expects in answer, as it is being filled in
     * @param string        $until     by when, as it is being filled in: any words; empty when no answer is expected
     * @param bool          $automatic whether the program wrote it by itself
     * @param string        $replyTo   the address at which it is answered; empty: that of the writer
     * @param string        $calendar  a calendar object (RFC 5545) that goes with it as another form of its text (RFC 6047, 2.4)
     * @param string        $method    what is to be done with that (RFC 5546, 1.4), in lower case
     * @param string        $from      which of the writer's addresses it comes from; empty: the one that they go by
     *
     * @throws Refused when it is too long, or has too many files
     */
    public function __construct(
        public array $to = [],
        public array $cc = [],
        public array $bcc = [],
        string $subject = '',
        string $text = '',
        public bool $formatted = false,
        public array $files = [],
        public array $carried = [],
        public string $what = '',
        public string $until = '',
        public bool $automatic = false,
        public string $replyTo = '',
        public string $calendar = '',
        public string $method = '',
        public string $from = '',
    ) {
        $this->subject = trim((string) preg_replace('/[\x00-\x1f\x7f\s]+/u', ' ', mb_scrub($subject)));
        $this->text = str_replace(["\r\n", "\r", "\0"], ["\n", "\n", ''], mb_scrub($text));
        if (mb_strlen($this->subject) > self::SUBJECT_LENGTH) {
            throw new Refused(\sprintf('A subject can have %d characters at most.', self::SUBJECT_LENGTH), 'subject');
        }
        if (\strlen($this->text) > self::TEXT_LENGTH) {
            throw new Refused('The text is too long for a message. Attach it as a file instead.', 'text');
        }
        if (\count($files) + \count($carried) > self::FILES) {
            throw new Refused(\sprintf('A message can carry %d files at most.', self::FILES), 'files');
        }
    }

    /** @param list<Address> $to */
    public function withTo(array $to): self
    {
        return $this->but(['to' => $to]);
    }

    public function withText(string $text): self
    {
        return $this->but(['text' => $text]);
    }

    /** Written by the program in somebody's name (RFC 3834). */
    public function automatic(): self
    {
        return $this->but(['automatic' => true]);
    }

    /**
     * @param list<Address> $to
     * @param list<Address> $cc
     * @param list<Address> $bcc
     */
    public function withRecipients(array $to, array $cc, array $bcc): self
    {
        return $this->but(['to' => $to, 'cc' => $cc, 'bcc' => $bcc]);
    }

    /** @param array<string, mixed> $changes by the name of the property */
    private function but(array $changes): self
    {
        /**
         * @var array{
         *     to: list<Address>, cc: list<Address>, bcc: list<Address>, subject: string, text: string, formatted: bool,
         *     files: list<string>, carried: list<int>, what: string, until: string, automatic: bool, replyTo: string,
         *     calendar: string, method: string, from: string
         * } $all
         */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }

    /** @return list<Address> whoever gets it, each once */
    public function recipients(): array
    {
        $all = [];
        foreach ([...$this->to, ...$this->cc, ...$this->bcc] as $address) {
            $all[strtolower($address->email)] ??= $address;
        }

        return array_values($all);
    }

    /** @return LetterState */
    public function state(): array
    {
        return [
            'to' => self::plain($this->to),
            'cc' => self::plain($this->cc),
            'bcc' => self::plain($this->bcc),
            'subject' => $this->subject,
            'text' => $this->text,
            'formatted' => $this->formatted,
            'files' => $this->files,
            'carried' => $this->carried,
            'what' => $this->what,
            'until' => $this->until,
            // Letters of before have none of these.
            ...($this->automatic ? ['automatic' => true] : []),
            ...('' === $this->replyTo ? [] : ['replyTo' => $this->replyTo]),
            ...('' === $this->calendar ? [] : ['calendar' => $this->calendar, 'method' => $this->method]),
            ...('' === $this->from ? [] : ['from' => $this->from]),
        ];
    }

    /** @param LetterState $state */
    public static function fromState(array $state): self
    {
        return new self(
            self::addresses($state['to']),
            self::addresses($state['cc']),
            self::addresses($state['bcc']),
            $state['subject'],
            $state['text'],
            $state['formatted'],
            $state['files'],
            $state['carried'],
            $state['what'],
            $state['until'],
            $state['automatic'] ?? false,
            $state['replyTo'] ?? '',
            $state['calendar'] ?? '',
            $state['method'] ?? '',
            $state['from'] ?? '',
        );
    }

    /**
     * @param list<Address> $addresses
     *
     * @return list<AddressState>
     */
    private static function plain(array $addresses): array
    {
        return array_map(static fn (Address $address): array => $address->jsonSerialize(), $addresses);
    }

    /**
     * @param list<AddressState> $states
     *
     * @return list<Address>
     */
    private static function addresses(array $states): array
    {
        return array_map(static fn (array $state): Address => new Address($state['email'], $state['name']), $states);
    }
}
