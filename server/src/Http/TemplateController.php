<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\KeepTemplates;
use ZippyTray\Core\Post\Placeholders;
use ZippyTray\Core\Post\Template;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Post\TemplateFields;
use ZippyTray\Server\Http\Payload\Post\TemplateGaps;
use ZippyTray\Server\Http\Payload\Post\WrittenLetter;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Store\Ports\TemplateStore;

/**
 * Texts that are written again and again.
 */
#[Route('/api/templates', requirements: ['id' => Requirement::UUID])]
final readonly class TemplateController
{
    public function __construct(
        private TemplateStore $templates,
        private KeepTemplates $keep,
        private EntryRows $entries,
        private ClockInterface $clock,
    ) {
    }

    #[Route('', methods: 'GET')]
    public function all(#[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse(array_map(static fn (Template $template): array => [
            'id' => $template->id,
            'name' => $template->name(),
            'subject' => $template->subject(),
            'text' => $template->text(),
            'signed' => $template->isSigned(),
            'questions' => Placeholders::questions($template->subject().' '.$template->text()),
        ], $this->templates->all($account->id)));
    }

    #[Route('/{id}', methods: 'PUT')]
    public function keep(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] TemplateFields $fields): JsonResponse
    {
        $faults = $this->placeholders($account)->faults($fields->subject.' '.$fields->text);
        if ([] !== $faults) {
            throw new Refused($faults[0], 'text');
        }
        try {
            $this->templates->get($account->id, $id);
            $entry = $this->keep->edit(
                $account->id,
                new EntryId($fields->entry),
                $id,
                $fields->name,
                $fields->subject,
                $fields->text,
                $fields->signed,
            );
        } catch (NotFound) {
            $entry = $this->keep->add(
                $account->id,
                new EntryId($fields->entry),
                $id,
                $fields->name,
                $fields->subject,
                $fields->text,
                $fields->signed,
            );
        }

        return $this->entry($entry);
    }

    #[Route('/{id}', methods: 'DELETE')]
    public function delete(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)]
        string $entry,
    ): JsonResponse {
        return $this->entry($this->keep->delete($account->id, new EntryId($entry), $id));
    }

    #[Route('/{id}/filled', methods: 'POST')]
    public function fill(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] TemplateGaps $gaps): JsonResponse
    {
        $template = $this->templates->get($account->id, $id);
        $placeholders = $this->placeholders($account);
        $to = (new WrittenLetter($gaps->to))->letter()->to[0] ?? null;

        return new JsonResponse([
            'subject' => $placeholders->fill($template->subject(), $to, $gaps->asked),
            'text' => $placeholders->fill($template->text(), $to, $gaps->asked),
            'signed' => $template->isSigned(),
        ]);
    }

    private function placeholders(Account $account): Placeholders
    {
        return new Placeholders($account->profile->speaker($this->clock->now()), $account->profile->name());
    }

    private function entry(Entry $entry): JsonResponse
    {
        return new JsonResponse($this->entries->of($entry));
    }
}
