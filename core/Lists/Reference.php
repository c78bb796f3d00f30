<?php

declare(strict_types=1);

namespace ZippyTray\Core\Lists;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\ListId;

/**
 * A thing to look up: it belongs to the subject of a list and asks nothing. Of mail it keeps a copy, so that it is there when the mail is
 * gone for good.
 *
 * @phpstan-type ReferenceState array{
 *     list: string, kind: string, title: string, text: string, url: string, file: string|null, source: string|null, addedAt: string,
 *     rank: string
 * }
 */
final class Reference implements Journaled
{
    private string $title;

    private string $text;

    private string $url;

    /**
     * @param string|null $fileId   of a file, or of what was attached to a message
     * @param string|null $sourceId the copy of a message (SourceCopy)
     * @param string      $rank     see Rank
     *
     * @throws Refused when nothing is said by which it could be told from others
     */
    public function __construct(
        public readonly string $id,
        public readonly AccountId $accountId,
        private ListId $listId,
        public readonly ReferenceKind $kind,
        ReferenceFields $fields,
        public readonly ?string $fileId,
        public readonly ?string $sourceId,
        private readonly \DateTimeImmutable $addedAt,
        private string $rank,
    ) {
        $this->say($fields);
    }

    /** @param array<string, mixed> $state what state() gave */
    public static function revived(string $id, AccountId $accountId, array $state): self
    {
        /** @var ReferenceState $state */
        return new self(
            $id,
            $accountId,
            new ListId($state['list']),
            ReferenceKind::from($state['kind']),
            new ReferenceFields($state['title'], $state['text'], $state['url']),
            $state['file'],
            $state['source'],
            new \DateTimeImmutable($state['addedAt']),
            $state['rank'],
        );
    }

    /** @throws Refused */
    public function say(ReferenceFields $fields): void
    {
        if (ReferenceKind::Page === $this->kind && '' === $fields->url) {
            throw new Refused('Which page? Give its address.', 'url');
        }
        if (ReferenceKind::Text === $this->kind && '' === $fields->text && '' === $fields->title) {
            throw new Refused('Write something first.', 'text');
        }
        $first = mb_strimwidth(ltrim(explode("\n", $fields->text)[0], '# '), 0, 80, '…');
        $address = (string) preg_replace('~^https?://(?:www\.)?|/$~i', '', $fields->url);
        $own = ReferenceKind::Page === $this->kind ? mb_strimwidth($address, 0, 120, '…') : $first;
        $this->title = $fields->title ?: $own ?: 'Without title';
        $this->text = $fields->text;
        $this->url = ReferenceKind::Page === $this->kind ? $fields->url : '';
    }

    public function place(ListId $listId, string $rank): void
    {
        $this->listId = $listId;
        $this->rank = $rank;
    }

    public function title(): string
    {
        return $this->title;
    }

    public function text(): string
    {
        return $this->text;
    }

    /** Empty where it is no page. */
    public function url(): string
    {
        return $this->url;
    }

    public function listId(): ListId
    {
        return $this->listId;
    }

    public function rank(): string
    {
        return $this->rank;
    }

    public function addedAt(): \DateTimeImmutable
    {
        return $this->addedAt;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Reference, $this->id);
    }

    /** @return ReferenceState */
    public function state(): array
    {
        return [
            'list' => $this->listId->text,
            'kind' => $this->kind->value,
            'title' => $this->title,
            'text' => $this->text,
            'url' => $this->url,
            'file' => $this->fileId,
            'source' => $this->sourceId,
            'addedAt' => $this->addedAt->format(\DATE_ATOM),
            'rank' => $this->rank,
        ];
    }

    public function restore(array $state): void
    {
        /** @var ReferenceState $state */
        $this->listId = new ListId($state['list']);
        [$this->title, $this->text, $this->url, $this->rank] = [$state['title'], $state['text'], $state['url'], $state['rank']];
    }

    public function needs(): array
    {
        return [new ObjectRef(ObjectKind::TaskList, $this->listId->text)];
    }
}
