<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Label\Borne;
use ZippyTray\Core\Label\Label;
use ZippyTray\Core\Label\LabelId;
use ZippyTray\Core\Label\Labels;
use ZippyTray\Core\Label\ShownLabels;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;

final readonly class LabelStore implements Labels
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function all(AccountId $accountId): ShownLabels
    {
        return new ShownLabels(Unwritten::beside(
            $this->orm,
            $this->orm->getRepository(Label::class)->findBy(['accountId' => $accountId]),
            static fn (object $one): bool => $one instanceof Label && $one->accountId->is($accountId),
        ));
    }

    public function get(AccountId $accountId, LabelId $id): Label
    {
        $label = $this->orm->getRepository(Label::class)->findOneBy(['accountId' => $accountId, 'id' => $id]);

        return true === $label?->isLive() ? $label : throw new NotFound('label', $id->text);
    }

    public function add(Label $label): void
    {
        $this->orm->persist($label);
    }

    public function borneBy(AccountId $accountId, ConversationId $conversationId): array
    {
        return Unwritten::beside(
            $this->orm,
            $this->orm->getRepository(Borne::class)->findBy(['accountId' => $accountId, 'conversationId' => $conversationId]),
            static fn (object $one): bool => $one instanceof Borne && $one->accountId->is($accountId)
                && $one->conversationId()->is($conversationId),
        );
    }

    public function put(Borne $borne): void
    {
        $this->orm->persist($borne);
    }

    public function takeOff(Borne $borne): void
    {
        $this->orm->remove($borne);
    }

    public function move(AccountId $accountId, ConversationId $from, ConversationId $to): void
    {
        foreach ($this->borneBy($accountId, $from) as $borne) {
            $borne->moveTo($to);
        }
        $this->orm->flush();
    }
}
