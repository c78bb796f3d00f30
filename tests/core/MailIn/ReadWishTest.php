<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\MailIn;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\MailIn\Asking;
use ZippyTray\Core\MailIn\MailInSettings;
use ZippyTray\Core\MailIn\ReadWish;
use ZippyTray\Core\MailIn\Wish;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Tests\Core\World\World;

final class ReadWishTest extends TestCase
{
    private const ME = 'wren@ternpoint.example';

    /** @return iterable<string, array{string, string, string}> details, text, what it comes to; it is Tuesday 24 November 2026, 10:00 */
    public static function letters(): iterable
    {
        yield 'a task' => ['task', 'Hello', 'task Glass'];
        yield 'in a list' => ['list.harbour', 'Hello', 'task Glass in Harbour'];
        yield 'in a list of two words' => ['list.open-day', 'Hello', 'task Glass in Open day'];
        yield 'in a list that is written otherwise' => ['list.OPENDAY', 'Hello', 'task Glass in Open day'];
        yield 'in a list with an accent' => ['list.cafe', 'Hello', 'task Glass in Café'];
        yield 'in a list that there is not' => ['list.winter.stores', 'Hello', 'task Glass in Winter stores'];
        yield 'in a list, by a day' => ['list.open.day.friday', 'Hello', 'task Glass in Open day due Fri 27 Nov 2026'];
        yield 'a time' => ['tomorrow.9am', 'Hello', 'back Wed 25 Nov 2026, 09:00'];
        yield 'a time with dashes' => ['in-3-days', 'Hello', 'back Fri 27 Nov 2026, 09:00'];
        yield 'a time with minutes' => ['friday.9.30', 'Hello', 'back Fri 27 Nov 2026, 09:30'];
        yield 'a time from now' => ['1h', 'Hello', 'back Tue 24 Nov 2026, 11:00'];
        yield 'how long it takes' => ['task+1h', 'Hello', 'task Glass takes 60'];
        yield 'a date' => ['2026-12-04', 'Hello', 'back Fri 4 Dec 2026, 09:00'];
        yield 'a date and a time' => ['2026-12-04.15.00', 'Hello', 'back Fri 4 Dec 2026, 15:00'];
        yield 'a date in words' => ['4.dec.at.noon', 'Hello', 'back Fri 4 Dec 2026, 12:00'];
        yield 'a repeat is a task' => ['every.friday', 'Hello', 'task Glass due Fri 27 Nov 2026 every Friday, from Fri 27 Nov 2026'];
        yield 'a task and a time' => ['task+friday', 'Hello', 'task Glass due Fri 27 Nov 2026'];
        yield 'a task and a time in one' => ['task.friday.3pm', 'Hello', 'task Glass due Fri 27 Nov 2026, 15:00'];
        yield 'other clauses' => ['high+label.money', 'Hello', 'task Glass high money'];
        yield 'what is not understood' => ['tomorow.9pm.x', 'Hello', 'nothing: “+tomorow.9pm.x” was not understood.'];
        yield 'one that is, and one that is not' => ['task+xyzzy', 'Hello', 'task Glass: “+xyzzy” was not understood.'];
        yield 'two times' => ['friday+monday', 'Hello', 'back Fri 27 Nov 2026, 09:00: “monday”: there is a time already.'];
        yield 'clauses on top' => [
            'task',
            "due friday 3pm; high; label harbour\n\nThe rest is not: due monday.",
            'task Glass due Fri 27 Nov 2026, 15:00 high harbour',
        ];
        yield 'clauses in lines' => ['task', "due friday\nlist harbour\n\nText", 'task Glass in harbour due Fri 27 Nov 2026'];
        yield 'clauses make a task of a time' => ['friday', "high\n\nText", 'task Glass due Fri 27 Nov 2026 high'];
        yield 'a clause goes before an address' => [
            'task+friday',
            "due monday\n\nText",
            'task Glass due Mon 30 Nov 2026 (friday): “friday”: There is a due date already.',
        ];
        yield 'a clause that is none' => [
            'task',
            "due friday; lable money\n\nText",
            'task Glass due Fri 27 Nov 2026 (lable money): “lable money” was not understood. It is in the notes.',
        ];
        yield 'a text is no clause' => ['task', "Hello Wren,\nhere is Friday's list; see below.\n\nBye", 'task Glass'];
        yield 'a text that begins with a day is none' => ['task', "Friday we meet at the tower\n\nBye", 'task Glass'];
        yield 'a first line' => ['', "+task\n\nText", 'task Glass'];
        yield 'a first line with blanks' => ['', "+tomorrow 9am\nText", 'back Wed 25 Nov 2026, 09:00'];
        yield 'a first line with dots' => ['', '+in.3.days', 'back Fri 27 Nov 2026, 09:00'];
        yield 'a first line with several' => [
            '',
            "+task; list harbour; friday\nhigh\n\nText",
            'task Glass in Harbour due Fri 27 Nov 2026 high',
        ];
        yield 'a first line with a colon' => ['', '+task: friday', 'task Glass due Fri 27 Nov 2026'];
        yield 'a number to call' => ['', '+49 171 234 567', 'nothing'];
        yield 'a number that counts' => ['', '+1', 'nothing'];
        yield 'a date in the first line' => ['', '+2026-12-04', 'back Fri 4 Dec 2026, 09:00'];
        yield 'a first line that is none' => ['', '+xyzzy', 'nothing: “+xyzzy” was not understood.'];
    }

