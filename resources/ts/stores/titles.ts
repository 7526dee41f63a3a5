import { useMap, newId, type Region } from './map'
import { childrenOf, siblingOf } from './tree'

/** Typing titles: beginning, ending, and going straight on to the next topic. */
export function useTitles() {
    const map = useMap()

    function begin(id: string, instead: string | null = null, step = newId()): void {
        map.choose(id)
        map.editing = { id, where: map.region, step, fresh: false, instead }
    }

    /** Keeps what was typed. A new topic left empty goes again. */
    function end(title: string | null): void {
        const typing = map.editing
        if (typing === null) {
            return
        }
        map.editing = null
        const topic = map.tree.topics.get(typing.id)
        if (topic === undefined) {
            return
        }
        const kept = title ?? topic.title
        if (typing.fresh && kept === '') {
            const next = siblingOf(map.tree, typing.id, -1) ?? topic.parent ?? map.tree.root
            map.edit({ name: 'undo', forget: true })
            map.choose(next)
        } else if (kept !== topic.title) {
            map.edit({ name: 'topic.retitle', step: typing.step, topic: typing.id, title: kept })
        }
    }

    function addChild(parent: string): void {
        map.uncover(parent, map.region)
        if ((map.region === 'board' ? map.folded : map.outlineFolded).has(parent)) {
            map.setFolded(map.region, [parent], false)
        }
        add({ parent })
    }

    /** A sibling after or before a topic; of the root, which has none, a subtopic. */
    function addSibling(topic: string, before = false): void {
        if (topic === map.tree.root || map.tree.topics.get(topic)?.parked != null || topic === (map.region === 'board' ? map.scope : map.outlineScope)) {
            addChild(topic)
        } else {
            add(before ? { before: topic } : { after: topic })
        }
    }

    /** A topic that hangs on nothing, at a point of the board. */
    function addLoose(x: number, y: number): void {
        map.region = 'board'
        add({ parent: null, x, y })
    }

    function add(place: { parent: string } | { before: string } | { after: string } | { parent: null; x: number; y: number }): void {
        const id = newId()
        const step = newId()
        map.edit({ name: 'topic.add', step, topic: { id, title: '' }, ...place })
        map.choose(id)
        map.editing = { id, where: map.region, step, fresh: true, instead: null }
    }

    /** Breaks the topic being typed in two at the caret, and goes on in the second part. */
    function split(halves: { first: string; second: string } | null): void {
        const typing = map.editing
        if (typing === null || halves === null || halves.first === '' || halves.second === '') {
            return
        }
        const as = newId()
        map.editing = null
        map.edit({ name: 'topic.split', step: typing.step, topic: typing.id, ...halves, as })
        map.afterAnswer(() => begin(as))
    }

    function remove(topics: readonly string[]): void {
        const last = topics[topics.length - 1] ?? ''
        const chosen = new Set(topics)
        const parent = map.tree.topics.get(last)?.parent ?? map.tree.root
        const siblings = childrenOf(map.tree, parent).filter((id) => !chosen.has(id) || id === last)
        const at = siblings.indexOf(last)
        const next = siblings[at + 1] ?? siblings[at - 1] ?? parent
        map.edit({ name: 'topic.remove', topics: [...topics] })
        map.choose(next)
    }

    function regionOf(element: Element | null): Region | null {
        return (element?.closest<HTMLElement>('[data-region]')?.dataset.region as Region | undefined) ?? null
    }

    return { begin, end, addChild, addSibling, addLoose, split, remove, regionOf }
}
