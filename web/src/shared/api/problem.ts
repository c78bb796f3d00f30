import type { components } from './contract'

type Details = components['schemas']['Problem']

/** A call that failed. The message is a sentence for the person. */
export class Problem extends Error {
  /** The entry of the journal that was to be undone */
  undoing: string | null = null

  constructor(
    sentence: string,
    /** HTTP status; 0 when there was no answer */
    readonly status: number,
    /** field name => what is wrong with it */
    readonly fields: Record<string, string> = {},
    readonly later: components['schemas']['Entry'] | null = null,
    /** How many subtasks are still open */
    readonly openSubtasks = 0,
    /** The task as it is now, when somebody else changed it */
    readonly task: components['schemas']['Task'] | null = null,
    /** What is odd about a message that was to be sent */
    readonly misgivings: string[] = [],
    /** The draft as it is now, when another window changed it */
    readonly outgoing: components['schemas']['Outgoing'] | null = null,
    /** What happened to the conversation since it was seen */
    readonly overtaken: Details['overtaken'] | null = null,
    /** How many later steps would be undone together with one that cannot be undone alone */
    readonly laterSteps = 0,
  ) {
    super(sentence)
  }

  static of(status: number, body: unknown): Problem {
    if (!isDetails(body)) {
      return new Problem('The server answered in a way that I do not understand. Reload the page.', status)
    }
    const fields = Object.fromEntries((body.violations ?? []).map(({ field, message }) => [field, message]))
    return new Problem(
      body.detail,
      status,
      fields,
      body.later ?? null,
      body.openSubtasks ?? 0,
      body.task ?? null,
      body.misgivings ?? [],
      body.outgoing ?? null,
      body.overtaken ?? null,
      body.laterSteps ?? 0,
    )
  }

  static unreachable(): Problem {
    return new Problem(
      'The server does not answer. Nothing that you typed is lost; try again in a moment.',
      0,
    )
  }
}

function isDetails(body: unknown): body is Details {
  return typeof body === 'object' && body !== null && 'detail' in body && typeof body.detail === 'string'
}
