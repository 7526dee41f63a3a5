import type { Edit } from '@/api/wire'
import { useMap, newId, type Editing, type Region } from './map'
import { childrenOf, siblingOf } from './tree'

/** Those who may take a new topic before its title is typed; they begin the title themselves. Each is told the topic and the step that makes it. */
export const askedFirst = new Set<(topic: string, step: string) => boolean>()

/** How topics go on from each other where that is more than standing side by side; each says whether it was its own. */
export interface OwnWay {
    /** Makes the topic that follows another, or the one before it. */
    readonly next: (topic: string, before: boolean) => boolean
    /** Makes one below another. */
    readonly below: (parent: string) => boolean
    /** Makes one on a cross-link. */
    readonly between: (link: string) => boolean
    /** Lets topics go one place on among others, or back. */
    readonly shift: (topics: readonly string[], by: -1 | 1) => boolean
    /** What has to be done before topics are removed. */
    readonly leaving: (topics: readonly string[], step: string) => readonly Edit[]
}

export const ownWays = new Set<OwnWay>()

const isOwn = (asks: (way: OwnWay) => boolean): boolean => [...ownWays].some(asks)

/** Typing titles: beginning, ending, and going straight on to the next topic. */
export function useTitles() {
    const map = useMap()

    function begin(id: string, instead: string | null = null, step = newId()): void {
        map.choose(id)
        if (!map.mayEdit) {
            return
        }
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
            map.choose(next)
            void takeBack(typing)
        } else if (kept !== topic.title) {
            map.retitle(typing, kept)
        }
    }

    /** Undoes the making of a topic that was left empty; if more was done since, that stays and only the topic goes. */
    async function takeBack(typing: Editing): Promise<void> {
        if (!(await map.outcomeOf({ name: 'undo', of: typing.step, forget: true })) && map.tree.topics.has(typing.id)) {
            map.edit({ name: 'topic.remove', topics: [typing.id] })
        }
    }

    function addChild(parent: string): void {
        map.uncover(parent, map.region)
        if ((map.region === 'board' ? map.folded : map.outlineFolded).has(parent)) {
            map.setFolded(map.region, [parent], false)
        }
        if (!isOwn((way) => way.below(parent))) {
            add({ parent })
        }
    }

    /** A sibling after or before a topic; of the root, which has none, a subtopic. */
    function addSibling(topic: string, before = false): void {
        if (topic === map.tree.root || map.tree.topics.get(topic)?.parked != null || topic === (map.region === 'board' ? map.scope : map.outlineScope)) {
            addChild(topic)
        } else if (!isOwn((way) => way.next(topic, before))) {
            add(before ? { before: topic } : { after: topic })
        }
    }

    /** A topic that hangs on nothing, at a point of the board. */
    function addLoose(x: number, y: number): void {
        map.region = 'board'
        add({ parent: null, x, y })
    }

    /** Makes a topic, does with it what is asked for in the same step, and begins its title. */
    function add(place: { parent: string } | { before: string } | { after: string } | { parent: null; x: number; y: number }, more: (id: string, step: string) => readonly Edit[] = () => []): void {
        const id = newId()
        const step = newId()
        map.edit({ name: 'topic.add', step, topic: { id, title: '' }, ...place }, ...more(id, step))
        map.choose(id)
        if (![...askedFirst].some((takes) => takes(id, step))) {
            map.editing = { id, where: map.region, step, fresh: true, instead: null }
        }
    }

    const top = (): string => (map.region === 'board' ? map.scope : map.outlineScope) ?? map.tree.root

    /** Whether there is a place beside the parent of a topic, in what one sees. */
    function canShiftOut(id: string): boolean {
        const parent = map.tree.topics.get(id)?.parent ?? null
        return parent !== null && parent !== top()
    }

    /** Moves the topic that is being typed out beside its parent; typing goes on. */
    function shiftOut(id: string): void {
        const parent = map.tree.topics.get(id)?.parent
        if (map.editing !== null && parent != null && canShiftOut(id)) {
            const side = map.tree.topics.get(parent)?.side
            map.edit({ name: 'topic.move', step: map.editing.step, topics: [id], after: parent, ...(side == null ? {} : { side }) })
        }
    }

    /**
     * Moves the topic that is being typed below the sibling before it, on its side of the root; typing goes on. A new one
     * goes below the one it was begun after, on whichever side: the same keys make the same map, however soon the server
     * has said on which side the new one stands.
     */
    function shiftIn(id: string): void {
        const side = map.editing?.fresh === true ? null : (map.tree.topics.get(id)?.side ?? null)
        let before = siblingOf(map.tree, id, -1)
        for (let n = -2; before !== undefined && (map.tree.topics.get(before)?.side ?? null) !== side && side !== null; n--) {
            before = siblingOf(map.tree, id, n)
        }
        if (map.editing !== null && before !== undefined && before !== map.tree.root) {
            if ((map.region === 'board' ? map.folded : map.outlineFolded).has(before)) {
                map.setFolded(map.region, [before], false)
            }
            map.edit({ name: 'topic.move', step: map.editing.step, topics: [id], parent: before })
        }
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
        map.goOnAfterAnswer(() => begin(as))
    }

    function remove(topics: readonly string[]): void {
        const last = topics[topics.length - 1] ?? ''
        const chosen = new Set(topics)
        const parent = map.tree.topics.get(last)?.parent ?? map.tree.root
        const siblings = childrenOf(map.tree, parent).filter((id) => !chosen.has(id) || id === last)
        const at = siblings.indexOf(last)
        const next = siblings[at + 1] ?? siblings[at - 1] ?? parent
        const step = newId()
        map.edit(...[...ownWays].flatMap((way) => way.leaving(topics, step)), { name: 'topic.remove', step, topics: [...topics] })
        map.choose(next)
    }

    function regionOf(element: Element | null): Region | null {
        return (element?.closest<HTMLElement>('[data-region]')?.dataset.region as Region | undefined) ?? null
    }

    return { begin, end, canShiftOut, shiftIn, shiftOut, addChild, addSibling, addLoose, add, split, remove, regionOf }
}
