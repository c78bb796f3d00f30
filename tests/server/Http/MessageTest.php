<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use ZippyTray\Tests\Server\ApiTestCase;

final class MessageTest extends ApiTestCase
{
    private const HTML = <<<'EML'
        From: Olga <olga@roofs.example>
        Subject: Gutter
        Date: Mon, 2 Nov 2026 08:00:00 +0000
        Message-ID: <gutter@roofs.example>
        MIME-Version: 1.0
        Content-Type: multipart/related; boundary=b

        --b
        Content-Type: text/html; charset=utf-8

        <html><head><style>@import url(https://evil.example/x.css);</style>
        <meta http-equiv="refresh" content="0;url=https://evil.example"></head>
        <body onload="steal()"><script>steal()</script><p style="color:red">The joint:</p>
        <img src="cid:joint@roofs.example" alt="Joint"><img src='https://evil.example/pixel.gif'><img src="data:image/x-attachment,0">
        <a href="javascript:steal()">x</a><a href="https://roofs.example/plan">plan</a>
        <form action="https://evil.example"><input name="password"></form>
        <iframe src="https://evil.example"></iframe><object data="x"></object></body></html>
        --b
        Content-Type: image/png
        Content-ID: <joint@roofs.example>
        Content-Transfer-Encoding: base64

        iVBORw0KGgo=
        --b
        Content-Type: text/html; name="../../evil page.html"
        Content-Disposition: attachment; filename="../../evil page.html"

        <script>steal()</script>
        --b--
        EML;

    public function testFormattedMailIsMadeSafeAndFetchesNothing(): void
    {
        $response = $this->fetch('/messages/'.$this->message().'/formatted');
        $page = (string) $response->getContent();

        foreach ([
            'script',
            'onload',
            'steal',
            'evil.example',
            'javascript',
            '<form',
            '<input',
            '<iframe',
            '<object',
            '@import',
            'http-equiv',
        ] as $bad) {
            self::assertStringNotContainsString($bad, strtolower($page), $bad);
        }
        self::assertStringContainsString('color:red', $page);
        self::assertStringContainsString('https://roofs.example/plan', $page);
        self::assertStringContainsString('src="data:image/png;base64,iVBORw0KGgo="', $page);
        self::assertStringNotContainsString('cid:', $page);
        $policy = (string) $response->headers->get('Content-Security-Policy');
        self::assertStringContainsString("default-src 'none'", $policy);
        self::assertStringContainsString('img-src data:', $policy);
    }

    public function testWhereALinkLeadsStandsBehindItAndOnTheMessage(): void
    {
        $this->signIn();
        $this->upload(
            ['deceit.eml' => "From: \"bank@bank.example\" <x@evil.example>\r\nTo: wren@ternpoint.example\r\nSubject: Your account\r\n"
                ."MIME-Version: 1.0\r\nContent-Type: multipart/alternative; boundary=b\r\n\r\n--b\r\nContent-Type: text/plain\r\n\r\n"
                ."Harmless.\r\n--b\r\nContent-Type: text/html\r\n\r\n<p>Go to <a "
                .'href="https://evil.example/'.str_repeat('a', 300).'">https://bank.example/</a>, or <a '
                ."href=\"https://bank.example/help\">bank.example</a>.\r\n--b--\r\n"],
        );
        $row = $this->rows('/tray')[0];
        self::assertIsString($row['id']);
        $conversation = $this->call('GET', '/conversations/'.$row['id']);
        $message = (array) ((array) $conversation['messages'])[0];
        self::assertSame(
            [
                'The sender calls itself bank@bank.example, and writes from x@evil.example.',
                'A link says bank.example and leads to evil.example.',
            ],
            array_column((array) $message['remarks'], 'text'),
        );
        self::assertSame('suspicious', ((array) $conversation['advice'])['group']);
        self::assertIsString($message['id']);
        $page = (string) $this->fetch('/messages/'.$message['id'].'/formatted')->getContent();
        self::assertSame(1, substr_count($page, 'leads to '));
        self::assertStringContainsString('bank.example/</a><span class="leads-to">leads to evil.example</span>', $page);
        self::assertSame(
            $page,
            (string) $this->fetch('/messages/'.$message['id'].'/formatted')->getContent(),
            'What was made safe once is kept.',
        );
        self::assertSame(1, $this->service(Connection::class)->fetchOne('SELECT COUNT(*) FROM message_page'));
    }

    public function testALongTextIsShownInPieces(): void
    {
        $this->signIn();
        $lines = array_map(static fn (int $n): string => "Line {$n} ü", range(1, 4500));
        $this->upload(
            ['long.eml' => "From: tam@glass.example\r\nTo: wren@ternpoint.example\r\nSubject: Long\r\n"
                ."Content-Type: text/plain; charset=utf-8\r\n\r\n".implode("\r\n", $lines)],
        );
        $id = $this->rows('/tray')[0]['id'];
        self::assertIsString($id);
        $message = (array) ((array) $this->call('GET', '/conversations/'.$id)['messages'])[0];
        self::assertIsString($message['id']);
        self::assertIsString($message['text']);
        [$text, $next] = [$message['text'], $message['next']];
        for ($pieces = 1; null !== $next; ++$pieces) {
            self::assertIsInt($next);
            self::assertSame(mb_strlen($text), $next);
            $piece = $this->call('GET', '/messages/'.$message['id'].'/text?from='.$next);
            self::assertIsString($piece['text']);
            [$text, $next] = [$text.$piece['text'], $piece['next']];
        }
        self::assertSame([3, implode("\n", $lines)], [$pieces, $text]);
    }

    public function testAttachmentsAreOnlyEverDownloaded(): void
    {
        $message = $this->message();
        $page = $this->fetch('/messages/'.$message.'/attachments/1');
        self::assertSame('application/octet-stream', $page->headers->get('Content-Type'));
        self::assertSame('attachment; filename="evil page.html"', $page->headers->get('Content-Disposition'));
        self::assertSame('nosniff', $page->headers->get('X-Content-Type-Options'));
        self::assertStringContainsString('sandbox', (string) $page->headers->get('Content-Security-Policy'));
        $this->call('GET', '/messages/'.$message.'/attachments/9', null, 404);
    }

    public function testTheSourceIsGivenBackByteForByte(): void
    {
        $response = $this->fetch('/messages/'.$this->message().'/source');
        self::assertSame(self::HTML, $response->getContent());
        self::assertSame('attachment; filename=Gutter.eml', $response->headers->get('Content-Disposition'));
    }

    public function testAMessageSaysWhereItsConversationIs(): void
    {
        $message = $this->message();
        $conversation = (array) $this->call('GET', '/messages/'.$message)['conversation'];
        self::assertSame('tray', $conversation['place']);
        self::assertIsString($conversation['id']);
        $this->decide('delete', [$conversation['id']]);
        self::assertSame('bin', ((array) $this->call('GET', '/messages/'.$message)['conversation'])['place']);
    }

    public function testImportingReportsEveryFile(): void
    {
        $this->signIn();
        $outcome = $this->upload([
            'good.eml' => self::HTML,
            'again.eml' => self::HTML,
            'empty.eml' => '',
            'picture.png' => "\x89PNG\r\n\x1a\n".random_bytes(200),
        ]);
        self::assertSame([4, 1, 1], [$outcome['read'], $outcome['new'], $outcome['known']]);
        self::assertIsArray($outcome['refused']);
        self::assertSame(['empty.eml', 'picture.png'], array_column($outcome['refused'], 'file'));
        $this->upload([], status: 422);
    }

    public function testOldMailGoesStraightIntoTheArchive(): void
    {
        $this->signIn();
        $this->upload(['old.eml' => self::HTML], 'archive');
        self::assertSame([], $this->rows('/tray'));
        self::assertSame(1, $this->call('GET', '/find?place=archive')['total']);
    }

    private function message(): string
    {
        $this->signIn();
        $this->upload(['gutter.eml' => self::HTML]);
        $id = $this->rows('/tray')[0]['id'];
        self::assertIsString($id);
        $messages = (array) $this->call('GET', '/conversations/'.$id)['messages'];
        $message = ((array) $messages[0])['id'];
        self::assertIsString($message);

        return $message;
    }
}
