<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Importance;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Tray\Advice\Adviser;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\MailKind;
use ZippyTray\Core\Tray\Importance\Traits;

final readonly class SimulatedLetter
{
    public string $email;

    public string $domain;

    public MailKind $kind;

    public bool $asks;

    public bool $dated;

    public bool $copied;

    public function __construct(
        public Findings $findings,
        public string $topic,
        public string $list,
        public bool $alone,
    ) {
        $this->email = $findings->head->from;
        $this->domain = explode('@', $this->email)[1];
        $this->kind = $findings->kind;
        $this->asks = [] !== $findings->requests;
        $this->dated = [] !== $findings->dates;
        $this->copied = $findings->copied;
    }

    public function traits(int $written = 0): Traits
    {
        return Traits::of(
            $this->findings,
            $written > 0,
            (new Adviser())->byRules([$this->findings], LocalDate::parse('2026-11-24')),
        );
    }
}
