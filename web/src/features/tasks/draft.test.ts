import { describe, expect, it } from 'vitest'
import type { Task, TaskProposal } from '@/shared/api/client'
import { asProposed, copyOf, draftOf, emptyDraft, fieldsOf, proposedDraft } from './draft'
import { shortSpan, spanText } from '@/shared/time/span'

const due = { date: '2026-11-27', time: '15:00', text: 'Fri 27 Nov 2026, 15:00' }
const task = {
  row: {
    title: 'Paint',
    list: { id: 'l', name: 'Roof', colour: 'sea' },
    due,
    start: null,
    estimate: 90,
    priority: 'high',
    labels: [{ id: 'h', name: 'harbour', colour: 'sea' }],
  },
  notes: 'Two coats',
  repeat: { text: 'every week', zone: null, fromCompletion: true, next: null },
  reminders: [{ text: '2 hours before', at: null }],
  sources: [{ kind: 'web', ref: 'https://glass.example' }],
  files: [{ id: 'f', name: 'plan.pdf', type: 'application/pdf', size: 10 }],
} as unknown as Task

describe('a span', () => {
  it.each([
    [null, ''],
    [undefined, ''],
    [0, ''],
    [1, '1 minute'],
    [45, '45 minutes'],
    [60, '1 hour'],
    [61, '1 hour and 1 minute'],
    [150, '2 hours and 30 minutes'],
  ])('%s minutes are %j, which is read again as the same', (minutes, text) => {
    expect(spanText(minutes)).toBe(text)
  })

  it.each([
    [5, '5 min'],
    [59, '59 min'],
    [60, '1 h'],
    [90, '1 h 30'],
    [480, '8 h'],
  ])('%i minutes are %s in a narrow place', (minutes, text) => {
    expect(shortSpan(minutes)).toBe(text)
  })
})

describe('a task that is filled in', () => {
  it('begins with what it was, and gives the same when nothing is changed', () => {
    expect(fieldsOf(draftOf(task))).toEqual({
      title: 'Paint',
      notes: 'Two coats',
      list: 'Roof',
      due: { phrase: due.text },
      start: null,
      estimate: '1 hour and 30 minutes',
      priority: 'high',
      labels: ['harbour'],
      repeat: { phrase: 'every week', fromCompletion: true, same: true },
      reminders: ['2 hours before'],
      sources: [{ kind: 'web', ref: 'https://glass.example' }],
      files: ['f'],
    })
  })

  it('says whether its repeat was changed', () => {
    const draft = draftOf(task)
    draft.repeat = { phrase: 'every month', reading: null }
    expect(fieldsOf(draft).repeat).toEqual({ phrase: 'every month', fromCompletion: true, same: false })
    draft.repeat = { phrase: '  ', reading: null }
    expect(fieldsOf(draft).repeat).toBeNull()
  })

  it('is a draft of its own: what is changed in it changes nothing else', () => {
    const before = draftOf(task)
    const after = copyOf(before)
    after.labels.push('red')
    after.due.phrase = ''
    expect([before.labels, before.due.phrase]).toEqual([['harbour'], due.text])
    draftOf(task).labels.push('red')
    expect(task.row.labels).toHaveLength(1)
  })

  it('is empty to begin with', () => {
    expect(fieldsOf(emptyDraft())).toEqual({
      title: '',
      notes: '',
      list: '',
      due: null,
      start: null,
      estimate: null,
      priority: 'normal',
      labels: [],
      repeat: null,
      reminders: [],
      sources: [],
      files: [],
    })
  })
})

describe('a task that is proposed', () => {
  const proposal = {
    title: 'Send the plan',
    due,
    reminders: ['1 day before'],
    subtasks: [{ title: 'Draw', notes: '', subtasks: [] }],
  } as unknown as TaskProposal

  it('has its title, due, reminders and subtasks', () => {
    const { fields, subtasks } = asProposed({ subject: 'Plan' }, proposal)
    expect([fields.title, fields.due, fields.reminders, subtasks]).toEqual([
      'Send the plan',
      { phrase: due.text },
      ['1 day before'],
      proposal.subtasks,
    ])
  })

  it('is called by its subject where nothing is proposed, and by something where there is none', () => {
    expect(asProposed({ subject: 'Plan' }, null).fields.title).toBe('Plan')
    expect(asProposed({ subject: '' }, undefined).fields.title).toBe('Look at the mail without a subject')
    expect(proposedDraft(null, '').title).toBe('')
    expect(asProposed({ subject: 'Plan' }, null).subtasks).toEqual([])
  })

  it('takes what was filled in for all before that, but keeps its title', () => {
    const { fields } = asProposed({ subject: 'Plan' }, proposal, {
      title: 'For all',
      list: 'Roof',
      due: null,
      labels: [],
      notes: '',
      reminders: ['at 9'],
    })
    expect([fields.title, fields.list, fields.due, fields.labels, fields.reminders]).toEqual([
      'Send the plan',
      'Roof',
      { phrase: due.text },
      [],
      ['at 9'],
    ])
  })
})
