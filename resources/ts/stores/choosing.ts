import { outlineLines } from '@/actions/seeingActions'
import { useMap } from './map'
import { branchOf, childrenOf, depthOf, siblingsOf } from './tree'

/** The ways of choosing several topics. The one chosen last is the one that keys act from. */
export function useChoosing() {
    const map = useMap()

    /** Takes a topic into the choice, or out of it. */
    function toggle(id: string): void {
        map.choose(...(map.chosen.includes(id) ? map.chosen.filter((one) => one !== id) : [...map.chosen, id]))
    }

    /** From the topic chosen last to this one: along their siblings, or along the lines of the outline. */
    function rangeTo(id: string): void {
        const from = map.chosen[0] ?? id
        const siblings = siblingsOf(map.tree, from)
        const row = siblings.includes(id) ? siblings : outlineLines(map.tree, map.outlineFolded, map.outlineScope)
        const [a, b] = [row.indexOf(from), row.indexOf(id)]
        const range = row.slice(Math.min(a, b), Math.max(a, b) + 1)
        map.choose(...(a <= b ? range : range.reverse()))
    }

    /** One sibling further, up or down; back again gives up the last one. */
    function extend(by: 1 | -1): void {
        const last = map.current
        if (last === null) {
            return
        }
        const row = map.region === 'outline' ? outlineLines(map.tree, map.outlineFolded, map.outlineScope) : siblingsOf(map.tree, last)
        const next = row[row.indexOf(last) + by]
        if (next !== undefined && next !== map.tree.root) {
            map.choose(...(map.chosen.includes(next) ? map.chosen.filter((one) => one !== last) : [...map.chosen, next]))
        }
    }

    const keepLast = (ids: readonly string[]): void => {
        const last = map.current
        map.choose(...ids.filter((id) => id !== last), ...(last === null ? [] : [last]))
    }

    function siblings(): void {
        keepLast(map.chosen.flatMap((id) => (id === map.tree.root ? [id] : siblingsOf(map.tree, id).filter((one) => one !== map.tree.root))))
    }

    function branch(): void {
        keepLast(map.chosen.flatMap((id) => branchOf(map.tree, id)))
    }

    /** All that stand as deep as the topic chosen last, in the whole map. */
    function level(): void {
        const depth = map.current === null ? 0 : depthOf(map.tree, map.current)
        keepLast(childrenOf(map.tree, '').flatMap((top) => branchOf(map.tree, top)).filter((id) => depthOf(map.tree, id) === depth))
    }

    function below(): void {
        const ids = map.chosen.flatMap((id) => childrenOf(map.tree, id))
        if (ids.length > 0) {
            map.choose(...ids)
        }
    }

    return { toggle, rangeTo, extend, siblings, branch, level, below }
}
