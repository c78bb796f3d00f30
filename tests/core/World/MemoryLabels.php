<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Label\Borne;
use ZippyTray\Core\Label\Label;
use ZippyTray\Core\Label\LabelId;
use ZippyTray\Core\Label\Labels;
use ZippyTray\Core\Label\ShownLabels;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;

final readonly class MemoryLabels implements Labels
{
    public function __construct(private Memory $memory)
    {
    }

    public function all(AccountId $accountId): ShownLabels
    {
        return new ShownLabels($this->memory->labels);
    }

    public function get(AccountId $accountId, LabelId $id): Label
    {
        $label = $this->memory->labels[$id->text] ?? null;

        return true === $label?->isLive() ? $label : throw new NotFound('label', $id->text);
    }

    public function add(Label $label): void
    {
        $this->memory->labels[$label->id->text] = $label;
    }

    public function borneBy(AccountId $accountId, ConversationId $conversationId): array
    {
        return array_values(array_filter(
            $this->memory->borne,
            static fn (Borne $borne): bool => $borne->conversationId()->is($conversationId),
        ));
    }

    public function put(Borne $borne): void
    {
        $this->memory->borne[$borne->id] = $borne;
    }

    public function takeOff(Borne $borne): void
    {
        unset($this->memory->borne[$borne->id]);
    }

    public function move(AccountId $accountId, ConversationId $from, ConversationId $to): void
    {
        foreach ($this->borneBy($accountId, $from) as $borne) {
            $borne->moveTo($to);
        }
    }
}
