<?php

declare(strict_types=1);

namespace ZippyTray\Core\MailIn;

use ZippyTray\Core\Ids;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Mail\Text\SubjectLine;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\Outgoings;

/**
 * What is said by mail of what was made by mail, to whoever asked for it: an automatic answer (RFC 3834), to which one can answer.
 */
final readonly class Confirmation
{
    public function __construct(private Outgoings $outgoings, private Ids $ids)
    {
    }

    public function send(MadeByMail $made, Message $message, MailInHand $hand): void
    {
        $email = $hand->person->email;
        $header = $made->confirmationHeader($email);
        if (null !== $this->outgoings->withHeader($made->accountId, $header)) {
            return;
        }
        // Whose server takes no sub-addresses is answered at their own: the answer names what it answers.
        $takesDetails = [] !== $made->details || str_starts_with(implode(' ', self::details($message, $hand)), Asking::ANSWER);
        $outgoing = new Outgoing(
            new OutgoingId($this->ids->next()),
            $made->accountId,
            $header,
            AnswerKind::Reply,
            $message->id,
            null,
            new Letter(
                [$message->from],
                subject: ([] === $made->troubles ? 'Made: ' : 'Not understood: ')
                    .mb_substr(SubjectLine::cleaned($message->subject), 0, 200),
                text: self::text($made, $hand),
                automatic: true,
                replyTo: $takesDetails ? $made->answerAddress($email) : '',
            ),
            $hand->now->instant,
        );
        $outgoing->queue($hand->now, false);
        $this->outgoings->add($outgoing);
    }

    private static function text(MadeByMail $made, MailInHand $hand): string
    {
        $parts = [];
        if ('' !== $made->did) {
            $link = null === $made->taskId ? '' : "\n{$hand->program}/tasks/{$made->taskId}";
            $parts[] = $made->did.'.'.$link;
        }
        if ([] !== $made->troubles) {
            $parts[] = "Not understood:\n".implode("\n", array_map(static fn (string $one): string => '- '.$one, $made->troubles));
        }
        $parts[] = MailInState::Refused === $made->state
            ? "Your letter lies in the tray.\n{$hand->program}/"
            : 'Answer "cancel" and it is undone; answer with another time, as "friday 3pm", and it is moved.';

        return implode("\n\n", $parts)."\n";
    }

    /** @return list<string> */
    private static function details(Message $message, MailInHand $hand): array
    {
        $details = [];
        foreach ([...$message->to, ...$message->cc] as $one) {
            $details[] = (string) $hand->person->detailOf($one->email);
        }

        return array_values(array_filter($details));
    }
}
