import type { QueryKey } from '@tanstack/vue-query'
import type { ClearingOrder } from '../api/client'

/** By which the tray is kept in an order, and what of it bears a label; those of all orders begin with the same name. */
export const trayKey = (order: ClearingOrder = 'grouped', label = ''): QueryKey =>
  label ? ['tray', order, label] : order === 'grouped' ? ['tray'] : ['tray', order]
