<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

/**
 * What an entry of the journal records.
 */
enum EntryKind: string
{
    case Archive = 'archive';
    case Delete = 'delete';
    case Snooze = 'snooze';
    case DoNow = 'do_now';
    case HandOver = 'hand_over';
    case Mute = 'mute';
    case Block = 'block';
    case Unblock = 'unblock';
    case ArchiveRest = 'archive_rest';
    case BringBack = 'bring_back';
    case PutBack = 'put_back';
    case MoveReturn = 'move_return';
    case ComeBack = 'come_back';
    /** Mail that was held back comes in at another moment. */
    case LetIn = 'let_in';
    /** A message came in and changed what had been decided. */
    case Arrive = 'arrive';
    /** A letter went out, or could not, and changed something besides itself. */
    case Deliver = 'deliver';
    case Remind = 'remind';
    case RemindAgain = 'remind_again';
    case LetGo = 'let_go';
    case EmptyBin = 'empty_bin';
    case MakeTask = 'make_task';
    case AddTask = 'add_task';
    case EditTask = 'edit_task';
    case CompleteTask = 'complete_task';
    case RestoreTask = 'restore_task';
    case DeleteTask = 'delete_task';
    case ChangeTasks = 'change_tasks';
    case PutOff = 'put_off';
    case MoveTask = 'move_task';
    case SkipTask = 'skip_task';
    case ClearDone = 'clear_done';
    case AddList = 'add_list';
    case EditList = 'edit_list';
    case DeleteList = 'delete_list';
    case PutIntoList = 'put_into_list';
    /** Along the stages of a list, or among its like. */
    case MoveCard = 'move_card';
    case AddReference = 'add_reference';
    case EditReference = 'edit_reference';
    case DeleteReference = 'delete_reference';
    case Send = 'send';
    case SendLater = 'send_later';
    case TakeBack = 'take_back';
    case DropDraft = 'drop_draft';
    case SettleOwed = 'settle_owed';
    case MoveOwed = 'move_owed';
    case TakeUpOwed = 'take_up_owed';
    case AddTemplate = 'add_template';
    case EditTemplate = 'edit_template';
    case DeleteTemplate = 'delete_template';
    case KeepContact = 'keep_contact';
    case DeleteContact = 'delete_contact';
    case Correct = 'correct';
    case DropCorrection = 'drop_correction';
    case Label = 'label';
    case AddLabel = 'add_label';
    case EditLabel = 'edit_label';
    case MergeLabels = 'merge_labels';
    case DeleteLabel = 'delete_label';
    case Stamp = 'stamp';
    case AddStamp = 'add_stamp';
    case EditStamp = 'edit_stamp';
    case DeleteStamp = 'delete_stamp';
    /** What nobody decided was archived, since it was old. */
    case OldMail = 'old_mail';
    /** A standing order was carried out. */
    case Order = 'order';
    /** A letter to a mail-in address asked for it. */
    case MailIn = 'mail_in';
    case AddOrder = 'add_order';
    case EditOrder = 'edit_order';
    case DeleteOrder = 'delete_order';
    case LaySlot = 'lay_slot';
    case MoveSlot = 'move_slot';
    case DropSlot = 'drop_slot';
    case MakeEvent = 'make_event';
    case EditEvent = 'edit_event';
    case DropEvent = 'drop_event';
    case TakeEvents = 'take_events';
    case AnswerInvitation = 'answer_invitation';
    case FollowEvent = 'follow_event';
    case CorrectTime = 'correct_time';
    case ChooseKeystone = 'choose_keystone';
    /** It was decided with another program, on the mail server. */
    case Elsewhere = 'elsewhere';
    case KeepSearch = 'keep_search';
    case DropSearch = 'drop_search';
    case Undo = 'undo';

    /** Whether the conversations that it touched count as decided by it. */
    public function decides(): bool
    {
        return match ($this) {
            self::Archive,
            self::Delete,
            self::Snooze,
            self::DoNow,
            self::HandOver,
            self::Mute,
            self::Block,
            self::ArchiveRest,
            self::MakeTask,
            self::Stamp,
            self::Elsewhere,
            self::Send,
            self::SendLater => true,
            default => false,
        };
    }
}
