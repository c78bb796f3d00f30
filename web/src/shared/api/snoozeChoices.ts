import { useQuery } from '@tanstack/vue-query'
import { answer, api } from '@/shared/api/client'

export function useSnoozeChoices() {
  return useQuery({
    queryKey: ['snooze-choices'],
    queryFn: ({ signal }) => answer(api.GET('/snooze-choices', { signal })),
  })
}
