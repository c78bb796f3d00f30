<?php

declare(strict_types=1);

namespace ZippyTray\Server\Account;

use ZippyTray\Core\Refused;
use ZippyTray\Server\Mailroom\In\MaildirIn;
use ZippyTray\Server\Mailroom\Out\SmtpOut;

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
    private function __construct(public string $out, #[\SensitiveParameter] public string $dsn, public bool $plain, public string $in, public string $folder)
    {
    }

    public static function none(): self
    {
        return new self('none', '', false, 'none', '');
    }

    public static function postRoom(): self
    {
        return new self('post_room', '', false, 'post_room', '');
    }

    /** @throws Refused when a way cannot be gone */
    public static function chosen(string $out, #[\SensitiveParameter] string $dsn, string $in, string $folder, bool $plain = false): self
    {
        $ways = self::fromState(['out' => $out, 'dsn' => trim($dsn), 'plain' => $plain, 'in' => $in, 'folder' => rtrim(trim($folder), '/')]);
        if ('smtp' === $ways->out) {
            new SmtpOut($ways->dsn, $ways->plain);
        }
        if ('maildir' === $ways->in) {
            MaildirIn::check($ways->folder);
        }

        return $ways;
    }

    /** What is shown of the mail server: how it is spoken to, its name and port. A password may hold any sign, so nothing else is. */
    public function server(): string
    {
        return 1 === preg_match('~^(smtps?://)(?:[^/?#]*@)?((?:[\w.-]+|\[[0-9a-f:.]+\])(?::\d+)?)(?=$|[/?#])[^@]*$~iD', $this->dsn, $m) ? $m[1].$m[2] : '';
    }

    /** @return MailWaysState as it is kept: what holds a password is sealed */
    public function state(): array
    {
        return ['out' => $this->out, 'dsn' => Seal::close($this->dsn), 'plain' => $this->plain, 'in' => $this->in, 'folder' => $this->folder];
    }

    /** @param MailWaysState $state */
    public static function fromState(#[\SensitiveParameter] array $state): self
    {
        return new self(
            \in_array($state['out'], ['post_room', 'smtp'], true) ? $state['out'] : 'none',
            'smtp' === $state['out'] ? Seal::open($state['dsn']) : '',
            $state['plain'],
            \in_array($state['in'], ['post_room', 'maildir'], true) ? $state['in'] : 'none',
            'maildir' === $state['in'] ? $state['folder'] : '',
        );
    }
}
