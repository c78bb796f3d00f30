<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\PostRoom;

/**
 * What is wrong with the post room, so that one can see what happens then.
 */
final readonly class Trouble implements \JsonSerializable
{
    /**
     * @param bool   $down      it takes nothing at the moment
     * @param string $refuses   the sentence with which it refuses everything for good; empty when it does not
     * @param int    $delay     seconds by which everything comes later
     * @param bool   $silent    it takes messages, and does not say so
     * @param bool   $forgetful it does not tell what it has taken, as real servers do not
     * @param bool   $quiet     nothing comes by itself
     */
    public function __construct(
        public bool $down = false,
        public string $refuses = '',
        public int $delay = 0,
        public bool $silent = false,
        public bool $forgetful = false,
        public bool $quiet = false,
    ) {
    }

    public static function read(string $json): self
    {
        $state = json_decode($json, true);
        $state = \is_array($state) ? $state : [];

        return new self(
            true === ($state['down'] ?? null),
            \is_string($state['refuses'] ?? null) ? $state['refuses'] : '',
            \is_int($state['delay'] ?? null) ? $state['delay'] : 0,
            true === ($state['silent'] ?? null),
            true === ($state['forgetful'] ?? null),
            true === ($state['quiet'] ?? null),
        );
    }

    /** @return array<string, bool|int|string> */
    public function jsonSerialize(): array
    {
        return [
            'down' => $this->down,
            'refuses' => $this->refuses,
            'delay' => $this->delay,
            'silent' => $this->silent,
            'forgetful' => $this->forgetful,
            'quiet' => $this->quiet,
        ];
    }
}
