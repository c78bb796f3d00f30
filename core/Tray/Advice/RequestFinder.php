<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Tray\Advice\Language\English;
use ZippyTray\Core\Tray\Advice\Language\Tongue;

/**
 * Finds the sentences that ask the person for something, and leaves out courtesies, rhetorical
 * questions, what is asked of others and what is only reported. How that is said belongs to the language (Tongue).
 */
final readonly class RequestFinder
{
    /** From so much likeness on a sentence is taken to ask, although no rule knows its words. */
    private const LIKELY = 0.5;

    /** The same beside what a rule has found. */
    private const LIKELY_BESIDE = 2.0;

    /** The same of a question: those that are asked for the sake of asking are told by rules. */
    private const LIKELY_QUESTION = 3.0;

    /** Beside others, what a rule finds is not believed when it is so little like asking. */
    private const UNLIKE_BESIDE = -1.0;

    /** From so much on the letter may ask for something. */
    private const POSSIBLE = -1.0;

    /** So little like what asks that no rule is believed. */
    private const UNLIKELY = -4.0;

    public function __construct(private Likeness $likeness = new Likeness())
    {
    }

    /**
     * @param list<Sentence> $sentences those of the letter
     * @param bool           $isGuessed where nothing asks for sure, what may ask all the same is looked for
     *
     * @return list<Request> in order; bulk mail is left out by the one who asks
     */
    public function of(array $sentences, Gist $gist, Person $person, Tongue $tongue = new English(), bool $isGuessed = false): array
    {
        $isMeant = !$person->isAmong($gist->cc) || $person->isAmong($gist->to);
        $requests = [];
        $odds = $this->likeness->ofEach($sentences, $gist->subject);
        $likeness = [];
        foreach ($sentences as $number => $sentence) {
            $likeness[$sentence->from] = $odds[$number];
            $isNamed = null !== $sentence->addressee && $person->isCalled($sentence->addressee, $gist->addressed());
            $isForOthers = null !== $sentence->addressee && !$isNamed;
            if ($isForOthers) {
                continue;
            }
            $request = $this->in($sentence, $odds[$number], $isNamed, $tongue);
            // Who is only copied is meant by name, or by what everybody has to do.
            if (!$isMeant && !$isNamed && (null === $request || 1 !== preg_match($tongue->dutiesOfAll(), $sentence->lower))) {
                continue;
            }
            // What a list tells to do is part of what was asked above it.
            $isPart = $sentence->isItem
                && [] !== $requests
                && null !== $request
                && RequestForm::Question !== $request->form
                && 1 !== preg_match('/\b(?:please|you)\b/u', $sentence->lower);
            $next = $sentences[$number + 1] ?? null;
            $isAnswered = RequestForm::Question === $request?->form
                && $next?->block === $sentence->block
                && 1 === preg_match($tongue->selfAnswer(), $next->lower)
                && 1 !== preg_match(
                    '/^(?:is it (?:all right|ok|okay)|can|could|may|shall|would) (?:if )?(?:i|we|you)\b/u',
                    $sentence->lower,
                );
            // "It has to be there by Friday" says until when, of what was asked before.
            $isUntilWhen = [] !== $requests
                && RequestForm::Need === $request?->form
                && 1 === preg_match($tongue->untilWhen(), $sentence->lower);
            if (null !== $request && !$isPart && !$isAnswered && !$isUntilWhen) {
                $requests[] = $request;
            }
        }
        if ([] === $requests && $isGuessed) {
            return array_filter([$this->perhaps($sentences, $odds, $gist, $person, $tongue)]);
        }
        // Beside what is asked outright, what is only like it has to be very like it, and nothing may be unlike it.
        $isEnough = static fn (Request $request, float $likely): bool => $likeness[$request->from]
            >= (RequestForm::Likely === $request->form ? $likely : self::UNLIKE_BESIDE);
        $isOutright = [] !== array_filter($requests, static fn (Request $request): bool => $isEnough($request, \INF));

        return $isOutright
            ? array_values(array_filter($requests, static fn (Request $request): bool => $isEnough($request, self::LIKELY_BESIDE)))
            : $requests;
    }

    /**
     * What may ask for something all the same in a letter in which no request was found.
     *
     * @param list<Sentence> $sentences
     * @param list<float>    $odds      how much each of them is like those that ask
     */
    private function perhaps(array $sentences, array $odds, Gist $gist, Person $person, Tongue $tongue): ?Request
    {
        if ($person->isAmong($gist->cc) && !$person->isAmong($gist->to)) {
            return null;
        }
        // Whoever writes a line or two about what is broken wants it mended.
        $all = implode("\n", array_map(static fn (Sentence $sentence): string => $sentence->lower, $sentences));
        if (\count($sentences) < 4 && 1 === preg_match($tongue->troubles(), $all) && 1 !== preg_match($tongue->mended(), $all)) {
            return $this->request($sentences[0], false, $tongue, RequestForm::Likely, $sentences[0]->text);
        }
        [$best, $likest] = [null, -\INF];
        foreach ($sentences as $number => $sentence) {
            $isForOthers = null !== $sentence->addressee && !$person->isCalled($sentence->addressee, $gist->addressed());
            // What is quoted or told of was asked somewhere else.
            $isTold = 1 === preg_match(
                '/"|\b(?:you|he|she|they|who) (?:asked|asks|said|says|told|wrote|writes|wanted)\b|\basked (?:me|us|whether|for|if)\b/u',
                $sentence->lower,
            );
            $isThanks = 1 === preg_match('/
                ^\W*(?:\p{L}+(?:\ \p{L}+)?,\ )?(?:
                    many\ thanks|thanks|thank\ you|merci|vielen\ dank|herzlichen\ dank|danke|muchas\ gracias|gracias
                    |grazie|mille\ grazie|bedankt|dank|hartelijk\ dank|obrigad|muito\ obrigad
                )
            /xu', $sentence->lower);
            $likeness = $odds[$number];
            if ($isForOthers
                || $isTold
                || $isThanks
                || $likeness < self::POSSIBLE
                || ($sentence->isQuestion() && $likeness < self::LIKELY_QUESTION)) {
                continue;
            }
            $action = (string) preg_replace('/^.*?\b(?:please|pls|plz|kindly)\b[\s,]*/u', '', $sentence->lower);
            if (1 !== preg_match($tongue->unlikely(), $sentence->lower)
                && 1 !== preg_match($tongue->notNeeded(), $sentence->lower)
                && 1 !== preg_match($tongue->courtesy(), $action)
                && 1 !== preg_match($tongue->courtesy(), $sentence->lower)
                && 1 !== preg_match($tongue->ofOthers(), $sentence->lower)) {
                [$best, $likest] = $likeness > $likest ? [$sentence, $likeness] : [$best, $likest];
            }
        }

        return null === $best ? null : $this->request($best, false, $tongue, RequestForm::Likely, $best->text);
    }

    private function in(Sentence $sentence, float $likeness, bool $isNamed, Tongue $tongue): ?Request
    {
        $lower = (string) preg_replace_callback(
            '/"[^"]*"/u',
            static fn (array $m): string => str_repeat('_', mb_strlen($m[0])),
            $sentence->lower,
        );
        $thanks = 1 === preg_match($tongue->thanks(), $lower, $m) ? $m[0] : '';
        $lower = substr($lower, \strlen($thanks));
        // With a day by which it is to be done it is meant.
        $isDated = 1 === preg_match(
            '/\b(?:by|before|until|no later than)\s+(?:the\s+)?(?:mon|tues|wednes|thurs|fri|satur|sun|tomorrow|tonight|noon|end|\d)/u',
            $lower,
        );
        if (!$isDated && 1 === preg_match($tongue->unlikely(), $lower) && !str_contains($lower, '?')) {
            return null;
        }
        $isDone = $likeness < self::UNLIKELY || 1 === preg_match($tongue->notNeeded(), $lower);
        foreach ($isDone ? [] : $tongue->forms() as [$form, $pattern]) {
            if (1 !== preg_match($pattern, $lower, $m, \PREG_OFFSET_CAPTURE) || !isset($m['do'])) {
                continue;
            }
            [$action, $at] = $m['do'];
            if (1 !== preg_match($tongue->courtesy(), $action) && 1 !== preg_match($tongue->reported(), substr($lower, 0, $m[0][1]))) {
                return $this->request(
                    $sentence,
                    $isNamed,
                    $tongue,
                    $form,
                    mb_substr($sentence->text, mb_strlen($thanks) + mb_strlen(substr($lower, 0, $at)), mb_strlen($action)),
                );
            }
        }
        if (($sentence->isQuestion() || 1 === preg_match($tongue->askedWithoutMark(), $lower))
            && !$isDone
            && 1 !== preg_match($tongue->rhetorical(), $lower)
            && $this->isAsked($lower, $tongue)) {
            return $this->request($sentence, $isNamed, $tongue, RequestForm::Question, $this->lastQuestion($sentence->text));
        }
        if (!$isDone && $likeness >= self::LIKELY && (!$sentence->isQuestion() || $likeness >= self::LIKELY_QUESTION)) {
            return $this->request(
                $sentence,
                $isNamed,
                $tongue,
                $sentence->isQuestion() ? RequestForm::Question : RequestForm::Likely,
                mb_substr($sentence->text, mb_strlen($thanks)),
            );
        }

        return null;
    }

    private function request(Sentence $sentence, bool $isNamed, Tongue $tongue, RequestForm $form, string $action): Request
    {
        return new Request(
            $sentence->text,
            $sentence->from,
            $sentence->to(),
            $form,
            trim($action),
            1 === preg_match($tongue->toOthers(), $sentence->lower),
            $isNamed,
        );
    }

    /** A question that somebody can answer, and not one about a third person's thoughts or put in quotation marks. */
    private function isAsked(string $lower, Tongue $tongue): bool
    {
        return 1 !== preg_match('/^[_\s.,!?]*$/u', $lower)
            && 1 !== preg_match(
                '/^(?:[^?]*\b(?:he|she|they|people|everybody|visitors?)\b (?:asked|asks|said|wondered|wonder)\b[^?]*)\?/u',
                $lower,
            )
            && (str_contains(rtrim($lower, "\"' )!."), '?') || 1 === preg_match($tongue->askedWithoutMark(), $lower));
    }

    private function lastQuestion(string $text): string
    {
        return trim((string) preg_replace('/^.*?[;:–—]\s+(?=\p{L}[^;:–—]*\?)/u', '', $text));
    }
}
