<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

/**
 * What the servers on its way wrote on a message: to which addresses it was handed over, and whether it comes from where it says.
 */
final readonly class Delivery
{
    /** Fields in which servers note the recipient of the envelope (RFC 5321, 3.3); RFC 9228 names the first. */
    private const RECIPIENT = ['delivered-to', 'x-original-to', 'x-delivered-to', 'envelope-to', 'x-envelope-to', 'x-rcpt-to', 'bcc'];

    /** So many values of one field are looked at. */
    private const MOST = 20;

    /**
     * @return list<string> addresses in lower case, each once, also where no field that its writer wrote names them
     */
    public static function recipients(Headers $headers): array
    {
        $found = [];
        foreach (self::RECIPIENT as $name) {
            foreach (\array_slice($headers->all($name), 0, self::MOST) as $value) {
                preg_match_all('/[^\s<>,;:"()]+@[^\s<>,;:"()]+/', substr($value, 0, 2000), $matches);
                foreach ($matches[0] as $address) {
                    $found[strtolower($address)] = true;
                }
            }
        }
        // The topmost is of the server that keeps the mail (RFC 5321, 4.4).
        if (1 === preg_match('/\sfor\s+<?([^\s<>;]+@[^\s<>;]+)>?/i', substr($headers->get('received'), 0, 2000), $match)) {
            $found[strtolower($match[1])] = true;
        }

        return \array_slice(array_map(strval(...), array_keys($found)), 0, self::MOST);
    }

    /**
     * Whether the server that took it in found that it does not come from the domain in whose name it was written (RFC 8601). Only the
     * topmost field is read: those below it can have been written by anybody.
     */
    public static function isDisowned(Headers $headers): bool
    {
        $results = strtolower((string) preg_replace('/\([^()]*\)/', ' ', substr($headers->get('authentication-results'), 0, 4000)));
        $is = static fn (string $method, string $outcome): bool => 1 === preg_match(
            "/(?:^|[;\\s]){$method}\\s*=\\s*(?:{$outcome})\\b/",
            $results,
        );
        if ($is('dmarc', '\w+') && !$is('dmarc', 'none|permerror|temperror')) {
            return $is('dmarc', 'fail');
        }

        return !$is('dkim', 'pass') && !$is('spf', 'pass') && ($is('spf', 'fail|softfail') || $is('dkim', 'fail'));
    }
}
