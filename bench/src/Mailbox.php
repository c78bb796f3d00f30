<?php

declare(strict_types=1);

namespace ZippyTray\Bench;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A made-up mailbox of any size: threads of 1 to 30 messages that run beside each other, people, mailing lists, several
 * languages in several character sets, formatted mail and attachments. The same seed gives the same bytes.
 */
final class Mailbox
{
    public const OWN = 'wren@ternpoint.example';

    /** In about one message of four. */
    public const COMMON = 'lamp';

    /** In about one message of four hundred. */
    public const RARE = 'quernstone';

    /** Threads that run at the same time. */
    private const BESIDE = 300;

    private const BEGIN = '2019-01-07T08:00:00Z';

    /** @var list<string> */
    private const WORDS = [
        'the',
        'glass',
        'of',
        'lantern',
        'keeper',
        'boat',
        'on',
        'harbour',
        'rope',
        'and',
        'ladder',
        'paint',
        'a',
        'winter',
        'stores',
        'in',
        'mirror',
        'clock',
        'to',
        'pier',
        'tide',
        'signal',
        'with',
        'survey',
        'letter',
        'for',
        'visitors',
        'bread',
        'oil',
        'engine',
        'we',
        'have',
        'measured',
        'wind',
        'before',
        'they',
        'bring',
        'stairs',
        'again',
        'cost',
        'book',
        'season',
        'roof',
        'door',
        'hinge',
        'copper',
        'island',
        'morning',
        'after',
        'number',
        'plan',
        'hall',
        'members',
        'meeting',
        'story',
        'rail',
        'stone',
        'school',
        'garden',
        'window',
    ];

    /** Words, character set, and the encoding of the text (RFC 2045, 6). */
    private const LANGUAGES = [
        'de' => [
            [
                'die',
                'Lampe',
                'und',
                'der',
                'Wärter',
                'auf',
                'Brücke',
                'für',
                'nächste',
                'Woche',
                'schöne',
                'Grüße',
                'Öl',
                'Schlüssel',
                'wir',
                'haben',
                'gezählt',
                'Straße',
            ],
            'ISO-8859-1',
            'quoted-printable',
        ],
        'fr' => [
            [
                'la',
                'lampe',
                'du',
                'phare',
                'et',
                'été',
                'à',
                'côté',
                'nous',
                'avons',
                'reçu',
                'clé',
                'fenêtre',
                'prochaine',
                'semaine',
                'très',
                'merci',
                'île',
            ],
            'windows-1252',
            'quoted-printable',
        ],
        'pl' => [
            ['światło', 'latarni', 'i', 'łódź', 'przy', 'nabrzeżu', 'jutro', 'będzie', 'wiatr', 'proszę', 'klucz', 'żagiel', 'dziękuję'],
            'ISO-8859-2',
            'base64',
        ],
        'ru' => [
            ['маяк', 'и', 'лампа', 'на', 'берегу', 'завтра', 'будет', 'ветер', 'прошу', 'ключ', 'лодка', 'спасибо', 'письмо'],
            'KOI8-R',
            'base64',
        ],
        'el' => [
            ['ο', 'φάρος', 'και', 'λάμπα', 'στο', 'λιμάνι', 'αύριο', 'άνεμος', 'βάρκα', 'κλειδί', 'ευχαριστώ'],
            'ISO-8859-7',
            'quoted-printable',
        ],
        'ja' => [['灯台の', 'ランプを', '明日', '見てください。', '港に', '船が', '来ます。', '鍵は', '机の上です。'], 'ISO-2022-JP', '7bit'],
    ];

    private const ASKED = [
        'Could you send me the figures by Friday?',
        'Please let me know until 15 March whether that suits you.',
        'Which one shall it be?',
        'Would you have a look at the plan before the meeting on Tuesday?',
        'Thank you, that is all for now.',
        'For your information only.',
    ];

    private const GIVEN = [
        'Petra',
        'Tam',
        'Ilse',
        'Bram',
        'Edda',
        'Hal',
        'Kit',
        'Noor',
        'Sennen',
        'Orla',
        'Jory',
        'Maren',
        'Anselm',
        'Tove',
        'Rhys',
        'Lowen',
        'Dagny',
        'Pim',
        'Aoife',
        'Birk',
    ];

