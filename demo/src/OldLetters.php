<?php

declare(strict_types=1);

namespace ZippyTray\Demo;

use ZippyTray\Server\Mailroom\Imap\ImapConnection;

/**
 * The inbox of an office that was not cleared for three years: mostly what needs nothing any more, and between it what still does. The
 * same each time, but for the days.
 *
 * @phpstan-type OldLetter array{at: \DateTimeImmutable, source: string, own: bool, seen: bool}
 */
final readonly class OldLetters
{
    public const ADDRESS = 'office@ternpoint.example';

    public const USER = 'office';

    private const COUNT = 1200;

    private const DAYS = 1100;

    private const PEOPLE = [
        'Maud Tennant <maud@northlight.example>', 'Jory Pell <jory@pell-boats.example>',
        'Signe Aldous <signe@harbourschool.example>',
        'Corin Vane <corin@vane-engineers.example>', 'Bettany Crowe <b.crowe@crowe-joiners.example>',
        'Ilja Morrow <ilja@morrowprint.example>',
        'Odile Farrant <odile@ferrymen.example>', 'Tobin Ashe <tobin.ashe@parishcouncil.example>',
        'Wilma Strand <wilma@strandhotel.example>',
        'Perrin Lake <perrin@lakesurvey.example>', 'Hester Quine <hester@quine-law.example>', 'Anselm Roth <anselm@rothmetal.example>',
    ];

    private const BULK = [
        [
            'Harbour Weekly <news@harbourweekly.example>',
            'Harbour Weekly, number %d',
            "This week: the new berths, the fish market, and a long read about fog.\n\nRead on at the counter of the harbour office.",
        ],
        [
            'Tide Tables <orders@tidetables.example>',
            'Tides, sheet %d',
            "High water in the morning and again in the evening.\n\nYou get this because you asked for it.",
        ],
        [
            'Stationers Direct <offers@stationersdirect.example>',
            'Paper by the ton, offer %d',
            'Only this week: 30 % off all paper. Unsubscribe at any time.',
        ],
        [
            'Coastal Forum <forum@coastalforum.example>',
            'Digest %d of the forum',
            'Three new threads: painting in salt air; a lens cover that holds; who has a spare key?',
        ],
    ];

    private const NEWS = [
        ['The scaffolding', 'Just so that you know: the scaffolding came down today and all went well.'],
        ['Photographs of the open day', 'The photographs of the open day have turned out well. I have put the prints into the office.'],
        ['Thank you', 'Thank you for the kind welcome last week. We had a lovely afternoon.'],
        ['Minutes of the meeting', 'The minutes of the meeting are in the folder now. Nothing was decided that you do not know.'],
        ['Your order has left', 'The order has left our workshop this morning and will be with you in two days.'],
    ];

    private const ASKS = [
        ['The key to the store', 'Could you tell me who has the key to the store? I need it before the delivery.'],
        ['A date for the survey', 'Which day suits you for the survey? Please let me know, so that I can book the boat.'],
        ['Signature needed', 'Please sign the form and send it back to me.'],
        ['Drawings', 'Can you send me the drawings of the gallery once more? Mine have become wet.'],
    ];

    /** Puts them into the inbox, and what was answered into Sent. */
    public static function put(ImapConnection $on, \DateTimeImmutable $now): void
    {
        foreach (self::until($now) as ['at' => $at, 'source' => $source, 'own' => $isOwn, 'seen' => $isSeen]) {
            $on->append($isOwn ? 'Sent' : 'INBOX', $source, $isSeen ? ['\Seen'] : [], $at);
        }
    }

    /** @return \Generator<OldLetter> the oldest first */
    private static function until(\DateTimeImmutable $now): \Generator
    {
        for ($number = self::COUNT; $number > 0; --$number) {
            // Few are of this week, and the further back, the thinner they lie.
            $days = (int) (self::DAYS * ($number / self::COUNT) ** 1.6);
            $at = $now->modify("-{$days} days")->setTime(8 + $number % 9, ($number * 7) % 60);
            $at > $now && $at = $now->modify('-'.$number.' minutes');
            yield from match (true) {
                0 === $number % 40 => self::talk($number, $at, true),
                0 === $number % 23 => self::talk($number, $at, false),
                0 === $number % 97 => [self::ahead($number, $at, $now)],
                0 === $number % 5 => [self::letter(
                    self::PEOPLE[intdiv($number, 5) % 12],
                    self::NEWS[intdiv($number, 5) % 5],
                    $number,
                    $at,
                )],
                default => [self::bulk($number, $at)],
            };
        }
    }

    /** @return OldLetter */
    private static function bulk(int $number, \DateTimeImmutable $at): array
    {
        [$from, $subject, $text] = self::BULK[$number % 4];
        $list = substr(explode('@', $from)[1], 0, -1);

        return self::letter(
            $from,
            [\sprintf($subject, self::COUNT - $number), $text],
            $number,
            $at,
            "List-Id: <news.{$list}>\r\nList-Unsubscribe: <mailto:off@{$list}>\r\n",
        );
    }

    /** @return OldLetter */
    private static function ahead(int $number, \DateTimeImmutable $at, \DateTimeImmutable $now): array
    {
        $day = $now->modify('+'.(20 + $number % 60).' days')->format('j F Y');

        return self::letter(
            self::PEOPLE[$number % 12],
            ['The anniversary', "Put it into your diary: the anniversary is on {$day} at 15:00."],
            $number,
            $at,
        );
    }

    /** @return list<OldLetter> a question, and perhaps its answer */
    private static function talk(int $number, \DateTimeImmutable $at, bool $isAnswered): array
    {
        $from = self::PEOPLE[$number % 12];
        $question = self::letter($from, self::ASKS[intdiv($number, 23) % 4], $number, $at);
        if (!$isAnswered) {
            return [$question];
        }
        $then = $at->modify('+3 hours');

        return [$question, [
            'at' => $then,
            'source' => self::source(
                'Tern Point Office <'.self::ADDRESS.'>',
                $from,
                'Re: '.self::ASKS[intdiv($number, 23) % 4][0],
                $then,
                "answer-{$number}",
                "In-Reply-To: <old-{$number}@oldmail.example>\r\n",
                'Yes, of course. It is on its way.',
            ),
            'own' => true,
            'seen' => true,
        ]];
    }

    /**
     * @param array{string, string} $what its subject and text
     *
     * @return OldLetter
     */
    private static function letter(string $from, array $what, int $number, \DateTimeImmutable $at, string $more = ''): array
    {
        $name = explode(' ', $from)[0];

        return [
            'at' => $at,
            'source' => self::source(
                $from,
                'Tern Point Office <'.self::ADDRESS.'>',
                $what[0],
                $at,
                "old-{$number}",
                $more,
                $what[1]."\r\n\r\n{$name}",
            ),
            'own' => false,
            'seen' => 0 !== $number % 3,
        ];
    }

    private static function source(
        string $from,
        string $to,
        string $subject,
        \DateTimeImmutable $at,
        string $name,
        string $more,
        string $text,
    ): string {
        return "From: {$from}\r\nTo: {$to}\r\nSubject: {$subject}\r\nDate: {$at->format(\DATE_RFC2822)}\r\n"
            ."Message-ID: <{$name}@oldmail.example>\r\n{$more}Content-Type: text/plain; charset=utf-8\r\n\r\n".str_replace(
                "\n",
                "\r\n",
                str_replace("\r\n", "\n", $text),
            )."\r\n";
    }
}
