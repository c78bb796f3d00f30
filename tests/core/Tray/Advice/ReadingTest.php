<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Advice;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Attachment;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Advice\FoundDate;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\KindOfMail;
use ZippyTray\Core\Tray\Advice\ListFinder;
use ZippyTray\Core\Tray\Advice\ListItem;
use ZippyTray\Core\Tray\Advice\MailKind;
use ZippyTray\Core\Tray\Advice\ReadMessage;
use ZippyTray\Core\Tray\Advice\Sentence;
use ZippyTray\Core\Tray\Advice\Sentences;
use ZippyTray\Core\Tray\Advice\Suspicion;

/**
 * The parts that advice is made of, each by itself.
 */
final class ReadingTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>}> */
    public static function texts(): iterable
    {
        yield 'plain ones' => ['One. Two! Three? Four', ['One.', 'Two!', 'Three?', 'Four']];
        yield 'lines that run on' => [
            "This is a line that is long enough to be wrapped\nin the middle. Next.",
            ['This is a line that is long enough to be wrapped in the middle.', 'Next.'],
        ];
        yield 'a greeting is none' => ["Dear Ms Halloran,\n\nthank you.", ['thank you.']];
        yield 'a greeting of another language' => ['Beste leden, graag voor vrijdag betalen.', ['graag voor vrijdag betalen.']];
        yield 'no addressee' => ['What will you need from us?', ['What will you need from us?']];
        yield 'a greeting on the same line' => ['Hi Wren, could you call?', ['could you call?']];
        yield 'abbreviations do not end one' => [
            'Ask Dr. Voss, i.e. the dentist, at 3 p.m. or so.',
            ['Ask Dr. Voss, i.e. the dentist, at 3 p.m. or so.'],
        ];
        yield 'initials and decimals neither' => ['J. P. Amsel paid 3.50 for it. Good.', ['J. P. Amsel paid 3.50 for it.', 'Good.']];
        yield 'a day of a month neither' => ['See you on 4. December. Bye.', ['See you on 4. December.', 'Bye.']];
        yield 'an ordinal does' => [
            'Come before the 1st. After that it costs more.',
            ['Come before the 1st.', 'After that it costs more.'],
        ];
        yield 'small letters behind a stop' => [
            'could you send it? thanks a lot. also call me',
            ['could you send it?', 'thanks a lot.', 'also call me'],
        ];
        yield 'items are sentences of their own' => ["Please:\n- sign it\n- send it", ['Please:', 'sign it', 'send it']];
        yield 'quotes are left out' => ["Yes.\n\nOn Monday, Tam wrote:\n> Could you send it?", ['Yes.']];
        yield 'a signature is left out' => ["Yes.\n\n-- \nOlga Brandt\nCall me!", ['Yes.']];
        yield 'a farewell begins anew' => [
            "can you send the keys before thursday\ncheers tam",
            ['can you send the keys before thursday', 'cheers tam'],
        ];
        yield 'nothing' => ["\n \n", []];
    }

    /** @param list<string> $expected */
    #[DataProvider('texts')]
    public function testSentences(string $text, array $expected): void
    {
        $found = (new Sentences())->of($text);
        self::assertSame($expected, array_map(static fn (Sentence $sentence): string => $sentence->text, $found));
        foreach ($found as $sentence) {
            self::assertSame($sentence->text, str_replace("\n", ' ', mb_substr($text, $sentence->from, $sentence->to() - $sentence->from)));
        }
    }

    public function testWhomASentenceTurnsTo(): void
    {
        $names = array_map(
            static fn (Sentence $sentence): ?string => $sentence->addressee,
            (new Sentences())->of(
                "Petra, could you call?\nAlso, could you write?\n@Sam please sign\nWren can you come?\nFriday, if you like, we meet.",
            ),
        );
        self::assertSame(['Petra', null, 'Sam', 'Wren', null], $names);
    }

    /** @return iterable<string, array{string, list<list<string>>}> */
    public static function lists(): iterable
    {
        yield 'numbers' => ["1. one\n2) two\n(3) three", [['one', 'two', 'three']]];
        yield 'letters' => ["a) one\nb) two", [['one', 'two']]];
        yield 'bullets of many kinds' => ["- one\n* two\n• three\n– four", [['one', 'two', 'three', 'four']]];
        yield 'check boxes' => ["[ ] one\n- [x] two\n☐ three", [['one', 'two', 'three']]];
        yield 'empty lines between' => ["- one\n\n- two", [['one', 'two']]];
        yield 'an item that goes on' => ["- one and\n  a half\n- two", [['one and a half', 'two']]];
        yield 'within a sentence' => ['Please send (1) the plan, (2) the quote and (3) a date.', [['the plan', 'the quote', 'a date']]];
        yield 'two lists' => ["- a\n- b\n\nAnd then:\n\n1. c\n2. d", [['a', 'b'], ['c', 'd']]];
        yield 'one item is no list' => ['- one', []];
        yield 'a dash in a sentence is none' => ['We met - it was nice - and left.', []];
        yield 'years are none' => ['2019. was good', []];
        yield 'quoted ones are not the sender’s' => ["> - one\n> - two", []];
    }

    /** @param list<list<string>> $expected */
    #[DataProvider('lists')]
    public function testLists(string $text, array $expected): void
    {
        $found = (new ListFinder())->of($text);
        self::assertSame(
            $expected,
            array_map(static fn (array $items): array => array_map(static fn (ListItem $item): string => $item->text, $items), $found),
        );
    }

    /** @return iterable<string, array{MailKind, Gist}> */
    public static function kinds(): iterable
    {
        $bulk = ['list-unsubscribe' => '<https://x.example/off>'];
        $list = ['list-id' => '<keepers.example>', 'list-post' => '<mailto:k@keepers.example>'];
        yield 'a person' => [MailKind::Personal, self::letter('Hello.')];
        yield 'a list that people talk on' => [MailKind::Discussion, self::letter('Hello all.', headers: $list, to: 'k@keepers.example')];
        yield 'a list that nobody may write to' => [
            MailKind::Newsletter,
            self::letter('Hello all.', headers: ['list-id' => '<n.example>', 'list-post' => 'NO']),
        ];
        yield 'something to read' => [MailKind::Newsletter, self::letter('The gulls are back.', headers: $bulk)];
        yield 'something to buy' => [
            MailKind::Advert,
            self::letter('Shop now and get free shipping.', '20% off everything', headers: $bulk),
        ];
        yield 'many, without saying so' => [
            MailKind::Newsletter,
            self::letter("The gulls are back.\n\nYou are receiving this because you like gulls. Unsubscribe"),
        ];
        yield 'an order is no newsletter' => [
            MailKind::Notice,
            self::letter('It is on its way.', 'Your order 12 has shipped', headers: $bulk),
        ];
        yield 'a machine' => [MailKind::Notice, self::letter('Your invoice.', from: 'no-reply@power.example')];
        yield 'somebody is away' => [MailKind::AutoReply, self::letter('Back on Monday.', headers: ['auto-submitted' => 'auto-replied'])];
        yield 'away without a header' => [MailKind::AutoReply, self::letter('Back on Monday.', 'Out of office: Glass')];
        yield 'not delivered' => [
            MailKind::Bounce,
            self::letter('It could not be delivered.', 'Undelivered mail', from: 'MAILER-DAEMON@mx.example'),
        ];
        yield 'not delivered, by its report' => [MailKind::Bounce, self::letter('Sorry.', attached: 'message/delivery-status')];
        yield 'late' => [MailKind::Delay, self::letter('It will be retried.', 'Delayed mail', attached: 'message/delivery-status')];
        yield 'an invitation' => [MailKind::Invitation, self::letter('Roof meeting', attached: 'text/calendar')];
        yield 'an invitation that was accepted' => [
            MailKind::InvitationNews,
            self::letter('Yes.', 'Accepted: Roof meeting', attached: 'text/calendar'),
        ];
        foreach ([
            'request' => MailKind::Invitation,
            'publish' => MailKind::Invitation,
            'counter' => MailKind::Invitation,
            'cancel' => MailKind::InvitationNews,
            'reply' => MailKind::InvitationNews,
        ] as $method => $kind) {
            yield 'an invitation that says '.$method => [
                $kind,
                self::letter('Can you come?', 'Roof meeting', attached: 'text/calendar', method: $method),
            ];
        }
        yield 'one of that name that invites' => [
            MailKind::Invitation,
            self::letter('Can you come?', 'Accepted papers: the dinner', attached: 'text/calendar', method: 'request'),
        ];
        yield 'fraud' => [
            MailKind::Suspicious,
            self::letter('Dear winner, you have won the lottery. Claim your prize within 24 hours!!!', 'YOU HAVE WON', from: 'x@y.example'),
        ];
    }

    #[DataProvider('kinds')]
    public function testKindsOfMail(MailKind $kind, Gist $gist): void
    {
        self::assertSame($kind, (new KindOfMail())->of($gist, new Person(LabelledLetters::ME)));
    }

    /** @return iterable<string, array{string, Gist}> */
    public static function suspicions(): iterable
    {
        yield 'an address like one’s own' => ['looks like ternpoint.example', self::letter('Hello.', from: 'boss@ternp0int.example')];
        yield 'a link in disguise' => ['leads elsewhere', self::letter('Go to www.bank.example <https://evil.example/x> now.')];
        yield 'another name than its own' => ['calls itself', self::letter('Hello.', from: 'x@evil.example', name: 'support@bank.example')];
        yield 'a dangerous file' => ['can do harm', self::letter('Hello.', attached: 'application/octet-stream', file: 'invoice.pdf.exe')];
    }

    #[DataProvider('suspicions')]
    public function testWhatIsSuspiciousIsSaid(string $words, Gist $gist): void
    {
        self::assertStringContainsString($words, implode(' ', (new Suspicion())->reasons($gist, new Person(LabelledLetters::ME))));
    }

    public function testOrdinaryMailIsNotSuspicious(): void
    {
        self::assertSame(
            [],
            (new Suspicion())->reasons(
                self::letter('Could you send me the drawings? The plan is at https://roofs.example/plan.'),
                new Person(LabelledLetters::ME),
            ),
        );
    }

    /** @return iterable<string, array{string, string}> what is written, and when that is on a clock in Berlin */
    public static function zones(): iterable
    {
        yield 'a zone' => ['The call is on Friday at 9:30 EST.', '2026-11-27 15:30'];
        yield 'another clock in brackets' => ['The call is on Friday at 9:30 EST (14:30 our time).', '2026-11-27 15:30'];
        yield 'the day behind the brackets' => ['The call is at 9:30 EST (14:30 our time) on Friday.', '2026-11-27 15:30'];
        yield 'two clocks in brackets' => ['The call is at 9:30 EST (14:30 our time, 15:30 in Berlin) on Friday.', '2026-11-27 15:30'];
        yield 'noon' => ['The call is at noon EST on Friday.', '2026-11-27 18:00'];
        yield 'universal time' => ['The call is on Friday at 15:00 UTC (16:00 here).', '2026-11-27 16:00'];
        yield 'another day' => ['The call is on Friday at 20:00 PST.', '2026-11-28 05:00'];
        yield 'none' => ['The call is on Friday at 9:30 (I ring).', '2026-11-27 09:30'];
    }

    #[DataProvider('zones')]
    public function testTimesInAZoneAreShownInOnesOwn(string $text, string $expected): void
    {
        $dates = (new ReadMessage())(self::letter($text), new Person(LabelledLetters::ME, zone: new \DateTimeZone('Europe/Berlin')))->dates;

        self::assertSame([$expected], array_map(static fn (FoundDate $date): string => $date->date.' '.$date->time, $dates));
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function datesInSentences(): iterable
    {
        foreach (explode("\n", <<<'TABLE'
            On Wednesday 2 December the power will be off between 9:00 and 11:30. = appointment 2026-12-02 09:00
            On Monday we meet at ten. = appointment 2026-11-30 10:00
            Am Mittwoch, dem 9. Dezember, findet um 19:30 Uhr unsere Versammlung statt. = appointment 2026-12-09 19:30
            L'assemblée aura lieu le vendredi 11 décembre à 18 h 30. = appointment 2026-12-11 18:30
            Can you come on Friday, or shall we ring at 15:30? = appointment 2026-11-27
            On Friday I was at the office until 18:00. = mention 2026-11-20
            Is the cottage free from 3 to 10 July? = appointment 2027-07-03
            Vom 24. Dezember bis 3. Januar bleibt das Haus leer. = mention 2026-12-24; mention 2027-01-03
            Would the 2nd or 3rd of December suit you? = appointment 2026-12-02; appointment 2026-12-03
            You must pay within 14 days of this notice. = deadline 2026-12-08
            Please pay it inside a week. = deadline 2026-12-01
            Please send it before the month is out. = deadline 2026-11-30
            The month is over and nothing came. =
            You have until the weekend to decide. = deadline 2026-11-28
            I need it by half past four. = deadline 2026-11-24 16:30
            I was there by half past four. =
            If the fee is not paid by 8 December the booking lapses. = deadline 2026-12-08
            If they haven't paid by 8 December, close the file. = mention 2026-12-08
            The manuscript has to leave us on 10 December. = deadline 2026-12-10
            The last date for posting to New Zealand is 2 December. = deadline 2026-12-02
            We cannot deliver before 14 December. = mention 2026-12-14
            Could you mind the shop on Wednesday? = appointment 2026-11-25
            Could you return the ladder on Wednesday? = deadline 2026-11-25
            Bitte schicken Sie es bis Monatsende. = deadline 2026-11-30
            Merci de payer sous quinzaine. = deadline 2026-12-08
            El plazo termina el 4 de diciembre. = deadline 2026-12-04
            Le ruego que pague en el plazo de diez días. = deadline 2026-12-04
            La prego di rispondere entro fine mese. = deadline 2026-11-30
            La prego di pagare entro dieci giorni. = deadline 2026-12-04
            Por favor pague no prazo de dez dias. = deadline 2026-12-04
            Within two weeks of the visit you are told. =
            Your card should reach you within five working days. = mention 2026-12-01
            As of 1 February our prices rise. = mention 2027-02-01
            The game on Saturday is off. = mention 2026-11-28
            We hope to see everybody at next year's regatta. =
            The till was short on Sunday, can you check the slips? = mention 2026-11-22
            A unit costs 24.8. You need do nothing. =
            Bonne fin de semaine ! =
            Salut Wren, peux-tu jouer avec nous dimanche ? = appointment 2026-11-29
            Hallo Wren, kannst du mir am Freitag die Liste schicken? = deadline 2026-11-27
            The heating won't be mended before Christmas. =
            Your appointment on Thursday 3 December had to be moved from 9:00 to 11:30. = appointment 2026-12-03 11:30
            The match is moved from Friday to Saturday. = mention 2026-11-27; appointment 2026-11-28
            The meeting was moved from 3 December to 5 December. = mention 2026-12-03; appointment 2026-12-05
            Training is put back from six to seven on Friday. = appointment 2026-11-27 19:00
            Our call tomorrow moves from 10 to 11. = appointment 2026-11-25 11:00
            I have changed the table from 19:00 to 20:00 on Saturday. = appointment 2026-11-28 20:00
            The class on 3 December starts at 11:30 instead of 9:00. = appointment 2026-12-03 11:30
            The train leaves at 8:05, not at 8:15, on Friday. = appointment 2026-11-27 08:05
            We meet on Friday, not Thursday. = appointment 2026-11-27; mention 2026-11-26
            We meet not on Thursday but on Friday. = mention 2026-11-26; appointment 2026-11-27
            The form is not due on Friday but on Monday. = mention 2026-11-27; deadline 2026-11-30
            Can we move Thursday's call to Friday? = mention 2026-11-26; appointment 2026-11-27
            The deadline has been moved from 3 to 10 December. = deadline 2026-12-10
            We extended the deadline from 3 December to 10 December. = mention 2026-12-03; deadline 2026-12-10
            Could you change the order from 40 to 60 sheets by Friday? = deadline 2026-11-27
            I changed trains on Friday to be there by nine. = mention 2026-11-20
            We moved from Cork to Galway on 3 May. = mention 2026-05-03
            Der Termin wird von Donnerstag auf Freitag verschoben. = mention 2026-11-26; appointment 2026-11-27
            Die Sitzung am 3. Dezember wurde auf den 10. Dezember verlegt. = mention 2026-12-03; appointment 2026-12-10
            Nicht am Montag, sondern am Dienstag kommt der Monteur. = mention 2026-11-30; appointment 2026-12-01
            Le rendez-vous du 3 décembre à 9 h est déplacé à 11 h. = appointment 2026-12-03 11:00
            La reunión del jueves se aplaza al viernes a las 10. = mention 2026-11-26; appointment 2026-11-27 10:00
            La riunione è stata spostata da giovedì a venerdì alle 15. = mention 2026-11-26; appointment 2026-11-27 15:00
            De vergadering is verplaatst van donderdag naar vrijdag. = mention 2026-11-26; appointment 2026-11-27
            A reunião foi adiada de quinta-feira para sexta-feira. = mention 2026-11-26; appointment 2026-11-27
            We are closed on New Year's Day. = appointment 2027-01-01
            Seed swap on Saturday 12 December from two. = appointment 2026-12-12 14:00
            TABLE) as $line) {
            [$text, $dates] = explode(' =', $line, 2);
            yield $text => [$text, '' === trim($dates) ? [] : explode('; ', trim($dates))];
        }
    }

    /** @param list<string> $expected */
    #[DataProvider('datesInSentences')]
    public function testDatesInSentences(string $text, array $expected): void
    {
        $found = (new ReadMessage())(self::letter($text), new Person(LabelledLetters::ME));

        self::assertSame(
            $expected,
            array_map(static fn (FoundDate $date): string => trim("{$date->kind->value} {$date->date} {$date->time}"), $found->dates),
        );
    }

    public function testOfACalendarOnlyTheBeginningIsKept(): void
    {
        $gist = self::letter(str_repeat('We meet on Friday at ten. ', 300));
        self::assertCount(200, (new ReadMessage())($gist, new Person(LabelledLetters::ME))->dates);
    }

    /** @param array<string, string> $headers */
    private static function letter(
        string $text,
        string $subject = 'Hello',
        array $headers = [],
        string $from = 'olga@roofs.example',
        string $name = '',
        string $to = LabelledLetters::ME,
        string $attached = '',
        string $file = 'file',
        string $method = '',
    ): Gist {
        return new Gist(
            new Address($from, $name),
            [],
            [new Address($to)],
            [],
            $subject,
            new Moment(new \DateTimeImmutable('2026-11-24T10:00:00Z'), new \DateTimeZone('UTC')),
            $text,
            $headers,
            '' === $attached ? [] : [new Attachment($file, $attached, 100, method: $method)],
        );
    }
}
