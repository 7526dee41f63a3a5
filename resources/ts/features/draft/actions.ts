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
        id: 'way.draft', name: 'Draft', what: 'Shows the branch as one text to write in: each topic a section, its note the text.', group: 'Seeing', keys: ['Alt+4'], scopes: anywhere,
        run: ({ map, preferences, ui }) => {
            preferences.way = 'draft'
            ui.phoneView = 'draft'
            map.region = 'outline'
        },
    },
    { id: 'draft.begin', name: 'Begin a section here', what: 'A new section after this one; what stands behind the caret goes with it.', group: 'Draft', keys: ['Mod+Enter'], scopes: inDraft, available: isThere, run: () => useDraft().begin() },
    { id: 'draft.join', name: 'Join with the section before', what: 'The text of this section goes on where the one before it ends.', group: 'Draft', keys: ['Mod+Alt+J'], scopes: inDraft, available: isThere, run: () => useDraft().join() },
    { id: 'draft.next', name: 'Next section', what: 'Puts the caret at the beginning of the next section.', group: 'Draft', keys: ['Mod+Alt+ArrowDown'], scopes: inDraft, available: isThere, run: ({ map }) => map.current !== null && void useDraft().step(map.current, 1, useDraft().all) },
    { id: 'draft.before', name: 'Section before', what: 'Puts the caret at the end of the section before.', group: 'Draft', keys: ['Mod+Alt+ArrowUp'], scopes: inDraft, available: isThere, run: ({ map }) => map.current !== null && void useDraft().step(map.current, -1, useDraft().all) },
    { id: 'draft.title', name: 'Heading of the section', what: 'Puts the caret into the heading.', group: 'Draft', keys: ['F2'], scopes: inDraft, available: isThere, run: ({ map }) => map.current !== null && useDraft().enter(map.current, 'title') },
    { id: 'draft.threads', name: 'Threads, or the text', what: 'Shows who or what is in which chapter or scene, and where it is away; the same key leads back to the text.', group: 'Draft', keys: ['Mod+Alt+R'], scopes: ['draft', 'field', 'outline', 'board'], available: isSeen, run: () => turn('threads') },
    { id: 'draft.shape', name: 'Shape, or the text', what: 'Shows words and tension along the scenes; the same key leads back to the text.', group: 'Draft', keys: ['Mod+Alt+W'], scopes: ['draft', 'field', 'outline', 'board'], available: isSeen, run: () => turn('shape') },
    { id: 'draft.plan', name: 'Plan chapters and scenes', what: 'Makes the chosen branches chapters and what is below them scenes, and shows all scenes as a table.', group: 'Draft', keys: ['Mod+Alt+C'], scopes: ['board', 'outline', 'table', 'draft'], run: () => usePlan().make() },
    { id: 'draft.cast', name: 'Table of all characters', what: 'Shows everybody who has a sheet as a row, with what it says under columns.', group: 'Draft', keys: [], scopes: ['board', 'outline', 'table', 'draft'], run: () => usePlan().seeCast() },
    { id: 'draft.one', name: 'This section alone, or all', what: 'Shows nothing but the section in which one writes, or the whole branch again.', group: 'Draft', keys: ['Mod+Alt+S'], scopes: inDraft, available: isThere, run: () => void (useDraft().isOneOnly = !useDraft().isOneOnly) },
    { id: 'draft.bare', name: 'Nothing but the text', what: 'Fills the window with the text alone; Escape or the same key brings the rest back.', group: 'Draft', keys: ['Mod+Alt+B'], scopes: inDraft, available: isThere, run: () => void (useDraft().isBare = !useDraft().isBare) },
    {
        id: 'draft.leave', name: 'Leave the text', what: 'Brings back what was put away, or goes to the outline.', group: 'Draft', keys: ['Escape'], scopes: inDraft, available: isSeen,
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
    { id: 'draft.goals', name: 'Goals of words', what: 'Says how many words the section, its chapter and the whole are to have.', group: 'Draft', keys: ['Mod+Alt+O'], scopes: inDraft, available: isThere, run: () => void (useDraft().isSettingGoals = !useDraft().isSettingGoals) },
    { id: 'draft.days', name: 'Days written', what: 'Shows on which days you wrote in this map, and how many words.', group: 'Draft', keys: ['Mod+Alt+Y'], scopes: inDraft, available: isThere, run: () => useDraft().seeDays() },
    { id: 'draft.cut', name: 'Cut, or keep after all', what: 'Stamps the section as cut: it stays, and is counted no more with what is below it.', group: 'Draft', keys: ['Mod+Alt+X'], scopes: inDraft, available: isThere, run: () => useDraft().stamp('cut') },
    { id: 'draft.look-up', name: 'Something to look up', what: 'Stamps the section “look up”, or takes that off; the list of them is above the text.', group: 'Draft', keys: ['Mod+Alt+L'], scopes: inDraft, available: isThere, run: () => useDraft().stamp('look-up') },
    { id: 'draft.state', name: 'How far it is: idea, drafted, revised', what: 'Stamps the section with the next of these; after the last it says nothing.', group: 'Draft', keys: [], scopes: inDraft, available: isThere, run: () => useDraft().goOn() },
    { id: 'draft.used', name: 'Used, or not after all', what: 'Stamps the section as used, as a note of which the text has been taken.', group: 'Draft', keys: ['Mod+Alt+D'], scopes: inDraft, available: isThere, run: () => useDraft().stamp('used') },
    { id: 'draft.look-ups', name: 'What is to be looked up', what: 'Lists the sections stamped “look up”, each a way to it.', group: 'Draft', keys: ['Mod+Alt+U'], scopes: inDraft, available: isThere, run: () => void (useDraft().isListing = !useDraft().isListing) },
    { id: 'draft.aside', name: 'Say something to myself', what: 'Words between {{ and }}: they stay in the map, are not counted, and go into no file.', group: 'Draft', keys: ['Mod+Alt+M'], scopes: inDraft, available: isThere, run: () => useDraft().hand?.wrap('{{', '}}') },
    { id: 'draft.footnote', name: 'Footnote', what: 'Words between ^[ and ]: documents have them at the foot of the page.', group: 'Draft', keys: ['Mod+Alt+N'], scopes: inDraft, available: isThere, run: () => useDraft().hand?.wrap('^[', ']') },
    { id: 'draft.hand', name: 'At hand', what: 'Opens who and what the section names beside the text, with the caret where one finds any sheet or note by a few letters; Escape goes back into the sentence.', group: 'Draft', keys: ['Mod+Alt+A'], opens: '.at-hand', scopes: ['draft', 'field', 'outline', 'board'], available: isThere, run: () => useHand().show() },
    { id: 'draft.see', name: 'What the text leads to, beside it', what: 'Opens the note to which a link leads at the caret, or next behind it, at hand beside the text, also one of another map.', group: 'Draft', keys: ['Mod+Alt+E'], scopes: inDraft, available: isThere, run: () => useHand().seeLed() },
    { id: 'draft.put', name: 'Put what is at hand into the section', what: 'Puts what is marked in the note at hand, or all of it, where the caret is, with the way back; the note is stamped as used.', group: 'Draft', keys: ['Mod+Alt+P'], scopes: ['draft', 'field', 'outline', 'board'], available: () => isThere() && useHand().open !== null, run: () => useHand().putOpen() },
    { id: 'draft.wordings', name: 'Wordings kept of this section', what: 'Keeps what the section says under a name, lays it beside what it says later, and takes it back.', group: 'Draft', keys: ['Mod+Alt+V'], scopes: inDraft, available: isThere, run: () => useDraft().seeWordings() },
    { id: 'draft.returned', name: 'An editor’s copy, beside the draft', what: 'Lays a DOCX that came back beside the draft, with its changes and remarks, to be taken over piece by piece.', group: 'Draft', keys: [], scopes: inDraft, available: isThere, run: () => useDraft().seeReturned() },
    { id: 'draft.stop', name: 'I stop here', what: 'Leaves a mark where the caret is, with a remark for when one comes back.', group: 'Draft', keys: ['Mod+Alt+K'], scopes: inDraft, available: isThere, run: () => useDraft().beginStop() },
    { id: 'draft.stopped', name: 'Go on where I stopped', what: 'Puts the caret where the mark was left.', group: 'Draft', keys: ['Mod+Alt+G'], scopes: inDraft, available: () => isThere() && useDraft().stop !== null, run: () => useDraft().goToStop() },
    { id: 'draft.unstop', name: 'Done with where I stopped', what: 'Takes the mark away.', group: 'Draft', keys: [], scopes: inDraft, available: () => isThere() && useDraft().stop !== null, run: () => useDraft().forgetStop() },
    { id: 'draft.typewriter', name: 'Line stays in the middle', what: 'Keeps the line in which one writes at one height while the text moves.', group: 'Draft', keys: ['Mod+Alt+T'], scopes: inDraft, available: isThere, run: () => void (useDraft().isTypewriter = !useDraft().isTypewriter) },
    { id: 'draft.undo', name: 'Take back, in the text', what: 'Takes the latest step back wherever it was, and goes there.', group: 'Draft', keys: ['Mod+Z'], scopes: inDraft, available: isSeen, run: (context) => useDraft().goBack(() => context.map.edit({ name: 'undo' })) },
    { id: 'draft.redo', name: 'Do again, in the text', what: 'Does again what was taken back last, and goes there.', group: 'Draft', keys: ['Mod+Shift+Z', 'Mod+Y'], scopes: inDraft, available: isSeen, run: (context) => useDraft().goBack(() => context.map.edit({ name: 'redo' })) },
]
