<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Post;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Mime\AddressParser;
use ZippyTray\Core\Mail\Mime\HeaderDecoder;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Mail\Mime\TextDecoder;
use ZippyTray\Core\Mail\Text\BodyText;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Post\Answering;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Misgivings;
use ZippyTray\Core\Post\Recipients;
use ZippyTray\Core\Refused;
use ZippyTray\Tests\Core\World\World;

/**
 * To whom an answer goes, what it quotes, and what is odd about a letter.
 */
final class AnsweringTest extends TestCase
{
    /** @return iterable<string, array{string, string, string, string}> header lines, To of a reply, To and Cc of a reply to all */
    public static function recipients(): iterable
    {
        yield 'one to one' => ["From: Tam <tam@glass.example>\r\nTo: wren@ternpoint.example", 'tam@glass.example', 'tam@glass.example', ''];
        yield 'several' => [
            "From: Tam <tam@glass.example>\r\nTo: Wren <WREN@ternpoint.example>, petra@ternpoint.example\r\n"
                .'Cc: ilse@ternpoint.example, tam@glass.example',
            'tam@glass.example',
            'tam@glass.example',
            'petra@ternpoint.example ilse@ternpoint.example',
        ];
        yield 'Reply-To comes first' => [
            "From: Tam <tam@glass.example>\r\nReply-To: orders@glass.example\r\nTo: wren@ternpoint.example",
            'orders@glass.example',
            'orders@glass.example',
            '',
        ];
        yield 'several in Reply-To' => [
            "From: tam@glass.example\r\nReply-To: orders@glass.example, tam@glass.example\r\nTo: wren@ternpoint.example",
            'orders@glass.example tam@glass.example',
            'orders@glass.example tam@glass.example',
            '',
        ];
        yield 'what one wrote oneself goes on to the same people' => [
            "From: wren@ternpoint.example\r\nTo: tam@glass.example\r\nCc: ilse@ternpoint.example",
            'tam@glass.example',
            'tam@glass.example',
            'ilse@ternpoint.example',
        ];
        yield 'a mailing list' => [
            "From: petra@keepers.example\r\nTo: keepers@lists.example\r\nList-Post: <mailto:keepers@lists.example>",
            'petra@keepers.example',
            'petra@keepers.example keepers@lists.example',
            '',
        ];
        yield 'a list that is not among the recipients' => [
            "From: petra@keepers.example\r\nTo: wren@ternpoint.example\r\nList-Post: <mailto:keepers@lists.example?subject=x>",
            'petra@keepers.example',
            'petra@keepers.example keepers@lists.example',
            '',
        ];
        yield 'a list that answers go to' => [
            "From: petra@keepers.example\r\nReply-To: keepers@lists.example\r\nTo: keepers@lists.example\r\n"
                .'List-Post: <mailto:keepers@lists.example>',
            'keepers@lists.example',
            'keepers@lists.example',
            '',
        ];
        yield 'a list where nobody may write' => [
            "From: petra@keepers.example\r\nTo: news@lists.example\r\nList-Post: NO (closed)",
            'petra@keepers.example',
            'petra@keepers.example',
            'news@lists.example',
        ];
        yield 'a list without an address' => [
            "From: petra@keepers.example\r\nTo: wren@ternpoint.example\r\nList-Post: <mailto:keepers>",
            'petra@keepers.example',
            'petra@keepers.example',
            '',
        ];
        yield 'what is no address is left out' => [
            "From: tam@glass.example\r\nTo: undisclosed-recipients:;, wren@ternpoint.example, nonsense\r\nCc: \"x\" <a b@c>",
            'tam@glass.example',
            'tam@glass.example',
            '',
        ];
        yield 'nobody twice' => [
            "From: tam@glass.example\r\nTo: ILSE@ternpoint.example, ilse@ternpoint.example\r\nCc: Ilse <ilse@ternpoint.example>",
            'tam@glass.example',
            'tam@glass.example',
            'ILSE@ternpoint.example',
        ];
        yield 'only to oneself' => ["From: wren@ternpoint.example\r\nTo: wren@ternpoint.example", '', '', ''];
    }

