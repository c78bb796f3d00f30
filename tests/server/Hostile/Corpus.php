<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Hostile;

use ZippyTray\Core\Mail\Message;

/**
 * Letters that nobody should send: very long, very deep, wrong in every place, and such as want to do something in the
 * reader's browser. They are made anew for each run, the same each time.
 *
 * @phpstan-type Make \Closure(): string
 */
final class Corpus
{
    private const BODY = "Could you send me the plan by Friday?\n";

    /** @return array<string, Make> by a name of its own each */
    public static function letters(): array
    {
        return [
            ...self::prose(),
            ...self::digits(),
            ...self::headers(),
            ...self::identifiers(),
            ...self::mime(),
            ...self::html(),
            ...self::scripts(),
            ...self::files(),
        ];
    }

    /**
     * Text that makes readers go back and forth.
     *
     * @return array<string, Make>
     */
    private static function prose(): array
    {
        $pieces = [
            'attributions' => "On x y z\n> q\n", 'quotes and gaps' => "> a\n\n",
            'attributions that end' => "On Monday, Ada wrote:\n> q\n", 'separators' => "-----Original Message-----\n",
            'header blocks' => "From: a\nSent: b\n", 'header blocks complete' => "From: a b\nSent: b\nTo: c\nSubject: d\n",
            'signatures' => "-- \n", 'closings' => "Regards\n", 'farewells' => "Cheers,\nAda\n\n",
            'list items' => "1. do it\n", 'bullets' => "- a\n", 'inline lists' => '(1) a, (2) b; ', 'check boxes' => "[ ] x\n",
            'letters' => 'a) b c) d ',
            'please' => 'please ', 'could you' => 'could you ', 'please, please' => 'please, ', 'questions' => 'why? ',
            'question marks' => '?', 'full stops' => '. ', 'dots' => '.', 'ellipses' => '… ',
            'if' => 'if you, ', 'if if' => 'if ', 'and' => 'and ', 'let me know' => 'let me know if ',
            'would it be possible' => 'would it be possible to ', 'i would appreciate' => 'I would appreciate it if you could ',
            'names' => 'Petra, could you ', 'at names' => '@petra ', 'quoted words' => '"a" ', 'open quotes' => '"',
            'brackets' => '(', 'square brackets' => '[', 'angles' => '<', 'closed angles' => '<a> ', 'semicolons' => ';',
            'dashes' => '- ',
            'at' => 'at ', 'evening at' => 'evening at ', 'by' => 'by ', 'before the end of' => 'before the end of ',
            'from' => 'from 9 to ', 'between' => 'between 3 and ', 'half past' => 'half past ',
            'dates' => '4/5/26 ', 'ranges' => '3-', 'dotted' => '1.', 'clocks' => '15:00 ', 'colons' => '1:', 'ordinals' => '1st ',
            'isodates' => '2026-11-27 ', 'weekdays' => 'monday ', 'months' => 'may ', 'the' => 'the ', 'every' => 'every ',
            'the first monday of' => 'the first monday of ', 'working days' => 'in 3 working days ', 'midnight' => 'midnight ',
            'spaces' => ' ', 'tabs' => "\t", 'line ends' => "\n", 'spaces and lines' => " \n", 'hard spaces' => "\u{a0}",
            'letter a' => 'a', 'capital a' => 'A', 'words' => 'word ', 'underscores' => '_', 'rules' => "________\n",
            'apostrophes' => "'", 'hyphens' => 'a-',
            'links' => 'https://a.example/ ', 'shown links' => 'a.example <https://b.example> ', 'schemes' => 'http://',
            'addresses' => 'a@b.example ', 'hosts' => 'a.', 'money' => '$$ 50 % off! ', 'unsubscribe' => 'unsubscribe ',
            'dear' => "dear customer\n",
            'combining' => "e\u{301}", 'wide' => "\u{1f600}", 'joiners' => "\u{200d}", 'turned' => "\u{202e}",
            'marks only' => "\u{301}", 'capitals that grow' => "\u{130}", 'sharp s' => "\u{1e9e}", 'nul' => "a\0", 'bell' => "\7",
            'stray bytes' => "\xff\xfe ", 'half characters' => "\xc3", 'carriage returns' => "\r",
        ];
        $made = [];
        foreach ($pieces as $name => $piece) {
            $made['text: '.$name] = static fn (): string => self::plain(self::repeated($piece, 1_000_000));
        }
        $made['text: one long line that asks'] = static fn (): string => self::plain('Could you '.self::repeated(
            'send the plan and ',
            1_000_000,
        ).'?');
        $made['text: 300,000 lines'] = static fn (): string => self::plain(self::repeated("A line of a log, number 12.\n", 8_400_000));
        $made['text: deep quotes'] = static fn (): string => self::plain(implode(
            "\n",
            array_map(static fn (int $depth): string => str_repeat('>', $depth).' a', range(1, 1400)),
        ));
        $made['text: flowed deep quotes'] = static fn (): string => self::letter(
            ['Content-Type: text/plain; format=flowed'],
            self::repeated(str_repeat('>', 5000)." a \n", 1_000_000),
        );
        $made['text: sentences of every kind'] = static fn (): string => self::plain(self::repeated(
            'If you could, please let me know whether (a) the plan, (b) the 4th of May at 3.30 pm, or "the end of the week", suits; '
                ."otherwise would you mind asking Petra?\n",
            1_000_000,
        ));

        return $made;
    }

