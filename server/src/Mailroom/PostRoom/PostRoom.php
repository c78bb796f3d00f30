<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\PostRoom;

use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;
use Symfony\Component\Filesystem\Filesystem;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\DataFolder;
use ZippyTray\Server\Mailroom\In\Arrived;
use ZippyTray\Server\Mailroom\Out\MailOut;
use ZippyTray\Server\Mailroom\Out\NotTaken;
use ZippyTray\Server\Mailroom\Out\Unanswered;

/**
 * A small mail service that stands in for a real one. It keeps its mail as files, one a message, in three Maildirs:
 * sent/ holds what was handed over, later/ what is on its way to the person, inbox/ what has come.
 *
 * A message has the same name however often it is handed over, so that none is doubled. Names in later/ begin with the
 * second at which it comes, names in inbox/ with a number that grows.
 */
final readonly class PostRoom implements MailOut
{
    private const BOXES = ['sent', 'later', 'inbox'];

    private string $folder;

    /** @param iterable<Correspondent> $correspondents */
    public function __construct(
        #[AutowireIterator(Correspondent::class)]
        private iterable $correspondents,
        private ClockInterface $clock,
        private Accounts $accounts,
        ?string $folder = null,
    ) {
        $this->folder = $folder ?? DataFolder::path().'/post-room';
    }

    public function submit(string $messageHeader, Address $from, array $to, string $raw): void
    {
        $this->open();
        $trouble = $this->trouble();
        if ($trouble->down) {
            throw new NotTaken('The post room is closed at the moment.', false);
        }
        if ('' !== $trouble->refuses) {
            throw new NotTaken($trouble->refuses, true);
        }
        if (true === $this->hasTaken($messageHeader)) {
            return;
        }
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        foreach ($to as $recipient) {
            if ($this->isKept($messageHeader, $recipient, $raw, $now)) {
                continue;
            }
            foreach ($this->reactions($recipient, $from, $raw) as $number => $reaction) {
                $this->bring(
                    $reaction->raw,
                    $now->modify(\sprintf('+%d seconds', $reaction->after + $trouble->delay)),
                    self::name($messageHeader.' '.strtolower($recipient->email).' '.$number),
                    $from->email,
                );
            }
        }
        // Last, so that what was begun and not finished is done again as a whole.
        $this->put('sent', self::name($messageHeader), $raw);
        if ($trouble->silent) {
            throw new Unanswered('The post room did not say whether it has taken the message.');
        }
    }

    /**
     * What goes to somebody whose mail comes here comes in, also at a sub-address of theirs (RFC 5233), which is noted on it as servers do
     * (RFC 9228).
     *
     * @return bool false when it is somebody else
     */
    private function isKept(string $messageHeader, Address $recipient, string $raw, \DateTimeImmutable $now): bool
    {
        $base = (string) preg_replace('/\+[^@]*@/', '@', strtolower($recipient->email), 1);
        if (null === $this->accounts->find($base)) {
            return false;
        }
        $name = self::name($messageHeader.' to '.strtolower($recipient->email));
        $this->bring("Delivered-To: {$recipient->email}\r\n{$raw}", $now, $name, $base);

        return true;
    }

    public function hasTaken(string $messageHeader): ?bool
    {
        // What lies in tmp/ was not written to its end, or not put down.
        return $this->trouble()->forgetful ? null : is_file($this->folder.'/sent/new/'.self::name($messageHeader));
    }

    /**
     * What has come for somebody.
     *
     * @return iterable<Arrived> see MailIn
     */
    public function since(string $cursor, string $email): iterable
    {
        $this->open();
        $this->deliver();
        foreach ($this->names('inbox') as $name) {
            if (self::number($name) > (int) $cursor && str_contains($name, '.'.self::box($email).'.')) {
                yield Arrived::of((string) file_get_contents($this->folder.'/inbox/new/'.$name), (string) self::number($name), $name);
            }
        }
    }

    /**
     * Something comes for the person at a moment.
     *
     * @param string $name the same for the same message
     * @param string $for  the address that it comes to
     */
    public function bring(string $raw, \DateTimeImmutable $at, string $name, string $for): void
    {
        $this->open();
        $name = self::box($for).'.'.$name;
        $is = static fn (string $there): bool => str_ends_with($there, '.'.$name);
        if ([] === array_filter([...$this->names('later'), ...$this->names('inbox')], $is)) {
            $this->put('later', \sprintf('%010d.%s', $at->getTimestamp(), $name), $raw);
        }
    }

    /** How it behaves from now on, for trying what happens then. */
    public function behave(Trouble $trouble): void
    {
        $this->open();
        file_put_contents($this->folder.'/trouble.json', json_encode($trouble, \JSON_THROW_ON_ERROR), \LOCK_EX);
    }

    private function trouble(): Trouble
    {
        $file = $this->folder.'/trouble.json';

        return is_file($file) ? Trouble::read((string) file_get_contents($file)) : new Trouble();
    }

    /** What is on its way and has its time behind it comes now; and what comes by itself. */
    private function deliver(): void
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $visited = is_file($this->folder.'/visited') ? (int) file_get_contents($this->folder.'/visited') : $now->getTimestamp();
        foreach ($this->trouble()->quiet ? [] : $this->correspondents as $correspondent) {
            foreach ($correspondent->unasked(new \DateTimeImmutable('@'.$visited), $now) as $name => [$at, $raw, $for]) {
                $this->bring($raw, $at, self::name($name), $for);
            }
        }
        file_put_contents($this->folder.'/visited', (string) max($visited, $now->getTimestamp()), \LOCK_EX);
        $last = $this->names('inbox');
        $number = [] === $last ? 0 : self::number((string) end($last));
        foreach ($this->names('later') as $name) {
            if (self::number($name) <= $now->getTimestamp()) {
                rename(
                    $this->folder.'/later/new/'.$name,
                    $this->folder.\sprintf('/inbox/new/%010d.%s', ++$number, explode('.', $name, 2)[1]),
                );
            }
        }
    }

    /** @return list<Reaction> */
    private function reactions(Address $recipient, Address $from, string $raw): array
    {
        foreach ($this->correspondents as $correspondent) {
            $reactions = $correspondent->react($recipient, $from, $raw);
            if (null !== $reactions) {
                return $reactions;
            }
        }

        return [];
    }

    /** As a Maildir is written: whole under tmp/, then moved to its place. */
    private function put(string $box, string $name, string $raw): void
    {
        (new Filesystem())->dumpFile($this->folder.'/'.$box.'/tmp/'.$name, $raw);
        rename($this->folder.'/'.$box.'/tmp/'.$name, $this->folder.'/'.$box.'/new/'.$name);
    }

    /** @return list<string> in order */
    private function names(string $box): array
    {
        $names = array_filter(scandir($this->folder.'/'.$box.'/new') ?: [], static fn (string $name): bool => !str_starts_with($name, '.'));
        sort($names, \SORT_STRING);

        return $names;
    }

    private function open(): void
    {
        foreach (self::BOXES as $box) {
            foreach (['tmp', 'new', 'cur'] as $part) {
                is_dir($this->folder.'/'.$box.'/'.$part) || @mkdir($this->folder.'/'.$box.'/'.$part, 0o700, true);
            }
        }
    }

    /** What stands before the dot; cast as a whole, "1.2e5" would be more than one. */
    private static function number(string $name): int
    {
        return (int) explode('.', $name, 2)[0];
    }

    /** Whose it is, in a name of a file. */
    private static function box(string $email): string
    {
        return hash('xxh32', strtolower($email));
    }

    private static function name(string $of): string
    {
        return substr(hash('sha256', $of), 0, 24).'.post';
    }
}
