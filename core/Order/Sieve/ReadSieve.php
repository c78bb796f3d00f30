<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order\Sieve;

use ZippyTray\Core\Order\Condition;
use ZippyTray\Core\Order\Test;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Stamp\StepKind;

/**
 * Makes standing orders of a Sieve script (RFC 5228). A rule of which anything cannot be taken over is left out as a whole, and why is
 * said: half of it would be another rule.
 */
final class ReadSieve
{
    private const ARCHIVE = ['archive', 'archives', 'inbox.archive'];

    private const TRASH = ['trash', 'bin', 'deleted', 'deleted items', 'deleted messages', 'inbox.trash'];

    private const JUNK = ['junk', 'spam', 'inbox.junk', 'inbox.spam'];

    /** @var list<ReadRule> */
    private array $taken = [];

    /** @var list<array{line: int, what: string, why: string}> */
    private array $left = [];

    /**
     * @return array{list<ReadRule>, list<array{line: int, what: string, why: string}>} what was taken, and what was not
     *
     * @throws SieveError when it is no script
     */
    public static function of(string $script): array
    {
        $reader = new self();
        $reader->block(Parser::parse($script), []);

        return [$reader->taken, $reader->left];
    }

    /**
     * @param list<Command>   $commands
     * @param list<Condition> $within   what has to hold for the block to be reached
     */
    private function block(array $commands, array $within): void
    {
        /** @var list<Condition>|null $before what the earlier branches of the same chain ask; null: one of them was left out */
        $before = [];
        foreach ($commands as $command) {
            if ('require' === $command->name) {
                continue;
            }
            if (!\in_array($command->name, ['if', 'elsif', 'else'], true)) {
                $this->leave($command, 'it is done with any mail, without a condition');
                continue;
            }
            $before = 'if' === $command->name ? [] : $before;
            $name = str_starts_with($command->comment, WriteSieve::NAME)
                ? substr($command->comment, \strlen(WriteSieve::NAME))
                : ('' === $command->comment ? \sprintf('Line %d', $command->line) : $command->comment);
            try {
                if (null === $before) {
                    throw new NotInSieve('it depends on a branch before it that could not be taken over');
                }
                [$condition, $on] = 'else' === $command->name ? [null, true] : $this->condition($command->tests[0] ?? new Command('none'));
                $all = [...$within, ...([] === $before ? [] : [new Condition(Test::None, '', $before)]), ...array_filter([$condition])];
                $this->rule($command, $name, $all, $on);
                // What is out of force is never so, and what comes after it is done whether or not it would have been.
                null === $condition || !$on ?: $before[] = $condition;
            } catch (NotInSieve $problem) {
                $before = null;
                $this->leave($command, $problem->getMessage(), $name);
            }
        }
    }

    /**
     * @param list<Condition> $all
     *
     * @throws NotInSieve
     */
    private function rule(Command $command, string $name, array $all, bool $on): void
    {
        $inner = array_filter($command->block, static fn (Command $one): bool => \in_array($one->name, ['if', 'elsif', 'else'], true));
        $actions = array_values(array_filter($command->block, static fn (Command $one): bool => !\in_array($one, $inner, true)));
        if ([] !== $inner && !$on) {
            throw new NotInSieve('it is out of force, with rules within it');
        }
        if ([] !== $actions) {
            [$steps, $last, $answer] = $this->steps($actions);
            if ([] !== $inner) {
                throw new NotInSieve('it does something and decides further');
            }
            try {
                $condition = Condition::checked((1 === \count($all) ? $all[0] : new Condition(Test::All, '', $all))->state());
            } catch (Refused $refused) {
                throw new NotInSieve($refused->getMessage());
            }
            $this->taken[] = new ReadRule($name, $condition, $steps, $on, $last, $answer, $command->line);
        }
        $this->block(array_values($inner), $all);
    }

