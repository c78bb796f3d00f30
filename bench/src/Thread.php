<?php

declare(strict_types=1);

namespace ZippyTray\Bench;

/**
 * What is said in turn about one subject, as long as it goes on.
 */
final class Thread
{
    /** @var list<string> of the messages so far, the oldest first */
    public array $ids = [];

    /**
     * @param int       $left how many messages are to come
     * @param int       $list number of the mailing list; nought when it is none
     * @param list<int> $with numbers of the people
     */
    public function __construct(
        public readonly int $number,
        public int $left,
        public readonly int $list,
        public readonly string $subject,
        public readonly array $with,
        public readonly string $language,
    ) {
    }
}
