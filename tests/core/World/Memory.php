<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\Agenda\Clock\Stretch;
use ZippyTray\Core\Agenda\Day\DayPlan;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Slot;
use ZippyTray\Core\Find\KeptSearch;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Label\Borne;
use ZippyTray\Core\Label\Label;
use ZippyTray\Core\Lists\Card;
use ZippyTray\Core\Lists\Reference;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\MailIn\MadeByMail;
use ZippyTray\Core\Order\StandingOrder;
use ZippyTray\Core\Owed\Owed;
use ZippyTray\Core\People\Contact;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\Template;
use ZippyTray\Core\Remind\Ring;
use ZippyTray\Core\Stamp\Stamp;
use ZippyTray\Core\Task\SourceCopy;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\BlockedSender;
use ZippyTray\Core\Tray\Clearing;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Importance\Correction;

/**
 * What a database would hold.
 */
final class Memory
{
    /** @var array<string, Conversation> */
    public array $conversations = [];

    /** @var array<string, Message> */
    public array $messages = [];

    /** @var array<string, string> message id => conversation id */
    public array $conversationOf = [];

    /** @var array<string, string> message id => bytes */
    public array $sources = [];

    /** @var array<string, Task> */
    public array $tasks = [];

    /** @var array<string, TaskList> */
    public array $lists = [];

    /** @var array<string, SourceCopy> */
    public array $copies = [];

    /** @var array<string, KeptSearch> */
    public array $searches = [];

    /** @var array<string, Reference> */
    public array $references = [];

    /** @var list<string> ids of files */
    public array $files = [];

    /** @var array<string, BlockedSender> */
    public array $senders = [];

    /** @var array<string, Correction> */
    public array $corrections = [];

    /** @var array<string, Label> */
    public array $labels = [];

    /** @var array<string, Borne> */
    public array $borne = [];

    /** @var array<string, Card> */
    public array $cards = [];

    /** @var array<string, Stamp> */
    public array $stamps = [];

    /** @var array<string, Stretch> by id */
    public array $stretches = [];

    /** @var array<string, DayPlan> by id */
    public array $plans = [];

    /** @var array<string, Slot> by id */
    public array $slots = [];

    /** @var array<string, Event> by id */
    public array $events = [];

    /** @var array<string, StandingOrder> */
    public array $orders = [];

    /** @var array<string, MadeByMail> by id */
    public array $mailIns = [];

    /** @var list<string> messages on which orders are to be carried out */
    public array $orderWanted = [];

    /** @var list<array{order: string, entry: string, conversation: string, past: bool}> */
    public array $effects = [];

    /** @var array<string, \DateTimeImmutable> by address */
    public array $answered = [];

    /** @var array<string, Ring> */
    public array $rings = [];

    /** @var array<string, Outgoing> */
    public array $outgoings = [];

    /** @var array<string, Owed> */
    public array $owed = [];

    /** @var array<string, Template> */
    public array $templates = [];

    /** @var array<string, Contact> */
    public array $contacts = [];

    public ?\DateTimeImmutable $lookedAt = null;

    /** @var array<string, Clearing> */
    public array $clearings = [];

    /** @var array<string, array<string, \DateTimeImmutable>> conversation id => occasion => when */
    public array $touches = [];

    /** @var array<string, Findings|null> by message */
    public array $findings = [];

    /** @var list<string> messages that are to be looked through */
    public array $wanted = [];

    /** @var list<string> fingerprints of what was removed for good */
    public array $erased = [];

    /** @var array<string, Entry> */
    public array $entries = [];
}
