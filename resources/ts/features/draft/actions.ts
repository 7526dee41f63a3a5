import type { Action, Scope } from '@/actions/registry'
import { useDraft } from './draftStore'

const inDraft: readonly Scope[] = ['draft']
const anywhere: readonly Scope[] = ['board', 'outline', 'mark', 'field', 'table', 'draft']
const isThere = (): boolean => useDraft().isSeen

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
    { id: 'draft.one', name: 'This section alone, or all', what: 'Shows nothing but the section in which one writes, or the whole branch again.', group: 'Draft', keys: ['Mod+Alt+S'], scopes: inDraft, available: isThere, run: () => void (useDraft().isOneOnly = !useDraft().isOneOnly) },
    { id: 'draft.bare', name: 'Nothing but the text', what: 'Fills the window with the text alone; Escape or the same key brings the rest back.', group: 'Draft', keys: ['Mod+Alt+B'], scopes: inDraft, available: isThere, run: () => void (useDraft().isBare = !useDraft().isBare) },
    {
        id: 'draft.leave', name: 'Leave the text', what: 'Brings back what was put away, or goes to the outline.', group: 'Draft', keys: ['Escape'], scopes: inDraft, available: isThere,
        run: ({ ui }) => {
            const draft = useDraft()
            if (draft.isBare) {
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
    { id: 'draft.look-ups', name: 'What is to be looked up', what: 'Lists the sections stamped “look up”, each a way to it.', group: 'Draft', keys: ['Mod+Alt+U'], scopes: inDraft, available: isThere, run: () => void (useDraft().isListing = !useDraft().isListing) },
    { id: 'draft.aside', name: 'Say something to myself', what: 'Words between {{ and }}: they stay in the map, are not counted, and go into no file.', group: 'Draft', keys: ['Mod+Alt+M'], scopes: inDraft, available: isThere, run: () => useDraft().hand?.wrap('{{', '}}') },
    { id: 'draft.footnote', name: 'Footnote', what: 'Words between ^[ and ]: documents have them at the foot of the page.', group: 'Draft', keys: ['Mod+Alt+N'], scopes: inDraft, available: isThere, run: () => useDraft().hand?.wrap('^[', ']') },
    { id: 'draft.wordings', name: 'Wordings kept of this section', what: 'Keeps what the section says under a name, lays it beside what it says later, and takes it back.', group: 'Draft', keys: ['Mod+Alt+V'], scopes: inDraft, available: isThere, run: () => useDraft().seeWordings() },
    { id: 'draft.stop', name: 'I stop here', what: 'Leaves a mark where the caret is, with a remark for when one comes back.', group: 'Draft', keys: ['Mod+Alt+K'], scopes: inDraft, available: isThere, run: () => useDraft().beginStop() },
    { id: 'draft.stopped', name: 'Go on where I stopped', what: 'Puts the caret where the mark was left.', group: 'Draft', keys: ['Mod+Alt+G'], scopes: inDraft, available: () => isThere() && useDraft().stop !== null, run: () => useDraft().goToStop() },
    { id: 'draft.unstop', name: 'Done with where I stopped', what: 'Takes the mark away.', group: 'Draft', keys: [], scopes: inDraft, available: () => isThere() && useDraft().stop !== null, run: () => useDraft().forgetStop() },
    { id: 'draft.typewriter', name: 'Line stays in the middle', what: 'Keeps the line in which one writes at one height while the text moves.', group: 'Draft', keys: ['Mod+Alt+T'], scopes: inDraft, available: isThere, run: () => void (useDraft().isTypewriter = !useDraft().isTypewriter) },
    { id: 'draft.undo', name: 'Take back, in the text', what: 'Takes the latest step back wherever it was, and goes there.', group: 'Draft', keys: ['Mod+Z'], scopes: inDraft, available: isThere, run: (context) => useDraft().goBack(() => context.map.edit({ name: 'undo' })) },
    { id: 'draft.redo', name: 'Do again, in the text', what: 'Does again what was taken back last, and goes there.', group: 'Draft', keys: ['Mod+Shift+Z', 'Mod+Y'], scopes: inDraft, available: isThere, run: (context) => useDraft().goBack(() => context.map.edit({ name: 'redo' })) },
]
