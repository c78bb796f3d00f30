<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;

final readonly class KeepTemplates
{
    public function __construct(private Templates $templates, private Journal $journal)
    {
    }

    /**
     * @param string $id made by the client
     *
     * @throws Refused when it cannot be, or another one has that name
     */
    public function add(
        AccountId $accountId,
        EntryId $entryId,
        string $id,
        string $name,
        string $subject,
        string $text,
        bool $signed,
    ): Entry {
        return $this->journal->write($accountId, $entryId, EntryKind::AddTemplate, function (Step $step) use (
            $accountId,
            $id,
            $name,
            $subject,
            $text,
            $signed,
        ): void {
            $template = new Template($id, $accountId, $name, $subject, $text, $signed);
            $this->checkName($template);
            $this->templates->add($template);
            $step->made($template);
            $step->say($template->name());
        });
    }

    /**
     * @throws NotFound
     * @throws Refused  when it cannot be, or another one has that name
     */
    public function edit(
        AccountId $accountId,
        EntryId $entryId,
        string $id,
        string $name,
        string $subject,
        string $text,
        bool $signed,
    ): Entry {
        return $this->journal->write($accountId, $entryId, EntryKind::EditTemplate, function (Step $step) use (
            $accountId,
            $id,
            $name,
            $subject,
            $text,
            $signed,
        ): void {
            $template = $this->templates->get($accountId, $id);
            $step->touch($template);
            $template->write($name, $subject, $text, $signed);
            $this->checkName($template);
            $step->say($template->name());
        });
    }

    /** @throws NotFound */
    public function delete(AccountId $accountId, EntryId $entryId, string $id): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::DeleteTemplate, function (Step $step) use ($accountId, $id): void {
            $template = $this->templates->get($accountId, $id);
            $step->removed($template);
            $this->templates->remove($template);
            $step->say($template->name());
        });
    }

    /** @throws Refused */
    private function checkName(Template $template): void
    {
        $other = $this->templates->named($template->accountId, $template->name());
        if (null !== $other && $other->id !== $template->id) {
            throw new Refused(\sprintf('There is a template called "%s" already.', $other->name()), 'name');
        }
    }
}
