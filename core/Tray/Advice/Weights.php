<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * What was learned from what people have labelled: how much each feature speaks for something, and against it (logistic
 * regression).
 */
final class Weights
{
    /** @var array<string, array<string, float>> name => feature => weight; each file is read once in a process */
    private static array $learned = [];

    /**
     * @param string                    $name    of the file beside this one that holds the weights, a line each: weight, tab, feature
     * @param array<string, float>|null $weights instead of those in the file; a weight is a logarithm of odds
     */
    public function __construct(private readonly string $name, private readonly ?array $weights = null)
    {
    }

    /**
     * @param list<string> $features
     *
     * @return float logarithm of the odds: 0 is as likely as not, 2 is 88 of 100
     */
    public function odds(array $features): float
    {
        $weights = $this->weights ?? self::$learned[$this->name] ??= self::read($this->name);
        $odds = 0.0;
        foreach ($features as $feature) {
            $odds += $weights[$feature] ?? 0.0;
        }

        return $odds;
    }

    /** @return array<string, float> */
    public static function read(string $name): array
    {
        $lines = file(__DIR__."/{$name}.tsv", \FILE_IGNORE_NEW_LINES);
        if (false === $lines) {
            throw new \LogicException('What was learned is not there.');
        }
        $weights = [];
        foreach ($lines as $line) {
            [$weight, $feature] = explode("\t", $line, 2) + [1 => ''];
            $weights[$feature] = (float) $weight;
        }

        return $weights;
    }
}
