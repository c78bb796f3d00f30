<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * How much what is asked is like what people put off to a task, and how little like what they do at once. It is learned from
 * letters and requests that people have labelled, and moves what the rules say only across the line of two minutes.
 */
final readonly class Longer
{
    public function __construct(private Weights $weights = new Weights('longer'))
    {
    }

    /**
     * @param list<Request>   $requests
     * @param list<FoundDate> $dates
     *
     * @return float logarithm of the odds that it takes more than two minutes
     */
    public function odds(array $requests, array $dates, string $subject): float
    {
        return $this->weights->odds(self::features($requests, $dates, $subject));
    }

    /**
     * What is looked at: the sentences that ask, in which form, how what is asked begins, how much it is, which kinds of dates
     * there are, and the words of the subject.
     *
     * @param list<Request>   $requests
     * @param list<FoundDate> $dates
     *
     * @return list<string> each once
     */
    public static function features(array $requests, array $dates, string $subject): array
    {
        $found = ['how many '.min(3, \count($requests))];
        foreach (\array_slice($requests, 0, 10) as $request) {
            $words = Likeness::words(mb_strtolower(mb_substr($request->action, 0, 100)));
            $found = [...$found, ...Likeness::features(mb_strtolower($request->text)), 'form '.$request->form->name];
            $found[] = 'does '.($words[0] ?? '');
            $found[] = 'does '.implode(' ', \array_slice($words, 0, 2));
        }
        foreach ($dates as $date) {
            $found[] = 'date '.$date->kind->value;
        }
        foreach (\array_slice(Likeness::words(mb_strtolower($subject)), 0, 20) as $word) {
            $found[] = 'S '.$word;
        }

        return array_values(array_unique($found));
    }
}
