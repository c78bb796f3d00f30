<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order\Sieve;

use ZippyTray\Core\Order\Condition;
use ZippyTray\Core\Order\StandingOrder;
use ZippyTray\Core\Order\Test;
use ZippyTray\Core\Post\Placeholders;
use ZippyTray\Core\Post\Template;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Stamp\StepKind;

/**
 * Writes standing orders as a Sieve script (RFC 5228), for a mail server to carry out. What a server cannot know or do is left out, as a
 * whole order, and said in a comment: half an order would be another one.
 */
final class WriteSieve
{
    /** What begins the comment with the name of an order. */
    public const NAME = 'Standing order: ';

    /** @var array<string, true> extensions that the script needs (RFC 5228, 3.2) */
    private array $needs = [];

    /**
     * @param list<string>            $own       addresses of the person
     * @param array<string, Template> $templates by id
     */
    private function __construct(private readonly array $own, private readonly array $templates)
    {
    }

    /**
     * @param list<StandingOrder>     $orders    in their order
     * @param list<string>            $own       addresses of the person
     * @param array<string, Template> $templates by id
     */
    public static function of(array $orders, array $own, array $templates): string
    {
        $writer = new self($own, $templates);
        $rules = [];
        foreach ($orders as $order) {
            try {
                $rules[] = $writer->rule($order);
            } catch (NotInSieve $problem) {
                $rules[] = \sprintf("# Left out: %s (%s)\n", self::line($order->name()), self::line($problem->getMessage()));
            }
        }
        ksort($writer->needs);
        $needs = array_map(self::quoted(...), array_keys($writer->needs));

        return ([] === $needs ? '' : 'require ['.implode(', ', $needs)."];\n\n").implode("\n", $rules);
    }

    /** @throws NotInSieve */
    private function rule(StandingOrder $order): string
    {
        $needed = $this->needs;
        try {
            $test = $this->test($order->condition());
            $actions = array_merge(...array_map($this->actions(...), $order->steps()));
        } catch (NotInSieve $problem) {
            $this->needs = $needed;
            throw $problem;
        }
        if ([] === $actions) {
            throw new NotInSieve('a server has nothing to do for it');
        }
        if ($order->isLast()) {
            $actions[] = 'stop;';
        }

        return \sprintf(
            "# %s%s\nif %s {\n    %s\n}\n",
            self::NAME,
            self::line($order->name()),
            $order->isOn() ? $test : 'allof (false, '.$test.')',
            implode("\n    ", $actions),
        );
    }

    /** @throws NotInSieve */
    private function test(Condition $of): string
    {
        $each = fn (): string => implode(', ', array_map($this->test(...), $of->of));

        return match ($of->test) {
            Test::All => 1 === \count($of->of) ? $each() : 'allof ('.$each().')',
            Test::Any => 1 === \count($of->of) ? $each() : 'anyof ('.$each().')',
            Test::None => 'not '.(1 === \count($of->of) ? $each() : 'anyof ('.$each().')'),
            Test::From => 'address :is "from" '.self::quoted($of->is),
            Test::Domain => \sprintf(
                'anyof (address :domain :is "from" %s, address :domain :matches "from" %s)',
                self::quoted($of->is),
                self::quoted('*.'.$of->is),
            ),
            Test::List => 'header :contains "list-id" '.self::quoted('<'.$of->is.'>'),
            Test::To => str_starts_with($of->is, '+')
                ? $this->needing('subaddress', 'address :detail :is ["to", "cc"] '.self::quoted(substr($of->is, 1)))
                : 'address :is ["to", "cc"] '.self::quoted($of->is),
            Test::Addressed => $this->addressed($of->is),
            Test::Subject => $this->words($of->is, static fn (string $word): string => 'header :contains "subject" '.$word),
            Test::Words => $this->words($of->is, fn (string $word): string => $this->needing(
                'body',
                \sprintf('anyof (header :contains "subject" %s, body :text :contains %s)', $word, $word),
            )),
            Test::Larger => 'size :over '.(1000 * (int) $of->is),
            Test::Smaller => 'size :under '.(1000 * (int) $of->is),
            default => throw new NotInSieve(\sprintf('a server cannot tell mail %s', $of->text())),
        };
    }

