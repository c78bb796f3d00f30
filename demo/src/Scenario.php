<?php

declare(strict_types=1);

namespace ZippyTray\Demo;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Yaml\Yaml;
use ZippyTray\Core\Stamp\StampStep;

/**
 * What the person of the demo did before it begins.
 *
 * @phpstan-import-type StepState from StampStep
 *
 * @phpstan-type Step array{
 *     at: string, of?: string, title?: string, notes?: string, list?: string, due?: string, start?: string,
 *     line?: string, subtasks?: string, done?: string, until?: string, for?: string, remind?: string, by?: string,
 *     what?: string
 * }
 * @phpstan-type EventStep array{
 *     at: string, title: string, begins: string, minutes?: int, days?: int, repeat?: string, place?: string,
 *     people?: list<array{name: string, email: string}>
 * }
 * @phpstan-type TheirEvent array{title: string, begins: string, minutes?: int, days?: int, repeat?: string, place?: string}
 * @phpstan-type SubjectCards array{stage?: string, at?: string, of?: list<string>, tasks?: list<string>}
 * @phpstan-type SubjectReference array{at?: string, title?: string, text?: string, url?: string, message?: string, attachment?: int}
 * @phpstan-type Subject array{
 *     list: string, at: string, note?: string, stages: list<array{name: string, days?: int, onwards?: string}>,
 *     cards: list<SubjectCards>, references: list<SubjectReference>
 * }
 * @phpstan-type SlotStep array{at: string, task: string, when: string, minutes: int}
 * @phpstan-type WorkStep array{at: string, task: string, minutes: int}
 */
final readonly class Scenario
{
    /**
     * @var array{
     *     account: array{name: string, email: string, password: string, zone: string}, signature: string,
     *     templates: list<array{name: string, subject: string, text: string, signed: bool}>,
     *     lists: array<string, string>, labels: array<string, array{colour: string, untilDealt?: bool, on: list<string>}>,
     *     orders: list<array{name: string, on?: bool, condition: array<string, mixed>, steps: list<StepState>}>,
     *     stamps: list<array{name: string, key: int, steps: list<StepState>}>, tasks: list<Step>, snoozes: list<Step>,
     *     reminders: list<Step>, handOvers: list<Step>, deleted: list<Step>, doneAtOnce: list<string>, notLookedAt: list<string>,
     *     events: list<EventStep>, slots: list<SlotStep>, worked: list<WorkStep>,
     *     calendars: list<array{address: string, name: string, busy: bool, events: list<TheirEvent>}>,
     *     subjects: list<Subject>, searches: list<array{name: string, words: string, sort: string, shownIn?: string}>
     * }
     */
    private array $data;

    public function __construct(#[Autowire('%kernel.project_dir%/demo/scenario.yaml')] string $file)
    {
        /**
         * @var array{
         *     account: array{name: string, email: string, password: string, zone: string}, signature: string,
         *     templates: list<array{name: string, subject: string, text: string, signed: bool}>,
         *     lists: array<string, string>, labels: array<string, array{colour: string, untilDealt?: bool, on: list<string>}>,
         *     orders: list<array{name: string, on?: bool, condition: array<string, mixed>, steps: list<StepState>}>,
         *     stamps: list<array{name: string, key: int, steps: list<StepState>}>, tasks: list<Step>, snoozes: list<Step>,
         *     reminders: list<Step>, handOvers: list<Step>, deleted: list<Step>, doneAtOnce: list<string>, notLookedAt: list<string>,
         *     events: list<EventStep>, slots: list<SlotStep>, worked: list<WorkStep>,
         *     calendars: list<array{address: string, name: string, busy: bool, events: list<TheirEvent>}>,
         *     subjects: list<Subject>, searches: list<array{name: string, words: string, sort: string, shownIn?: string}>
         * } $data
         */
        $data = Yaml::parseFile($file);
        $this->data = $data;
    }

    /** @return array{name: string, email: string, password: string, zone: string} */
    public function account(): array
    {
        return $this->data['account'];
    }

    public function signature(): string
    {
        return $this->data['signature'];
    }

    /** @return list<array{name: string, subject: string, text: string, signed: bool}> */
    public function templates(): array
    {
        return $this->data['templates'];
    }

    /** @return list<array{name: string, words: string, sort: string, shownIn?: string}> */
    public function searches(): array
    {
        return $this->data['searches'];
    }

    /** @return list<Subject> */
    public function subjects(): array
    {
        return $this->data['subjects'];
    }

    /** @return array<string, string> colours by name */
    public function lists(): array
    {
        return $this->data['lists'];
    }

    /** @return array<string, array{colour: string, untilDealt?: bool, on: list<string>}> by name; the subjects of what bears them */
    public function labels(): array
    {
        return $this->data['labels'];
    }

    /** @return list<array{name: string, key: int, steps: list<StepState>}> an answer names its template by what that is called */
    public function stamps(): array
    {
        return $this->data['stamps'];
    }

    /** @return list<array{name: string, on?: bool, condition: array<string, mixed>, steps: list<StepState>}> in their order */
    public function orders(): array
    {
        return $this->data['orders'];
    }

    /** @return list<Step> */
    public function tasks(): array
    {
        return $this->data['tasks'];
    }

    /** @return list<EventStep> */
    public function events(): array
    {
        return $this->data['events'];
    }

    /** @return list<array{address: string, name: string, busy: bool, events: list<TheirEvent>}> of others */
    public function calendars(): array
    {
        return $this->data['calendars'];
    }

    /** @return list<SlotStep> */
    public function slots(): array
    {
        return $this->data['slots'];
    }

    /** @return list<WorkStep> */
    public function worked(): array
    {
        return $this->data['worked'];
    }

    /** @return list<Step> */
    public function snoozes(): array
    {
        return $this->data['snoozes'];
    }

    /** @return list<Step> */
    public function reminders(): array
    {
        return $this->data['reminders'];
    }

    /** @return list<Step> */
    public function handOvers(): array
    {
        return $this->data['handOvers'];
    }

    /** @return list<Step> */
    public function deleted(): array
    {
        return $this->data['deleted'];
    }

    /** @return list<string> subjects */
    public function doneAtOnce(): array
    {
        return $this->data['doneAtOnce'];
    }

    /** @return list<string> addresses of those whose mail is decided without a look at it */
    public function notLookedAt(): array
    {
        return $this->data['notLookedAt'];
    }
}
