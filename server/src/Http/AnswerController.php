<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Owed\Owing;
use ZippyTray\Core\Post\Answering;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\AskAgain;
use ZippyTray\Core\Post\HandOverLetter;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Time\Field\Reading;
use ZippyTray\Core\Time\Unreadable;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Post\WrittenLetter;
use ZippyTray\Server\Read\DueView;
use ZippyTray\Server\Read\Post\OutgoingRows;

/**
 * Letters as they begin. Nothing is kept until something is written.
 */
final readonly class AnswerController
{
    public function __construct(private OutgoingRows $rows, private Messages $messages, private ClockInterface $clock)
    {
    }

    #[Route('/api/answers', methods: 'GET')]
    public function __invoke(
        #[CurrentUser]
        Account $account,
        Owing $owing,
        Tasks $tasks,
        Conversations $conversations,
        #[MapQueryParameter]
        string $kind,
        #[MapQueryParameter]
        ?string $message = null,
        #[MapQueryParameter]
        ?string $owed = null,
        #[MapQueryParameter]
        ?string $task = null,
        #[MapQueryParameter]
        ?string $to = null,
        #[MapQueryParameter]
        string $what = '',
        #[MapQueryParameter]
        string $until = '',
    ): JsonResponse {
        if (null !== $owed) {
            $one = $owing->get($account->id, $owed);
            $subject = null === $one->conversationId() ? '' : $conversations->get($account->id, $one->conversationId())->subject();
            $letter = $account->profile->postSettings()->signed(
                AskAgain::of($one, $subject, $account->profile->name(), $account->timeZone()),
            );

            return new JsonResponse($this->rows->letter($account, $letter, EmailId::orNull($message), $one->what()));
        }
        if (null !== $task) {
            $one = $tasks->get($account->id, new TaskId($task));
            $due = $one->due();

            $letter = $this->handedOver(
                $account,
                new Letter(subject: $one->title(), text: $one->notes(), files: $one->files()),
                [],
                $one->title(),
                null === $due ? '' : Reading::day($due->date, $due->time),
            );

            return new JsonResponse($this->rows->letter(
                $account,
                $letter,
                null,
                $one->title(),
                null === $due ? null : DueView::asSaid($due),
            ));
        }
        $kind = AnswerKind::tryFrom($kind) ?? AnswerKind::New;
        $letter = AnswerKind::New === $kind
            ? new Letter()
            : (new Answering($account->person(), $account->timeZone()))->to(
                $this->messages->get($account->id, new EmailId($message ?? throw new NotFound('message', ''))),
                $kind,
            );

        if (null !== $to) {
            $people = (new WrittenLetter($to))->letter()->to;
            $letter = $this->handedOver($account, $letter->withTo($people), $people, $what, $this->until($account, $until));

            return new JsonResponse($this->rows->letter($account, $letter, EmailId::orNull($message), $what));
        }

        return new JsonResponse($this->rows->letter(
            $account,
            $account->profile->postSettings()->signed($letter),
            AnswerKind::New === $kind ? null : EmailId::orNull($message),
        ));
    }

    /** @param list<Address> $to */
    private function handedOver(Account $account, Letter $letter, array $to, string $what, string $until): Letter
    {
        $below = $account->profile->postSettings()->signed($letter);
        $words = HandOverLetter::words($to, $what, $until);

        return $below->withText(
            '' === trim($below->text) ? $words."\n" : $words.(str_starts_with($below->text, "\n") ? '' : "\n\n").$below->text,
        );
    }

    /** A when phrase as it is said to somebody; one that cannot be read yet stands as it was written. */
    private function until(Account $account, string $phrase): string
    {
        try {
            $reading = $account->profile->speaker($this->clock->now())->read($phrase);
        } catch (Unreadable) {
            return trim($phrase);
        }

        return $reading->toSomebody();
    }
}
