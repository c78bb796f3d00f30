<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * How much the words around a date are like those around an appointment, and how little like those around a deadline or
 * a mere mention. It is learned from dates that people have labelled, and speaks only where no rule does.
 */
final readonly class Meeting
{
    /** Characters on each side; what stands farther away says nothing of the date. */
    private const NEAR = 300;

    public function __construct(private Weights $weights = new Weights('meeting'))
    {
    }

    /** @return float logarithm of the odds that something takes place then, or the reader is to be somewhere */
    public function odds(string $before, string $date, string $behind, ?RequestForm $form, bool $hasTime): float
    {
        return $this->weights->odds(self::features($before, $date, $behind, $form, $hasTime));
    }

    /**
     * What is looked at: the words next to the date by their places, those of the date, all others, and those that stand
     * together; whether something is asked, and in which form; whether there is a time.
     *
     * @param string $before the sentence up to the date, in lower case
     * @param string $date   with "on", "by" and the like
     * @param string $behind the rest of the sentence
     *
     * @return list<string> each once
     */
    public static function features(string $before, string $date, string $behind, ?RequestForm $form, bool $hasTime): array
    {
        [$before, $date, $behind] = array_map(
            Likeness::words(...),
            [mb_substr($before, -self::NEAR), $date, mb_substr($behind, 0, self::NEAR)],
        );
        $asked = null === $form ? '' : $form->name;
        $found = [
            '',
            'form '.$asked,
            'time '.($hasTime ? '1 ' : '0 ').$asked,
            '? '.(\in_array('?', $behind, true) ? 1 : 0),
            '^ '.($before[0] ?? ''),
        ];
        foreach (\array_slice(array_reverse($before), 0, 4) as $place => $word) {
            $found[] = "-{$place} {$word}";
        }
        foreach (\array_slice($behind, 0, 3) as $place => $word) {
            $found[] = "+{$place} {$word}";
        }
        $found[] = '- '.implode(' ', \array_slice($before, -2));
        $found[] = '+ '.implode(' ', \array_slice($behind, 0, 2));
        foreach ($date as $word) {
            $found[] = '= '.$word;
        }
        foreach ([$before, $behind] as $words) {
            foreach ($words as $place => $word) {
                $found[] = $word;
                if (isset($words[$place + 1])) {
                    $found[] = $word.' '.$words[$place + 1];
                }
            }
        }

        return array_values(array_unique($found));
    }
}
