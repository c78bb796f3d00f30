<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Mail;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Text\BodyKind;
use ZippyTray\Core\Mail\Text\BodyPart;
use ZippyTray\Core\Mail\Text\BodyText;

final class BodyTextTest extends TestCase
{
    /** Each line of these texts begins with what it is: w(ritten), q(uoted), s(ignature). */
    private const TEXTS = [
        'nothing but words' => "w|Hello,\nw|\nw|is it open?",
        'marked quote below' => "w|Yes.\nw|\nq|On Mon, 23 Nov 2026 at 10:00, Ada Quill <ada@x.example> wrote:\nq|> Is it open?\nq|>\n"
            .'q|> Ada',
        'attribution on two lines' => "w|Yes.\nw|\nq|On Mon, 23 Nov 2026 at 10:00, Ada Quill\nq|<ada@x.example> wrote:\nq|> Is it open?",
        'an empty line behind the attribution' => "w|Yes.\nq|Ada Quill wrote:\nq|\nq|> Is it open?",
        'answers between the lines' => "q|> Is it open?\nw|Yes.\nw|\nq|> And on Sunday?\nw|No.",
        'a quote without attribution' => "w|As you said:\nq|> Is it open?\nw|It is.",
        'German' => "w|Ja.\nw|\nq|Am 23.11.26 um 10:00 schrieb Ada Quill:\nq|> Offen?",
        'French' => "w|Oui.\nw|\nq|Le lun. 23 nov. 2026 à 10:00, Ada Quill a écrit :\nq|> Ouvert ?",
        'Spanish' => "w|Sí.\nq|El lun, 23 nov 2026 a las 10:00, Ada Quill (<ada@x.example>) escribió:\nq|> ¿Abierto?",
        'Italian' => "w|Sì.\nq|Il giorno lun 23 nov 2026 alle ore 10:00 Ada Quill ha scritto:\nq|> Aperto?",
        'Dutch' => "w|Ja.\nq|Op ma 23 nov. 2026 om 10:00 schreef Ada Quill <ada@x.example>:\nq|> Open?",
        'Portuguese' => "w|Sim.\nq|Em seg., 23 de nov. de 2026 às 10:00, Ada Quill escreveu:\nq|> Aberto?",
        'Swedish' => "w|Ja.\nq|Den mån 23 nov. 2026 kl 10:00 skrev Ada Quill:\nq|> Öppet?",
        'Russian' => "w|Да.\nq|23.11.2026 10:00, Ада Квилл пишет:\nq|> Открыто?",
        'date and address only' => "w|Yes.\nq|2026-11-23 10:00 GMT+00:00 Ada Quill <ada@x.example>:\nq|> Open?",
        'original message below' => "w|Yes.\nw|\nq|-----Original Message-----\nq|From: Ada Quill\nq|Sent: Monday\nq|To: Wren\n"
            ."q|Subject: Open?\nq|\nq|Is it open?\nq|\nq|Ada",
        'headers below' => "w|Yes.\nw|\nq|From: Ada Quill <ada@x.example>\nq|Sent: Monday, 23 November 2026 10:00\nq|To: Wren\n"
            ."q|Subject: Open?\nq|\nq|Is it open?",
        'a rule and headers below' => "w|Yes.\nw|\nq|________________________________\nq|Von: Ada Quill\nq|Gesendet: Montag\n"
            ."q|An: Wren\nq|Betreff: Offen?\nq|\nq|Offen?",
        'forwarded' => "w|For you.\nw|\nq|---------- Forwarded message ---------\nq|From: Ada\nq|Is it open?",
        'forwarded in another way' => "w|For you.\nw|\nq|Begin forwarded message:\nq|\nq|From: Ada\nq|Is it open?",
        'an unmarked earlier message' => "w|Yes.\nw|\nq|On 23 Nov 2026, at 10:00, Ada Quill wrote:\nq|\nq|Is it open?\nq|\nq|Ada",
        'signature with its mark' => "w|Yes.\nw|\nw|Olga\nw|\ns|--\ns|Olga Brandt, Brandt Roofs\ns|+00 555 0134",
        'signature with its mark and a space' => "w|Yes.\ns|-- \ns|Olga",
        'signature above a quote' => "w|Yes.\nw|\ns|-- \ns|Olga Brandt\ns|Roofs\nw|\nq|Ada wrote:\nq|> Open?",
        'signature without a mark' => "w|Please sign it.\nw|\nw|Kind regards\nw|Ruth Okoye\ns|Saltmarsh School, Office\ns|+00 555 0177",
        'greeting and name only' => "w|Please sign it.\nw|\nw|Kind regards,\nw|Ruth",
        'German greeting' => "w|Bitte.\nw|\nw|Mit freundlichen Grüßen\nw|Jonas Feld\ns|Leuchtturmfreunde e.V.",
        'from a device' => "w|Yes.\nw|\ns|Sent from my telephone",
        'a question behind the thanks is no signature' => "w|Thanks,\nw|and another thing\nw|can you bring the ladder on Monday?",
        'a rule in the text is no signature' => "w|One\nw|---\nw|Two",
        'a sentence with wrote' => "w|The surveyor wrote: the roof is sound.\nw|Good.",
        'a sentence that ends with wrote' => "w|This is what Ada wrote:\nw|\nw|the roof is sound.",
        'From in a list' => "w|From: the harbour\nw|we take the path.",
        'an arrow is no quote' => "w|a -> b\nw|x > y",
        'only a quote' => 'q|> Is it open?',
    ];