    /** @return iterable<string, array{string, string}> header lines; from which address is answered, empty: the one that they go by */
    public static function senders(): iterable
    {
        yield 'the one that they go by' => ["From: tam@glass.example\r\nTo: wren@ternpoint.example", ''];
        yield 'another one of theirs' => ["From: tam@glass.example\r\nTo: Office <OFFICE@ternpoint.example>", 'office@ternpoint.example'];
        yield 'both, the first' => [
            "From: tam@glass.example\r\nTo: office@ternpoint.example, wren@ternpoint.example",
            'office@ternpoint.example',
        ];
        yield 'a copy' => [
            "From: tam@glass.example\r\nTo: ilse@ternpoint.example\r\nCc: office@ternpoint.example",
            'office@ternpoint.example',
        ];
        yield 'a sub-address' => ["From: tam@glass.example\r\nTo: office+shop@ternpoint.example", 'office@ternpoint.example'];
        yield 'a list' => ["From: tam@glass.example\r\nTo: keepers@lists.example", ''];
    }

    #[DataProvider('senders')]
    public function testItComesFromTheAddressThatWasWrittenTo(string $headers, string $from): void
    {
        foreach ([AnswerKind::Reply, AnswerKind::ReplyAll, AnswerKind::Forward] as $kind) {
            self::assertSame($from, self::answer(self::message($headers), $kind)->from);
        }
    }

    #[DataProvider('recipients')]
    public function testToWhomAnAnswerGoes(string $headers, string $reply, string $all, string $copied): void
    {
        $message = self::message($headers);
        self::assertSame(
            [$reply, ''],
            [self::emails(self::answer($message, AnswerKind::Reply)->to), self::emails(self::answer($message, AnswerKind::Reply)->cc)],
        );
        $letter = self::answer($message, AnswerKind::ReplyAll);
        self::assertSame([$all, $copied], [self::emails($letter->to), self::emails($letter->cc)]);
    }

    /** @return iterable<array{string, string, string}> subject, of a reply, of a forward */
    public static function subjects(): iterable
    {
        yield ['Glass', 'Re: Glass', 'Fwd: Glass'];
        yield ['Re: Glass', 'Re: Glass', 'Fwd: Glass'];
        yield ['RE: Fw: Re[2]: Glass', 'Re: Glass', 'Fwd: Glass'];
        yield ['AW: Scheibe', 'Re: Scheibe', 'Fwd: Scheibe'];
        yield ['', 'Re:', 'Fwd:'];
    }

    #[DataProvider('subjects')]
    public function testWhatItIsCalled(string $subject, string $reply, string $forward): void
    {
        $message = self::message("From: tam@glass.example\r\nSubject: {$subject}");
        self::assertSame(
            [$reply, $forward],
            [self::answer($message, AnswerKind::Reply)->subject, self::answer($message, AnswerKind::Forward)->subject],
        );
    }

    public function testWhatItQuotesIsReadAsAQuote(): void
    {
        $message = self::message(
            "From: Tam Achterberg <tam@glass.example>\r\nDate: Mon, 2 Nov 2026 08:05:00 +0000",
            "Which one?\r\n\r\n> The first.\r\n",
        );
        $text = self::answer($message, AnswerKind::Reply)->text;
        self::assertSame("\n\nOn Mon 2 Nov 2026 at 08:05, Tam Achterberg wrote:\n> Which one?\n>\n>> The first.\n", $text);
        self::assertSame('The second, please.', (new BodyText())->written('The second, please.'.$text));
    }

