import { thisShop, type Shop } from './shop'

/** Who asks, and for which shop. */
export interface Session {
  at: Shop
  /** null: nobody has to say who they are; an edit carries the name that its maker gave. */
  who: string | null
}

/**
 * The one place at which a request is told to belong to somebody. There are no accounts yet: every request of this app's own
 * is of the server's one shop, and of nobody in particular.
 */
export const sessionOf = (_request: Pick<Request, 'headers'>): Session => ({ at: thisShop(), who: null })
