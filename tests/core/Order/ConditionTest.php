<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Order;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Order\Condition;
use ZippyTray\Core\Order\MessageFacts;
use ZippyTray\Core\Order\SoughtWords;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Tray\Advice\MailKind;
use ZippyTray\Tests\Core\World\World;

final class ConditionTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, bool}> a condition, facts, whether it holds */
    public static function questions(): iterable
    {
        $is = static fn (string $test, string $is): array => ['test' => $test, 'is' => $is];
        $from = ['from' => 'olga@roofs.example'];
        yield 'from' => [$is('from', 'Olga@Roofs.example'), $from, true];
        yield 'from another' => [$is('from', 'ola@roofs.example'), $from, false];
        yield 'domain' => [$is('domain', 'roofs.example'), $from, true];
        yield 'domain with its sign' => [$is('domain', '@ROOFS.example'), $from, true];
        yield 'a domain below' => [$is('domain', 'example'), $from, true];
        yield 'only the end of a domain' => [$is('domain', 'oofs.example'), $from, false];
        yield 'no address' => [$is('domain', 'roofs.example'), ['from' => 'x.roofs.example'], false];
        yield 'list' => [$is('list', 'Keepers.lights.example'), ['list' => 'keepers.lights.example'], true];
        yield 'no list' => [$is('list', 'keepers.lights.example'), [], false];
        $own = ['own' => ['wren+news@ternpoint.example']];
        yield 'a sub-address' => [$is('to', '+NEWS'), $own, true];
        yield 'the beginning of a sub-address' => [$is('to', '+new'), $own, false];
        yield 'the end of one' => [$is('to', '+ws'), $own, false];
        yield 'an address' => [$is('to', 'wren+news@ternpoint.example'), $own, true];
        yield 'the address without its detail' => [$is('to', 'wren@ternpoint.example'), $own, false];
        yield 'alone' => [$is('addressed', 'alone'), ['addressed' => 'alone'], true];
        yield 'copied' => [$is('addressed', 'copied'), ['addressed' => 'alone'], false];
        yield 'a word in the subject' => [$is('subject', 'invoice'), ['subject' => 'Re: Invoices for May'], true];
        yield 'no word in the subject' => [$is('subject', 'invoice'), ['subject' => 'Hello', 'text' => 'invoice'], false];
        yield 'words in subject or text' => [$is('words', 'invoice may'), ['subject' => 'May', 'text' => 'The invoice'], true];
        yield 'a kilobyte more' => [$is('larger', '10'), ['size' => 10_001], true];
        yield 'so much exactly' => [$is('larger', '10'), ['size' => 10_000], false];
        yield 'less' => [$is('smaller', '010'), ['size' => 9_999], true];
        $files = ['attachments' => [['name' => 'plan.pdf', 'type' => 'application/pdf']]];
        yield 'any file' => [$is('attached', ''), $files, true];
        yield 'none' => [$is('attached', ''), [], false];
        yield 'by its ending' => [$is('attached', '*.PDF'), $files, true];
        yield 'by its type' => [$is('attached', 'image/'), $files, false];
        yield 'kind' => [$is('kind', 'newsletter'), ['kind' => MailKind::Newsletter], true];
        yield 'not read yet' => [$is('kind', 'newsletter'), [], false];
        yield 'known' => [$is('known', 'known'), ['known' => true], true];
        yield 'a stranger' => [$is('known', 'stranger'), ['known' => false], true];
        yield 'important' => [$is('important', '50'), ['importance' => 50], true];
        yield 'less important' => [$is('unimportant', '50'), ['importance' => 50], false];
        yield 'not weighed' => [$is('unimportant', '50'), [], false];
        yield 'label' => [$is('label', 'Money'), ['labels' => ['money']], true];
        yield 'list of tasks' => [$is('task_list', 'Roof'), ['lists' => ['roof']], true];
    }

    /**
     * @param array<string, mixed> $condition
     * @param array<string, mixed> $facts
     */
    #[DataProvider('questions')]
    public function testOneThingIsAskedOfAMessage(array $condition, array $facts, bool $holds): void
    {
        $read = Condition::checked($condition);
        self::assertSame($holds, $read->holds(self::facts($facts)));
        self::assertSame(!$holds, Condition::checked(['test' => 'none', 'of' => [$condition]])->holds(self::facts($facts)));
        self::assertEquals($read, Condition::fromState($read->state()));
        self::assertNotSame('', $read->text());
    }

    public function testAllAnyAndNoneWithinOneAnotherAreAsInLogic(): void
    {
        $chance = new Randomizer(new Mt19937(7));
        for ($round = 0; $round < 300; ++$round) {
            $facts = self::facts(['from' => 'a@x.example', 'known' => 0 === $round % 2, 'size' => 5000]);
            [$state, $expected] = self::made($chance, $facts, 3);
            self::assertSame($expected, Condition::checked($state)->holds($facts), json_encode($state, \JSON_THROW_ON_ERROR));
        }
    }

    /** @return array{array<string, mixed>, bool} */
    private static function made(Randomizer $chance, MessageFacts $facts, int $depth): array
    {
        $leaf = [
            [['test' => 'from', 'is' => 'a@x.example'], true],
            [['test' => 'from', 'is' => 'b@x.example'], false],
            [['test' => 'known', 'is' => 'known'], $facts->known],
            [['test' => 'larger', 'is' => '9'], false],
        ][$chance->getInt(0, 3)];
        if (0 === $depth || 0 === $chance->getInt(0, 2)) {
            return $leaf;
        }
        $parts = array_map(static fn (): array => self::made($chance, $facts, $depth - 1), range(1, $chance->getInt(1, 3)));
        $test = ['all', 'any', 'none'][$chance->getInt(3, 5) - 3];
        $true = \count(array_filter(array_column($parts, 1)));

        return [['test' => $test, 'of' => array_column($parts, 0)], match ($test) {
            'all' => $true === \count($parts),
            'any' => $true > 0,
            default => 0 === $true,
        }];
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function nonsense(): iterable
    {
        foreach ([
            'from' => 'nobody', 'domain' => 'x y', 'list' => ' ', 'to' => 'news', 'addressed' => 'loudly', 'subject' => '!', 'words' => '',
            'larger' => '0', 'smaller' => '-3', 'kind' => 'love', 'known' => 'maybe', 'important' => '101', 'unimportant' => 'much',
            'label' => '',
            'task_list' => '', 'moon' => 'full',
        ] as $test => $is) {
            yield $test => [['test' => $test, 'is' => $is]];
        }
        yield 'nothing' => [[]];
        yield 'an empty group' => [['test' => 'all', 'of' => []]];
        yield 'too long' => [['test' => 'words', 'is' => str_repeat('x', 201)]];
        yield 'too deep' => [['test' => 'all', 'of' => [['test' => 'all', 'of' => [['test' => 'all', 'of' => [['test' => 'all', 'of' => [
            ['test' => 'attached'],
        ]]]]]]]]];
        yield 'too many' => [['test' => 'any', 'of' => array_fill(0, 60, ['test' => 'attached'])]];
        yield 'no condition at all' => [['test' => 'any', 'of' => ['x']]];
    }

    /** @param array<string, mixed> $state */
    #[DataProvider('nonsense')]
    public function testWhatMakesNoSenseIsRefused(array $state): void
    {
        $this->expectException(Refused::class);
        Condition::checked($state);
    }

    public function testItIsSaidInWords(): void
    {
        $text = static fn (array $state): string => Condition::checked($state)->text();
        self::assertSame(
            'from olga@roofs.example and (with “invoice” in its subject or with an attachment “pdf”) and not to you alone',
            $text(['test' => 'all', 'of' => [
                ['test' => 'from', 'is' => 'olga@roofs.example'],
                ['test' => 'any', 'of' => [['test' => 'subject', 'is' => 'invoice'], ['test' => 'attached', 'is' => 'pdf']]],
                ['test' => 'none', 'of' => [['test' => 'addressed', 'is' => 'alone']]],
            ]]),
        );
    }

    /** @return iterable<array{string, string, bool}> what is sought, in what, whether it is there */
    public static function words(): iterable
    {
        yield ['invoice', 'The INVOICES are here', true];
        yield ['voice', 'The invoices', false];
        yield ['größe', 'Grosse Größe', true];
        yield ['grosse', 'GRÖSSE', true];
        yield ['cafe', 'Café au lait', true];
        yield ['may invoice', 'invoice for May', true];
        yield ['may june', 'invoice for May', false];
        yield ['"for may"', 'invoice for, May', true];
        yield ['"for ma"', 'invoice for May', false];
        yield ['"unfinished', 'an unfinished one', true];
        yield ['a.b*c', 'a.b c', true];
        yield ['(', 'anything', false];
        yield ['日本', '日本語', true];
    }

    #[DataProvider('words')]
    public function testWordsAreFoundAsPeopleMeanThem(string $sought, string $text, bool $found): void
    {
        self::assertSame($found, SoughtWords::of($sought)->areIn($text));
    }

    /** @return iterable<array{string, ?string, bool}> address, its detail, whether it is one of theirs */
    public static function addresses(): iterable
    {
        yield ['wren@ternpoint.example', null, true];
        yield ['Wren+News@TernPoint.example', 'News', true];
        yield ['wren+a+b@ternpoint.example', 'a+b', true];
        yield ['wren+@ternpoint.example', '', true];
        yield ['wrenx@ternpoint.example', null, false];
        yield ['wren@x.example', null, false];
        yield ['wren+news@x.example', null, false];
        yield ['halloran+x@post.example', 'x', true];
        yield ['', null, false];
    }

    #[DataProvider('addresses')]
    public function testSubAddressesAreTheirs(string $email, ?string $detail, bool $own): void
    {
        $person = new Person(World::OWN, others: ['halloran@post.example']);
        self::assertSame([$own, $detail], [$person->isAddressedAs($email), $person->detailOf($email)]);
    }

    /** @param array<string, mixed> $facts */
    private static function facts(array $facts): MessageFacts
    {
        /** @phpstan-ignore argument.type */
        return new MessageFacts(...$facts);
    }
}
