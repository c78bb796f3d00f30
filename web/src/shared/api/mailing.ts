import { answer, api, newId, type Claim, type Contact, type Entry, type Template, type When } from './client'

/** What sending takes besides the draft. */
export interface SendDetails {
  at?: When
  atOnce?: boolean
  then?: 'do_now' | 'archive' | 'hand_over' | null
  conversation?: Claim
  until?: When
  what?: string
  task?: string | null
  clearing?: string | null
  despite?: boolean
}

/** The steps of writing and of what is owed; see useDeciding. */
export const mailSteps = ({
  done,
  left,
}: {
  done: (entry: Entry) => Entry
  left: (ids: string[]) => void
}) => ({
  /** Its conversation leaves the list when the letter has been accepted, and not before: it may be refused. */
  sendMail: async (id: string, details: SendDetails = {}) => {
    const body = { entry: newId(), ...details }
    const sent = await answer(api.POST('/outgoing/{id}/send', { params: { path: { id } }, body }))
    if (details.conversation && details.then) left([details.conversation.id])
    return done(sent)
  },
  takeBack: async (id: string) =>
    done(
      await answer(
        api.POST('/outgoing/{id}/take-back', { params: { path: { id } }, body: { entry: newId() } }),
      ),
    ),
  dropDraft: async (id: string) =>
    done(await answer(api.DELETE('/outgoing/{id}', { params: { path: { id }, query: { entry: newId() } } }))),
  settleOwed: async (id: string, as: 'answered' | 'dropped') =>
    done(
      await answer(api.POST('/owed/{id}/settle', { params: { path: { id } }, body: { entry: newId(), as } })),
    ),
  takeUpOwed: async (id: string, until: When, conversation?: Claim, clearing?: string) => {
    const body = {
      entry: newId(),
      until,
      ...(conversation ? { conversation } : {}),
      ...(clearing ? { clearing } : {}),
    }
    const entry = await answer(api.POST('/owed/{id}/take-up', { params: { path: { id } }, body }))
    if (conversation) left([conversation.id])
    return done(entry)
  },
  moveOwed: async (id: string, until: When) =>
    done(
      await answer(
        api.POST('/owed/{id}/move', { params: { path: { id } }, body: { entry: newId(), until } }),
      ),
    ),
  keepTemplate: async (id: string, fields: Pick<Template, 'name' | 'subject' | 'text' | 'signed'>) =>
    done(
      await answer(
        api.PUT('/templates/{id}', { params: { path: { id } }, body: { entry: newId(), ...fields } }),
      ),
    ),
  deleteTemplate: async (id: string) =>
    done(
      await answer(api.DELETE('/templates/{id}', { params: { path: { id }, query: { entry: newId() } } })),
    ),
  keepContact: async (id: string, fields: Omit<Contact, 'id'>) =>
    done(
      await answer(
        api.PUT('/contacts/{id}', { params: { path: { id } }, body: { entry: newId(), ...fields } }),
      ),
    ),
  deleteContact: async (id: string) =>
    done(await answer(api.DELETE('/contacts/{id}', { params: { path: { id }, query: { entry: newId() } } }))),
})
