<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Mail;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Text\BodyKind;
use ZippyTray\Core\Mail\Text\BodyText;

/**
 * What was written now, under the attributions, header blocks, signatures and footers of many programs and languages.
 */
final class WrittenNowTest extends TestCase
{
    /** @return iterable<string, array{string, string}> text, what was written now */
    public static function texts(): iterable
    {
        yield 'en 2 lines' => [
            "Yes, fine.\n\nOn Tue, 24 Nov 2026 at 09:30, Ada Byron the Third <ada.byron@x.example>\nwrote:\n\n> old",
            'Yes, fine.',
        ];
        yield 'en 3 lines' => [
            "Yes, fine.\n\nOn Tuesday, 24 November 2026 at 09:30,\nAda Byron the Third <ada.byron@x.example>\nwrote:\n\nold text\nmore old",
            'Yes, fine.',
        ];
        yield 'en no colon' => ["Yes, fine.\n\nOn 24/11/2026 09:30, Ada Byron wrote\n> old", 'Yes, fine.'];
        yield 'same line' => ["> are you coming?\nYes.\nAda wrote:\n> and then?\nNo.", "Yes.\nNo."];
        yield 'reply on attribution line' => ["On Tue, 24 Nov 2026, Ada wrote: > old\nYes I do", 'Yes I do'];
        yield 'same line 2' => ["Yes, I agree. On Tue, 24 Nov 2026 at 9:30 AM Ada <ada@x.example> wrote:\n> old", 'Yes, I agree.'];
        yield 'de' => ["Ja gern.\n\nAm 24.11.2026 um 09:30 schrieb Ada Byron:\n> alt", 'Ja gern.'];
        yield 'de 2' => ["Ja gern.\n\nAm Di., 24. Nov. 2026 um 09:30 Uhr schrieb Ada Byron <\nada@x.example>:\n\n> alt", 'Ja gern.'];
        yield 'fr' => ["Oui.\n\nLe mar. 24 nov. 2026 à 09:30, Ada Byron <ada@x.example> a écrit :\n\n> vieux", 'Oui.'];
        yield 'fr 2' => ["Oui.\n\nLe 24 nov. 2026 à 09:30, Ada Byron <ada@x.example>\na écrit :\nvieux", 'Oui.'];
        yield 'es' => ["Sí.\n\nEl mar, 24 nov 2026 a las 9:30, Ada Byron (<ada@x.example>) escribió:\n\n> viejo", 'Sí.'];
        yield 'it' => ["Sì.\n\nIl giorno mar 24 nov 2026 alle ore 09:30 Ada Byron <ada@x.example> ha scritto:\n\n> vecchio", 'Sì.'];
        yield 'pt' => ["Sim.\n\nEm ter., 24 de nov. de 2026 às 09:30, Ada Byron <ada@x.example> escreveu:\n\n> velho", 'Sim.'];
        yield 'nl' => ["Ja.\n\nOp di 24 nov 2026 om 09:30 schreef Ada Byron <ada@x.example>:\n\n> oud", 'Ja.'];
        yield 'pl' => ["Tak.\n\nwt., 24 lis 2026 o 09:30 Ada Byron <ada@x.example> napisał(a):\n\n> stare", 'Tak.'];
        yield 'sv' => ["Ja.\n\nDen tis 24 nov. 2026 kl 09:30 skrev Ada Byron <ada@x.example>:\n\n> gammalt", 'Ja.'];
        yield 'no' => ["Ja.\n\ntir. 24. nov. 2026 kl. 09:30 skrev Ada Byron <ada@x.example>:\n\n> gammelt", 'Ja.'];
        yield 'da' => ["Ja.\n\nDen tir. 24. nov. 2026 kl. 09.30 skrev Ada Byron <ada@x.example>:\n\n> gammelt", 'Ja.'];
        yield 'fi' => ["Kyllä.\n\nti 24. marrask. 2026 klo 9.30 Ada Byron (ada@x.example) kirjoitti:\n\n> vanha", 'Kyllä.'];
        yield 'ru' => ["Да.\n\nвт, 24 нояб. 2026 г. в 09:30, Ada Byron <ada@x.example>:\n\n> старое", 'Да.'];
        yield 'ru2' => ["Да.\n\n24 ноября 2026 г., 09:30, \"Ada Byron\" <ada@x.example> пишет:\nстарое", 'Да.'];
        yield 'zh' => ["好的。\n\nAda Byron <ada@x.example> 于2026年11月24日周二 09:30写道：\n\n> 旧", '好的。'];
        yield 'zh2' => ["好的。\n\n在 2026年11月24日，09:30，Ada Byron <ada@x.example> 写道：\n旧", '好的。'];
        yield 'ja' => ["はい。\n\n2026年11月24日(火) 9:30 Ada Byron <ada@x.example>:\n\n> 古い", 'はい。'];
        yield 'ja2' => ["はい。\n\n2026年11月24日 9:30、Ada Byron <ada@x.example>のメール:\n> 古い", 'はい。'];
        yield 'hdr date first' => ["Yes.\n\nDate: Tue, 24 Nov 2026\nFrom: Ada <ada@x.example>\nTo: Wren\nSubject: x\n\nold", 'Yes.'];
        yield 'hdr sent' => ["Yes.\n\n________________________________\nSent: Tuesday\nTo: Wren\nSubject: x\n\nold", 'Yes.'];
        yield 'hdr bold' => ["Yes.\n\n*From:* Ada <ada@x.example>\n*Sent:* Tuesday, November 24\n*To:* Wren\n*Subject:* x\n\nold", 'Yes.'];
        yield 'hdr de' => [
            "Ja.\n\nVon: Ada <ada@x.example>\nGesendet: Dienstag, 24. November 2026 09:30\nAn: Wren\nBetreff: x\n\nalt",
            'Ja.',
        ];
        yield 'hdr fr' => ["Oui.\n\nDe : Ada <ada@x.example>\nEnvoyé : mardi 24 novembre 2026\nÀ : Wren\nObjet : x\n\nvieux", 'Oui.'];
        yield 'hdr zh' => ["好。\n\n发件人: Ada <ada@x.example>\n发送时间: 2026年11月24日\n收件人: Wren\n主题: x\n\n旧", '好。'];
        yield 'hdr ja' => ["はい。\n\n差出人: Ada\n送信日時: 2026年\n宛先: Wren\n件名: x\n\n古い", 'はい。'];
        yield 'hdr fi' => ["Joo.\n\nLähettäjä: Ada\nLähetetty: tiistai\nVastaanottaja: Wren\nAihe: x\n\nvanha", 'Joo.'];
        yield 'hdr subject first' => ["Yes.\n\nSubject: Re: x\nFrom: Ada\nDate: Tue\n\nold", 'Yes.'];
        yield 'hdr table' => ["Yes.\n\nFrom:  Ada <ada@x.example>\nTo:  Wren\nDate:  24.11.2026\nSubject:  x\n\nold", 'Yes.'];
        yield 'orig' => ["Yes.\n\n-----Original Message-----\nFrom: Ada\nSent: x\n\nold", 'Yes.'];
        yield 'list footer' => [
            "Hello all, here is it.\n\n_______________________________________________\nRoofs mailing list\nRoofs@lists.example\n"
                .'https://lists.example/roofs',
            'Hello all, here is it.',
        ];
        yield 'group footer' => ["Hello all.\n\n-- \nYou received this message because you are subscribed to the group.", 'Hello all.'];
        yield 'sig -Name' => ["Could you send it?\n\n-Tom", 'Could you send it?'];
        yield 'sig --' => ["Could you send it?\n--\nTom\nRoofs Ltd", 'Could you send it?'];
        yield 'sent from' => ["Could you send it?\n\nSent from my Galaxy", 'Could you send it?'];
        yield 'sent from2' => ["Could you send it?\n\nGet Tidings for Android", 'Could you send it?'];
        yield 'sent from3' => ["Ja.\n\nVon meinem Telefon gesendet", 'Ja.'];
        yield 'legal' => [
            "Could you send it?\n\nTom\n\nThis e-mail and any attachments are confidential and intended solely for the addressee. If "
                .'you have received it in error, please delete it and notify the sender.',
            "Could you send it?\n\nTom",
        ];
        yield 'between' => ["Ada wrote:\n> Can you come?\n\nYes.\n\n> And bring it?\n\nNo, sorry.\n\nTom", "Yes.\nNo, sorry.\n\nTom"];
        yield 'fwd' => [
            "Please deal with this.\n\n---------- Forwarded message ---------\nFrom: Ada <ada@x.example>\nDate: Tue\nSubject: x\n"
                ."To: Wren\n\nold",
            'Please deal with this.',
        ];
        yield 'cs' => ["Ano.\n\nút 24. 11. 2026 v 9:30 odesílatel Ada Byron <ada@x.example> napsal:\n\n> staré", 'Ano.'];
        yield 'quoted lines broken anew' => [
            "> The slates came on Tuesday and lie behind the shed, but the nails that we\nordered\n"
                ."> did not come with them, and the man could not say when they would be in the\nshop again.\n> Shall we wait?\n\n"
                .'No, buy others.',
            'No, buy others.',
        ];
        yield 'an answer in a line of its own between quotes stays' => [
            "> The slates came on Tuesday and lie behind the shed, do you want them now?\nyes\n> And the nails?\nthose too",
            "yes\nthose too",
        ];
        yield 'a sentence that only looks like one' => [
            "On Friday 27 November Ada wrote a letter to the council.\n\nShall we answer it?",
            "On Friday 27 November Ada wrote a letter to the council.\n\nShall we answer it?",
        ];
        yield 'words of one\'s own about fields' => [
            "To: do\nThe list is long.\nDate: unknown\nSee you",
            "To: do\nThe list is long.\nDate: unknown\nSee you",
        ];
        yield 'a promise to keep something confidential' => [
            "This message is confidential, please keep it between us.\n\nCan you come on Friday?",
            "This message is confidential, please keep it between us.\n\nCan you come on Friday?",
        ];
        yield 'a list of names' => ["Who comes?\n-Tom\n-Ilse", "Who comes?\n-Tom\n-Ilse"];
    }

    #[DataProvider('texts')]
    public function testWhatWasWrittenNow(string $text, string $written): void
    {
        self::assertSame($written, (new BodyText())->written($text));
    }

    #[DataProvider('texts')]
    public function testNothingIsLost(string $text, string $written): void
    {
        $at = 0;
        foreach ((new BodyText())->parts($text) as $part) {
            self::assertSame($at, $part->from, $written);
            $at = $part->to;
        }
        self::assertSame(mb_strlen($text), $at);
    }

    public function testSignatures(): void
    {
        foreach ([
            "Could you send it?\n\n-Tom" => '-Tom',
            "Could you send it?\n\nSent from my Galaxy" => 'Sent from my Galaxy',
            "Yes.\n\nEnvoyé depuis mon téléphone" => 'Envoyé depuis mon téléphone',
            "Yes.\n--\nTom\nRoofs" => "--\nTom\nRoofs",
        ] as $text => $signature) {
            $pieces = array_map(static fn (array $piece): string => trim($piece[0]), (new BodyText())->pieces($text, BodyKind::Signature));
            self::assertSame([$signature], $pieces);
        }
    }
}
