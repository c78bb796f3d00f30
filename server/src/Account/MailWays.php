<?php

declare(strict_types=1);

namespace ZippyTray\Server\Account;

/**
 * How a person's mail goes out and comes in.
 *
 * @phpstan-type MailWaysState array{out: string, dsn: string, plain: bool, in: string, folder: string}
 */
final readonly class MailWays
{
    /**
     * @param 'none'|'post_room'|'smtp'    $out
     * @param string                       $dsn    of the mail server, with its password; only of 'smtp'
     * @param bool                         $plain  whether it may be spoken to without encryption, as the person has said
     * @param 'none'|'post_room'|'maildir' $in
     * @param string                       $folder of the Maildir; only of 'maildir'
     */
    private function __construct(
        public string $out,
        #[\SensitiveParameter]
        public string $dsn,
        public bool $plain,
        public string $in,
        public string $folder,
    ) {
    }

    public static function none(): self
    {
        return new self('none', '', false, 'none', '');
    }

    public static function postRoom(): self
    {
        return new self('post_room', '', false, 'post_room', '');
    }

    public static function chosen(string $out, #[\SensitiveParameter] string $dsn, string $in, string $folder, bool $plain = false): self
    {
        $dsn = trim($dsn);

        return new self(
            \in_array($out, ['post_room', 'smtp'], true) ? $out : 'none',
            'smtp' === $out ? $dsn : '',
            $plain,
            \in_array($in, ['post_room', 'maildir'], true) ? $in : 'none',
            'maildir' === $in ? rtrim(trim($folder), '/') : '',
        );
    }

    /** What is shown of the mail server: how it is spoken to, its name and port. A password may hold any sign, so nothing else is. */
    public function server(): string
    {
        return 1 === preg_match('~^(smtps?://)(?:[^/?#]*@)?((?:[\w.-]+|\[[0-9a-f:.]+\])(?::\d+)?)(?=$|[/?#])[^@]*$~iD', $this->dsn, $m)
            ? $m[1].$m[2]
            : '';
    }

    /** @return MailWaysState as it is kept: what holds a password is sealed */
    public function state(): array
    {
        return [
            'out' => $this->out,
            'dsn' => Seal::close($this->dsn),
            'plain' => $this->plain,
            'in' => $this->in,
            'folder' => $this->folder,
        ];
    }

    /** @param MailWaysState $state */
    public static function fromState(#[\SensitiveParameter] array $state): self
    {
        return self::chosen(
            $state['out'],
            'smtp' === $state['out'] ? Seal::open($state['dsn']) : '',
            $state['in'],
            $state['folder'],
            $state['plain'],
        );
    }
}
