<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/**
 * Who may know whom. Read by the static analysis, not by the test runner.
 */
final class Architecture
{
    public function testCoreKnowsNobody(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('ZippyTray\Core'))
            ->canOnlyDependOn()
            ->classes(Selector::inNamespace('ZippyTray\Core'), Selector::inNamespace('Psr\Clock'))
            ->because('the rules of the job are free of framework, database and wall clock');
    }

    public function testTimeIsTheInnermost(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('ZippyTray\Core\Time'))
            ->shouldNotDependOn()
            ->classes(
                Selector::inNamespace('ZippyTray\Core\Mail'),
                Selector::inNamespace('ZippyTray\Core\Tray'),
                Selector::inNamespace('ZippyTray\Core\Task'),
                Selector::inNamespace('ZippyTray\Core\Journal'),
            )
            ->because('everything else is written in terms of it');
    }

    public function testMailKnowsNothingOfDecisions(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('ZippyTray\Core\Mail'))
            ->shouldNotDependOn()
            ->classes(
                Selector::inNamespace('ZippyTray\Core\Tray'),
                Selector::inNamespace('ZippyTray\Core\Task'),
                Selector::inNamespace('ZippyTray\Core\Journal'),
            )
            ->because('reading a message is the same whatever is done with it');
    }

    public function testServerDoesNotKnowTheDemo(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('ZippyTray\Server'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('ZippyTray\Demo'))
            ->because('the demo is one user of the server among others');
    }
}