    /**
     * @return array{Condition, bool} and whether it is in force
     *
     * @throws NotInSieve
     */
    private function condition(Command $test): array
    {
        if ('allof' === $test->name && 'false' === ($test->tests[0]->name ?? '') && \count($test->tests) > 1) {
            $rest = \array_slice($test->tests, 1);

            return [$this->test(1 === \count($rest) ? $rest[0] : new Command('allof', tests: $rest)), false];
        }

        return [$this->test($test), true];
    }

    /** @throws NotInSieve */
    private function test(Command $test): Condition
    {
        return match ($test->name) {
            'allof' => $this->addressed($test) ?? new Condition(Test::All, '', array_map($this->test(...), $test->tests)),
            'anyof' => $this->domain($test) ?? $this->words($test)
                ?? new Condition(Test::Any, '', array_map($this->test(...), $test->tests)),
            'not' => $this->none($this->test($test->tests[0] ?? new Command('none'))),
            'address', 'envelope' => $this->address($test),
            'header' => $this->header($test),
            'body' => $this->any(Test::Words, array_map(self::phrase(...), $this->contained($test, 0))),
            'size' => $this->size($test),
            default => throw new NotInSieve(\sprintf('line %d: "%s" cannot be asked here', $test->line, $test->name)),
        };
    }

    /** Not any of several is none of them. */
    private function none(Condition $of): Condition
    {
        return new Condition(Test::None, '', Test::Any === $of->test ? $of->of : [$of]);
    }

    /** Both halves of "from that domain or one below it", as WriteSieve says it. */
    private function domain(Command $anyof): ?Condition
    {
        [$is, $below] = [$anyof->tests[0] ?? null, $anyof->tests[1] ?? null];
        $domain = $is?->strings(1)[0] ?? '';

        return 2 === \count($anyof->tests) && 'address' === $is?->name && 'address' === $below?->name && $is->has('domain')
            && $below->has('domain') && $below->has('matches') && ['*.'.$domain] === $below->strings(1)
                ? new Condition(Test::Domain, mb_strtolower($domain))
                : null;
    }

    /** Both halves of "in subject or text", as WriteSieve says it. */
    private function words(Command $anyof): ?Condition
    {
        [$subject, $body] = [$anyof->tests[0] ?? null, $anyof->tests[1] ?? null];

        return 2 === \count($anyof->tests) && 'header' === $subject?->name && 'body' === $body?->name
            && ['subject'] === array_map(strtolower(...), $subject->strings(0)) && $subject->strings(1) === $body->strings(0)
            && 1 === \count($body->strings(0))
                ? new Condition(Test::Words, self::phrase($body->strings(0)[0]))
                : null;
    }

    /** How the person is addressed, as WriteSieve says it. */
    private function addressed(Command $allof): ?Condition
    {
        [$first, $second] = [$allof->tests[0] ?? null, $allof->tests[1] ?? null];
        if (2 !== \count($allof->tests) || 'address' !== $first?->name) {
            return null;
        }
        $of = array_map(strtolower(...), $first->strings(0));
        if (['to'] === $of && 'address' === $second?->name && $second->has('count') && ['1'] === $second->strings(1)) {
            return match ($second->tag('count')) {
                'eq' => new Condition(Test::Addressed, 'alone'),
                'gt' => new Condition(Test::Addressed, 'among'),
                default => null,
            };
        }
        $not = $second?->tests[0] ?? null;

        return ['cc'] === $of && 'not' === $second?->name && 'address' === $not?->name
            && ['to'] === array_map(strtolower(...), $not->strings(0)) && $not->strings(1) === $first->strings(1)
                ? new Condition(Test::Addressed, 'copied')
                : null;
    }