    #[DataProvider('letters')]
    public function testWhatALetterToOneselfComesTo(string $details, string $text, string $expected): void
    {
        $to = '' === $details ? self::ME : str_replace('@', '+'.$details.'@', self::ME);
        self::assertSame($expected, self::said(self::wish("To: {$to}\nSubject: Glass\n\n{$text}")));
    }

    public function testALetterToSomebodyElseComesBackUnlessTheyAnswer(): void
    {
        $copy = 'Delivered-To: wren+friday@ternpoint.example';
        $to = 'To: Olga <olga@x.example>, wren@ternpoint.example';
        $wish = self::wish("{$copy}\n{$to}\nCc: ada@x.example\nSubject: Glass\n\ndue monday\n\nText");
        self::assertSame('back Fri 27 Nov 2026, 09:00 unless olga@x.example', self::said($wish));
        $wish = self::wish("{$copy}\nTo: wren@ternpoint.example\nCc: ada@x.example\nSubject: Glass\n\nText");
        self::assertSame('back Fri 27 Nov 2026, 09:00 unless ada@x.example', self::said($wish));
        $wish = self::wish("Bcc: wren+task@ternpoint.example\nTo: olga@x.example\nSubject: Glass\n\nhigh\n\nText");
        self::assertSame('task Glass', self::said($wish), 'What stands on top of it is said to her.');
    }

    /** @return iterable<string, array{string, string}> subject and text, title */
    public static function titles(): iterable
    {
        yield 'the subject' => ["Subject: Call the harbour\n\nText", 'Call the harbour'];
        yield 'without its marks' => ["Subject: Fwd: Re: Call the harbour; today\n\nText", 'Call the harbour today'];
        yield 'the first line' => ["\nBuy rope\nand oil", 'Buy rope'];
        yield 'the line below the first' => ["\n+task\nBuy rope", 'Buy rope'];
        yield 'neither' => ["\n", 'Letter of Tue 24 Nov 2026, 08:00'];
        yield 'a long one' => ['Subject: '.str_repeat('Long ', 200)."\n\nText", mb_strimwidth(str_repeat('Long ', 200), 0, 300, '…')];
    }

    #[DataProvider('titles')]
    public function testATaskIsCalledWhatItsLetterIs(string $rest, string $title): void
    {
        self::assertSame(rtrim($title), self::wish('To: wren+task@ternpoint.example'."\n".$rest)->task?->title);
    }

    /** Whatever stands there, it ends with an outcome, and nothing that was not asked for. */
    public function testWhateverIsWrittenAsAnAddress(): void
    {
        mt_srand(5);
        $signs = str_split("abc019.-_+ ;:éñ\"'()<>=%");
        foreach (range(1, 400) as $number) {
            $detail = '';
            for ($length = mt_rand(1, 30); $length > 0; --$length) {
                $detail .= $signs[array_rand($signs)];
            }
            $wish = self::reader()->of(self::message("To: wren@ternpoint.example\nSubject: Glass\n\n{$detail}"), [$detail]);
            self::assertFalse(null !== $wish->task && null !== $wish->until, $number.': '.$detail);
            self::assertTrue(null !== $wish->task || null !== $wish->until || !$wish->isWhole || '' === trim($detail, ' +._-'), $detail);
        }
    }

    private static function reader(): ReadWish
    {
        $now = new Moment(new \DateTimeImmutable('2026-11-24T10:00:00Z'), World::zone());

        return new ReadWish(new Person(self::ME, 'Wren'), new Speaker($now), ['Harbour', 'Open day', 'Café', 'Open']);
    }

    private static function wish(string $letter): Wish
    {
        $raw = 'From: '.self::ME."\n".$letter;
        $now = new \DateTimeImmutable('2026-11-24T10:00:00Z');
        $content = (new MessageReader())->read("Date: Tue, 24 Nov 2026 08:00:00 +0000\n".$raw, $now);
        $asking = Asking::of($content, new Person(self::ME, 'Wren'), new MailInSettings());

        return self::reader()->of(self::message($letter), $asking->details ?? []);
    }

    private static function message(string $letter): Message
    {
        $now = new \DateTimeImmutable('2026-11-24T10:00:00Z');
        $raw = 'From: '.self::ME."\nDate: Tue, 24 Nov 2026 08:00:00 +0000\n".$letter;

        return Message::of(new EmailId('a'), World::account(), (new MessageReader())->read($raw, $now), \strlen($raw), true, $now);
    }

    private static function said(Wish $wish): string
    {
        $task = $wish->task;
        $due = $task->due ?? $task?->repeat?->due();
        $people = array_map(static fn (Address $one): string => $one->email, $wish->people);
        $parts = null === $task
            ? [null === $wish->until ? 'nothing' : 'back '.$wish->until->text(), [] === $people ? '' : 'unless '.implode(', ', $people)]
            : [
                'task '.$task->title,
                null === $task->list ? '' : 'in '.$task->list,
                null === $due ? '' : 'due '.$due->text(),
                $task->repeat?->text() ?? '',
                'normal' === $task->priority->value ? '' : $task->priority->value,
                implode(', ', $task->labels),
                null === $task->estimate ? '' : 'takes '.$task->estimate,
                '' === $task->notes ? '' : "({$task->notes})",
            ];
        $text = implode(' ', array_filter($parts, static fn (string $part): bool => '' !== $part));

        return [] === $wish->troubles ? $text : $text.': '.implode(' ', $wish->troubles);
    }
}
