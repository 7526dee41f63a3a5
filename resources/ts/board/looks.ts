import type { SceneNews, SlipLook } from '@/api/wire'

/** How a topic is set and spaced, as the scene says; see the core's Look. */
export type Look = SlipLook

/** The deepest level that has a look of its own. */
export const deepestLevel = 3

/** By name. They only ever come with the slips that have them, so nothing need be told of it. */
const known = new Map<string, Look>()
let levels: readonly string[] = []

/** Takes the looks that came with a scene. */
export function learnLooks(news: Pick<SceneNews, 'looks' | 'levels'>): void {
    news.looks.forEach((look) => known.set(look.name, look))
    levels = news.levels.length > 0 ? news.levels : levels
}

export function lookNamed(name: string): Look {
    const look = known.get(name)
    if (look === undefined) {
        throw new Error('The scene has no such look.')
    }
    return look
}

export const lookOf = (slip: { readonly look: string }): Look => lookNamed(slip.look)

/** The look of all topics of a level of which nothing else is said. */
export const lookOfLevel = (level: number): Look => lookNamed(levels[Math.min(level, deepestLevel)] ?? '')

/** The smallest type of the map, but for single topics. */
export const smallestType = (): number => Math.min(...levels.map((name) => lookNamed(name).type.size))
