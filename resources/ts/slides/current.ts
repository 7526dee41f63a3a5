import type { Player } from './player'

/** The show that is on, for whoever hands keys to it: at once, so that no key overtakes another. */
export const current: { player: Player | null } = { player: null }
