import type { Action, Scope } from '@/actions/registry'
import { useDraft } from './draftStore'
import { useHand } from './hand/handStore'
import { usePlan } from './plan/planStore'

const inDraft: readonly Scope[] = ['draft']
const anywhere: readonly Scope[] = ['board', 'outline', 'mark', 'field', 'table', 'draft']
const isSeen = (): boolean => useDraft().isSeen
const isThere = (): boolean => useDraft().isSeen && useDraft().form === 'text'
/** Turns to another form of the draft, and from it back to the text. */
function turn(form: 'threads' | 'shape'): void {
    const draft = useDraft()
    const back = draft.wayBack()
    draft.form = draft.form === form ? 'text' : form
    if (draft.form === 'text') {
        setTimeout(back, 60)
    }
}

/** A branch as one text to write in. */
export const draftActions: readonly Action[] = [
    {
        id: 'way.draft', name: 'Draft', group: 'Seeing', keys: ['Alt+4'], scopes: anywhere,
        run: ({ map, preferences, ui }) => {
            preferences.way = 'draft'
            ui.phoneView = 'draft'
            map.region = 'outline'
        },
    },
    { id: 'draft.begin', name: 'Begin a section here', group: 'Draft', keys: ['Mod+Enter'], scopes: inDraft, available: isThere, run: () => useDraft().begin() },
    { id: 'draft.join', name: 'Join with the section before', group: 'Draft', keys: ['Mod+Alt+J'], scopes: inDraft, available: isThere, run: () => useDraft().join() },
    { id: 'draft.next', name: 'Next section', group: 'Draft', keys: ['Mod+Alt+ArrowDown'], scopes: inDraft, available: isThere, run: ({ map }) => map.current !== null && void useDraft().step(map.current, 1, useDraft().all) },
    { id: 'draft.before', name: 'Section before', group: 'Draft', keys: ['Mod+Alt+ArrowUp'], scopes: inDraft, available: isThere, run: ({ map }) => map.current !== null && void useDraft().step(map.current, -1, useDraft().all) },
    { id: 'draft.title', name: 'Heading of the section', group: 'Draft', keys: ['F2'], scopes: inDraft, available: isThere, run: ({ map }) => map.current !== null && useDraft().enter(map.current, 'title') },
    { id: 'draft.threads', name: 'Threads, or the text', group: 'Draft', keys: ['Mod+Alt+R'], scopes: ['draft', 'field', 'outline', 'board'], available: isSeen, run: () => turn('threads') },
    { id: 'draft.shape', name: 'Shape, or the text', group: 'Draft', keys: ['Mod+Alt+W'], scopes: ['draft', 'field', 'outline', 'board'], available: isSeen, run: () => turn('shape') },
    { id: 'draft.plan', name: 'Plan chapters and scenes', group: 'Draft', keys: ['Mod+Alt+C'], scopes: ['board', 'outline', 'table', 'draft'], run: () => usePlan().make() },
    { id: 'draft.cast', name: 'Table of all characters', group: 'Draft', keys: [], scopes: ['board', 'outline', 'table', 'draft'], run: () => usePlan().seeCast() },
    { id: 'draft.one', name: 'This section alone, or all', group: 'Draft', keys: ['Mod+Alt+S'], scopes: inDraft, available: isThere, run: () => void (useDraft().isOneOnly = !useDraft().isOneOnly) },
    { id: 'draft.bare', name: 'Nothing but the text', group: 'Draft', keys: ['Mod+Alt+B'], scopes: inDraft, available: isThere, run: () => void (useDraft().isBare = !useDraft().isBare) },
    {
        id: 'draft.leave', name: 'Leave the text', group: 'Draft', keys: ['Escape'], scopes: inDraft, available: isSeen,
        run: ({ ui }) => {
            const draft = useDraft()
            if (draft.form !== 'text') {
                turn(draft.form)
            } else if (draft.isBare) {
                draft.isBare = false
            } else {
                ui.focusRegion('outline')
            }
        },
    },
    { id: 'draft.goals', name: 'Goals of words', group: 'Draft', keys: ['Mod+Alt+O'], scopes: inDraft, available: isThere, run: () => void (useDraft().isSettingGoals = !useDraft().isSettingGoals) },
    { id: 'draft.days', name: 'Days written', group: 'Draft', keys: ['Mod+Alt+Y'], scopes: inDraft, available: isThere, run: () => useDraft().seeDays() },
    { id: 'draft.cut', name: 'Cut, or keep after all', group: 'Draft', keys: ['Mod+Alt+X'], scopes: inDraft, available: isThere, run: () => useDraft().stamp('cut') },
    { id: 'draft.look-up', name: 'Something to look up', group: 'Draft', keys: ['Mod+Alt+L'], scopes: inDraft, available: isThere, run: () => useDraft().stamp('look-up') },
    { id: 'draft.state', name: 'How far it is: idea, drafted, revised', group: 'Draft', keys: [], scopes: inDraft, available: isThere, run: () => useDraft().goOn() },
    { id: 'draft.used', name: 'Used, or not after all', group: 'Draft', keys: ['Mod+Alt+D'], scopes: inDraft, available: isThere, run: () => useDraft().stamp('used') },
    { id: 'draft.look-ups', name: 'What is to be looked up', group: 'Draft', keys: ['Mod+Alt+U'], scopes: inDraft, available: isThere, run: () => void (useDraft().isListing = !useDraft().isListing) },
    { id: 'draft.aside', name: 'Say something to myself', group: 'Draft', keys: ['Mod+Alt+M'], scopes: inDraft, available: isThere, run: () => useDraft().hand?.wrap('{{', '}}') },
    { id: 'draft.footnote', name: 'Footnote', group: 'Draft', keys: ['Mod+Alt+N'], scopes: inDraft, available: isThere, run: () => useDraft().hand?.wrap('^[', ']') },
    { id: 'draft.hand', name: 'At hand', group: 'Draft', keys: ['Mod+Alt+A'], opens: '.at-hand', scopes: ['draft', 'field', 'outline', 'board'], available: isThere, run: () => useHand().show() },
    { id: 'draft.see', name: 'What the text leads to, beside it', group: 'Draft', keys: ['Mod+Alt+E'], scopes: inDraft, available: isThere, run: () => useHand().seeLed() },
    { id: 'draft.put', name: 'Put what is at hand into the section', group: 'Draft', keys: ['Mod+Alt+P'], scopes: ['draft', 'field', 'outline', 'board'], available: () => isThere() && useHand().open !== null, run: () => useHand().putOpen() },
    { id: 'draft.wordings', name: 'Wordings kept of this section', group: 'Draft', keys: ['Mod+Alt+V'], scopes: inDraft, available: isThere, run: () => useDraft().seeWordings() },
    { id: 'draft.returned', name: 'An editor’s copy, beside the draft', group: 'Draft', keys: [], scopes: inDraft, available: isThere, run: () => useDraft().seeReturned() },
    { id: 'draft.stop', name: 'I stop here', group: 'Draft', keys: ['Mod+Alt+K'], scopes: inDraft, available: isThere, run: () => useDraft().beginStop() },
    { id: 'draft.stopped', name: 'Go on where I stopped', group: 'Draft', keys: ['Mod+Alt+G'], scopes: inDraft, available: () => isThere() && useDraft().stop !== null, run: () => useDraft().goToStop() },
    { id: 'draft.unstop', name: 'Done with where I stopped', group: 'Draft', keys: [], scopes: inDraft, available: () => isThere() && useDraft().stop !== null, run: () => useDraft().forgetStop() },
    { id: 'draft.typewriter', name: 'Line stays in the middle', group: 'Draft', keys: ['Mod+Alt+T'], scopes: inDraft, available: isThere, run: () => void (useDraft().isTypewriter = !useDraft().isTypewriter) },
    { id: 'draft.undo', name: 'Take back, in the text', group: 'Draft', keys: ['Mod+Z'], scopes: inDraft, available: isSeen, run: (context) => useDraft().goBack(() => context.map.edit({ name: 'undo' })) },
    { id: 'draft.redo', name: 'Do again, in the text', group: 'Draft', keys: ['Mod+Shift+Z', 'Mod+Y'], scopes: inDraft, available: isSeen, run: (context) => useDraft().goBack(() => context.map.edit({ name: 'redo' })) },
]