    /**
     * Times and dates that are none, and digits of other scripts.
     *
     * @return array<string, Make>
     */
    private static function digits(): array
    {
        $lines = [
            'full width' => "Thursday at \u{ff13} pm", 'arabic' => "Thursday at \u{0663} pm, on \u{0662}\u{0667}/\u{0661}\u{0661}",
            'devanagari' => "Thursday at \u{0969} pm", 'mathematical' => "at \u{1d7db} pm", 'superscript' => "at 3\u{b2} pm",
            'circled' => "by the \u{2462}rd of May", 'roman' => "by \u{2162} pm",
            'mixed' => "at 1\u{0665}:3\u{ff10}, 2\u{ff10}26-1\u{0661}-27",
            'no such day' => 'by 31 February, 31/02/2026, 2026-02-31', 'no such time' => 'at 25:61, 99:99, 12.75 pm, 0 pm, 13 am',
            'far years' => 'by 1/1/99999, 27 November 0000, 9999-12-31',
            'large numbers' => 'in 99999999999999999999 days, in 999999 weeks, in 1000000 months',
            'noughts' => 'in 0 days, the 0th, 0/0/0000, 00:00', 'negative' => 'in -3 days, at -5 pm',
            'no end' => 'by the end of the end of the day after the day before next '
                .'week', 'ordinals' => 'the 99th of May, the fifth fifth', 'weeks' => 'every 0 days, week 99, in half a half hour',
        ];

        return array_combine(
            array_map(static fn (string $name): string => 'time: '.$name, array_keys($lines)),
            array_map(
                static fn (string $line): \Closure => static fn (): string => self::plain("Could you send me the plan {$line}?\n"),
                $lines,
            ),
        );
    }

