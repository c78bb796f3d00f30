import {
  answer,
  api,
  newId,
  type EventAnswer,
  type EventFields,
  type EventWhen,
  type When,
} from '@/shared/api/client'
import { useSteps } from '@/shared/steps/steps'
import type { Spot, Thing } from './things'

interface InvitationAnswer {
  answer: EventAnswer
  comment: string
  proposed?: EventWhen
  clearing?: string
}

/** Lays tasks on hours and days, keeps events, moves what lies there, and takes it away. */
export const useAgendaSteps = () =>
  useSteps(({ done, decided, leaving }) => ({
    /** @param minutes null: what of its estimate lies nowhere yet */
    lay: async (tasks: string | string[], when: When, minutes: number | null = null) =>
      done(
        await answer(
          api.POST('/slots', {
            body: {
              entry: newId(),
              slots: [tasks].flat().map((task) => ({ id: newId(), task, when, minutes })),
            },
          }),
        ),
      ),
    move: async (thing: Thing, to: Spot) =>
      done(
        await answer(
          thing.kind === 'slot'
            ? api.POST('/slots/moves', {
                body: {
                  entry: newId(),
                  moves: [{ id: thing.id, when: { date: to.date, time: to.time }, minutes: to.minutes }],
                },
              })
            : api.POST('/events/moves', {
                body: {
                  entry: newId(),
                  moves: [
                    {
                      id: thing.id,
                      key: thing.key,
                      when: {
                        date: to.date,
                        time: to.time,
                        ...(to.time === null || !to.minutes ? {} : { minutes: to.minutes }),
                      },
                    },
                  ],
                },
              }),
        ),
      ),
    /** Several slots in one step. */
    moveSlots: async (moves: { id: string; when: When; minutes?: number }[]) =>
      done(await answer(api.POST('/slots/moves', { body: { entry: newId(), moves } }))),
    /** A slot, when it is said in words. */
    moveTo: async (slot: string, when: When) =>
      done(await answer(api.POST('/slots/moves', { body: { entry: newId(), moves: [{ id: slot, when }] } }))),
    /** @param all whether all of its series go along */
    moveEventTo: async (thing: Thing, phrase: string, all = false) =>
      done(
        await answer(
          api.POST('/events/moves', {
            body: { entry: newId(), moves: [{ id: thing.id, key: thing.key, all, when: { phrase } }] },
          }),
        ),
      ),
    /** @param task null: the day has none */
    chooseKeystone: async (day: string, task: string | null) =>
      done(
        await answer(
          api.PUT('/agenda-days/{day}/keystone', {
            params: { path: { day } },
            body: { entry: newId(), task },
          }),
        ),
      ),
    dropSlot: async (id: string) =>
      done(await answer(api.POST('/slots/removals', { body: { entry: newId(), slots: [id] } }))),
    /** Once more, right behind itself. */
    copyEvent: async (id: string, key: string | null) =>
      done(
        await answer(
          api.POST('/events/{id}/copies', {
            params: { path: { id } },
            body: { entry: newId(), copy: newId(), key },
          }),
        ),
      ),
    dropEvent: async (id: string, key: string | null, tell = false) =>
      done(
        await answer(
          api.POST('/events/{id}/removals', {
            params: { path: { id } },
            body: { entry: newId(), key, tell },
          }),
        ),
      ),
    /** @param tell whether those who take part are told by mail */
    makeEvent: async (fields: EventFields, source: string | null, tell: boolean) =>
      done(
        await answer(
          api.PUT('/events/{id}', {
            params: { path: { id: newId() } },
            body: { entry: newId(), fields, source, tell },
          }),
        ),
      ),
    /** @param all whether what is said of that one is said of all of its series */
    changeEvent: async (id: string, key: string | null, fields: EventFields, tell: boolean, all: boolean) =>
      done(
        await answer(
          api.POST('/events/{id}/changes', {
            params: { path: { id } },
            body: { entry: newId(), key, all, fields, tell },
          }),
        ),
      ),
    answerInvitation: async (message: string, conversation: string, said: InvitationAnswer) =>
      done(
        await leaving([conversation], () =>
          answer(
            api.POST('/messages/{id}/invitation/answers', {
              params: { path: { id: message } },
              body: { entry: newId(), ...said },
            }),
          ),
        ),
      ),
    /** An event as it is typed on an hour: a title, and perhaps clauses behind it. */
    jotEvent: async (line: string) =>
      decided(await answer(api.PUT('/jot', { body: { entry: newId(), id: newId(), line } }))),
  }))
