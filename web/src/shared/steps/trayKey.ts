import type { QueryKey } from '@tanstack/vue-query'
import type { ClearingOrder } from '../api/client'

/** By which the tray is kept in an order; those of all orders begin with the same name. */
export const trayKey = (order: ClearingOrder = 'grouped'): QueryKey =>
  order === 'grouped' ? ['tray'] : ['tray', order]