    /** @return array<string, Make> */
    private static function headers(): array
    {
        /** @var array<string, \Closure(): string> $fields */
        $fields = [
            'subject of 1 MB' => static fn (): string => 'Subject: '.self::repeated('Lantern ', 1_000_000),
            'subject without a blank' => static fn (): string => 'Subject: '.self::repeated('L', 1_000_000),
            'marks of answers' => static fn (): string => 'Subject: '.self::repeated('Re: ', 300_000),
            'lists in the subject' => static fn (): string => 'Subject: '.self::repeated('[a] ', 300_000),
            'forwarded often' => static fn (): string => 'Subject: a'.self::repeated(' (fwd)', 300_000),
            'encoded words' => static fn (): string => 'Subject: '.self::repeated('=?utf-8?q?a?= ', 1_000_000),
            'broken encoded words' => static fn (): string => 'Subject: '.self::repeated('=?utf-8?q?a', 1_000_000),
            'an unknown set' => static fn (): string => 'Subject: '.self::repeated(
                '=?x-none-such?b?/////w==?= ',
                100_000,
            ),
            'a set that is code' => static fn (): string => 'Subject: =?../../etc/passwd?q?a?= '
                .'=?HTML-ENTITIES?q?&lt;script&gt;?=',
            'wrong base64' => static fn (): string => 'Subject: =?utf-8?b?====?= '
                .'=?utf-8?b?'.self::repeated('=', 100_000).'?=',
            'line ends in words' => static fn (): string => 'Subject: =?utf-8?q?a=0d=0aBcc:_x@y.example=0d=0a=0d=0a<script>?=',
            'nul' => static fn (): string => "Subject: a\0b",
            'stray bytes' => static fn (): string => "Subject: \xff\xfe\xc3(",
            'folded' => static fn (): string => 'Subject: a'.self::repeated("\r\n a", 1_000_000),
            'empty' => static fn (): string => 'Subject:',
            'recipients' => static fn (): string => 'To: '.self::repeated(
                'A B <a@b.example>, ',
                1_000_000,
            ),
            'comments' => static fn (): string => 'To: '.self::repeated('(', 300_000),
            'nested comments' => static fn (): string => 'To: '.str_repeat('(', 50_000).str_repeat(')', 50_000).' a@b.example',
            'open quotes' => static fn (): string => 'To: '.self::repeated('"\\', 300_000),
            'angles' => static fn (): string => 'To: '.self::repeated('<<>', 300_000),
            'groups' => static fn (): string => 'To: '.self::repeated('g:a@b.example;', 300_000),
            'commas' => static fn (): string => 'Cc: '.self::repeated(',', 1_000_000),
            'colons' => static fn (): string => 'Cc: '.self::repeated(':', 1_000_000),
            'no sender' => static fn (): string => 'X: y',
            'an address of 1 MB' => static fn (): string => 'Reply-To: '.self::repeated('a', 1_000_000)
                .'@'.self::repeated('b', 1000).'.example',
            'references' => static fn (): string => 'References: '.self::repeated('<a@b> ', 1_000_000),
            'different references' => static fn (): string => 'References: '.implode(
                ' ',
                array_map(static fn (int $n): string => "<{$n}@b.example>", range(1, 40_000)),
            ),
            'open references' => static fn (): string => 'References: '.self::repeated('<', 1_000_000),
            'dates' => static fn (): string => "Date: Thu, 31 Feb 99999 25:61:61 +9999\r\nDate: ".self::repeated('1 Jan ', 300_000),
            'year nought' => static fn (): string => 'Date: 1 Jan 0000 00:00 +0000',
            'no date' => static fn (): string => 'Date: tomorrow',
            'parameters' => static fn (): string => 'Content-Type: text/plain'.self::repeated('; a=b', 1_000_000),
            'continued parameters' => static fn (): string => 'Content-Disposition: attachment'.implode(
                '',
                array_map(static fn (int $n): string => "; filename*{$n}*=a%20", range(0, 20_000)),
            ),
            'open parameters' => static fn (): string => 'Content-Type: text/plain; name="'.self::repeated('\\"', 1_000_000),
            'an unknown set of the text' => static fn (): string => 'Content-Type: text/plain; charset="'.self::repeated('x', 100_000).'"',
            'utf-7' => static fn (): string => 'Content-Type: text/plain; charset=utf-7',
            'an unknown encoding' => static fn (): string => 'Content-Transfer-Encoding: '.self::repeated('base64', 100_000),
            'list headers' => static fn (): string => 'List-Unsubscribe: '.self::repeated('<https://a.example/>, ', 1_000_000),
            'received' => static fn (): string => self::repeated(
                "Received: from a by b; x\r\n",
                1_000_000,
            ).'X: y',
            '30,000 fields' => static fn (): string => implode(
                "\r\n",
                array_map(static fn (int $n): string => "X-{$n}: a", range(1, 30_000)),
            ),
            'lines that are no fields' => static fn (): string => self::repeated("nothing\r\n", 1_000_000).'X: y',
            'blanks before colons' => static fn (): string => 'X'.self::repeated(' ', 1_000_000).': y',
            'mbox lines' => static fn (): string => self::repeated("X-A: From a\r\n", 300_000).'X: y',
        ];
        $made = [];
        foreach ($fields as $name => $field) {
            $made['header: '.$name] = static fn (): string => self::letter([$field()], self::BODY);
        }
        $made['header: only carriage returns'] = static fn (): string => str_replace("\r\n", "\r", self::plain(self::BODY));
        $made['header: no body'] = static fn (): string => 'From: tam@glass.example';
        $made['header: nothing but a colon'] = static fn (): string => ":\r\n\r\n";
        $made['header: zeros'] = static fn (): string => "From: a@b.example\r\n\r\n".str_repeat("\0", 1_000_000);

        return $made;
    }

