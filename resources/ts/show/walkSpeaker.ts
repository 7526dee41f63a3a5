import { watchEffect, type WatchHandle } from 'vue'
import { pressed } from '@/actions/keys'
import { walkActions } from '@/actions/walkActions'
import { make, SecondWindow } from '@/slides/secondWindow'
import '@/slides/show.css'
import { ancestorsOf } from '@/stores/tree'
import { useSession } from '@/stores/session'
import { noteLines } from '@/text/noteText'
import { tell } from '@/ui/tell'
import { useWalk } from './walkStore'
import { useWalkWay } from './walkWay'

let open: { window: SecondWindow; follows: WatchHandle } | null = null

/** Closes the speaker's window with the walk. */
export function closeSpeaker(): void {
    open?.follows.stop()
    open?.window.close()
    open = null
}

/** Opens the speaker's window of the walk: the topic with its note, what is below it, what comes, how far along, the clock. */
export function openSpeaker(): void {
    closeSpeaker()
    const walk = useWalk()
    const way = useWalkWay()
    const session = useSession()
    /** The keys are those of the walk, as this person has them; but none opens another such window. */
    const key = (event: KeyboardEvent): boolean => {
        const name = pressed(event)
        const action = walkActions.find(({ id, keys, scopes }) => id !== 'walk.speak' && scopes.includes('walk') && (session.keys[id] ?? keys).includes(name))
        if (action !== undefined) {
            const what = action.id.slice('walk.'.length)
            if (what === 'list') {
                list()
            } else {
                walk.does(what)
            }
        }
        return action !== undefined
    }
    const window = SecondWindow.open('chalk-walk-speaker', 'Speaker: walk', key)
    if (window === null) {
        tell.error('The browser did not let the speaker’s window open. Allow windows for this page and try again.')
        return
    }
    const { owner, main } = window
    const list = (): void => window.list(way.stops.map((id, i) => ({ text: `${i + 1}  ${way.nameOf(id)}`, isAt: i === way.place, act: () => way.go(id) })))
    main.classList.add('of-walk')
    const now = make(owner, 'section', 'now')
    const next = make(owner, 'section', 'next')
    const notes = make(owner, 'div', 'notes')
    notes.tabIndex = 0
    notes.setAttribute('aria-label', 'Note')
    const clocks = window.clocks([['clock', 'Clock'], ['used', 'Used'], ['place', 'Topics'], ['left', 'Goes on in']], () => ({
        clock: new Date().toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' }), used: (Date.now() - way.begun) / 1000,
        place: `${way.place + 1} of ${way.stops.length}`, left: way.isPaced ? way.left : '–',
    }))
    const does = (what: string) => (): void => walk.does(what)
    main.append(now, next, clocks, notes, window.tools([['Back', does('back')], ['On', does('on')], ['Deeper', does('deeper')], ['Skip', does('skip')], ['Jump', list], ['Black', does('black')], ['End', () => walk.end()]]))
    let noted = ''
    const follows = watchEffect(() => {
        const { topic } = way
        if (window.isClosed || topic === null) {
            queueMicrotask(closeSpeaker)
            return
        }
        const trail = ancestorsOf(way.tree, topic.id).map(way.nameOf).reverse().join('  ›  ')
        now.replaceChildren(make(owner, 'p', 'soft', trail), make(owner, 'h1', 'topic', `${way.nameOf(topic.id)}${way.isBlack ? '  (black)' : ''}`))
        const line = (what: string, id: string | null): HTMLElement[] => (id === null ? [] : [make(owner, 'dt', '', what), make(owner, 'dd', '', way.nameOf(id))])
        const ahead = make(owner, 'dl', 'ahead')
        ahead.append(...line('Next', way.on), ...line('Skipping', way.skip === way.on ? null : way.skip))
        if (way.on === null) {
            ahead.append(make(owner, 'dt', '', 'The last topic of the walk'))
        }
        const below = make(owner, 'ol', 'below')
        below.append(...way.below.map((id) => make(owner, 'li', '', way.nameOf(id))))
        next.replaceChildren(ahead, make(owner, 'h2', '', way.below.length === 0 ? 'Nothing below' : 'Below'), below)
        if (noted !== topic.id + topic.note) {
            noted = topic.id + topic.note
            const lines = noteLines(topic.note)
            notes.replaceChildren(...(lines.length === 0 ? [make(owner, 'p', 'soft', 'This topic has no note.')] : lines.map((text) => make(owner, 'p', '', text))))
            notes.scrollTop = 0
        }
        window.tick()
    })
    open = { window, follows }
    addEventListener('pagehide', closeSpeaker, { once: true })
}
