<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\PostRoom;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;
use ZippyTray\Core\Mail\Address;

/**
 * Somebody, made up, who gets mail from the post room and sends some.
 */
#[AutoconfigureTag]
interface Correspondent
{
    /**
     * @param string $raw the message that they get
     *
     * @return list<Reaction>|null null when the recipient is none of theirs
     */
    public function react(Address $recipient, Address $from, string $raw): ?array;

    /**
     * What they send without having been asked.
     *
     * @param \DateTimeImmutable $since not included
     * @param \DateTimeImmutable $until included
     *
     * @return iterable<string, array{
     *     \DateTimeImmutable, string, string
     * }> by a name of its own: the moment at which it comes, its bytes, and the address that it comes to
     */
    public function unasked(\DateTimeImmutable $since, \DateTimeImmutable $until): iterable;
}