    /** @return array<string, Make> */
    private static function identifiers(): array
    {
        $made = [];
        foreach (self::oddIdentifiers() as $number => $identifier) {
            $made["id: {$number}"] = static fn (): string => self::letter(
                ["Message-ID: <{$identifier}>", "References: <{$identifier}> <other.{$number}@x.example>"],
                self::BODY,
                false,
            );
        }

        return $made;
    }

    /** @return list<string> Message-IDs that occur and are not what RFC 5322 allows */
    public static function oddIdentifiers(): array
    {
        return [
            '20261126..1@x.example',
            'a:b@c',
            '[x]@c',
            'a,b@c',
            'a@c.d.',
            '.a@c',
            'a.@c',
            'a@b@c',
            'a b@c',
            'a',
            '@c',
            'a@',
            '"a b"@c',
            'a@[127.0.0.1]',
            'ä@c.example',
            'a(b)@c',
            'a;b@c',
            'a\\b@c',
            "a\tb@c",
            'a@c..d',
            '%s%n@c',
            'a"b@c',
            "\u{202e}a@c",
            'a@-c',
            str_repeat('x', 2000).'@c',
        ];
    }

    /** @return array<string, Make> */
    private static function mime(): array
    {
        $made = [];
        foreach ([90, 101, 1000, 4000, 10_000] as $depth) {
            $made["mime: {$depth} deep"] = static fn (): string => self::nested($depth);
        }
        foreach ([90, 1000] as $depth) {
            $made["mime: {$depth} messages within each other"] = static function () use ($depth): string {
                $letter = self::plain(self::BODY);
                for ($level = 0; $level < $depth; ++$level) {
                    $letter = "From: a@b.example\r\nSubject: {$level}\r\nContent-Type: message/rfc822\r\n\r\n".$letter;
                }

                return $letter;
            };
        }
        foreach ([1900, 3000, 50_000] as $count) {
            $made["mime: {$count} parts"] = static fn (): string => self::multipart(
                'mixed',
                array_fill(0, $count, "Content-Type: text/plain\r\n\r\na"),
            );
        }

        return $made + [
            'mime: a thousand alternatives' => static fn (): string => self::multipart(
                'alternative',
                array_fill(0, 1000, "Content-Type: text/html\r\n\r\n<p>a"),
            ),
            'mime: no boundary' => static fn (): string => self::letter(['Content-Type: multipart/mixed'], "--\r\n\r\na\r\n--"),
            'mime: an empty boundary' => static fn (): string => self::letter(
                ['Content-Type: multipart/mixed; boundary=""'],
                self::repeated("--\r\n", 300_000),
            ),
            'mime: a boundary of 1 MB' => static fn (): string => self::letter(
                ['Content-Type: multipart/mixed; boundary="'.self::repeated('b', 1_000_000).'"'],
                self::BODY,
            ),
            'mime: never closed' => static fn (): string => self::letter(
                ['Content-Type: multipart/mixed; boundary=b'],
                self::repeated("--b\r\n", 300_000),
            ),
            'mime: a boundary within itself' => static fn (): string => self::letter(
                ['Content-Type: multipart/mixed; boundary=b'],
                "--b\r\nContent-Type: multipart/mixed; boundary=b\r\n\r\n".self::repeated("--b\r\n\r\na\r\n", 100_000).'--b--',
            ),
            'mime: padding' => static fn (): string => self::letter(
                ['Content-Type: text/plain', 'Content-Transfer-Encoding: base64'],
                self::repeated('YQ==', 2_000_000),
            ),
            'mime: padding only' => static fn (): string => self::letter(
                ['Content-Transfer-Encoding: base64'],
                self::repeated('=', 2_000_000),
            ),
            'mime: quoted printable' => static fn (): string => self::letter(
                ['Content-Transfer-Encoding: quoted-printable'],
                self::repeated('=', 1_000_000),
            ),
            'mime: uuencoded' => static fn (): string => self::letter(
                ['Content-Transfer-Encoding: uuencode'],
                "begin 644 x\n".self::repeated("M\n#\n~\n", 300_000),
            ),
            'mime: a report' => static fn (): string => self::multipart(
                'report; report-type=delivery-status',
                [
                    "Content-Type: text/plain\r\n\r\nUndelivered",
                    "Content-Type: message/delivery-status\r\n\r\n".self::repeated(
                        "Final-Recipient: rfc822; a@b.example\r\nAction: failed\r\n\r\n",
                        1_000_000,
                    ),
                ],
            ),
            'mime: a calendar' => static fn (): string => self::multipart(
                'mixed',
                [
                    "Content-Type: text/plain\r\n\r\nCome",
                    "Content-Type: text/calendar\r\n\r\nBEGIN:VCALENDAR\r\n".self::repeated(
                        "BEGIN:VEVENT\r\nRRULE:FREQ=SECONDLY\r\n",
                        1_000_000,
                    ),
                ],
            ),
            'mime: too long lines of headers' => static fn (): string => self::multipart(
                'mixed',
                ['X-A: '.self::repeated('a', 1_000_000)."\r\n\r\na"],
            ),
            'mime: a type that is none' => static fn (): string => self::letter(['Content-Type: ////;;;;'], self::BODY),
        ];
    }

