<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Remark;

use ZippyTray\Core\Mail\Address;

/**
 * Finds what in a message pretends to be something else. It looks at everything that came, whichever of its versions is
 * shown.
 */
final readonly class RemarkFinder
{
    /** Links that are looked at, and those that are told of. */
    private const LINKS = 2000;

    private const TOLD = 10;

    private const DOCUMENTS = 'pdf|docx?|xlsx?|pptx?|odt|ods|txt|rtf|csv|jpe?g|png|gif|zip|html?|ics|eml|mp[34]';

    private const PROGRAMS = 'exe|scr|js|jse|vbs|vbe|wsf|wsh|bat|cmd|com|pif|jar|msi|msix|lnk|hta|ps1|reg|cpl|iso|img|vhd|apk|app|dmg|sh'
        .'|desktop|scf|url|chm';

    /**
     * @param string       $name    the sender's, as it was sent
     * @param string       $subject as it was sent
     * @param list<string> $files   names of what came along, as they were sent
     * @param string|null  $html    of a bounded size
     *
     * @return list<Remark>
     */
    public function of(Address $from, string $name, string $subject, array $files, ?string $html): array
    {
        return [
            ...$this->sender($from, $name),
            ...(Characters::turn($subject) ? [new Remark(RemarkKind::TurnedSubject)] : []),
            ...$this->links((string) $html),
            ...$this->files($files),
        ];
    }

    /** @return list<Remark> */
    private function sender(Address $from, string $name): array
    {
        $found = [];
        if (1 === preg_match('/[\p{L}\p{N}._%+-]+@[\p{L}\p{N}.-]+\.\p{L}{2,}/u', $from->name, $m) && !$from->is($m[0])) {
            $found[] = new Remark(RemarkKind::OtherAddress, $m[0], $from->email);
        }
        if (Characters::turn($name)) {
            $found[] = new Remark(RemarkKind::TurnedName);
        }
        if (Characters::areMixed($from->name)) {
            $found[] = new Remark(RemarkKind::MixedName, $from->name);
        }
        $host = Hosts::of('mailto:'.$from->email);
        if ('' !== $host && Hosts::isDeceptive($host)) {
            $found[] = new Remark(RemarkKind::MixedHost, Hosts::readable($host), Hosts::ascii($host));
        }

        return $found;
    }

    /** @return list<Remark> one for each pair of hosts */
    private function links(string $html): array
    {
        $found = [];
        foreach (self::anchors($html) as [$address, $shown]) {
            $host = Hosts::of($address);
            $named = Hosts::named($shown);
            if ('' !== $host && '' !== $named && !Hosts::areRelated($named, $host)) {
                $found[$named.' '.$host] = new Remark(RemarkKind::Link, $named, Hosts::ascii($host));
            }
            if ('' !== $host && Hosts::isDeceptive($host)) {
                $found[$host] = new Remark(RemarkKind::MixedLink, Hosts::readable($host), Hosts::ascii($host));
            }
            if (\count($found) >= self::TOLD) {
                break;
            }
        }

        return array_values($found);
    }

    /** @return list<array{string, string}> where each link leads, and what it shows */
    private static function anchors(string $html): array
    {
        $found = [];
        $at = 0;
        while (\count($found) < self::LINKS
            && 1 === preg_match('~<a\s[^>]*?\bhref\s*=\s*("[^"]*"|\'[^\']*\'|[^\s>"\']+)[^>]*>~i', $html, $m, \PREG_OFFSET_CAPTURE, $at)) {
            $at = $m[0][1] + \strlen($m[0][0]);
            $end = stripos($html, '</a', $at);
            $next = stripos($html, '<a ', $at);
            $end = min(false === $end ? \strlen($html) : $end, false === $next ? \strlen($html) : $next, $at + 4000);
            $shown = strip_tags((string) preg_replace('~<br\b[^>]*>~i', ' ', substr($html, $at, $end - $at)));
            $found[] = [
                html_entity_decode(trim($m[1][0], '"\''), \ENT_QUOTES | \ENT_HTML5),
                Characters::plain(html_entity_decode($shown, \ENT_QUOTES | \ENT_HTML5)),
            ];
        }

        return $found;
    }

    /**
     * @param list<string> $names
     *
     * @return list<Remark>
     */
    private function files(array $names): array
    {
        $found = [];
        foreach ($names as $name) {
            $plain = Characters::plain($name);
            if (Characters::turn($name)) {
                $found[] = new Remark(RemarkKind::TurnedFile, $plain);
            }
            if (1 === preg_match('/\.(?:'.self::DOCUMENTS.')[\s._-]*\.(?:'.self::PROGRAMS.')\s*$/iu', $plain)) {
                $found[] = new Remark(RemarkKind::DoubleEnding, $plain);
            }
            if (\count($found) >= self::TOLD) {
                break;
            }
        }

        return $found;
    }
}
