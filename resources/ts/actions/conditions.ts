import type { Context } from './registry'

/** What many actions ask before they are offered. */
export const onTopics = ['board', 'outline'] as const
export const hasChoice = ({ map }: Context): boolean => map.chosen.length > 0
export const hasSeveral = ({ map }: Context): boolean => map.chosen.length > 1
export const isNotRoot = ({ map }: Context): boolean => map.chosen.length > 0 && !map.chosen.includes(map.tree.root)
