<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Mail;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\KindOfMail;
use ZippyTray\Core\Tray\Advice\MailKind;

/**
 * Messages about messages that did not arrive, also without a machine-readable part, and answers that nobody wrote.
 */
final class UndeliveredTest extends TestCase
{
    /** @return iterable<string, array{string, MailKind, list<string>}> message, kind, who was not reached */
    public static function messages(): iterable
    {
        $to = "To: wren@ternpoint.example\n";
        $status = static fn (string $block): string => "From: Mail Delivery System <MAILER-DAEMON@x.example>\n{$to}Subject: "
            ."Undelivered Mail\nContent-Type: multipart/report; report-type=delivery-status; boundary=b\n\n--b\n\nSorry.\n--b\n"
            ."Content-Type: message/delivery-status\n\nReporting-MTA: dns; x.example\n\n{$block}\n\n--b\n"
            ."Content-Type: message/rfc822\n\nMessage-ID: <m@ternpoint.example>\nPrecedence: bulk\n"
            ."List-Unsubscribe: <https://x.example/u>\n\nTo unsubscribe write to us.\n--b--\n";
        yield 'a report' => [
            $status("Final-Recipient: rfc822; tam@glass.example\nAction: failed\nStatus: 5.1.1"),
            MailKind::Bounce,
            ['tam@glass.example'],
        ];
        yield 'an action of another name' => [
            $status("Final-Recipient: rfc822; tam@glass.example\nAction: failure"),
            MailKind::Bounce,
            ['tam@glass.example'],
        ];
        yield 'a recipient without its type' => [
            $status("Final-Recipient: tam@glass.example\nAction: failed"),
            MailKind::Bounce,
            ['tam@glass.example'],
        ];
        yield 'a status without an action' => [
            $status("Final-Recipient: rfc822; tam@glass.example\nStatus: 5.1.1"),
            MailKind::Bounce,
            ['tam@glass.example'],
        ];
        yield 'an address that is masked' => [$status("Final-Recipient: rfc822; t**@glass.example\nAction: failed"), MailKind::Bounce, []];
        yield 'one line for each address' => [
            "From: postmaster@x.example\n{$to}Subject: Delivery failure\n\nYour message could not be delivered to:\n\n"
                ."  tam@glass.example\n  <ilse@mirror.example>: 550 5.1.1 User unknown\n\nIf you need help, write to help@x.example.\n"
                ."\n--- Below this line is a copy of the message.\n\nolga@x.example\n",
            MailKind::Bounce,
            ['tam@glass.example', 'ilse@mirror.example'],
        ];
        yield 'nobody is the sender' => [
            "Return-Path: <>\nFrom: \"Mail Administrator\" <admin@x.example>\n{$to}Subject: Returned mail: see transcript\n\n"
                ."<tam@glass.example>\nno such user\n",
            MailKind::Bounce,
            ['tam@glass.example'],
        ];
        yield 'German' => [
            "From: MAILER-DAEMON@x.example\n{$to}Subject: Unzustellbar: Fliesen\n\nFolgende Empfänger wurden nicht erreicht:\n\n"
                ."tam@glass.example\n",
            MailKind::Bounce,
            ['tam@glass.example'],
        ];
        yield 'French' => [
            "From: postmaster@x.example\n{$to}Subject: Échec de la remise du message\n\nDestinataire : tam@glass.example\n",
            MailKind::Bounce,
            ['tam@glass.example'],
        ];
        yield 'Russian' => [
            "From: mailer-daemon@x.example\n{$to}Subject: Недоставленное сообщение\n\ntam@glass.example\n",
            MailKind::Bounce,
            ['tam@glass.example'],
        ];
        yield 'still being tried' => [
            "From: MAILER-DAEMON@x.example\n{$to}Subject: Warning: could not send message for past 4 hours\n\n"
                ."Your message has not yet been delivered. Delivery status: it will be retried.\n\ntam@glass.example\n",
            MailKind::Delay,
            [],
        ];
        yield 'who asks to be answered first' => [
            "From: postmaster@x.example\n{$to}Subject: Message not delivered: please confirm\n\n"
                ."Please verify that you are a person to have it delivered.\n\ntam@glass.example\n",
            MailKind::Notice,
            [],
        ];
        yield 'somebody who tells of it' => [
            "From: Tam <tam@glass.example>\n{$to}Subject: Delivery failed\n\n"
                ."The slates could not be delivered. ilse@mirror.example knows more.\n",
            MailKind::Personal,
            [],
        ];
        yield 'an automatic answer' => [
            "From: Tam <tam@glass.example>\n{$to}Subject: Re: Slates\nAuto-Submitted: auto-replied\n\nI am away.\n",
            MailKind::AutoReply,
            [],
        ];
        yield 'one of mail for many, under my subject' => [
            "From: Tam <tam@glass.example>\n{$to}Subject: Re: Slates\nPrecedence: bulk\n\n"
                ."Thank you for your message. I am out of the office until 7 December.\n",
            MailKind::AutoReply,
            [],
        ];
        yield 'one that says so itself' => [
            "From: Tam <tam@glass.example>\n{$to}Subject: Slates\n\nDies ist eine automatische Antwort. Ich bin bis 7. Dezember nicht "
                ."im Büro.\n",
            MailKind::AutoReply,
            [],
        ];
        yield 'somebody who is away and writes' => [
            "From: Tam <tam@glass.example>\n{$to}Subject: Slates\n\nI am away until Monday, could you sign for the slates?\n",
            MailKind::Personal,
            [],
        ];
    }

    /** @param list<string> $failed */
    #[DataProvider('messages')]
    public function testWhatItIs(string $raw, MailKind $kind, array $failed): void
    {
        $content = (new MessageReader())->read("Date: Tue, 24 Nov 2026 09:30:00 +0000\n".$raw, new \DateTimeImmutable('2026-11-27'));
        self::assertSame(
            [$kind, $failed],
            [(new KindOfMail())->of(Gist::of($content), new Person('wren@ternpoint.example')), $content->report->failed ?? []],
        );
    }

    public function testItBelongsToTheMessageThatCameBack(): void
    {
        $raw = "From: MAILER-DAEMON@x.example\nTo: wren@ternpoint.example\nSubject: Undeliverable: Slates\n\ntam@glass.example\n\n"
            ."--- The header of the original message ---\n\nMessage-ID: <slates@ternpoint.example>\nSubject: Slates\n";
        self::assertSame(
            'slates@ternpoint.example',
            (new MessageReader())->read($raw, new \DateTimeImmutable('2026-11-27'))->report?->messageHeader,
        );
    }
}
