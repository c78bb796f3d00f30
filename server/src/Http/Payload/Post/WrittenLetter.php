<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Post;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Mime\AddressParser;
use ZippyTray\Core\Mail\Mime\HeaderDecoder;
use ZippyTray\Core\Mail\Mime\TextDecoder;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Refused;

/**
 * A letter as it stands in the fields. Addresses are kept as they are typed; whether they are any is asked when it is sent.
 */
final readonly class WrittenLetter
{
    private const LENGTH = 60_000;

    /**
     * @param list<string> $files   ids
     * @param list<int>    $carried places of attachments of the forwarded message
     * @param string       $from    one of their own addresses; empty: the one that they go by
     */
    public function __construct(
        #[Assert\Length(max: self::LENGTH)]
        public string $to = '',
        #[Assert\Length(max: self::LENGTH)]
        public string $cc = '',
        #[Assert\Length(max: self::LENGTH)]
        public string $bcc = '',
        public string $subject = '',
        public string $text = '',
        public bool $formatted = false,
        #[Assert\All([new Assert\Uuid()])]
        public array $files = [],
        #[Assert\All([new Assert\Type('int')])]
        public array $carried = [],
        #[Assert\Length(max: 200)]
        public string $what = '',
        #[Assert\Length(max: 200)]
        public string $until = '',
        #[Assert\Length(max: 320)]
        public string $from = '',
    ) {
    }

    /** @throws Refused */
    public function letter(): Letter
    {
        return new Letter(
            self::addresses($this->to),
            self::addresses($this->cc),
            self::addresses($this->bcc),
            $this->subject,
            $this->text,
            $this->formatted,
            array_values(array_unique($this->files)),
            array_values(array_unique($this->carried)),
            $this->what,
            $this->until,
            from: trim($this->from),
        );
    }

    /**
     * A list may be pasted, one on each line.
     *
     * @return list<Address>
     */
    public static function addresses(string $written): array
    {
        return (new AddressParser(new HeaderDecoder(new TextDecoder())))->parse((string) preg_replace('/[\r\n]+/', ', ', $written), false);
    }
}
