<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Uid\Uuid;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Http\Payload\Account\MailWaysFields;
use ZippyTray\Server\Mailroom\Out\BuildMessage;
use ZippyTray\Server\Mailroom\Out\NotTaken;
use ZippyTray\Server\Mailroom\Out\Unanswered;
use ZippyTray\Server\Mailroom\Ways;
use ZippyTray\Server\Store\LeftOut;

/**
 * How mail goes out and comes in.
 */
#[Route('/api/mail-ways')]
final readonly class MailWaysController
{
    public function __construct(private LeftOut $leftOut)
    {
    }

    #[Route('', methods: 'GET')]
    public function show(#[CurrentUser] Account $account): JsonResponse
    {
        $ways = $account->mailWays();

        return new JsonResponse([
            'out' => $ways->out,
            'server' => $ways->server(),
            'plain' => $ways->plain,
            'in' => $ways->in,
            'folder' => $ways->folder,
            'leftOut' => $this->leftOut->of($account->id),
        ]);
    }

    /** The person has seen what could not be taken in. */
    #[Route('/left-out', methods: 'DELETE')]
    public function forget(#[CurrentUser] Account $account): Response
    {
        $this->leftOut->forget($account->id);

        return new Response(status: Response::HTTP_NO_CONTENT);
    }

    #[Route('', methods: 'PUT')]
    public function choose(
        #[CurrentUser]
        Account $account,
        #[MapRequestPayload]
        MailWaysFields $fields,
        EntityManagerInterface $orm,
    ): JsonResponse {
        $ways = MailWays::chosen(
            $fields->out,
            '' === $fields->dsn ? $account->mailWays()->dsn : $fields->dsn,
            $fields->in,
            $fields->folder,
            $fields->plain,
        );
        Ways::check($ways);
        $account->connect($ways);
        $orm->flush();

        return $this->show($account);
    }

    #[Route('/try', methods: 'POST')]
    public function try(#[CurrentUser] Account $account, Ways $ways, BuildMessage $build, ClockInterface $clock): Response
    {
        $now = \DateTimeImmutable::createFromInterface($clock->now());
        $me = new Address($account->email, $account->profile->name());
        $header = Uuid::v7()->toRfc4122().'@'.substr((string) strrchr($account->email, '@'), 1);
        $outgoing = new Outgoing(
            new OutgoingId(Uuid::v7()->toRfc4122()),
            $account->id,
            $header,
            AnswerKind::New,
            null,
            null,
            new Letter(
                [$me],
                subject: 'A message to yourself',
                text: "Zippy Tray has sent this to try the way out for your mail.\nWhen you read it, mail goes out.\n",
            ),
            $now,
        );
        try {
            $ways->out($account)->submit($header, $me, [$me], $build($account, $outgoing, $now));
        } catch (NotTaken|Unanswered $problem) {
            throw new Refused($problem->getMessage(), 'dsn');
        }

        return new Response(status: Response::HTTP_NO_CONTENT);
    }
}
