import { describe, expect, it } from 'vitest'
import { together } from './parts'
import { Problem } from './problem'

describe('a call that failed', () => {
  it('says the server’s sentence, and what is wrong with which field', () => {
    const problem = Problem.of(422, {
      title: 'x',
      status: 422,
      detail: 'That cannot be.',
      violations: [
        { field: 'due', message: 'It is past.' },
        { field: 'title', message: 'It is empty.' },
      ],
    })
    expect([problem.message, problem.status, problem.fields]).toEqual([
      'That cannot be.',
      422,
      { due: 'It is past.', title: 'It is empty.' },
    ])
    expect([
      problem.later,
      problem.openSubtasks,
      problem.task,
      problem.misgivings,
      problem.laterSteps,
    ]).toEqual([null, 0, null, [], 0])
  })

  it.each([undefined, null, '', 'Bad Gateway', 5, [], {}, { detail: 5 }, { title: 'x' }])(
    'says something of an answer that is none: %j',
    (body) => {
      const problem = Problem.of(502, body)
      expect([problem.message, problem.status]).toEqual([
        'The server answered in a way that I do not understand. Reload the page.',
        502,
      ])
    },
  )

  it('says that nothing typed is lost when nobody answers', () => {
    expect(Problem.unreachable().status).toBe(0)
    expect(Problem.unreachable().message).toContain('Nothing that you typed is lost')
  })
})

describe('a long list in parts', () => {
  it('has what moved from one to the next once, where it stood first and as it is now', () => {
    const parts = [
      [
        { id: 'a', at: 1 },
        { id: 'b', at: 1 },
      ],
      [
        { id: 'b', at: 2 },
        { id: 'c', at: 2 },
      ],
    ]
    expect(together(parts)).toEqual([
      { id: 'a', at: 1 },
      { id: 'b', at: 2 },
      { id: 'c', at: 2 },
    ])
    expect(together(undefined)).toEqual([])
  })
})
