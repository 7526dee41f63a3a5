import type { Tree } from './tree'

type Sideways = 'left' | 'right'

/** Whether the map runs from right to left. */
export function isMirrored(tree: Tree): boolean {
    let is = false
    for (const row of tree.rows.values()) {
        is ||= row.type === 'map-look' && row.fields.mirrored === true
    }
    return is
}

const other = { left: 'right', right: 'left' } as const

/** What is kept of a side that is seen on the board, and what is seen of one that is kept: the same, but in mirrored maps. */
export const sideSeen = (tree: Tree, side: Sideways): Sideways => (isMirrored(tree) ? other[side] : side)

const turned: Readonly<Record<string, string>> = { rightward: 'leftward', leftward: 'rightward' }

/** The same of the arrangements that go to one side. */
export const arrangementSeen = <Name extends string | null>(tree: Tree, name: Name): Name => (name !== null && isMirrored(tree) ? ((turned[name] ?? name) as Name) : name)
