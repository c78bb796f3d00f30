<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Post;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\Mail\Attachment;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\OutgoingState;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\DueView;
use ZippyTray\Server\Store\Files;

/**
 * Mail that goes out, as it is shown.
 *
 * @phpstan-import-type DueShown from DueView
 */
final readonly class OutgoingRows
{
    public function __construct(private EntityManagerInterface $orm, private Messages $messages, private Files $files)
    {
    }

    /** @return array{drafts: list<OutgoingRow>, waiting: list<OutgoingRow>, troubles: list<OutgoingRow>} */
    public function open(Account $account): array
    {
        $of = fn (OutgoingState ...$states): array => array_map(
            OutgoingRow::of(...),
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

    public function one(Account $account, Outgoing $outgoing): OutgoingSheet
    {
        return new OutgoingSheet(
            OutgoingRow::of($outgoing),
            $outgoing->revision(),
            $outgoing->messageId?->text,
            $this->letter($account, $outgoing->letter(), $outgoing->messageId),
        );
    }

    /** @return list<OutgoingRow> drafts that answer a message of the conversation */
    public function draftsIn(Account $account, ConversationId $conversationId): array
    {
        return array_map(
            OutgoingRow::of(...),
            $this->orm->getRepository(Outgoing::class)->findBy(
                ['accountId' => $account->id, 'conversationId' => $conversationId, 'state' => OutgoingState::Draft],
                ['changedAt' => 'DESC'],
            ),
        );
    }

    /**
     * @param EmailId|null  $messageId what is answered or forwarded
     * @param string|null   $what      what is asked for; null: as the letter says
     * @param DueShown|null $due       when an answer could be expected
     */
    public function letter(Account $account, Letter $letter, ?EmailId $messageId, ?string $what = null, ?array $due = null): LetterView
    {
        return LetterView::of(
            $letter,
            $this->files->some($account->id, $letter->files),
            $this->carriable($account, $messageId),
            $account->profile->postSettings()->signature,
            $due,
            $what ?? $letter->what,
        );
    }

    /** @return list<Attachment> */
    private function carriable(Account $account, ?EmailId $messageId): array
    {
        try {
            return null === $messageId ? [] : $this->messages->get($account->id, $messageId)->attachments;
        } catch (NotFound) {
            return [];
        }
    }
}
