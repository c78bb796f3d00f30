<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Refused;

/**
 * What a task came from, or what it needs at hand.
 *
 * @phpstan-type SourceState array{kind: string, ref: string}
 */
final readonly class Source
{
    public const LENGTH = 2000;

    /**
     * @param string $ref id of the source copy, or of a message to be copied its lasting address, a web address (http or https, RFC
     *                    3986), or id of the task
     */
    private function __construct(public SourceKind $kind, public string $ref)
    {
    }

    public static function message(SourceCopy $copy): self
    {
        return new self(SourceKind::Message, $copy->id);
    }

    public static function task(TaskId $id): self
    {
        return new self(SourceKind::Task, $id->text);
    }

    /** @throws Refused when it is no address of the web */
    public static function web(string $address): self
    {
        $address = trim($address);
        if (1 !== preg_match('~^https?://[^\s/?#]+\S*$~iD', $address) || \strlen($address) > self::LENGTH) {
            throw new Refused(
                \sprintf(
                    '"%s" is not a web address: it begins with http:// or https:// and has no spaces.',
                    mb_strimwidth($address, 0, 80, '…'),
                ),
                'sources',
            );
        }

        return new self(SourceKind::Web, $address);
    }

    /** @return SourceState */
    public function state(): array
    {
        return ['kind' => $this->kind->value, 'ref' => $this->ref];
    }

    /** @param SourceState $state */
    public static function fromState(array $state): self
    {
        return new self(SourceKind::from($state['kind']), $state['ref']);
    }
}