    private const FAMILY = [
        'Lindqvist',
        'Achterberg',
        'Norgaard',
        'Toller',
        'Brightwater',
        'Jorgen',
        'Marsh',
        'Haddad',
        'Roe',
        'Quill',
        'Trevanion',
        'Oster',
        'Falk',
        'Silver',
        'Pascoe',
        'Ferrier',
        'Holm',
        'Vantongeren',
        'Byrne',
        'Sandoval',
    ];

    private readonly Randomizer $chance;

    private int $made = 0;

    private int $threads = 0;

    private int $now;

    /**
     * @param bool $small  plain messages of about a kilobyte, of which a million fit
     * @param bool $single each message is a thread of its own
     */
    public function __construct(
        private readonly int $messages,
        private readonly bool $small = false,
        private readonly bool $single = false,
        private readonly int $seed = 1871,
    ) {
        $this->chance = new Randomizer(new Mt19937($seed));
        $this->now = (new \DateTimeImmutable(self::BEGIN))->getTimestamp();
    }

    public function size(): int
    {
        return $this->messages;
    }

    /** How many people write in it. */
    public function people(): int
    {
        return max(2000, intdiv($this->messages, 14));
    }

    /** @return \Generator<int, string> raw messages, the oldest first */
    public function messages(): \Generator
    {
        $open = [];
        $step = (int) (7.5 * 365 * 86_400 / $this->messages);
        while ($this->made < $this->messages) {
            if (\count($open) < min(self::BESIDE, 1 + $this->made)) {
                $open[] = $this->thread();
            }
            $at = $this->chance->getInt(0, \count($open) - 1);
            $this->now += $this->chance->getInt(0, 2 * $step);
            yield $this->message($open[$at]);
            if ($open[$at]->left < 1) {
                array_splice($open, $at, 1);
            }
        }
    }

    /** One of a few who write much, or of the many who write seldom. */
    public function person(int $number): string
    {
        $given = self::GIVEN[$number % 20];
        $family = self::FAMILY[intdiv($number, 20) % 20];

        return \sprintf(
            '%s %s <%s.%s%d@%s.example>',
            $given,
            $family,
            strtolower($given),
            strtolower($family),
            $number,
            self::WORDS[$number % \count(self::WORDS)],
        );
    }

    private function thread(): Thread
    {
        $number = ++$this->threads;
        // Half of all are one message; a few are thirty.
        $length = $this->single ? 1 : min(30, (int) ceil((1.0 / max(0.033, $this->chance->getInt(1, 1000) / 1000)) ** 0.9));
        $isList = 0 === $this->chance->getInt(0, 5);
        $subject = ucfirst($this->words(self::WORDS, $this->chance->getInt(2, 6))).' '.$number;
        $with = array_map(fn (): int => $this->someone(), range(0, $this->chance->getInt(0, 3)));

        return new Thread(
            $number,
            $length,
            $isList ? 1 + $number % 40 : 0,
            $subject,
            $with,
            $this->chance->getInt(0, 9) > 1 ? '' : array_keys(self::LANGUAGES)[$number % \count(self::LANGUAGES)],
        );
    }

    private function someone(): int
    {
        $share = $this->chance->getInt(0, 10_000) / 10_000;

        return (int) (($this->people() - 1) * $share ** 3);
    }

    private function message(Thread $thread): string
    {
        ++$this->made;
        --$thread->left;
        $number = \count($thread->ids) + 1;
        $isOwn = 0 === $thread->list && $number > 1 && 0 === $this->chance->getInt(0, 3);
        $id = "m{$number}.{$thread->number}.{$this->seed}@".(0 === $thread->number % 3 ? 'ternpoint' : 'post').'.example';
        $from = $isOwn
            ? 'Wren Halloran <'.self::OWN.'>'
            : $this->person($thread->with[$this->chance->getInt(0, \count($thread->with) - 1)]);
        $to = $isOwn ? $this->person($thread->with[0]) : 'Wren Halloran <'.self::OWN.'>';
        $header = "From: {$from}\r\nTo: {$to}\r\nSubject: "
            .(1 === $number ? '' : 'Re: ').$thread->subject."\r\n"
            .'Date: '.gmdate('D, d M Y H:i:s', $this->now)." +0000\r\nMessage-ID: <{$id}>\r\n";
        if ([] !== $thread->ids) {
            $header .= 'In-Reply-To: <'.end($thread->ids).">\r\nReferences: <".implode(">\r\n <", \array_slice($thread->ids, -12)).">\r\n";
        }
        if (0 !== $thread->list) {
            $header .= "List-Id: <list{$thread->list}.lists.example>\r\n"
                ."List-Unsubscribe: <https://lists.example/out/{$thread->list}>\r\nPrecedence: list\r\n";
        }
        $header .= "MIME-Version: 1.0\r\n";
        $thread->ids[] = $id;

        return $header.$this->body($this->text($thread), $thread->language, $id);
    }

