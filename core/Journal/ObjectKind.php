<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

/**
 * The kinds of object whose changes the journal keeps.
 */
enum ObjectKind: string
{
    case Conversation = 'conversation';
    case Task = 'task';
    case TaskList = 'list';
    case Ring = 'ring';
    case Outgoing = 'outgoing';
    case Owed = 'owed';
    case Template = 'template';
    case Contact = 'contact';
    case Correction = 'correction';
    case Label = 'label';
    case Borne = 'borne';
    case Card = 'card';
    case Reference = 'reference';
    case KeptSearch = 'kept_search';
    case Reading = 'reading';
    case Stamp = 'stamp';
    case Order = 'order';
    case Slot = 'slot';
    case Event = 'event';
    case Stretch = 'stretch';
    case DayPlan = 'day_plan';
    case BlockedSender = 'blocked_sender';
}