    public function testAForwardCarriesHeadTextAndAttachments(): void
    {
        $text = self::answer(
            self::message(
                "From: Tam <tam@glass.example>\r\nTo: Wren <wren@ternpoint.example>\r\nSubject: Glass\r\n"
                    .'Date: Mon, 2 Nov 2026 08:05:00 +0000',
                'Which one?',
            ),
            AnswerKind::Forward,
        );
        self::assertSame([], $text->to);
        self::assertStringContainsString(
            "---------- Forwarded message ----------\nFrom: Tam <tam@glass.example>\nDate: Mon 2 Nov 2026 at 08:05\nSubject: Glass\n"
                ."To: Wren <wren@ternpoint.example>\n\nWhich one?",
            $text->text,
        );
        self::assertSame('Petra, can you?', (new BodyText())->written('Petra, can you?'.$text->text));
    }

    /** @return iterable<string, array{string, string, AnswerKind, list<string>}> to, text, kind, what is odd */
    public static function letters(): iterable
    {
        $reply = AnswerKind::Reply;
        yield 'nothing' => ['tam@glass.example', 'Here you are.', $reply, []];
        yield 'an attachment that is not there' => [
            'tam@glass.example',
            'I attach the drawing.',
            $reply,
            ['The text speaks of an attachment, and there is none.'],
        ];
        yield 'enclosed' => [
            'tam@glass.example',
            "Hello,\n\nplease find the plan enclosed.",
            $reply,
            ['The text speaks of an attachment, and there is none.'],
        ];
        yield 'that of somebody else' => ['tam@glass.example', 'I have read your attachment. You attached two.', $reply, []];
        yield 'in what is quoted' => [
            'tam@glass.example',
            "Yes.\n\nOn Mon 2 Nov 2026 at 08:05, Tam wrote:\n> I attach the drawing.",
            $reply,
            [],
        ];
        yield 'no reader' => ['no-reply@glass.example', 'Thanks.', $reply, ['no-reply@glass.example does not read answers.']];
        yield 'no reader, written together' => [
            'donotreply@glass.example',
            'Thanks.',
            $reply,
            ['donotreply@glass.example does not read answers.'],
        ];
        yield 'somebody whose name begins so' => ['noreen@glass.example', 'Thanks.', $reply, []];
        yield 'a gap' => [
            'tam@glass.example',
            'Dear {first name}, {ask which pane}',
            $reply,
            ['"{first name}" has not been filled in.', '"{ask which pane}" has not been filled in.'],
        ];
        yield 'braces' => ['tam@glass.example', 'Use {x: 1} and {}.', $reply, []];
        yield 'only quoted' => [
            'tam@glass.example',
            "\n\nOn Mon 2 Nov 2026 at 08:05, Tam wrote:\n> Which?",
            $reply,
            ['Nothing is written in it.'],
        ];
        yield 'a forward without a word' => ['tam@glass.example', '', AnswerKind::Forward, []];
        yield 'oneself' => ['Wren <wren@ternpoint.example>', 'Note', $reply, ['It goes to nobody but yourself.']];
        yield 'many' => [
            implode(', ', array_map(static fn (int $n): string => "p{$n}@x.example", range(1, 16))),
            'Hello',
            $reply,
            ['It goes to 16 people.'],
        ];
    }

    /** @param list<string> $odd */
    #[DataProvider('letters')]
    public function testWhatIsOddAboutALetter(string $to, string $text, AnswerKind $kind, array $odd): void
    {
        $letter = new Letter(self::parser()->parse($to), [], [], 'Glass', $text);
        self::assertSame($odd, (new Misgivings())->of($letter, $kind, [World::OWN]));
    }

    /** @return iterable<array{string, bool}> */
    public static function addresses(): iterable
    {
        foreach ([
            'tam@glass.example',
            'a.b+c@sub.glass.example',
            'jörg@müller.example',
            "o'neill@x.example",
            'x@1.example',
            '用户@例子.example',
        ] as $good) {
            yield [$good, true];
        }
        foreach ([
            '',
            'tam',
            'tam@',
            '@glass.example',
            'tam@glass',
            'a b@glass.example',
            'tam@-x.example',
            'tam@x..example',
            '.tam@x.example',
            'tam@x.example.',
            "tam@x.example\r\nBcc: y@x.example",
            str_repeat('a', 65).'@x.example',
            'a@'.str_repeat('b', 64).'.example',
            "a@x.example\0",
            '"a"@x.example',
            'a@[127.0.0.1]',
            'a,b@x.example',
        ] as $bad) {
            yield [$bad, false];
        }
    }

