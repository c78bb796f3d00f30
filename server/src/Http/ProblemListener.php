<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Psr\Log\LoggerInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Validator\ConstraintViolationInterface;
use Symfony\Component\Validator\Exception\ValidationFailedException;
use ZippyTray\Core\Journal\CannotUndo;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\UndoBlocked;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\DraftOvertaken;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\OpenSubtasks;
use ZippyTray\Core\Task\TaskOvertaken;
use ZippyTray\Core\Tray\Overtaken;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Read\Post\OutgoingRows;
use ZippyTray\Server\Read\Task\TaskSheets;
use ZippyTray\Server\Store\DatabaseTrouble;

/**
 * Turns what goes wrong into a sentence for the person.
 */
#[AsEventListener(priority: 2)]
final readonly class ProblemListener
{
    public function __construct(
        private EntryRows $entries,
        private TaskSheets $tasks,
        private OutgoingRows $outgoings,
        private Accounts $accounts,
        private LoggerInterface $logger,
    ) {
    }

    public function __invoke(ExceptionEvent $event): void
    {
        $problem = $event->getThrowable();
        if (!str_starts_with($event->getRequest()->getPathInfo(), '/api/')
            || $problem instanceof AccessDeniedException
            || $problem instanceof AuthenticationException) {
            return;
        }
        $event->setResponse(match (true) {
            $problem instanceof NotFound => Problem::of(Response::HTTP_NOT_FOUND, $problem->getMessage()),
            $problem instanceof Refused => Problem::of(
                Response::HTTP_UNPROCESSABLE_ENTITY,
                $problem->getMessage(),
                '' === $problem->field ? [] : ['violations' => [['field' => $problem->field, 'message' => $problem->getMessage()]]],
            ),
            $problem instanceof CannotUndo => Problem::of(Response::HTTP_CONFLICT, $problem->getMessage()),
            $problem instanceof UndoBlocked => $this->later($problem->getMessage(), $problem->later, ['laterSteps' => $problem->steps]),
            $problem instanceof Overtaken => $this->later(
                $problem->getMessage(),
                $problem->entry,
                ['overtaken' => [
                    'conversation' => $problem->conversationId,
                    'revision' => $problem->revision,
                    'byMail' => null === $problem->entry,
                ]],
            ),
            $problem instanceof OpenSubtasks => Problem::of(
                Response::HTTP_CONFLICT,
                $problem->getMessage(),
                ['openSubtasks' => $problem->count],
            ),
            $problem instanceof DraftOvertaken => Problem::of(
                Response::HTTP_CONFLICT,
                $problem->getMessage(),
                ['outgoing' => $this->outgoings->one($this->accounts->get($problem->outgoing->accountId->text), $problem->outgoing)],
            ),
            $problem instanceof TaskOvertaken => Problem::of(
                Response::HTTP_CONFLICT,
                $problem->getMessage(),
                ['task' => $this->tasks->of($problem->task)],
            ),
            // Names are made by who asks; one of somebody else's says nothing of what it stands for.
            $problem instanceof UniqueConstraintViolationException => Problem::of(
                Response::HTTP_CONFLICT,
                'This cannot be kept under the name that the page has given it. Reload the page, then try again.',
            ),
            $problem instanceof HttpExceptionInterface => $this->http($problem),
            default => $this->unexpected($problem),
        });
    }

    /**
     * @param Entry|null           $later   the entry that came in between
     * @param array<string, mixed> $members more members of the problem
     */
    private function later(string $sentence, ?Entry $later, array $members = []): JsonResponse
    {
        return Problem::of(
            Response::HTTP_CONFLICT,
            $sentence,
            $members + (null === $later ? [] : ['later' => $this->entries->of($later)]),
        );
    }

    private function http(HttpExceptionInterface $problem): JsonResponse
    {
        $failed = $problem->getPrevious();
        if ($failed instanceof ValidationFailedException) {
            $violations = array_map(
                static fn (ConstraintViolationInterface $violation): array => [
                    'field' => $violation->getPropertyPath(),
                    'message' => self::sentence($violation),
                ],
                iterator_to_array($failed->getViolations(), false),
            );

            return Problem::of(
                Response::HTTP_UNPROCESSABLE_ENTITY,
                implode(' ', array_column($violations, 'message')),
                ['violations' => $violations],
            );
        }

        return Problem::of($problem->getStatusCode(), match ($problem->getStatusCode()) {
            404 => 'There is nothing at this address.',
            405 => 'This cannot be done here.',
            413 => 'This is too large.',
            415, 400 => 'The request could not be understood. Reload the page, then try again.',
            default => '' === $problem->getMessage() ? 'This did not work.' : $problem->getMessage(),
        });
    }

    /** Types are no matter of who reads it: only a page of another version sends something else. */
    private static function sentence(ConstraintViolationInterface $violation): string
    {
        return str_starts_with($violation->getMessageTemplate(), 'This value should be of type')
            ? 'The page sent something here that is not understood. Reload it, then try again.'
            : (string) $violation->getMessage();
    }

    private function unexpected(\Throwable $problem): JsonResponse
    {
        $this->logger->error($problem->getMessage(), ['exception' => $problem]);
        $sentence = DatabaseTrouble::sentence($problem);
        if (null !== $sentence) {
            return Problem::of(Response::HTTP_SERVICE_UNAVAILABLE, $sentence);
        }

        return Problem::of(
            Response::HTTP_INTERNAL_SERVER_ERROR,
            'Something went wrong here. Nothing was changed; try again, and look into the log when it happens once more.',
        );
    }
}
