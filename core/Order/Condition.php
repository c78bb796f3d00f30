<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Tray\Advice\MailKind;

/**
 * What has to be so of a message for a standing order to be carried out on it.
 *
 * @phpstan-type ConditionState array{test: string, is?: string, of?: list<array<string, mixed>>}
 */
final readonly class Condition
{
    public const LENGTH = 200;

    /** How deep conditions may lie within others, and how many there may be in all. */
    public const DEPTH = 4;

    public const MOST = 60;

    private const DOMAIN = '/^@?[\p{L}\p{N}](?:[\p{L}\p{N}.-]*[\p{L}\p{N}])?$/u';

    private const ADDRESSED = [
        'alone' => 'to you alone',
        'among' => 'to you and others',
        'copied' => 'of which you only get a copy',
    ];

    /** Kilobytes that a size can be given with at most: 1 GB. */
    private const LARGEST = 1_000_000;

    /**
     * @param string     $is what is asked for; empty of a group
     * @param list<self> $of those that it puts together; empty of any other
     */
    public function __construct(public Test $test, public string $is = '', public array $of = [])
    {
    }

    /**
     * @param array<array-key, mixed> $state as it came, from whoever
     *
     * @throws Refused when it makes no sense
     */
    public static function checked(array $state): self
    {
        $left = self::MOST;

        return self::read($state, 1, $left);
    }

    /** @param array<array-key, mixed> $state what state() gave */
    public static function fromState(array $state): self
    {
        return self::checked($state);
    }

    /**
     * @param array<array-key, mixed> $state
     *
     * @throws Refused
     */
    private static function read(array $state, int $depth, int &$left): self
    {
        $test = \is_string($state['test'] ?? null) ? Test::tryFrom($state['test']) : null;
        $is = trim((string) preg_replace('/\s+/u', ' ', mb_scrub(\is_string($state['is'] ?? null) ? $state['is'] : '')));
        if (null === $test) {
            throw new Refused('There is no such condition.', 'condition');
        }
        if (--$left < 0 || $depth > self::DEPTH) {
            throw new Refused('These are too many conditions in one order.', 'condition');
        }
        if (!$test->isGroup()) {
            return new self($test, self::value($test, $is));
        }
        $of = [];
        foreach (\is_array($state['of'] ?? null) ? $state['of'] : [] as $one) {
            $of[] = self::read(\is_array($one) ? $one : [], $depth + 1, $left);
        }
        if ([] === $of) {
            throw new Refused('On which mail? An order needs a condition.', 'condition');
        }

        return new self($test, '', $of);
    }

    /** @throws Refused when it is nothing that can be asked for */
    private static function value(Test $test, string $is): string
    {
        if (mb_strlen($is) > self::LENGTH) {
            throw new Refused(\sprintf('A condition can have %d characters at most.', self::LENGTH), 'condition');
        }
        $wrong = match ($test) {
            Test::From => Address::isValid($is) ? '' : \sprintf('"%s" is no address.', $is),
            Test::Domain => 1 === preg_match(self::DOMAIN, $is) ? '' : \sprintf('"%s" is no domain.', $is),
            Test::To => 1 === preg_match('/^(?:[^\s@]+@[^\s@]+|\+[^\s@+]+)$/u', $is)
                ? ''
                : \sprintf('"%s" is none of your addresses, and no sub-address such as +news.', $is),
            Test::List, Test::Label, Test::TaskList => '' === $is ? 'Which one?' : '',
            Test::Subject, Test::Words => 1 === preg_match('/[\p{L}\p{N}]/u', $is) ? '' : 'Which words?',
            Test::Larger, Test::Smaller => 1 === preg_match('/^\d{1,7}$/', $is) && (int) $is >= 1 && (int) $is <= self::LARGEST
                ? ''
                : 'How large? From 1 to 1000000 kilobytes.',
            Test::Important, Test::Unimportant => 1 === preg_match('/^\d{1,3}$/', $is) && (int) $is >= 1 && (int) $is <= 100
                ? ''
                : 'How much does it matter? From 1 to 100.',
            Test::Addressed => isset(self::ADDRESSED[$is]) ? '' : 'How are you addressed?',
            Test::Kind => null === MailKind::tryFrom($is) ? 'Which kind of mail?' : '',
            Test::Known => \in_array($is, ['known', 'stranger'], true) ? '' : 'Known, or a stranger?',
            default => '',
        };
        if ('' !== $wrong) {
            throw new Refused($wrong, 'condition');
        }

        return match ($test) {
            Test::From, Test::List, Test::To, Test::Attached => mb_strtolower($is),
            Test::Domain => mb_strtolower(ltrim($is, '@')),
            Test::Larger, Test::Smaller, Test::Important, Test::Unimportant => (string) (int) $is,
            default => $is,
        };
    }

    public function holds(MessageFacts $of): bool
    {
        return match ($this->test) {
            Test::All => !\in_array(false, $this->each($of), true),
            Test::Any => \in_array(true, $this->each($of), true),
            Test::None => !\in_array(true, $this->each($of), true),
            Test::From => $of->from === $this->is,
            Test::Domain => str_ends_with('.'.substr((string) strrchr($of->from, '@'), 1), '.'.$this->is),
            Test::List => $of->list === $this->is,
            Test::To => $this->cameTo($of->own),
            Test::Addressed => $of->addressed === $this->is,
            Test::Subject => SoughtWords::of($this->is)->areIn($of->subject),
            Test::Words => SoughtWords::of($this->is)->areIn($of->subject."\n".$of->text),
            Test::Larger => $of->size > 1000 * (int) $this->is,
            Test::Smaller => $of->size < 1000 * (int) $this->is,
            Test::Attached => $this->isAttached($of->attachments),
            Test::Kind => $of->kind?->value === $this->is,
            Test::Known => $of->known === ('known' === $this->is),
            Test::Important => null !== $of->importance && $of->importance >= (int) $this->is,
            Test::Unimportant => null !== $of->importance && $of->importance < (int) $this->is,
            Test::Label => \in_array(mb_strtolower($this->is), $of->labels, true),
            Test::TaskList => \in_array(mb_strtolower($this->is), $of->lists, true),
        };
    }

    /** @return list<bool> */
    private function each(MessageFacts $of): array
    {
        return array_map(static fn (self $one): bool => $one->holds($of), $this->of);
    }

    /** @param list<string> $own */
    private function cameTo(array $own): bool
    {
        foreach ($own as $address) {
            if ($address === $this->is) {
                return true;
            }
            if (str_starts_with($this->is, '+') && str_contains(strstr($address, '@', true).'@', $this->is.'@')) {
                return true;
            }
        }

        return false;
    }

    /** @param list<array{name: string, type: string}> $attachments */
    private function isAttached(array $attachments): bool
    {
        $sought = ltrim($this->is, '.*');
        foreach ($attachments as ['name' => $name, 'type' => $type]) {
            if ('' === $sought || str_contains($name, $sought) || str_starts_with($type, $sought)) {
                return true;
            }
        }

        return false;
    }

    /** Whether it asks for that, itself or within it. */
    public function asks(callable $for): bool
    {
        return $for($this->test) || [] !== array_filter($this->of, static fn (self $one): bool => $one->asks($for));
    }

    /** @return ConditionState */
    public function state(): array
    {
        return $this->test->isGroup()
            ? ['test' => $this->test->value, 'of' => array_map(static fn (self $one): array => $one->state(), $this->of)]
            : ['test' => $this->test->value, 'is' => $this->is];
    }

    /** In words, as they stand after "mail". */
    public function text(): string
    {
        return match ($this->test) {
            Test::All => $this->together(' and '),
            Test::Any => $this->together(' or '),
            Test::None => 'not '.$this->together(', nor '),
            Test::From => 'from '.$this->is,
            Test::Domain => 'from anybody at '.$this->is,
            Test::List => 'of the list '.$this->is,
            Test::To => 'to '.$this->is,
            Test::Addressed => self::ADDRESSED[$this->is] ?? '',
            Test::Subject => \sprintf('with “%s” in its subject', trim($this->is, '"')),
            Test::Words => \sprintf('that holds “%s”', trim($this->is, '"')),
            Test::Larger => \sprintf('larger than %s kB', $this->is),
            Test::Smaller => \sprintf('smaller than %s kB', $this->is),
            Test::Attached => '' === $this->is ? 'with an attachment' : \sprintf('with an attachment “%s”', $this->is),
            Test::Kind => 'of the kind '.(MailKind::tryFrom($this->is)?->plural() ?? $this->is),
            Test::Known => 'known' === $this->is ? 'from somebody you have written to' : 'from a stranger',
            Test::Important => \sprintf('that matters at least %s of 100', $this->is),
            Test::Unimportant => \sprintf('that matters less than %s of 100', $this->is),
            Test::Label => 'that bears the label '.$this->is,
            Test::TaskList => 'of which a task is in the list '.$this->is,
        };
    }

    private function together(string $between): string
    {
        return implode($between, array_map(
            static fn (self $one): string => $one->test->isGroup() && \count($one->of) > 1 ? '('.$one->text().')' : $one->text(),
            $this->of,
        ));
    }
}
