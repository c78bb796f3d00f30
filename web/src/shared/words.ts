import type { Entry } from './api/client'

const DONE: Record<Entry['kind'], string> = {
  do_now: 'Done at once',
  archive: 'Archived',
  delete: 'Deleted',
  snooze: 'Snoozed',
  hand_over: 'Handed over',
  mute: 'Muted',
  block: 'Sender blocked',
  unblock: 'Sender let in again',
  archive_rest: 'The rest archived',
  bring_back: 'Brought back',
  put_back: 'Put back',
  move_return: 'Return moved',
  come_back: 'Came back',
  let_in: 'Let in',
  arrive: 'Came in',
  deliver: 'Went out',
  remind: 'Reminders changed',
  remind_again: 'To remind again',
  let_go: 'Reminder let go',
  empty_bin: 'Removed for good',
  make_task: 'Task made',
  add_task: 'Task written down',
  edit_task: 'Task changed',
  complete_task: 'Completed',
  restore_task: 'Opened again',
  delete_task: 'Task deleted',
  change_tasks: 'Tasks changed',
  put_off: 'Put off',
  move_task: 'Moved',
  skip_task: 'Skipped',
  clear_done: 'Done cleared',
  add_list: 'List made',
  edit_list: 'List changed',
  delete_list: 'List deleted',
  put_into_list: 'List',
  move_card: 'Stage',
  add_reference: 'To look up',
  edit_reference: 'To look up',
  keep_search: 'Search kept',
  drop_search: 'Search dropped',
  delete_reference: 'Taken out',
  send: 'Sent',
  send_later: 'To go out',
  take_back: 'Taken back',
  drop_draft: 'Draft deleted',
  settle_owed: 'Settled',
  move_owed: 'More time',
  take_up_owed: 'Still owed',
  add_template: 'Template made',
  edit_template: 'Template changed',
  delete_template: 'Template deleted',
  keep_contact: 'Card kept',
  delete_contact: 'Card deleted',
  correct: 'Importance set right',
  drop_correction: 'Word about importance taken back',
  label: 'Labelled',
  add_label: 'Label made',
  edit_label: 'Label changed',
  merge_labels: 'Labels merged',
  delete_label: 'Label deleted',
  stamp: 'Stamped',
  add_stamp: 'Stamp made',
  edit_stamp: 'Stamp changed',
  delete_stamp: 'Stamp deleted',
  old_mail: 'Old mail archived',
  elsewhere: 'Decided elsewhere',
  order: 'By standing order',
  mail_in: 'Asked by mail',
  add_order: 'Standing order given',
  edit_order: 'Standing order changed',
  delete_order: 'Standing order deleted',
  lay_slot: 'Put into the agenda',
  move_slot: 'Moved in the agenda',
  drop_slot: 'Taken out of the agenda',
  make_event: 'Event',
  edit_event: 'Event changed',
  drop_event: 'Event taken out',
  take_events: 'Calendar read',
  answer_invitation: 'Invitation answered',
  follow_event: 'Told by mail',
  correct_time: 'Time set right',
  choose_keystone: 'Keystone',
  undo: 'Undone',
}

export const deedOf = (kind: Entry['kind']): string => DONE[kind]

/** What was done, in a word or two. */
export function deed(entry: Pick<Entry, 'kind' | 'undoes'>): string {
  return entry.undoes ? `Undone: ${DONE[entry.undoes.kind].toLowerCase()}` : DONE[entry.kind]
}

/** What it was done to. */
export function object(entry: Pick<Entry, 'about' | 'count'>): string {
  const about = entry.about || 'no subject'
  return entry.count > 1 ? `${about} and ${entry.count - 1} more` : about
}

export function counted(count: number, one: string, many = one + 's'): string {
  return `${count.toLocaleString('en')} ${count === 1 ? one : many}`
}

/** How long something takes, roughly. */
export const lasting = (milliseconds: number): string =>
  milliseconds < 90_000
    ? counted(Math.round(milliseconds / 1000), 'second')
    : counted(Math.round(milliseconds / 60_000), 'minute')

export const subjectOf = (row: { subject: string }): string => row.subject || 'no subject'

export const capitalised = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** With a full stop, unless it ends with a mark of its own. */
export const sentence = (text: string): string => (/[.?!…]$/.test(text) || !text ? text : `${text}.`)
