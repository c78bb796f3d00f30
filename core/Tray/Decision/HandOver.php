<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Decision;

use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Deciding;
use ZippyTray\Core\Tray\Decision;

/**
 * Delegated: somebody owes an answer until a moment, at which it comes back by itself. A message in
 * the conversation brings it back before.
 */
final readonly class HandOver implements Decision
{
    public const LENGTH = 200;

    private string $by;

    private string $what;

    /**
     * @param string $by   a name or an address
     * @param string $what what is owed; may be empty
     */
    public function __construct(string $by, string $what, private Moment $until)
    {
        $this->by = trim((string) preg_replace('/\s+/u', ' ', $by));
        $this->what = trim((string) preg_replace('/\s+/u', ' ', $what));
    }

    /** @return list<Address> who owes an answer, one each; without an address where only a name was written */
    private function people(): array
    {
        $people = array_filter(array_map(trim(...), explode(',', $this->by)), static fn (string $one): bool => '' !== $one);

        return array_values(array_map(
            static fn (string $one): Address => 1 === preg_match('/^(?:(?<name>[^<>]*?)\s*<)?(?<email>[^\s<>@]+@[^\s<>@]+)>?$/u', $one, $m)
                ? new Address($m['email'], $m['name'])
                : new Address('', $one),
            $people,
        ));
    }

    private function names(): string
    {
        return implode(', ', array_map(static fn (Address $person): string => $person->label(), $this->people()));
    }

    public function kind(): EntryKind
    {
        return EntryKind::HandOver;
    }

    public function apply(Conversation $conversation, Deciding $with): void
    {
        if ('' === $this->by) {
            throw new Refused('Who owes you the answer? Write a name or an address.', 'by');
        }
        foreach (['by' => $this->by, 'what' => $this->what] as $field => $text) {
            if (mb_strlen($text) > self::LENGTH) {
                throw new Refused(\sprintf('This can have %d characters at most.', self::LENGTH), $field);
            }
        }
        $this->until->mustBeAhead($with->now, 'until');
        $conversation->handOver($this->names(), $this->what, $this->until, $with->now);
        foreach ($this->people() as $person) {
            $with->expect($conversation, $person, $this->what, $this->until);
        }
    }

    public function consequence(): string
    {
        return \sprintf('%s owes you an answer by %s', $this->names(), $this->until->text());
    }
}
