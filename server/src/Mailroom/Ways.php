<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Mailroom\Imap\NotSignedIn;
use ZippyTray\Server\Mailroom\In\MaildirIn;
use ZippyTray\Server\Mailroom\In\MailIn;
use ZippyTray\Server\Mailroom\In\NotReached;
use ZippyTray\Server\Mailroom\Out\MailOut;
use ZippyTray\Server\Mailroom\Out\NotTaken;
use ZippyTray\Server\Mailroom\Out\SmtpOut;
use ZippyTray\Server\Mailroom\PostRoom\PostRoom;
use ZippyTray\Server\Mailroom\PostRoom\PostRoomInbox;
use ZippyTray\Server\Mailroom\SignIn\FreshServer;

/**
 * The ways that a person has chosen for their mail.
 */
final readonly class Ways
{
    public function __construct(
        private PostRoom $postRoom,
        #[Autowire(service: PostRoom::class)]
        private MailOut $simulated,
        private FreshServer $fresh,
    ) {
    }

    /** @throws Refused when one of them cannot be gone */
    public static function check(MailWays $ways): void
    {
        if ('smtp' === $ways->out) {
            SmtpOut::at($ways->dsn, $ways->plain);
        }
        if ('maildir' === $ways->in) {
            MaildirIn::check($ways->folder);
        }
    }

    /**
     * The server of the mailbox to which the address belongs goes first, then what is chosen besides.
     *
     * @param string $from the address from which it goes; empty: that of the account
     *
     * @throws NotTaken when there is none
     */
    public function out(Account $account, string $from = ''): MailOut
    {
        $mailbox = $account->sendingMailbox($from);
        try {
            $server = null === $mailbox ? null : $this->fresh->of($account, $mailbox->position);
        } catch (NotSignedIn $problem) {
            throw new NotTaken($problem->getMessage(), true, $problem);
        } catch (NotReached $problem) {
            throw new NotTaken($problem->getMessage(), false, $problem);
        }
        if (null !== $server) {
            return SmtpOut::of($server);
        }
        $ways = $account->mailWays();

        return match ($ways->out) {
            'post_room' => $this->simulated,
            'smtp' => SmtpOut::at($ways->dsn, $ways->plain),
            'none' => throw new NotTaken('There is no way out for your mail yet. Choose one in Settings, under Mail.', true),
        };
    }

    /**
     * @param string $email by which the post room knows the person
     *
     * @return MailIn|null null when mail is brought in by hand
     *
     * @throws NotReached
     */
    public function in(MailWays $ways, string $email): ?MailIn
    {
        try {
            return match ($ways->in) {
                'post_room' => new PostRoomInbox($this->postRoom, $email),
                'maildir' => new MaildirIn($ways->folder),
                'none' => null,
            };
        } catch (Refused $refused) {
            throw new NotReached($refused->getMessage(), 0, $refused);
        }
    }
}
