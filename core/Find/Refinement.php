<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find;

/**
 * What can be asked besides words, and of what.
 */
enum Refinement: string
{
    case From = 'from';
    case To = 'to';
    /** Somebody wrote it, or it went to them. */
    case With = 'with';
    case Before = 'before';
    case After = 'after';
    case Since = 'since';
    case On = 'on';
    case Place = 'place';
    case InList = 'list';
    case Label = 'label';
    case Stage = 'stage';
    case Attachment = 'attachment';
    case FileKind = 'file_kind';
    case FileName = 'file';
    case Asks = 'asks';
    case HasTask = 'task';
    case Owed = 'owed';
    case DecidedAs = 'decided';
    case Undecided = 'undecided';
    case LargerThan = 'larger';
    case Unread = 'unread';
    case Due = 'due';
    case DueBefore = 'due_before';
    case DueAfter = 'due_after';
    case Overdue = 'overdue';
    case WithoutDate = 'without_date';
    case Priority = 'priority';
    case Repeats = 'repeats';
    case Done = 'done';
    case Open = 'open';

    /** @return list<Sort> what it can be asked of; nothing else is found with it */
    public function asksOf(): array
    {
        return match ($this) {
            self::Before, self::After, self::Since, self::On => [Sort::Mail, Sort::Task, Sort::Reference, Sort::Event, Sort::Entry],
            self::InList => [Sort::Mail, Sort::Task, Sort::Reference, Sort::Note],
            self::From, self::Label, self::Stage, self::Attachment => [Sort::Mail, Sort::Task],
            self::Due, self::DueBefore, self::DueAfter, self::Overdue, self::WithoutDate, self::Priority, self::Repeats, self::Done,
            self::Open => [Sort::Task],
            default => [Sort::Mail],
        };
    }
}