    private const ANSWERS = [
        'between the lines' => ["> Is it open?\nYes.\n\n> And on Sunday?\nNo.", ['Is it open?', 'And on Sunday?']],
        'a paragraph of two lines' => [
            "Hello,\n\nAda wrote:\n> Thanks.\n>\n> Is it open on Sunday? We would\n> come with six.\n\nYes, come.\n\n> Ada\n\nWren",
            ['Is it open on Sunday? We would come with six.'],
        ],
        'one quote, cut down' => ["As you said:\n> Is it open?\nIt is.", ['Is it open?']],
        'a whole letter quoted above' => [
            "> Dear Wren,\n>\n> we were there.\n>\n> It was fine.\n>\n> Is it open in May?\n>\n> Ada\nYes, it is.",
            [],
        ],
        'quoted below' => ["Yes.\n\nAda wrote:\n> Is it open?", []],
        'quoted twice' => ["> > Shall we?\n> On Friday?\nFine.\n> Good.\nYes.", ['Shall we? On Friday?', 'Good.']],
        'nothing quoted' => ["Is it open?\nYes.", []],
    ];

    public function testWhatIsAnswered(): void
    {
        foreach (self::ANSWERS as $name => [$text, $answered]) {
            self::assertSame(
                $answered,
                array_values(array_filter(array_map(static fn (BodyPart $part): string => $part->answers, (new BodyText())->parts($text)))),
                $name,
            );
        }
        $long = '> '.str_repeat('word ', 200)."\nYes.\n> And?\nNo.";
        self::assertLessThan(310, mb_strlen((new BodyText())->parts($long)[1]->answers));
    }

    /** @return iterable<string, array{string}> */
    public static function texts(): iterable
    {
        foreach (self::TEXTS as $name => $marked) {
            yield $name => [$marked];
        }
    }

    #[DataProvider('texts')]
    public function testWhoseWordsTheyAre(string $marked): void
    {
        $lines = array_map(static fn (string $line): string => substr($line, 2), explode("\n", $marked));
        $text = implode("\n", $lines);
        $found = '';
        foreach ((new BodyText())->parts($text) as $part) {
            $letter = ['written' => 'w|', 'quoted' => 'q|', 'signature' => 's|'][$part->kind->value];
            $piece = mb_substr($text, $part->from, $part->to - $part->from);
            $ends = str_ends_with($piece, "\n") ? "\n" : '';
            $found .= $letter.str_replace("\n", "\n".$letter, '' === $ends ? $piece : substr($piece, 0, -1)).$ends;
        }
        self::assertSame($marked, $found);
    }

    #[DataProvider('texts')]
    public function testThePartsCoverTheTextFromEndToEnd(string $marked): void
    {
        $at = 0;
        foreach ((new BodyText())->parts($marked) as $part) {
            self::assertSame($at, $part->from);
            $at = $part->to;
        }
        self::assertSame(mb_strlen($marked), $at);
    }

    public function testAnEmptyTextHasNoParts(): void
    {
        self::assertSame([], (new BodyText())->parts(''));
    }

    public function testWhatWasWrittenNow(): void
    {
        $text = "Ja, gerne.\n\nAm 23.11.26 um 10:00 schrieb Ada:\n> Offen?\n\nUnd am Sonntag auch.\n-- \nJörg";
        self::assertSame("Ja, gerne.\nUnd am Sonntag auch.", (new BodyText())->written($text));
        self::assertSame(
            [BodyKind::Written, BodyKind::Quoted, BodyKind::Written, BodyKind::Signature],
            array_column((new BodyText())->parts($text), 'kind'),
        );
    }

    public function testALongTextIsReadInLinearTime(): void
    {
        $text = str_repeat("> quoted line of some length\nwritten line of some length\n\n", 20_000);
        self::assertGreaterThan(30_000, \count((new BodyText())->parts($text)));
    }
}