    /** @return array<string, Make> */
    private static function html(): array
    {
        $pages = [
            'nested div' => static fn (): string => str_repeat('<div>', 200_000).'a',
            'nested tables' => static fn (): string => str_repeat('<table><tr><td>', 20_000).'a',
            'nested quotes' => static fn (): string => str_repeat('<blockquote>', 20_000).'a',
            'nested lists' => static fn (): string => str_repeat('<ul><li>', 20_000).'a',
            'nested fonts' => static fn (): string => str_repeat(
                '<b><font color=red>',
                20_000,
            ).'a',
            'unknown elements' => static fn (): string => str_repeat('<x-y>', 100_000).'a',
            'links' => static fn (): string => self::repeated(
                '<a href="https://a.example/">a</a> ',
                1_000_000,
            ),
            'list items' => static fn (): string => '<ol start=99999999999999999999>'.self::repeated('<li>a', 5_000_000),
            'paragraphs' => static fn (): string => self::repeated('<p>a', 5_000_000),
            'cells' => static fn (): string => '<table><tr>'.self::repeated('<td>a', 2_000_000),
            'line breaks' => static fn (): string => self::repeated('<br>', 2_000_000),
            'text' => static fn (): string => self::repeated('word ', 6_000_000),
            'spaces' => static fn (): string => self::repeated(' ', 2_000_000),
            'entities' => static fn (): string => self::repeated('&amp;', 2_000_000),
            'attributes' => static fn (): string => '<p '.implode(
                ' ',
                array_map(static fn (int $n): string => "a{$n}=b", range(1, 100_000)),
            ).'>a',
            'styles' => static fn (): string => self::repeated('<p style="color:red;background:url(x)">a', 1_000_000),
            'a style of 1 MB' => static fn (): string => '<p style="'.self::repeated('color:red;', 1_000_000).'">a',
            'style elements' => static fn (): string => self::repeated('<style>p{color:red}</style>', 1_000_000),
            'comments' => static fn (): string => self::repeated('<!-- a -->', 1_000_000),
            'open comments' => static fn (): string => self::repeated('<!--', 1_000_000),
            'open tags' => static fn (): string => self::repeated('<', 1_000_000),
            'open attributes' => static fn (): string => '<a href="'.self::repeated('a', 1_000_000),
            'closing tags' => static fn (): string => self::repeated('</div>', 1_000_000),
            'sets of its own' => static fn (): string => self::repeated('<meta charset=utf-7>', 300_000),
            'doctypes' => static fn (): string => self::repeated('<!DOCTYPE a [<!ENTITY b "c">]>', 300_000).'&b;',
            'sections' => static fn (): string => self::repeated('<![CDATA[a]]>', 300_000),
            'nul' => static fn (): string => self::repeated("<p\0>a\0</p>", 300_000),
            'pictures of its own' => static fn (): string => self::repeated(
                '<img src="data:image/png;base64,AAAA">',
                1_000_000,
            ),
            'empty' => static fn (): string => '',
            'only a tag' => static fn (): string => '<p>',
        ];
        $made = [];
        foreach ($pages as $name => $page) {
            $made['html: '.$name] = static fn (): string => self::page($page());
        }
        $picture = "Content-Type: image/png\r\nContent-ID: <p@x>\r\nContent-Transfer-Encoding: base64\r\n\r\n".chunk_split(
            base64_encode(str_repeat('p', 200_000)),
        );
        $made['html: one picture 3,000 times'] = static fn (): string => self::multipart(
            'related',
            ["Content-Type: text/html\r\n\r\n".str_repeat('<img src="cid:p@x">', 3000), $picture],
        );
        $made['html: pictures that are not there'] = static fn (): string => self::multipart(
            'related',
            ["Content-Type: text/html\r\n\r\n".self::repeated('<img src="cid:q">', 1_000_000), $picture],
        );
        $made['html: its own marks'] = static fn (): string => self::multipart(
            'related',
            ["Content-Type: text/html\r\n\r\n".self::repeated('data:image/x-attachment,0 ', 1_000_000), $picture],
        );

        return $made;
    }

