import type { Tree } from '@/stores/tree'

/** The path of a topic, as notes and links have it. */
export const pathOf = (map: string, topic: string): string => `/maps/${map}/topics/${topic}`

/** The topics of the map whose notes lead to one, as those do into which text of it was taken. */
export function usedIn(tree: Tree, map: string, topic: string): string[] {
    const path = pathOf(map, topic)
    return [...tree.topics.values()].filter(({ id, note }) => id !== topic && note.includes(path)).map(({ id }) => id)
}

/** What a path of ours leads to; null for any other address. */
export function topicAt(path: string | null | undefined): { map: string; topic: string } | null {
    const there = /^\/maps\/([0-9a-z]{26})\/topics\/([0-9a-z]{26})$/.exec(path ?? '')
    return there === null ? null : { map: there[1] ?? '', topic: there[2] ?? '' }
}
