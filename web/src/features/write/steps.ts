import { doneAtOnce } from '@/features/clock'
import { answer, api, newId, type Claim, type Template, type When } from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'

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

export const useWriteSteps = () =>
  useSteps(({ done, left }) => ({
    /** Its conversation leaves the list when the letter has been accepted, and not before: it may be refused. */
    sendMail: async (id: string, details: SendDetails = {}) => {
      const body = { entry: newId(), ...details }
      const sent = await answer(api.POST('/outgoing/{id}/send', { params: { path: { id } }, body }))
      if (details.conversation && details.then) left([details.conversation.id])
      if (details.conversation && details.then === 'do_now') doneAtOnce(details.conversation.id)
      return done(sent)
    },
    takeBack: async (id: string) =>
      done(
        await answer(
          api.POST('/outgoing/{id}/take-back', { params: { path: { id } }, body: { entry: newId() } }),
        ),
      ),
    dropDraft: async (id: string) =>
      done(
        await answer(api.DELETE('/outgoing/{id}', { params: { path: { id }, query: { entry: newId() } } })),
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
  }))