    /** @return array<string, Make> what wants to run, to fetch or to look like something else */
    private static function scripts(): array
    {
        $made = [];
        foreach (self::attacks() as $number => $html) {
            $made["script: {$number}"] = static fn (): string => self::page($html);
        }

        return $made;
    }

    /** @return list<string> */
    public static function attacks(): array
    {
        $evil = 'https://evil.example/x';

        return [
            '<script>alert(1)</script>', '<img src=x onerror=alert(1)>', '<svg onload=alert(1)><script>alert(1)</script></svg>',
            '<a href="javascript:alert(1)">a</a>', '<a href="  JaVa&#9;script:alert(1)">a</a>',
            '<a href="data:text/html,<script>alert(1)</script>">a</a>',
            '<iframe src="'.$evil.'" srcdoc="<script>alert(1)</script>"></iframe>',
            '<object data="'.$evil.'"></object><embed src="'.$evil.'">',
            '<form action="'.$evil.'"><input name=a><button>Send</button></form>', '<base href="'.$evil.'"><a href="b">a</a>',
            '<meta http-equiv="refresh" content="0;url='.$evil.'">', '<link rel=stylesheet href="'.$evil.'">',
            '<style>@import "'.$evil.'"; body{background:url('.$evil.')}</style>', '<p style="background:url('.$evil.')">a</p>',
            '<p style="background:u\\72l('.$evil.')">a</p>', '<p style="background-image:image-set(\''.$evil.'\' 1x)">a</p>',
            '<p style="width:expression(alert(1))">a</p>', '<p style="position:fixed;inset:0;z-index:9999">a</p>',
            '<img src="'.$evil.'">', '<img srcset="'.$evil.' 2x">',
            '<video src="'.$evil.'" poster="'.$evil.'"><source src="'.$evil.'"></video>',
            '<audio src="'.$evil.'" autoplay></audio>', '<table background="'.$evil.'"><td background="'.$evil.'">a</table>',
            '<body background="'.$evil.'" onload=alert(1)>', '<input type=image src="'.$evil.'">',
            '<picture><source srcset="'.$evil.'"><img></picture>',
            '<math><mtext><table><mglyph><style><img src=x onerror=alert(1)>',
            '<svg><style><img src=x onerror=alert(1)></style></svg>',
            '<noscript><p title="</noscript><img src=x onerror=alert(1)>">', '<template><script>alert(1)</script></template>',
            '<a href="vbscript:msgbox(1)">a</a>', '<a href="https://a.example" target="_self" ping="'.$evil.'">a</a>',
            '<details open ontoggle=alert(1)>', '<marquee onstart=alert(1)>', '<plaintext><script>alert(1)',
            "<p title='&lt;script&gt;'>a</p>", '<scr<script>ipt>alert(1)</scr</script>ipt>',
            '<p style="--x:url('.$evil.');background:var(--x)">a</p>',
            '<p style="behavior:url('.$evil.');-moz-binding:url('.$evil.')">a</p>',
            '<img src="cid:x" style="content:url('.$evil.')">', '+ADw-script+AD4-alert(1)+ADw-/script+AD4-',
        ];
    }

