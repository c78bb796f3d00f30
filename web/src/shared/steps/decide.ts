import { answer, api, newId, type Claim, type Decision } from '@/shared/api/client'
import { useSteps } from './steps'

export type DecisionKind = Decision['kind']

/** What a decision of that kind needs besides. */
type Needs<Kind extends DecisionKind, Of = Decision> = Of extends { kind: infer Kinds }
  ? Kind extends Kinds
    ? Omit<Of, 'id' | 'kind' | 'conversations'>
    : never
  : never

export type DecisionDetails = Needs<DecisionKind>

export type SnoozeFor = NonNullable<Needs<'snooze'>['for']>

/** The conversation as it is on screen, so that the server notices when it is no longer so. */
export const claimOf = ({ id, revision }: { id: string; revision: number }): Claim => ({ id, revision })

export const useDecideSteps = () =>
  useSteps(({ decided, leaving }) => ({
    decide: async <Kind extends DecisionKind>(
      kind: Kind,
      claims: Claim[],
      ...[details]: object extends Needs<Kind> ? [Needs<Kind>?] : [Needs<Kind>]
    ) => {
      const body = { id: newId(), kind, conversations: claims, ...details } as Decision
      const ids = claims.map(({ id }) => id)
      return decided(await leaving(ids, () => answer(api.POST('/decisions', { body }))))
    },
  }))
