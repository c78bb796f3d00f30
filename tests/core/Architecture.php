<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core;

use PHPat\Selector\Selector;
use PHPat\Selector\SelectorInterface;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/**
 * Who may know whom. Read by the static analysis, not by the test runner.
 */
final class Architecture
{
    /**
     * Folders of the core, each with those that it may know. None of these comes later in the list, so no two can know each
     * other, however far around.
     */
    private const CORE = [
        'Time' => [],
        'Mail' => ['Time'],
        'Person' => ['Time', 'Mail'],
        'Journal' => [],
        'People' => ['Mail', 'Journal'],
        'Label' => ['Mail', 'Journal'],
        'Tray' => ['Time', 'Mail', 'Person', 'Journal', 'People', 'Label'],
        'Task' => ['Time', 'Mail', 'Journal', 'Label', 'Tray'],
        'Lists' => ['Mail', 'Journal', 'Tray', 'Task'],
        'Owed' => ['Time', 'Mail', 'Journal', 'Tray', 'Task'],
        'Post' => ['Time', 'Mail', 'Journal', 'People', 'Tray', 'Owed', 'Task', 'Person'],
        'Stamp' => ['Time', 'Mail', 'Person', 'Journal', 'Label', 'Tray', 'Task', 'Lists', 'Owed', 'Post'],
        'MailIn' => ['Time', 'Mail', 'Person', 'Journal', 'Tray', 'Owed', 'Task', 'Post'],
        'Order' => ['Mail', 'Person', 'Journal', 'Label', 'Tray', 'Task', 'Post', 'Stamp'],
        'Agenda' => ['Time', 'Mail', 'Person', 'Journal', 'Tray', 'Task', 'Owed', 'Post'],
        'Find' => ['Time', 'Journal', 'Tray', 'Task'],
        'InStep' => ['Time', 'Journal', 'Tray', 'Find'],
        'Remind' => ['Time', 'Mail', 'Journal', 'Tray', 'Task', 'Agenda'],
        'Settings' => ['Time', 'Mail', 'MailIn', 'Agenda', 'Person', 'Tray', 'Task', 'Post'],
        'Arrival' => [
            'Time', 'Mail', 'Person', 'Journal', 'Label', 'Tray', 'Owed', 'Task', 'Lists', 'Post', 'Order', 'MailIn', 'Agenda',
        ],
    ];

    /** The same of what a message is; besides, each may know the message itself. */
    private const MAIL = [
        'Text' => [],
        'Remark' => [],
        'Thread' => ['Text'],
        'Mime' => ['Text', 'Remark'],
    ];

    /** The same of the server; besides, each may know the core. */
    private const SERVER = [
        'Clock' => [],
        'People' => [],
        'Account' => [],
        'Store' => ['Clock', 'Account'],
        'Read' => ['Clock', 'Account', 'Store'],
        'Books' => ['Store'],
        'Calendar' => ['Account', 'Store'],
        'Mailroom' => ['Account', 'Store'],
        'Work' => ['Account', 'Store', 'Read', 'Calendar', 'Mailroom'],
        'Http' => ['Clock', 'People', 'Account', 'Store', 'Read', 'Calendar', 'Mailroom'],
        'Console' => ['Account', 'Store', 'Read', 'Books', 'Calendar', 'Mailroom', 'Work'],
    ];

    /** The same of what is shown, by subject. */
    private const READ = [
        'Label' => [],
        'Tray' => ['Label'],
        'Journal' => [],
        'People' => [],
        'Post' => ['Tray'],
        'Task' => ['Label', 'Tray', 'Post'],
        'Order' => ['Label', 'Tray'],
        'Agenda' => ['Label', 'Tray', 'Post', 'Task'],
        'Coming' => ['Tray', 'Post', 'Task', 'Agenda'],
        'Lists' => ['Label', 'Tray', 'Journal', 'Post', 'Task'],
        'Find' => ['Label', 'Tray', 'People', 'Journal', 'Task', 'Lists'],
    ];

    public function testCoreKnowsNobody(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('ZippyTray\Core'))
            ->canOnlyDependOn()
            ->classes(Selector::inNamespace('ZippyTray\Core'), Selector::inNamespace('Psr\Clock'))
            ->because('the rules of the job are free of framework, database and wall clock');
    }

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function foldersOfTheCore(): iterable
    {
        return self::layers('ZippyTray\Core', 'core', self::CORE);
    }

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function foldersOfMail(): iterable
    {
        return self::layers('ZippyTray\Core\Mail', 'core/Mail', self::MAIL);
    }

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function foldersOfTheServer(): iterable
    {
        return self::layers('ZippyTray\Server', 'server/src', self::SERVER);
    }

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function foldersOfWhatIsShown(): iterable
    {
        return self::layers('ZippyTray\Server\Read', 'server/src/Read', self::READ);
    }

    public function testServerDoesNotKnowTheDemo(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('ZippyTray\Server'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('ZippyTray\Demo'))
            ->because('the demo is one user of the server among others');
    }

    /**
     * @param array<string, list<string>> $layers
     *
     * @return iterable<string, Rule>
     */
    private static function layers(string $root, string $path, array $layers): iterable
    {
        $folders = array_map(basename(...), glob(\dirname(__DIR__, 2)."/{$path}/*", \GLOB_ONLYDIR) ?: []);
        [] === array_diff($folders, array_keys($layers)) || throw new \LogicException("Each folder of {$path} has its place in the list.");
        $in = static fn (string $folder): SelectorInterface => Selector::inNamespace("{$root}\\{$folder}");
        foreach ($layers as $folder => $known) {
            $before = \array_slice(array_keys($layers), 0, (int) array_search($folder, array_keys($layers), true));
            [] === array_diff($known, $before) || throw new \LogicException("{$folder} may only know what stands before it.");
            $others = array_values(array_diff(array_keys($layers), $known, [$folder]));
            yield $folder => PHPat::rule()
                ->classes($in($folder))
                ->shouldNotDependOn()
                ->classes(...array_map($in, $others))
                ->because('folders know each other in one direction only');
        }
    }
}
