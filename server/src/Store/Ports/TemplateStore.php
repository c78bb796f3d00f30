<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\Template;
use ZippyTray\Core\Post\Templates;

final readonly class TemplateStore implements Templates
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, string $id): Template
    {
        return $this->orm->getRepository(Template::class)->findOneBy(['accountId' => $accountId, 'id' => $id])
            ?? throw new NotFound('template', $id);
    }

    public function named(AccountId $accountId, string $name): ?Template
    {
        foreach ($this->all($accountId) as $template) {
            if (mb_strtolower($template->name()) === mb_strtolower($name)) {
                return $template;
            }
        }

        return null;
    }

    public function add(Template $template): void
    {
        $this->orm->persist($template);
    }

    public function remove(Template $template): void
    {
        $this->orm->remove($template);
        $this->orm->flush();
    }

    /** @return list<Template> by name */
    public function all(AccountId $accountId): array
    {
        $all = $this->orm->getRepository(Template::class)->findBy(['accountId' => $accountId]);
        usort($all, static fn (Template $a, Template $b): int => mb_strtolower($a->name()) <=> mb_strtolower($b->name()));

        return $all;
    }
}
