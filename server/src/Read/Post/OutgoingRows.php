<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Post;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Attachment;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\OutgoingState;
use ZippyTray\Core\Post\SendMail;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Files;
use ZippyTray\Server\Store\StoredNow;

/**
 * Mail that goes out, as it is shown.
 */
final readonly class OutgoingRows
{
    public function __construct(private EntityManagerInterface $orm, private Messages $messages, private Files $files)
    {
    }

    /** @return array{drafts: list<array<string, mixed>>, waiting: list<array<string, mixed>>, troubles: list<array<string, mixed>>} */
    public function open(Account $account): array
    {
        $of = fn (OutgoingState ...$states): array => array_map(
            self::row(...),
            $this->orm->getRepository(Outgoing::class)->findBy(
                ['accountId' => $account->id, 'state' => $states],
                [OutgoingState::Draft === $states[0] ? 'changedAt' : 'goesAt' => OutgoingState::Draft === $states[0] ? 'DESC' : 'ASC'],
            ),
        );

        return [
            'drafts' => $of(OutgoingState::Draft),
            'waiting' => $of(OutgoingState::Waiting, OutgoingState::Sending),
            'troubles' => $of(OutgoingState::Failed, OutgoingState::Doubt),
        ];
    }

    /** @return array<string, mixed> see Outgoing of the contract */
    public function one(Account $account, Outgoing $outgoing): array
    {
        return [
            'row' => self::row($outgoing),
            'revision' => $outgoing->revision(),
            'message' => $outgoing->messageId,
            'letter' => $this->letter($account, $outgoing->letter(), $outgoing->messageId),
        ];
    }

    /** @return list<array<string, mixed>> drafts that answer a message of the conversation */
    public function draftsIn(Account $account, string $conversationId): array
    {
        return array_map(
            self::row(...),
            $this->orm->getRepository(Outgoing::class)->findBy(
                ['accountId' => $account->id, 'conversationId' => $conversationId, 'state' => OutgoingState::Draft],
                ['changedAt' => 'DESC'],
            ),
        );
    }

    /**
     * @param array{due?: array{date: string, time: ?string}|null, what?: string} $more
     *
     * @return array<string, mixed> see Letter of the contract
     */
    public function letter(Account $account, Letter $letter, ?string $messageId, array $more = []): array
    {
        $signature = $account->postSettings()->signature;

        return [
            'to' => self::written($letter->to),
            'cc' => self::written($letter->cc),
            'bcc' => self::written($letter->bcc),
            'subject' => $letter->subject,
            'text' => $letter->text,
            'formatted' => $letter->formatted,
            'files' => $this->files->some($account->id, $letter->files),
            'carried' => $letter->carried,
            'carriable' => $this->carriable($account, $messageId),
            'signature' => '' === $signature ? '' : "-- \n".$signature,
            'due' => $more['due'] ?? null,
            'what' => $more['what'] ?? $letter->what,
            'until' => $letter->until,
        ];
    }

    /** @return list<array{place: int, name: string, size: int}> */
    private function carriable(Account $account, ?string $messageId): array
    {
        try {
            $attachments = null === $messageId ? [] : $this->messages->get($account->id, $messageId)->attachments;
        } catch (NotFound) {
            $attachments = [];
        }

        return array_map(
            static fn (int $place, Attachment $attachment): array => [
                'place' => $place,
                'name' => $attachment->name,
                'size' => $attachment->size,
            ],
            array_keys($attachments),
            $attachments,
        );
    }

    /** @param list<Address> $addresses */
    private static function written(array $addresses): string
    {
        return implode(', ', array_map(static function (Address $address): string {
            if ('' === $address->email || '' === $address->name) {
                return $address->email.$address->name;
            }
            $name = 1 === preg_match('/^[\p{L}\p{M}\p{N} .\'-]+$/u', $address->name)
                ? $address->name
                : '"'.addcslashes($address->name, '"\\').'"';

            return $name.' <'.$address->email.'>';
        }, $addresses));
    }

    /** @return array<string, mixed> see OutgoingRow of the contract */
    private static function row(Outgoing $outgoing): array
    {
        $letter = $outgoing->letter();
        $goesAt = $outgoing->goesAt();
        $nextTryAt = $outgoing->nextTryAt();

        return [
            'id' => $outgoing->id,
            'state' => $outgoing->outgoingState(),
            'kind' => $outgoing->kind,
            'to' => SendMail::names($letter->to ?: $letter->recipients()),
            'subject' => $letter->subject,
            'goesAt' => null === $goesAt ? null : StoredNow::of($goesAt->instant),
            'later' => $outgoing->isLater(),
            'problem' => $outgoing->problem(),
            'nextTryAt' => null === $nextTryAt ? null : StoredNow::of($nextTryAt),
            'conversation' => $outgoing->conversationId,
            'changedAt' => StoredNow::of($outgoing->changedAt()),
        ];
    }
}
