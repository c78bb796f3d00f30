import { useQuery } from '@tanstack/vue-query'
import { answer, api } from '@/shared/api/client'

export const useOrders = () =>
  useQuery({ queryKey: ['orders'], queryFn: ({ signal }) => answer(api.GET('/orders', { signal })) })

/** What went past the tray since the last clearing. */
export const usePast = () =>
  useQuery({ queryKey: ['past'], queryFn: ({ signal }) => answer(api.GET('/past', { signal })) })
