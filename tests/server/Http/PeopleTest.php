<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use ZippyTray\Server\Read\People\People;
use ZippyTray\Tests\Server\ApiTestCase;

final class PeopleTest extends ApiTestCase
{
    public function testPeopleAreKnownByTheBeginningsOfTheirWords(): void
    {
        $this->signIn();
        $this->letters([
            [
                'Petra Lindqvist <petra@ternpoint.example>',
                'a',
            ], ['petra@ternpoint.example', 'b'], ['Petra L. <PETRA@ternpoint.example>', 'c'],
            ['"O\'Dell, Anne-Marie" <am.odell@quay.example>', 'd'], ['Ölaf Ångström <olaf@north.example>', 'e'], ['robot', 'f'],
        ]);
        foreach ([
            'pet' => 1,
            'PETRA lind' => 1,
            'petra l' => 1,
            'ternpoint' => 1,
            'tra' => 0,
            'anne' => 1,
            'marie' => 1,
            'odell' => 1,
            'am.odell' => 1,
            'am.od' => 1,
            '@quay' => 1,
            'öl' => 1,
            'Ång' => 1,
            'robot' => 0,
            '' => 3,
            '%' => 0,
            '_' => 0,
            'x' => 0,
        ] as $words => $count) {
            self::assertCount($count, $this->rows('/people?words='.rawurlencode((string) $words)), (string) $words);
        }
        $petra = $this->rows('/people?words=petra')[0];
        self::assertSame(
            ['Petra L.', 3, 0],
            [$petra['name'], $petra['received'], $petra['sent']],
            'Named as lately, and counted however the address is written.',
        );
        self::assertCount(3, (array) $this->call('GET', '/people/petra@ternpoint.example')['conversations']);

        $this->signIn($this->account('other@ternpoint.example'));
        self::assertSame([], $this->rows('/people?words=petra'));
    }

    public function testNobodyIsProposedToThemselves(): void
    {
        $this->signIn();
        $this->letters(
            [['Petra <petra@ternpoint.example>', 'a'], ['Wren <Wren@holt.example>', 'b'], ['Wren <wren@ternpoint.example>', 'c']],
        );
        $this->settle(['addresses' => ['wren@holt.example']]);
        self::assertSame(['petra@ternpoint.example'], array_column($this->rows('/people'), 'email'));
        self::assertSame([], $this->rows('/people?words=wren'));
    }

    public function testWhoeverWroteOnlyWhatIsGoneForGoodIsForgotten(): void
    {
        $this->signIn();
        $ids = $this->letters([['Ilse <ilse@x.example>', 'a'], ['Ilse <ilse@x.example>', 'b'], ['Jory <jory@x.example>', 'c']]);
        $this->decide('delete', [$ids[0], $ids[2]]);
        $this->call('DELETE', '/bin?id='.self::id());
        self::assertSame(
            [['Ilse', 1]],
            array_map(static fn (array $one): array => [$one['name'], $one['received']], $this->rows('/people')),
        );
        self::assertSame([], $this->rows('/people?words=jory'));
    }

    /** What completes a name reads the people whose words begin so, and no message. */
    public function testNoMessageIsReadToCompleteAName(): void
    {
        $account = $this->signIn();
        $this->letters([['Ilse <ilse@x.example>', 'a']]);
        foreach (['ilse', 'il se', 'ilse@x', ''] as $words) {
            [$query, $parameters] = People::query($account, $words, 6);
            $steps = array_column(
                $this->service(Connection::class)->fetchAllAssociative('EXPLAIN QUERY PLAN '.$query, $parameters),
                'detail',
            );
            foreach ($steps as $step) {
                self::assertMatchesRegularExpression(
                    '/^(?:SEARCH [pw] USING (?:COVERING INDEX|INDEX|PRIMARY KEY)|LIST SUBQUERY|CREATE BLOOM|USE TEMP B-TREE)/',
                    \is_string($step) ? $step : '',
                    $words,
                );
            }
        }
    }

    /**
     * @param list<array{string, string}> $letters sender, subject
     *
     * @return list<string> conversations
     */
    private function letters(array $letters): array
    {
        $ids = [];
        foreach ($letters as $number => [$from, $subject]) {
            $this->upload(
                [$subject.'.eml' => "From: {$from}\r\nTo: wren@ternpoint.example\r\nSubject: {$subject}\r\n"
                    ."Date: Tue, 3 Nov 2026 0{$number}:00:00 +0000\r\nMessage-ID: <{$subject}{$number}@x.example>\r\n\r\nHello."],
            );
            $found = $this->call('GET', '/find?words='.$subject)['rows'];
            $ids[] = \is_array($found) && \is_array($found[0] ?? null) && \is_string($found[0]['id']) ? $found[0]['id'] : '';
        }

        return $ids;
    }
}
