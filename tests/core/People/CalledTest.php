<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\People;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\People\Called;
use ZippyTray\Core\Post\HandOverLetter;

final class CalledTest extends TestCase
{
    /** @return iterable<array{string, string, string, string}> name, address, in a title, in a greeting */
    public static function people(): iterable
    {
        yield ['Olga Brandt', 'olga@brandt-roofs.example', 'Olga', 'Olga'];
        yield ['Brandt, Olga', 'olga@brandt-roofs.example', 'Olga', 'Olga'];
        yield ['Dr. Elin Voss', 'voss@voss-dental.example', 'Elin', 'Elin'];
        yield ['Voss, Dr. Elin', 'voss@voss-dental.example', 'Elin', 'Elin'];
        yield ['Prof. Dr. Ansel Roth', 'roth@institute.example', 'Ansel', 'Ansel'];
        yield ['Herr Ansel Roth', 'roth@x.example', 'Ansel', 'Ansel'];
        yield ['Anne-Marie O’Dell', 'am@x.example', 'Anne-Marie', 'Anne-Marie'];
        yield ['Grants Desk', 'desk@fund.example', 'Grants Desk', ''];
        yield ['Contact form', 'web@x.example', 'Contact form', ''];
        yield ['Contact Us', 'web@x.example', 'Contact', ''];
        yield ['Survey & Stone', 'office@surveystone.example', 'Survey & Stone', ''];
        yield ['Room 12', 'room12@x.example', 'Room 12', ''];
        yield ['J. Roth', 'j@x.example', 'J.', ''];
        yield ['', 'tam.achterberg@glass.example', 'Tam', 'Tam'];
        yield ['', 'info@glass.example', 'Info', ''];
        yield ['', 'contact.form@glass.example', 'Contact', ''];
        yield ['', 'jroth@glass.example', 'Jroth', ''];
        yield ['jroth@glass.example', 'jroth@glass.example', 'Jroth', ''];
        yield ['', '', 'the sender', ''];
        yield ['lotte haan', 'lotte@tidewords.example', 'Lotte', 'Lotte'];
        yield ['Petra Lindqvist (via the list)', 'list@keepers.example', 'Petra', 'Petra'];
        yield ['Tam from Glassworks', 'tam@x.example', 'Tam', 'Tam'];
    }

    #[DataProvider('people')]
    public function testWhatSomebodyIsCalled(string $name, string $email, string $inTitle, string $greeted): void
    {
        $person = new Address($email, $name);
        self::assertSame([$inTitle, $greeted], [Called::inTitle($person), Called::firstName($person)]);
        self::assertSame('' === $greeted ? 'Hello,' : "Hello {$greeted},", Called::greeting($person));
    }

    public function testTheLetterOfAHandOver(): void
    {
        $elin = new Address('voss@voss-dental.example', 'Dr. Elin Voss');
        self::assertSame(
            "Hello Elin,\n\ncould you take this over: check the plan? I count on it by Friday 27 November.",
            HandOverLetter::words([$elin], 'Check the plan.', 'Friday 27 November'),
        );
        self::assertSame("Hello,\n\ncould you take this over: VAT return?", HandOverLetter::words([$elin, $elin], 'VAT return', ''));
        self::assertSame("Hello,\n\ncould you take this over?", HandOverLetter::words([], ' ', ''));
    }
}
