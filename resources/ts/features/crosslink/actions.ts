import type { Action, Context } from '@/actions/registry'
import { hasChoice, onTopics } from '@/actions/conditions'
import type { Direction } from '@/board/geometry'
import { useChosenMarks } from '@/stores/chosenMarks'
import { useLinks } from './linkStore'

const onLinks = (): boolean => useLinks().chosen.length > 0
const onOne = (): boolean => useLinks().chosen.length === 1
const action = (id: string, name: string, what: string, keys: readonly string[], run: (context: Context) => void, more: Partial<Action> = {}): Action =>
    ({ id: `crosslink.${id}`, name, what, group: 'Cross-links', keys, scopes: ['mark'], mark: 'crosslink', available: onLinks, run, ...more })

const grow = (direction: Direction, words: string, key: string): Action => action(`grow-${direction}`, `Tie a new topic ${words}`, `Makes a topic ${words} of this one, tied to it by a cross-link; title and phrase are typed one after the other.`, [key], () => useLinks().grow(direction), {
    scopes: ['board'], available: ({ map }) => map.current !== null && (map.scope === null || map.slips.get(map.current)?.free === true),
})

/** To the topic at an end of what is chosen. */
const end = (which: 'from' | 'to'): void => {
    const links = useLinks()
    const link = links.find(links.chosen[links.chosen.length - 1] ?? '')
    useChosenMarks().leave(link?.[which] ?? null)
}

const STEP = 24
/** Bends a single cross-link by keys, from where it is bent, or from the straight line between its ends. */
const bend = (name: string, key: string, along: number, aside: number): Action => action(`bend-${name}`, `Bend it ${name}`, 'Bends the chosen cross-link out of the way, step by step.', [key], () => {
    const links = useLinks()
    const link = links.find(links.chosen[0] ?? '')
    if (link !== undefined) {
        const [at, by] = [Number(link.fields.bendAt ?? 500), Number(link.fields.bendBy ?? 0)]
        links.set({ bendAt: Math.max(0, Math.min(1000, at + along)), bendBy: by + aside })
    }
}, { available: onOne })

const choice = (id: string, name: string, what: string, fields: Record<string, string | null>): Action => action(id, name, what, [], () => useLinks().set(fields))

/** Drawing and changing cross-links. */
export const linkActions: readonly Action[] = [
    action('tie', 'Draw a cross-link from here', 'Ties what is chosen to another topic: go there with the arrows, type its name, or click it. Dropping a topic on another with Shift held does the same.', ['Alt+D'], () => useLinks().begin(), { scopes: onTopics, available: hasChoice }),
    action('next', 'Go round its cross-links', 'Chooses the next cross-link of this topic.', ['Alt+E'], () => useLinks().next(), { scopes: [...onTopics, 'mark'], available: ({ map }) => onLinks() || (map.current !== null && useLinks().linksOf(map.current).length > 0) }),
    action('sentences', 'Read the map out as sentences', 'Lists every cross-link as a sentence: topic, phrase, topic; with what is missing or said twice.', ['Alt+9'], () => void (useLinks().isReading = true), { scopes: [...onTopics, 'mark'], available: () => true }),
    grow('right', 'at the right', 'Mod+Alt+ArrowRight'),
    grow('left', 'at the left', 'Mod+Alt+ArrowLeft'),
    grow('up', 'above', 'Mod+Alt+ArrowUp'),
    grow('down', 'below', 'Mod+Alt+ArrowDown'),
    action('phrase', 'Type the linking phrase', 'Puts the caret into the phrase of the chosen cross-link.', ['Enter', 'F2'], () => useLinks().beginPhrase()),
    action('turn', 'Turn it round', 'Lets the chosen cross-links begin where they ended.', ['Alt+R'], () => useLinks().turn()),
    action('between', 'Put a new topic in between', 'Makes a topic in the middle of the chosen cross-link, which goes on from there.', ['Tab'], () => useLinks().plantBetween(), { available: onOne }),
    action('move-end', 'Let it end elsewhere', 'Looks for another topic at which the chosen cross-link ends.', ['Alt+D'], () => useLinks().beginMove('to'), { available: onOne }),
    action('move-begin', 'Let it begin elsewhere', 'Looks for another topic at which the chosen cross-link begins.', ['Alt+Shift+D'], () => useLinks().beginMove('from'), { available: onOne }),
    bend('higher', 'Alt+ArrowUp', 0, -STEP), bend('lower', 'Alt+ArrowDown', 0, STEP), bend('nearer to its beginning', 'Alt+ArrowLeft', -60, 0), bend('nearer to its end', 'Alt+ArrowRight', 60, 0),
    action('unbend', 'Put its bend back', 'Lets the chosen cross-links find their way by themselves again.', ['Alt+Shift+0'], () => useLinks().set({ bendAt: null, bendBy: null }), { available: () => useLinks().chosen.some((id) => useLinks().find(id)?.fields.bendBy != null) }),
    action('remove', 'Remove the cross-link', 'Takes the chosen cross-links out of the map; their topics stay.', ['Delete', 'Backspace'], () => useLinks().remove()),
    action('begin', 'Go to where it begins', 'Chooses the topic at which the cross-link begins.', ['ArrowLeft', 'ArrowUp'], () => end('from')),
    action('end', 'Go to where it ends', 'Chooses the topic at which the cross-link ends.', ['ArrowRight', 'ArrowDown'], () => end('to')),
    action('leave', 'Back to the topic', 'Chooses the topic again that was chosen before.', ['Escape'], () => useChosenMarks().leave()),
    choice('head-none', 'No heads', 'Draws the chosen cross-links without heads.', { heads: 'none' }),
    choice('head-end', 'A head where it ends', 'Draws a head at the end of the chosen cross-links.', { heads: null }),
    choice('head-both', 'Heads at both ends', 'Draws heads at both ends of the chosen cross-links.', { heads: 'both' }),
    choice('form-curve', 'Curved', 'Draws the chosen cross-links as curves.', { form: null }),
    choice('form-straight', 'Straight', 'Draws the chosen cross-links straight.', { form: 'straight' }),
    choice('form-corner', 'With corners', 'Draws the chosen cross-links across and down, with corners.', { form: 'corner' }),
]
