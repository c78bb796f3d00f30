<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Journal;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Owed\Owed;
use ZippyTray\Core\Owed\OwedState;
use ZippyTray\Core\People\Contact;
use ZippyTray\Core\People\ContactCard;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\Template;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Priority;
use ZippyTray\Core\Task\Source;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Tray\BlockedSender;
use ZippyTray\Tests\Core\World\World;

/**
 * What was removed is made again as it was, with everything that had happened to it.
 */
final class RevivedTest extends TestCase
{
    /** @return iterable<string, array{Journaled}> */
    public static function objects(): iterable
    {
        $now = new \DateTimeImmutable('2026-11-24T10:00:00Z');
        $moment = new Moment($now->modify('+3 days'), World::zone());

        $owed = new Owed(
            'o',
            World::account(),
            new Address('petra@x.example', 'Petra'),
            'slates',
            $moment,
            new ConversationId('c'),
            new TaskId('t'),
            new OutgoingId('m'),
            $now,
        );
        $owed->noteAutomaticAnswer($now->modify('+1 hour'));
        $owed->settle(OwedState::Answered, $now->modify('+2 hours'));
        yield 'what was owed' => [$owed];

        $list = new TaskList(new ListId('l'), World::account(), 'Roof', 'K');
        $list->colour(Colour::Rust);
        $list->archive(true);
        $list->place('M', new ListId('above'));
        yield 'a list' => [$list];

        $task = new Task(new TaskId('t'), World::account(), $now, 'Paint', new ListId('l'));
        $task->place(new ListId('l'), new TaskId('above'), 'Q');
        $task->note('Two coats');
        $task->schedule(Due::onDay(LocalDate::parse('2026-11-25')), Due::onDay(LocalDate::parse('2026-11-27')), World::zone());
        $task->estimate(45);
        $task->prioritise(Priority::High);
        $task->label(['harbour']);
        $task->remind([Reminder::at($moment)]);
        $task->leadBackTo([Source::web('https://glass.example')]);
        $task->attach(['f']);
        $task->complete($now->modify('+1 day'));
        yield 'a task' => [$task];

        $outgoing = new Outgoing(
            new OutgoingId('m'),
            World::account(),
            'm@ternpoint.example',
            AnswerKind::Reply,
            new EmailId('message'),
            new ConversationId('c'),
            new Letter([new Address('tam@x.example', 'Tam')], subject: 'Glass', text: 'Yes.'),
            $now,
        );
        yield 'a draft' => [$outgoing];

        $template = new Template('p', World::account(), 'Thanks', 'Thank you', 'Thank you, {first name}.', true);
        yield 'a template' => [$template];

        $contact = new Contact(
            'k',
            World::account(),
            new ContactCard('Tam', 'tam@x.example', ['1', '2'], 'Glazier', 'Glass Ltd', 'Quay', 'Note'),
        );
        yield 'a contact' => [$contact];

        $blocked = new BlockedSender('b', World::account(), '@junk.example', $now);
        yield 'a blocked sender' => [$blocked];
    }

    #[DataProvider('objects')]
    public function testItIsAsItWas(Journaled $object): void
    {
        $again = self::revived($object, $object->state());
        self::assertSame($object->state(), $again->state());
        self::assertEquals([$object->ref(), $object->needs()], [$again->ref(), $again->needs()]);
        // As it is kept in the database, too.
        /** @var array<string, mixed> $kept */
        $kept = json_decode(json_encode($object->state(), \JSON_THROW_ON_ERROR), true, flags: \JSON_THROW_ON_ERROR);
        self::assertSame($object->state(), self::revived($object, $kept)->state());
    }

    /** @param array<string, mixed> $state */
    private static function revived(Journaled $object, array $state): Journaled
    {
        [$id, $account] = [$object->ref()->id, World::account()];

        return match (true) {
            $object instanceof Owed => Owed::revived($id, $account, $state),
            $object instanceof TaskList => TaskList::revived($id, $account, $state),
            $object instanceof Task => Task::revived(new TaskId($id), $account, $state),
            $object instanceof Outgoing => Outgoing::revived(
                new OutgoingId($id),
                $account,
                $state,
                new \DateTimeImmutable('2026-11-24T10:00:00Z'),
            ),
            $object instanceof Template => Template::revived($id, $account, $state),
            $object instanceof Contact => Contact::revived($id, $account, $state),
            $object instanceof BlockedSender => BlockedSender::revived($id, $account, $state),
            default => throw new \LogicException('Nobody makes it again.'),
        };
    }
}
