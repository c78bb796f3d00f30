<?php

declare(strict_types=1);

namespace ZippyTray\Demo;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Mime\Address as MimeAddress;
use Symfony\Component\Mime\Email;
use Symfony\Component\Yaml\Yaml;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Mime\AddressParser;
use ZippyTray\Core\Mail\Mime\HeaderDecoder;
use ZippyTray\Core\Mail\Mime\Headers;
use ZippyTray\Core\Mail\Mime\TextDecoder;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Mailroom\PostRoom\Correspondent;
use ZippyTray\Server\Mailroom\PostRoom\Reaction;

/**
 * The people of the demo, as they answer the mail that is sent to them.
 *
 * @phpstan-type Somebody array{email: string, name: string, after?: string, says?: list<string>, away?: string, never?: bool}
 * @phpstan-type Unasked array{days: list<int>, at: string, from: string, subject: string, text: string, list?: string}
 */
final readonly class DemoCorrespondents implements Correspondent
{
    /** Seconds after which a message that cannot be delivered comes back. */
    private const BOUNCES_AFTER = 40;

    /** Days at the most for which what came by itself is made up afterwards. */
    private const DAYS = 40;

    public function __construct(
        #[Autowire('%kernel.project_dir%/demo/correspondents.yaml')]
        private string $file,
        #[Autowire('%env(bool:ZIPPY_DEMO)%')]
        private bool $isDemo,
        private Scenario $scenario,
    ) {
    }

    public function react(Address $recipient, Address $from, string $raw): ?array
    {
        if (!$this->isDemo) {
            return null;
        }
        $sent = Headers::parse(explode("\r\n\r\n", $raw, 2)[0]);
        foreach ($this->data()['unknown'] as $beginning) {
            if (str_starts_with(strtolower($recipient->email), $beginning)) {
                return [new Reaction(self::BOUNCES_AFTER, $this->bounce($recipient, $from, $raw, $sent))];
            }
        }
        $somebody = $this->somebody($recipient);
        if (null === $somebody || $recipient->is($from->email)) {
            return [];
        }
        $reactions = isset($somebody['away']) ? [new Reaction(30, $this->answer($somebody, $from, $sent, $somebody['away'], 30))] : [];
        if (!($somebody['never'] ?? false)) {
            $says = $somebody['says'] ?? [''];
            $text = $says[crc32($sent->get('message-id')) % \count($says)];
            $after = 3600 * (int) ($somebody['after'] ?? '1h');
            $reactions[] = new Reaction($after, $this->answer($somebody, $from, $sent, $text, $after));
        }

        return $reactions;
    }

    public function unasked(\DateTimeImmutable $since, \DateTimeImmutable $until): iterable
    {
        if (!$this->isDemo) {
            return;
        }
        $account = $this->scenario->account();
        $zone = Moment::zone($account['zone']);
        $day = LocalDate::of($until, $zone);
        $letters = $this->data()['unasked'];
        for ($back = min(self::DAYS, LocalDate::of($since, $zone)->daysUntil($day)); $back >= 0; --$back) {
            $date = $day->plusDays(-$back);
            foreach ($letters as $number => $letter) {
                $at = $date->at(TimeOfDay::parse($letter['at']), $zone);
                if ($at > $since && $at <= $until && \in_array((int) $date->format('N'), $letter['days'], true)) {
                    yield \sprintf('unasked %s %d', $date, $number) => [
                        $at,
                        $this->unaskedLetter(
                            $letter,
                            $at,
                            \sprintf('unasked-%s-%d', $date, $number),
                            new Address($account['email'], $account['name']),
                        ),
                        $account['email'],
                    ];
                }
            }
        }
    }

    /** @return Somebody|null */
    private function somebody(Address $recipient): ?array
    {
        foreach ($this->data()['people'] as $somebody) {
            if ($recipient->is($somebody['email'])) {
                return $somebody;
            }
        }
        if (1 === preg_match('/^(?:no-?reply|mailer-daemon|offers|news|weekly)\b/i', $recipient->email)) {
            return null;
        }

        return ['email' => $recipient->email, 'name' => $recipient->name] + $this->data()['anybody'];
    }

    /**
     * @param Somebody $somebody
     * @param int      $after    seconds after which they write it; at once, a program does
     */
    private function answer(array $somebody, Address $to, Headers $sent, string $text, int $after): string
    {
        $isAutomatic = $after < 60;
        $subject = (new HeaderDecoder(new TextDecoder()))->decode($sent->get('subject'));
        $subject = (string) preg_replace('/^(?:(?:re|fwd?):\s*)+/i', '', $subject);
        $first = explode(' ', $somebody['name'])[0];
        $email = (new Email())
            ->from(new MimeAddress($somebody['email'], $somebody['name']))
            ->to(new MimeAddress($to->email, $to->name))
            ->date(self::later($sent, $after))
            ->subject(($isAutomatic ? 'Automatic answer: ' : 'Re: ').$subject)
            ->text(\sprintf("Hello %s,\n\n%s\n\n%s\n", explode(' ', $to->name)[0], $text, '' === $first ? 'Kind regards' : $first));
        $this->identify($email, $sent->get('message-id').$somebody['email'].($isAutomatic ? 'a' : ''), $somebody['email'], $sent);
        if ($isAutomatic) {
            $email->getHeaders()->addTextHeader('Auto-Submitted', 'auto-replied');
        }

        return $email->toString();
    }

    /** A delivery status notification (RFC 3464). */
    private function bounce(Address $recipient, Address $from, string $raw, Headers $sent): string
    {
        $boundary = 'report-'.substr(hash('sha256', $raw.$recipient->email), 0, 20);
        $head = explode("\r\n\r\n", $raw, 2)[0];

        return implode("\r\n", [
            'From: Mail Delivery System <mailer-daemon@post.ternpoint.example>',
            'To: '.$from->email,
            'Subject: Your message could not be delivered',
            'Date: '.self::later($sent, self::BOUNCES_AFTER)->format(\DATE_RFC2822),
            \sprintf('Message-ID: <%s@post.ternpoint.example>', $boundary),
            'In-Reply-To: '.$sent->get('message-id'),
            'References: '.$sent->get('message-id'),
            'Auto-Submitted: auto-replied',
            'MIME-Version: 1.0',
            \sprintf('Content-Type: multipart/report; report-type=delivery-status; boundary="%s"', $boundary),
            '',
            '--'.$boundary,
            'Content-Type: text/plain; charset=utf-8',
            '',
            \sprintf('Your message could not be delivered to %s: there is no such mailbox.', $recipient->email),
            '',
            '--'.$boundary,
            'Content-Type: message/delivery-status',
            '',
            'Reporting-MTA: dns; post.ternpoint.example',
            '',
            'Final-Recipient: rfc822; '.$recipient->email,
            'Action: failed',
            'Status: 5.1.1',
            '',
            '--'.$boundary,
            'Content-Type: text/rfc822-headers',
            '',
            $head,
            '',
            '--'.$boundary.'--',
            '',
        ]);
    }

    /** @param Unasked $letter */
    private function unaskedLetter(array $letter, \DateTimeImmutable $at, string $id, Address $to): string
    {
        $from = (new AddressParser(new HeaderDecoder(new TextDecoder())))->parse($letter['from'])[0];
        $email = (new Email())
            ->from(new MimeAddress($from->email, $from->name))
            ->to(new MimeAddress($to->email, $to->name))
            ->subject($letter['subject'])
            ->date($at)
            ->text($letter['text']."\n");
        $email->getHeaders()->addIdHeader('Message-ID', $id.'@'.explode('@', $from->email)[1]);
        if (isset($letter['list'])) {
            $email->getHeaders()->addTextHeader('List-Id', '<'.$letter['list'].'>');
            $email->getHeaders()->addTextHeader('List-Unsubscribe', '<https://'.explode('@', $from->email)[1].'/off>');
        }

        return $email->toString();
    }

    private static function later(Headers $sent, int $seconds): \DateTimeImmutable
    {
        return (new \DateTimeImmutable($sent->get('date')))->modify(\sprintf('+%d seconds', $seconds));
    }

    private function identify(Email $email, string $of, string $sender, Headers $sent): void
    {
        $email->getHeaders()->addIdHeader('Message-ID', substr(hash('sha256', $of), 0, 24).'@'.explode('@', $sender)[1]);
        $answered = trim($sent->get('message-id'), '<> ');
        if ('' !== $answered) {
            $email->getHeaders()->addIdHeader('In-Reply-To', $answered);
            $email->getHeaders()->addIdHeader('References', $answered);
        }
    }

    /**
     * @return array{
     *     people: list<Somebody>, anybody: array{after: string, says: list<string>}, unknown: list<string>,
     *     unasked: list<Unasked>
     * }
     */
    private function data(): array
    {
        /**
         * @var array{
         *     people: list<Somebody>, anybody: array{after: string, says: list<string>}, unknown: list<string>,
         *     unasked: list<Unasked>
         * } $data
         */
        $data = Yaml::parseFile($this->file);

        return $data;
    }
}