    #[DataProvider('addresses')]
    public function testWhatAnAddressIs(string $email, bool $is): void
    {
        self::assertSame($is, Address::isValid($email));
    }

    public function testNothingGetsIntoAHeaderThatIsNoneOfItsOwn(): void
    {
        $letter = Recipients::checkAll(new Letter(
            self::parser()->parse("\"Tam\r\nBcc: x@y.example\" <tam@glass.example>"),
            subject: "Glass\r\nBcc: x@y.example\0",
        ));
        self::assertSame(
            ['Glass Bcc: x@y.example', 'Tam Bcc: x@y.example', 'tam@glass.example'],
            [$letter->subject, $letter->to[0]->name, $letter->to[0]->email],
        );
    }

    public function testAsManyAsMayGetOneMessageAndEachOnce(): void
    {
        $people = array_map(static fn (int $n): Address => new Address("p{$n}@x.example"), range(1, Recipients::MOST));
        $again = [new Address(' P1@X.example '), new Address('p2@x.example', "  Tam\t of  Glass ")];
        self::assertCount(Recipients::MOST, Recipients::checkAll(new Letter([...$people, ...$again]))->to);
        self::assertSame('Tam of Glass', Recipients::checked([$again[1]], 'to')[0]->name);
        self::assertSame(
            [200, 200],
            array_map(
                static fn (int $length): int => mb_strlen(
                    Recipients::checked([new Address('a@b.example', str_repeat('ü', $length))], 'to')[0]->name,
                ),
                [200, 201],
            ),
        );
    }

    public function testALongAddressThatIsNoneIsNamedByItsBeginning(): void
    {
        foreach ([
            [new Address(str_repeat('a', 80)), str_repeat('a', 80)],
            [new Address(str_repeat('a', 81)), str_repeat('a', 79).'…'],
            [new Address('', "Tam\r\nGlass"), 'Tam Glass'],
        ] as [$address, $shown]) {
            try {
                Recipients::checked([$address], 'cc');
                self::fail('It was taken.');
            } catch (Refused $refused) {
                self::assertSame(['cc', "\"{$shown}\" is no address that mail can be sent to."], [$refused->field, $refused->getMessage()]);
            }
        }
    }

    public function testNobodyAndFarTooMany(): void
    {
        foreach ([
            ['', 'To whom?'],
            [implode(',', array_map(static fn (int $n): string => "p{$n}@x.example", range(1, 300))), '300 people'],
            ['tam@glass.example, petra', '"petra" is no address'],
        ] as [$to, $sentence]) {
            try {
                Recipients::checkAll(new Letter(self::parser()->parse($to)));
                self::fail('It was taken.');
            } catch (Refused $refused) {
                self::assertSame('to', $refused->field);
                self::assertStringContainsString($sentence, $refused->getMessage());
            }
        }
    }

    /** @param list<Address> $addresses */
    private static function emails(array $addresses): string
    {
        return implode(' ', array_map(static fn (Address $address): string => $address->email, $addresses));
    }

    private static function parser(): AddressParser
    {
        return new AddressParser(new HeaderDecoder(new TextDecoder()));
    }

    private static function answer(Message $message, AnswerKind $kind): Letter
    {
        return (new Answering(new Person(World::OWN, others: ['office@ternpoint.example']), new \DateTimeZone('UTC')))->to($message, $kind);
    }

    private static function message(string $headers, string $text = 'Which one?'): Message
    {
        $raw = str_replace("\r\n", "\n", $headers."\nMessage-ID: <1@glass.example>\n\n".$text);
        $now = new \DateTimeImmutable('2026-11-24T10:00:00Z');

        $content = (new MessageReader())->read($raw, $now);

        return Message::of(new EmailId('m'), World::account(), $content, \strlen($raw), $content->from->is(World::OWN), $now);
    }
}