    /** @throws NotInSieve */
    private function address(Command $test): Condition
    {
        $headers = array_map(strtolower(...), $test->strings(0));
        $keys = $test->strings(1);
        $isFrom = [] === array_diff($headers, ['from', 'sender', 'reply-to', 'return-path']) && \in_array('from', $headers, true);
        $isTo = [] !== $headers && [] === array_diff($headers, ['to', 'cc', 'bcc', 'resent-to', 'delivered-to', 'x-original-to']);
        if ($test->has('matches', 'contains')) {
            foreach ($keys as &$key) {
                // Everything before the sign of an address is anybody at that domain.
                if ($isFrom && 1 === preg_match('/^\*?@([^*?@]+)$/', $key, $m)) {
                    $key = $m[1];
                    continue;
                }
                throw new NotInSieve(\sprintf('line %d: a part of an address cannot be asked for', $test->line));
            }

            return $this->any(Test::Domain, $keys);
        }

        return match (true) {
            [] === $keys || $test->has('count', 'value', 'regex') => throw new NotInSieve(
                \sprintf('line %d: this cannot be asked of an address', $test->line),
            ),
            $isFrom && $test->has('domain') => $this->any(Test::Domain, $keys),
            $isTo && $test->has('detail') => $this->any(Test::To, array_map(static fn (string $key): string => '+'.$key, $keys)),
            $test->has('localpart', 'user', 'detail', 'domain') => throw new NotInSieve(
                \sprintf('line %d: a part of an address cannot be asked for', $test->line),
            ),
            $isFrom => $this->any(Test::From, $keys),
            $isTo => $this->any(Test::To, $keys),
            default => throw new NotInSieve(\sprintf('line %d: "%s" cannot be asked for', $test->line, implode(', ', $headers))),
        };
    }

    /** @throws NotInSieve */
    private function header(Command $test): Condition
    {
        $headers = array_map(strtolower(...), $test->strings(0));
        if (['subject'] === $headers) {
            return $this->any(Test::Subject, array_map(self::phrase(...), $this->contained($test, 1)));
        }
        if (['list-id'] === $headers || ['x-list-id'] === $headers) {
            return $this->any(Test::List, array_map(
                static fn (string $key): string => 1 === preg_match('/<([^<>]+)>/', $key, $m) ? $m[1] : trim($key, '<>* '),
                $this->contained($test, 1),
            ));
        }
        if (!$test->has('contains', 'matches') && [] !== $headers && [] === array_diff($headers, ['from', 'to', 'cc'])) {
            return $this->address($test);
        }

        throw new NotInSieve(\sprintf('line %d: the field "%s" cannot be asked for', $test->line, implode(', ', $headers)));
    }

    /**
     * What has to be contained, of what is asked for with :contains, :is or stars around it.
     *
     * @return list<string>
     *
     * @throws NotInSieve
     */
    private function contained(Command $test, int $at): array
    {
        $keys = $test->strings($at);
        if ([] === $keys || $test->has('count', 'value', 'regex')) {
            throw new NotInSieve(\sprintf('line %d: this cannot be asked of a text', $test->line));
        }
        if (!$test->has('matches')) {
            return $keys;
        }

        return array_map(static fn (string $key): string => 1 === preg_match('/^\*?([^*?]+)\*?$/', $key, $m)
            ? $m[1]
            : throw new NotInSieve(\sprintf('line %d: a pattern cannot be asked for', $test->line)), $keys);
    }

    /** @throws NotInSieve */
    private function size(Command $test): Condition
    {
        [$kind, $bytes] = isset($test->tags['over']) ? [Test::Larger, $test->tags['over']] : [Test::Smaller, $test->tags['under'] ?? 0];

        return new Condition($kind, (string) max(1, (int) round((\is_int($bytes) ? $bytes : 0) / 1000)));
    }

    /** @param list<string> $keys one of which has to hold */
    private function any(Test $test, array $keys): Condition
    {
        $each = array_map(static fn (string $key): Condition => new Condition($test, $key), $keys);

        return 1 === \count($each) ? $each[0] : new Condition(Test::Any, '', $each);
    }

    private static function phrase(string $key): string
    {
        return 1 === preg_match('/\s/u', trim($key)) ? '"'.str_replace('"', '', trim($key)).'"' : trim(str_replace('"', '', $key));
    }