    private function text(Thread $thread): string
    {
        $lines = [];
        $words = '' === $thread->language ? self::WORDS : self::LANGUAGES[$thread->language][0];
        for ($paragraph = $this->small ? 1 : $this->chance->getInt(2, 8); $paragraph > 0; --$paragraph) {
            $lines[] = ucfirst($this->words($words, $this->chance->getInt(12, 60))).'.';
        }
        if (0 === $this->chance->getInt(0, 3)) {
            $lines[] = 'It is about the '.self::COMMON.'.';
        }
        if (0 === $this->chance->getInt(0, 399)) {
            $lines[] = 'The '.self::RARE.' is found.';
        }
        if ('' === $thread->language) {
            $lines[] = self::ASKED[$this->chance->getInt(0, \count(self::ASKED) - 1)];
        }
        if (!$this->small && \count($thread->ids) > 1) {
            $lines[] = 'On Monday somebody wrote:';
            $lines[] = '> '.str_replace("\n", "\n> ", wordwrap($this->words($words, 80), 70));
        }

        return implode("\n\n", array_map(static fn (string $line): string => wordwrap($line, 74), $lines))."\n";
    }

    private function body(string $text, string $language, string $id): string
    {
        [, $charset, $encoding] = self::LANGUAGES[$language] ?? [[], 'UTF-8', '8bit'];
        $plain = "Content-Type: text/plain; charset={$charset}\r\nContent-Transfer-Encoding: {$encoding}\r\n\r\n"
            .$this->encoded($text, $charset, $encoding);
        if ($this->small) {
            return $plain;
        }
        $isHtml = 0 !== $this->chance->getInt(0, 2);
        if ($isHtml) {
            $html = '<html><head><style>p{margin:0 0 12px;font-family:sans-serif}</style></head><body>'.implode(
                '',
                array_map(
                    static fn (string $paragraph): string => '<div style="padding:2px 0"><p class="text" '
                        .'style="color:#222222;font-size:14px">'.htmlspecialchars($paragraph).'</p></div>',
                    explode("\n\n", $text),
                ),
            ).'</body></html>';
            $plain = "Content-Type: multipart/alternative; boundary=\"a-{$id}\"\r\n\r\n--a-{$id}\r\n{$plain}\r\n--a-{$id}\r\n"
                ."Content-Type: text/html; charset=UTF-8\r\nContent-Transfer-Encoding: quoted-printable\r\n\r\n"
                .quoted_printable_encode(str_replace("\n", "\r\n", $html))."\r\n--a-{$id}--\r\n";
        }
        if (0 === $this->chance->getInt(0, 9)) {
            $bytes = $this->chance->getBytes($this->chance->getInt(2000, 60_000));
            $plain = "Content-Type: multipart/mixed; boundary=\"b-{$id}\"\r\n\r\n--b-{$id}\r\n{$plain}\r\n--b-{$id}\r\n"
                ."Content-Type: application/octet-stream; name=\"plan.bin\"\r\n"
                ."Content-Disposition: attachment; filename=\"plan.bin\"\r\nContent-Transfer-Encoding: base64\r\n\r\n"
                .chunk_split(base64_encode($bytes))."--b-{$id}--\r\n";
        }

        return $plain;
    }

    private function encoded(string $text, string $charset, string $encoding): string
    {
        $bytes = str_replace("\n", "\r\n", 'UTF-8' === $charset ? $text : (string) iconv('UTF-8', $charset.'//TRANSLIT', $text));

        return match ($encoding) {
            'base64' => chunk_split(base64_encode($bytes)),
            'quoted-printable' => quoted_printable_encode($bytes),
            default => $bytes,
        };
    }

    /** @param list<string> $words */
    private function words(array $words, int $count): string
    {
        $said = [];
        for ($last = \count($words) - 1; $count > 0; --$count) {
            $said[] = $words[$this->chance->getInt(0, $last)];
        }

        return implode(' ', $said);
    }
}
