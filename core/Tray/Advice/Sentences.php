<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Mail\Text\BodyText;

/**
 * Cuts what the sender of a message wrote now into sentences. Quotes and signatures are left out.
 */
final readonly class Sentences
{
    /** Characters; what runs on for longer is cut at a blank, whatever it says. */
    private const LONGEST = 1500;

    /** So many are read. */
    private const MOST = 400;

    private const ABBREVIATIONS = [
        'mr', 'mrs', 'ms', 'dr', 'prof', 'st', 'no', 'nos', 'nr', 'approx', 'ca', 'vs', 'etc', 'e.g', 'i.e', 'eg', 'ie', 'inc', 'ltd',
        'co', 'tel', 'fig', 'p', 'pp', 'a.m', 'p.m', 'am', 'pm', 'jan', 'feb', 'mar', 'apr', 'jun', 'jul', 'aug', 'sep', 'sept', 'oct',
        'nov', 'dec', 'mon', 'tue', 'tues', 'wed', 'thu', 'thur', 'thurs', 'fri', 'sat', 'sun', 'incl', 'max', 'min', 'ref', 'art', 'vol',
        'ed', 'rev', 'capt',
    ];

    private const GREETING = '/
        ^\s*(?:
            (?:hi|hiya|hello|hallo|hey|dear|greetings|ahoy|moin|good\s+(?:morning|afternoon|evening|day)|morning)\b(?:
                \s+(?!could|can|would|will|please|just|i\b|we\b|the\b|is\b|are\b)[\p{L}.&\'’-]+
            ){0,5}\s*(?:[,!:.]|\s[–-])
            |to\ whom\ it\ may\ concern\s*[,:]?|ladies\ and\ gentlemen\s*[,:]?
            |(?:
                guten\s+(?:tag|morgen|abend)
                |liebe[rs]?|sehr\s+geehrte[rs]?|servus|bonjour|bonsoir|coucou|salut|ch(?:er|ère)s?|madame|monsieur
                |mesdames|hola
                |buen[oa]s\s+(?:d[ií]as|tardes|noches)
                |estimad[oa]s?|querid[oa]s?|ciao|buongiorno|buonasera|gentil[ei]|egregi[oa]|car[oaei]|hoi|beste
                |geachte
                |goede(?:morgen|middag|navond|ndag)
                |lieve|olá
                |bo[am]\s+(?:dia|tarde|noite)
                |car[oa]s|exm[oa]s?\.?
            )\b(?:\s+[\p{L}.&\'’-]+){0,4}?\s*[,!:]
        )\s*
    /xiu';

    /** "Petra, could you …": a name and what it is asked. */
    private const ADDRESSEE = '/
        ^\s*(?:and\s+|but\s+|@)?(?<name>\p{Lu}\p{L}+(?:\s+\p{Lu}\p{L}+)?)\s*(?:,|:|\s[–-])\s+(?=
            (?:
                please|could|can|would|will|do|did|have|are|is|what|when|where|which|how|who|any|let|send|i\s+need
                |we\s+need|you|your|if|as|thanks|thank|it
            )\b
        )
        |^\s*@?(?<called>\p{Lu}\p{L}+)\s+(?=(?:(?:can|could|would|will)\ you|please)\b)
        |^\s*@(?<at>\p{L}+)[\s,:]+
    /xu';

    private const FAREWELL = '/^\s*(?:cheers|thanks|thx|ta|best|regards|bye|love|kind|warm|many thanks|thank you|yours|greetings'
        .'|all the best|see you|talk soon|x+)\b/iu';

    private const NO_NAMES = [
        'what', 'when', 'where', 'which', 'how', 'who', 'why', 'that', 'this', 'there', 'here', 'someone', 'somebody', 'anyone',
        'anybody', 'also', 'then', 'so', 'and', 'but', 'ok', 'okay', 'yes', 'no', 'well', 'oh', 'first', 'second', 'secondly', 'finally',
        'lastly', 'otherwise', 'meanwhile', 'please', 'thanks', 'sorry', 'however', 'therefore', 'actually', 'anyway', 'now', 'next',
        'again', 'today', 'tomorrow', 'if', 'ps', 'p', 'by', 'urgent', 'reminder', 'question', 'request', 'all', 'everyone', 'everybody',
        'folks', 'team', 'friends', 'colleagues', 'hi', 'hello', 'dear', 'hey', 'note', 'additionally', 'separately', 'alternatively',
        'if possible', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday', 'instead', 'besides', 'moreover',
        'furthermore', 'incidentally', 'hopefully', 'ideally', 'perhaps', 'maybe', 'once', 'quick question', 'one more thing', 'action',
        'todo', 'perhaps', 'when', 'where', 'how', 'why', 'who', 'would', 'could', 'can', 'will', 'if', 'just', 'but', 'or', 'otherwise',
        'kindly', 'hence', 'firstly', 'thirdly', 'lastly', 'sadly', 'unfortunately', 'luckily', 'basically', 'obviously', 'clearly',
        'seriously', 'honestly', 'quickly', 'briefly', 'personally', 'generally', 'finally', 'first of all', 'last but', 'in addition',
        'further', 'third', 'fourth', 'last', 'third', 'btw', 'fyi', 'asap', 'right', 'great', 'good', 'perfect', 'sure', 'fine',
        'agreed', 'correct', 'exactly', 'indeed', 'apologies', 'hm', 'hmm', 'ah', 'uh', 'um', 'and then', 'after that', 'until then',
        'since', 'because', 'while', 'whenever', 'wherever', 'although', 'though', 'given', 'regarding', 'concerning', 'yesterday',
        'tonight', 'this week', 'next week', 'last week', 'january', 'february', 'march', 'april', 'june', 'july', 'august', 'september',
        'october', 'november', 'december',
    ];

    /** @return list<Sentence> in order */
    public function of(string $text): array
    {
        $sentences = [];
        foreach ($this->short($this->blocks($text)) as $number => [$block, $from, $isItem]) {
            foreach ($this->split($block) as $index => [$piece, $at]) {
                if (\count($sentences) >= self::MOST) {
                    return $sentences;
                }
                $sentence = $this->sentence($piece, $from + $at, $isItem && 0 === $index, $number);
                if (null !== $sentence) {
                    $sentences[] = $sentence;
                }
            }
        }

        return $sentences;
    }

    /**
     * Lines that run on are joined; an empty line, an item of a list, a heading and a line of its own begin anew.
     *
     * @return list<array{string, int, bool}> text of the same length with blanks for line ends, where it begins, whether it is an item
     */
    private function blocks(string $text): array
    {
        $blocks = [];
        foreach ((new BodyText())->pieces($text) as [$written, $at]) {
            $previous = null;
            foreach (explode("\n", $written) as $line) {
                $marker = ListFinder::marker($line);
                $skipped = null === $marker ? 0 : mb_strlen($marker);
                $shown = mb_substr($line, $skipped);
                $runsOn = null !== $previous && null === $marker && '' !== trim($line) && $this->runsOn($previous, $line);
                $last = array_key_last($blocks);
                if ($runsOn && null !== $last && \strlen($blocks[$last][0]) < self::LONGEST) {
                    $blocks[$last] = [$blocks[$last][0].' '.$line, $blocks[$last][1], $blocks[$last][2]];
                } elseif ('' !== trim($shown)) {
                    $blocks[] = [$shown, $at + $skipped, null !== $marker];
                }
                $previous = '' === trim($line) ? null : $line;
                $at += mb_strlen($line) + 1;
            }
        }

        return $blocks;
    }

    /**
     * @param list<array{string, int, bool}> $blocks
     *
     * @return \Generator<int, array{string, int, bool}> the same, none of them too long
     */
    private function short(array $blocks): \Generator
    {
        foreach ($blocks as $number => [$block, $from, $isItem]) {
            while (mb_strlen($block) > self::LONGEST) {
                $piece = mb_substr($block, 0, self::LONGEST);
                $blank = mb_strrpos($piece, ' ');
                $piece = false === $blank || 0 === $blank ? $piece : mb_substr($piece, 0, $blank);
                yield $number => [$piece, $from, $isItem];
                [$from, $isItem] = [$from + mb_strlen($piece), false];
                $block = substr($block, \strlen($piece));
            }
            yield $number => [$block, $from, $isItem];
        }
    }

    private function runsOn(string $previous, string $line): bool
    {
        $previous = rtrim($previous);
        if (1 === preg_match('/[:]$/', $previous)) {
            return false;
        }
        if (1 === preg_match('/[.!?]["\')]?$/', $previous) && mb_strlen($previous) < 50) {
            return false;
        }
        if (mb_strlen($line) < 40 && 1 === preg_match(self::FAREWELL, $line)) {
            return false;
        }
        $beginsAnew = 1 === preg_match('/^\s*["“\'(]?\p{Lu}/u', $line);

        return mb_strlen($previous) >= 45 || !$beginsAnew;
    }

    /** @return list<array{string, int}> pieces, and where each begins in the block, in characters */
    private function split(string $block): array
    {
        preg_match_all('/(?:[.!?…]+["”\')\]]*|[.!?…]+["”\')\]]*\s*[:;]-?[)(])(?=\s)/u', $block, $ends, \PREG_OFFSET_CAPTURE);
        $pieces = [];
        $begin = 0;
        foreach ($ends[0] as [$mark, $offset]) {
            $end = $offset + \strlen($mark);
            $before = substr($block, $begin, $offset - $begin);
            $behind = ltrim(substr($block, $end));
            if ('' === $behind || !$this->endsHere($before, $mark, $behind)) {
                continue;
            }
            $pieces[] = [substr($block, $begin, $end - $begin), mb_strlen(substr($block, 0, $begin))];
            $begin = $end;
        }
        $pieces[] = [substr($block, $begin), mb_strlen(substr($block, 0, $begin))];

        return $pieces;
    }

    private function endsHere(string $before, string $mark, string $behind): bool
    {
        if (!str_starts_with($mark, '.') || str_starts_with($mark, '..')) {
            return 1 === preg_match('/^[^,;.?!]/u', $behind);
        }
        $word = 1 === preg_match('/(\d+\p{L}*|[\p{L}.]+)$/u', $before, $m) ? mb_strtolower($m[1]) : '';
        if (\in_array(rtrim($word, '.'), self::ABBREVIATIONS, true)) {
            // "at 3 p.m. Then …" ends; "Dr. Then" and "4 Nov. at" do not.
            return 1 === preg_match('/^(a\.m|p\.m|am|pm|etc)$/', $word) && 1 === preg_match('/^\p{Lu}/u', $behind);
        }
        if (1 === preg_match('/^\p{L}$/u', $word) && !\in_array($word, ['i', 'u'], true)) {
            return false;
        }
        if (ctype_digit($word)
            && \strlen($word) <= 2
            && 1 === preg_match('/^\p{Ll}|^(Jan|Feb|Fév|M(?:ar|ay|ai|är|rz)|A[pvb]r|Ju[nil]|A[uo]g|Sep|O[ktc]t|Nov|De[cz]'
                .'|Dic)/u', $behind)) {
            return false;
        }

        return 1 === preg_match('/^["“\'(\[¿¡]?[\p{Lu}\d]/u', $behind) || (mb_strlen($word) > 2 && 1 === preg_match('/^\p{Ll}/u', $behind));
    }

    private function sentence(string $piece, int $from, bool $isItem, int $block): ?Sentence
    {
        $rest = $piece;
        if (1 === preg_match(self::GREETING, $rest, $m)) {
            $rest = substr($rest, \strlen($m[0]));
        }
        $addressee = null;
        $rest = ltrim($rest);
        if (1 === preg_match(self::ADDRESSEE, $rest, $m)
            && !\in_array(mb_strtolower($m['name'].($m['called'] ?? '').($m['at'] ?? '')), self::NO_NAMES, true)) {
            $addressee = $m['name'].($m['called'] ?? '').($m['at'] ?? '');
            $rest = substr($rest, \strlen($m[0]));
        }
        $skipped = mb_strlen($piece) - mb_strlen($rest);
        $rest = rtrim($rest);

        return '' === $rest || 1 !== preg_match('/[\p{L}\p{N}]/u', $rest)
            ? null
            : new Sentence($rest, $from + $skipped, $addressee, $isItem, $block);
    }
}