    /**
     * @param list<Command> $actions
     *
     * @return array{list<StampStep>, bool, string} steps, whether no other comes after it, and the text that it answers with
     *
     * @throws NotInSieve
     */
    private function steps(array $actions): array
    {
        [$steps, $last, $answer] = [[], false, ''];
        foreach ($actions as $action) {
            match ($action->name) {
                'keep' => null,
                'stop' => $last = true,
                'discard' => $steps[] = new StampStep(StepKind::Delete),
                'fileinto' => array_push($steps, ...$this->filed($action)),
                'addflag', 'setflag' => array_push($steps, ...$this->flagged($action, StepKind::Label)),
                'removeflag' => array_push($steps, ...$this->flagged($action, StepKind::Unlabel)),
                'vacation' => $answer = $action->strings(0)[0] ?? '',
                default => throw new NotInSieve(\sprintf('line %d: "%s" cannot be done here', $action->line, $action->name)),
            };
        }
        if ('' !== $answer) {
            $steps[] = new StampStep(StepKind::Answer, send: true);
        }
        $decisions = array_filter($steps, static fn (StampStep $step): bool => $step->do->decides());
        if ([] === $steps || \count($decisions) > 1) {
            throw new NotInSieve([] === $steps ? 'it does nothing' : 'it files the same mail in several places');
        }

        return [self::merged($steps), $last, $answer];
    }

    /**
     * @return list<StampStep>
     *
     * @throws NotInSieve
     */
    private function filed(Command $action): array
    {
        $folder = $action->strings(0)[0] ?? '';
        $name = mb_strtolower($folder);
        $last = trim((string) preg_replace('~^.*[/.]~u', '', $folder));

        return match (true) {
            $action->has('copy') => throw new NotInSieve(\sprintf('line %d: there are no copies here', $action->line)),
            '' === $last => throw new NotInSieve(\sprintf('line %d: into which folder?', $action->line)),
            'inbox' === $name => [],
            \in_array($name, self::ARCHIVE, true) => [new StampStep(StepKind::Archive)],
            \in_array($name, self::TRASH, true) => [new StampStep(StepKind::Delete)],
            \in_array($name, self::JUNK, true) => [new StampStep(StepKind::Block)],
            // Out of the inbox, and found again by its word.
            default => [new StampStep(StepKind::Label, [mb_substr($last, 0, 40)]), new StampStep(StepKind::Archive)],
        };
    }

    /**
     * @return list<StampStep>
     *
     * @throws NotInSieve
     */
    private function flagged(Command $action, StepKind $kind): array
    {
        // With a variable before them, the flags are the second argument (RFC 5232, 3).
        $flags = preg_split('/\s+/', implode(' ', $action->strings(\count($action->arguments) - 1)), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        $steps = [];
        foreach ($flags as $flag) {
            $steps[] = match (true) {
                '\\seen' === strtolower($flag) && StepKind::Label === $kind => new StampStep(StepKind::Read),
                str_starts_with($flag, '\\') => throw new NotInSieve(\sprintf('line %d: there is no flag %s here', $action->line, $flag)),
                default => new StampStep($kind, [str_replace('_', ' ', $flag)]),
            };
        }

        return $steps;
    }

    /**
     * @param list<StampStep> $steps
     *
     * @return list<StampStep> labels of one kind in one step
     */
    private static function merged(array $steps): array
    {
        $merged = [];
        foreach ($steps as $step) {
            $key = $step->do->value;
            $merged[$key] = isset($merged[$key])
                ? new StampStep($step->do, array_values(array_unique([...$merged[$key]->labels, ...$step->labels])))
                : $step;
        }

        return array_values($merged);
    }

    private function leave(Command $command, string $why, string $name = ''): void
    {
        $this->left[] = ['line' => $command->line, 'what' => '' === $name ? $command->name : $name, 'why' => $why];
    }
}
