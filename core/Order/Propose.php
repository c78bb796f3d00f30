<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Tray\Advice\MailKind;

/**
 * On which mail somebody may mean to do the same again, who did something with a message: the nearest first.
 */
final readonly class Propose
{
    /** @return list<array{name: string, condition: Condition}> */
    public static function of(Message $message, MessageFacts $facts, Person $person): array
    {
        $found = [];
        $who = $message->from->label();
        if ('' !== $facts->list) {
            $found[] = ['name' => $facts->list, 'condition' => new Condition(Test::List, $facts->list)];
        }
        if (str_contains($facts->from, '@')) {
            $found[] = ['name' => $who, 'condition' => new Condition(Test::From, $facts->from)];
            if (null !== $facts->kind && MailKind::Personal !== $facts->kind) {
                $both = [new Condition(Test::From, $facts->from), new Condition(Test::Kind, $facts->kind->value)];
                $found[] = [
                    'name' => \sprintf('%s from %s', ucfirst($facts->kind->plural()), $who),
                    'condition' => new Condition(Test::All, '', $both),
                ];
            }
        }
        foreach ($facts->own as $address) {
            $detail = $person->detailOf($address);
            if (null !== $detail && '' !== $detail) {
                $found[] = ['name' => '+'.$detail, 'condition' => new Condition(Test::To, '+'.mb_strtolower($detail))];
            }
        }
        $domain = substr((string) strrchr($facts->from, '@'), 1);
        if ('' !== $domain) {
            $found[] = ['name' => $domain, 'condition' => new Condition(Test::Domain, $domain)];
        }
        if (null !== $facts->kind && $facts->kind->isBulk()) {
            $found[] = ['name' => ucfirst($facts->kind->plural()), 'condition' => new Condition(Test::Kind, $facts->kind->value)];
        }

        return $found;
    }
}