    private function addressed(string $how): string
    {
        $own = '['.implode(', ', array_map(self::quoted(...), $this->own)).']';
        $count = fn (string $relation): string => $this->needing(
            'relational',
            $this->needing('comparator-i;ascii-numeric', \sprintf(
                'allof (address :is "to" %s, address :count "%s" :comparator "i;ascii-numeric" ["to", "cc"] "1")',
                $own,
                $relation,
            )),
        );

        return match ($how) {
            'alone' => $count('eq'),
            'among' => $count('gt'),
            default => \sprintf('allof (address :is "cc" %s, not address :is "to" %s)', $own, $own),
        };
    }

    /** @param callable(string): string $one gives the test for a word */
    private function words(string $sought, callable $one): string
    {
        preg_match_all('/"[^"]+"|[^\s"]+/u', $sought, $m);
        $tests = array_map(static fn (string $word): string => $one(self::quoted(trim($word, '"'))), $m[0]);

        return 1 === \count($tests) ? $tests[0] : 'allof ('.implode(', ', $tests).')';
    }

    /**
     * @return list<string>
     *
     * @throws NotInSieve
     */
    private function actions(StampStep $step): array
    {
        return match ($step->do) {
            StepKind::Label => array_map(fn (string $name): string => $this->needing(
                'imap4flags',
                'addflag '.self::quoted(self::keyword($name)).';',
            ), $step->labels),
            StepKind::Unlabel => array_map(fn (string $name): string => $this->needing(
                'imap4flags',
                'removeflag '.self::quoted(self::keyword($name)).';',
            ), $step->labels),
            StepKind::Read => [$this->needing('imap4flags', 'addflag "\\\\Seen";')],
            StepKind::Archive, StepKind::DoNow, StepKind::Mute => [$this->needing('fileinto', 'fileinto "Archive";')],
            StepKind::Delete => [$this->needing('fileinto', 'fileinto "Trash";')],
            StepKind::Block => [$this->needing('fileinto', 'fileinto "Junk";')],
            StepKind::Answer => [$this->vacation($step)],
            default => throw new NotInSieve(\sprintf('a server cannot do this: %s', $step->text())),
        };
    }

    /** @throws NotInSieve */
    private function vacation(StampStep $step): string
    {
        $template = $this->templates[$step->template] ?? throw new NotInSieve('the template of its answer was deleted');
        if (!$step->send) {
            throw new NotInSieve('a server leaves no drafts');
        }
        if ([] !== Placeholders::left($template->text())) {
            throw new NotInSieve(\sprintf('a server cannot fill in the gaps of "%s"', $template->name()));
        }

        return $this->needing('vacation', 'vacation :days 7 '.self::quoted(trim($template->text())).';');
    }

    private function needing(string $extension, string $what): string
    {
        $this->needs[$extension] = true;

        return $what;
    }

    /**
     * A label as a keyword of IMAP (RFC 9051, 2.3.2; an atom), with "_" for blanks.
     *
     * @throws NotInSieve
     */
    private static function keyword(string $name): string
    {
        $keyword = str_replace(' ', '_', $name);

        return 1 === preg_match('/^[A-Za-z0-9$_.&+-]+$/', $keyword) ? $keyword : throw new NotInSieve(
            \sprintf('the label "%s" is no keyword of a mailbox', $name),
        );
    }

    private static function quoted(string $text): string
    {
        return '"'.addcslashes(str_replace(["\r\n", "\r"], "\n", $text), '"\\').'"';
    }

    private static function line(string $text): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $text));
    }
}