    /** @return array<string, Make> */
    private static function files(): array
    {
        $names = [
            '../../../etc/passwd',
            '..\\..\\boot.ini',
            "a\0.exe",
            'plan.pdf.exe',
            "plan\u{202e}fdp.exe",
            '.htaccess',
            '',
            ' ',
            'CON',
            "a\r\nX: y",
            '<img src=x onerror=alert(1)>.png',
            '%2e%2e%2f',
            'a/b/c',
            '"; x="',
            "\u{feff}a.pdf",
        ];
        $made = [];
        foreach ($names as $number => $name) {
            $made["file: {$number}"] = static fn (): string => self::multipart(
                'mixed',
                [
                    "Content-Type: text/plain\r\n\r\n".self::BODY,
                    'Content-Type: application/octet-stream'."\r\nContent-Disposition: attachment; "
                        ."filename*=utf-8''".rawurlencode($name)."\r\n\r\nMZ",
                ],
            );
        }
        $made['file: a name of 1 MB'] = static fn (): string => self::multipart(
            'mixed',
            [
                "Content-Type: text/plain\r\n\r\n".self::BODY,
                'Content-Disposition: attachment; filename="'.self::repeated('a', 1_000_000).".pdf\"\r\n\r\na",
            ],
        );
        $made['file: 500 of one name'] = static fn (): string => self::multipart(
            'mixed',
            [
                "Content-Type: text/plain\r\n\r\n".self::BODY,
                ...array_fill(0, 500, "Content-Disposition: attachment; filename=a.txt\r\n\r\na"),
            ],
        );

        return $made;
    }

    /** @param list<string> $parts */
    private static function multipart(string $kind, array $parts): string
    {
        return self::letter(
            ["Content-Type: multipart/{$kind}; boundary=\"edge\""],
            implode('', array_map(static fn (string $part): string => "--edge\r\n{$part}\r\n", $parts)).'--edge--',
        );
    }

    private static function nested(int $depth): string
    {
        $open = '';
        $close = '';
        for ($level = 1; $level <= $depth; ++$level) {
            $open .= "--b{$level}\r\nContent-Type: multipart/mixed; boundary=b".($level + 1)."\r\n\r\n";
            $close = "--b{$level}--\r\n".$close;
        }

        return self::letter(
            ['Content-Type: multipart/mixed; boundary=b1'],
            $open.'--b'.($depth + 1)."\r\nContent-Type: text/plain\r\n\r\n".self::BODY.'--b'.($depth + 1)."--\r\n".$close,
        );
    }

    private static function plain(string $text): string
    {
        return self::letter(['Content-Type: text/plain; charset=utf-8'], $text);
    }

    private static function page(string $html): string
    {
        return self::letter(['Content-Type: text/html; charset=utf-8'], $html);
    }

    /** @param list<string> $fields */
    private static function letter(array $fields, string $body, bool $withId = true): string
    {
        $mark = hash('xxh64', implode("\n", $fields).substr($body, 0, 4096).\strlen($body));
        $usual = [
            'From: Tam Achterberg <tam@glass.example>',
            'To: wren@ternpoint.example',
            'Date: Mon, 23 Nov 2026 08:00:00 +0000',
            "Subject: Letter {$mark}",
            ...($withId ? ["Message-ID: <{$mark}@glass.example>"] : []),
        ];
        $own = array_map(static fn (string $field): string => strtolower(explode(':', $field)[0]), $fields);
        $usual = array_filter($usual, static fn (string $field): bool => !\in_array(strtolower(explode(':', $field)[0]), $own, true));

        return implode("\r\n", [...$usual, ...$fields])."\r\n\r\n".$body;
    }

    private static function repeated(string $piece, int $bytes): string
    {
        return str_repeat($piece, intdiv($bytes, \strlen($piece)));
    }
}
