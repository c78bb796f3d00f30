<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Find;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Find\Clause;
use ZippyTray\Core\Find\ReadSearch;
use ZippyTray\Core\Find\Refine;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Label\LabelRows;
use ZippyTray\Server\Read\People\People;

/**
 * How what is typed to find something is read, and what could follow.
 *
 * @phpstan-type ClauseView array{what: string|null, from: int, to: int, reading: string, not: bool}
 * @phpstan-type Offer array{from: int, text: string, hint: string}
 */
final readonly class SearchReading
{
    private const MOST = 8;

    /** What is offered while its beginning is typed: the words, and an example or what it means. */
    private const OFFERED = [
        'from' => 'who wrote it: from ada', 'to' => 'whom it went to: to petra', 'with' => 'from or to somebody; with pdf',
        'before' => 'before last friday', 'after' => 'after 3 may', 'since' => 'since monday', 'in' => 'in tray, in archive, in march',
        'this week' => 'its latest message', 'last week' => 'its latest message', 'yesterday' => 'its latest message',
        'list' => 'in a list: list roof', 'label' => 'label money', 'stage' => 'at a stage of a list',
        'with attachment' => 'something is attached', 'with pdf' => 'or picture, document, spreadsheet', 'file' => 'by the name of a file',
        'asks something' => 'a letter asks for something', 'with open task' => 'a task came from it',
        'owed' => 'somebody owes you an answer',
        'undecided' => 'still in the tray', 'decided as' => 'archived, task, snoozed, handed over', 'larger than' => 'larger than 5 MB',
        'unread' => 'not read yet', 'not' => 'what must not be there: not from ada', 'or' => 'one or the other',
        'due' => 'tasks: due tomorrow', 'due before' => 'tasks: due before friday', 'overdue' => 'tasks', 'without date' => 'tasks',
        'high priority' => 'tasks', 'repeats' => 'tasks', 'is done' => 'tasks', 'is open' => 'tasks',
    ];

    public function __construct(
        private Connection $connection,
        private LabelRows $labels,
        private People $people,
        private ClockInterface $clock,
    ) {
    }

    /** @return array{clauses: list<ClauseView>, offers: list<Offer>} offers: what could stand from there to the end */
    public function of(Account $account, string $typed): array
    {
        $names = new NamesHere($this->connection, $this->labels, $account);
        $search = ReadSearch::of($typed, new Refine($account->profile->speaker($this->clock->now()), $names));

        return [
            'clauses' => array_map(static fn (Clause $clause): array => [
                'what' => $clause->what?->value,
                'from' => $clause->from,
                'to' => $clause->to,
                'reading' => $clause->reading,
                'not' => $clause->not,
            ], $search->clauses),
            'offers' => $this->offers($account, mb_substr(mb_scrub($typed), 0, ReadSearch::LENGTH), $names),
        ];
    }

    /** @return list<Offer> */
    private function offers(Account $account, string $typed, NamesHere $names): array
    {
        if (1 === preg_match(
            '/(?:^|[\s(])(?<lead>from|to|with|list|label|stage|in(?: the)?|decided as) +(?<begun>[^"“”()]*)$/iu',
            $typed,
            $m,
            \PREG_OFFSET_CAPTURE,
        )) {
            $begun = mb_strtolower(ltrim($m['begun'][0], '"'));
            $known = array_values(array_filter(
                $this->named($account, mb_strtolower($m['lead'][0]), $begun, $names),
                static fn (string $name): bool => str_starts_with(mb_strtolower($name), $begun)
                    || str_contains(mb_strtolower($name), ' '.$begun)
                    || str_contains($name, '@'),
            ));
            $from = mb_strlen(substr($typed, 0, $m['begun'][1]));
            if ([] !== $known) {
                return array_map(static fn (string $name): array => [
                    'from' => $from,
                    'text' => str_contains($name, ' ') && 'in' !== $m['lead'][0] ? '"'.$name.'" ' : $name.' ',
                    'hint' => '',
                ], \array_slice($known, 0, self::MOST));
            }
        }
        if (1 !== preg_match('/(?:^|[\s(])(?<begun>[^\s()"“”]+(?: [^\s()"“”]+)?)$/u', $typed, $m, \PREG_OFFSET_CAPTURE)) {
            return [];
        }
        foreach ([$m['begun'][0], (string) strrchr(' '.$m['begun'][0], ' ')] as $begun) {
            $begun = ltrim($begun);
            $offers = [];
            foreach (self::OFFERED as $words => $hint) {
                if ($words !== mb_strtolower($begun) && str_starts_with($words, mb_strtolower($begun))) {
                    $offers[] = ['from' => mb_strlen($typed) - mb_strlen($begun), 'text' => $words.' ', 'hint' => $hint];
                }
            }
            if ([] !== $offers) {
                return \array_slice($offers, 0, self::MOST);
            }
        }

        return [];
    }

    /** @return list<string> */
    private function named(Account $account, string $lead, string $begun, NamesHere $names): array
    {
        return match ($lead) {
            'list' => array_values($names->lists()),
            'label' => array_values($names->labels()),
            'stage' => $names->stages(),
            'decided as' => array_keys(Refine::DECISIONS),
            'in', 'in the' => array_keys(Refine::PLACES),
            default => '' === $begun ? [] : array_map(
                static fn (array $person): string => '' === $person['name'] ? $person['email'] : $person['name'],
                $this->people->known($account, $begun, self::MOST),
            ),
        };
    }
}
