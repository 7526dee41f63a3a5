import type { Action } from '@/actions/registry'
import { notLoaded } from '@/ui/tell'

const inMap = ['board', 'outline', 'field'] as const

/** The rest comes when it is wanted. */
function withStore(run: (store: ReturnType<(typeof import('./handOverStore'))['useHandOver']>) => void): void {
    import('./handOverStore').then(({ useHandOver }) => run(useHandOver())).catch(notLoaded)
}

export const handOverActions: readonly Action[] = [
    { id: 'handover.open', name: 'Hand over …', what: 'All ways out in one place, with a preview.', group: 'Hand over', keys: ['F4'], scopes: inMap, run: () => withStore((store) => store.open()) },
    { id: 'handover.again', name: 'Hand over as last time', what: 'Makes the same file of the map as last time, without asking.', group: 'Hand over', keys: ['Shift+F4'], scopes: inMap, run: () => withStore((store) => store.again()) },
    { id: 'handover.print', name: 'Print …', what: 'On one sheet or on many, with outline, notes and worksheets.', group: 'Hand over', keys: ['Mod+P'], scopes: inMap, run: () => withStore((store) => store.open({ to: 'print' })) },
    { id: 'handover.publish', name: 'Publish …', what: 'Gives the map, or a branch, a page of its own that needs no account.', group: 'Hand over', keys: [], scopes: inMap, run: () => withStore((store) => store.open({ to: 'page' })) },
    { id: 'handover.slides', name: 'Slides as a file …', what: 'PPTX, PDF, pictures, or a page that shows itself.', group: 'Hand over', keys: [], scopes: inMap, run: () => withStore((store) => store.open({ to: 'pptx' })) },
    {
        id: 'handover.picture', name: 'Copy as a picture', what: 'The map, or the branch one has stepped into, to the clipboard, for programs that take pictures.', group: 'Hand over', keys: [], scopes: inMap,
        run: () => withStore((store) => {
            store.choices = { to: 'png' }
            void store.copy()
        }),
    },
    {
        id: 'handover.docx', name: 'To the word processor (DOCX)', what: 'Saves the map, or the branch one has stepped into, as a document with headings, lists, notes and pictures.', group: 'Hand over', keys: [], scopes: inMap,
        run: () => withStore((store) => {
            store.choices = { to: 'docx' }
            void store.save()
        }),
    },
    {
        id: 'handover.pdf', name: 'As PDF pages', what: 'Saves the map, or the branch one has stepped into, as pages for paper.', group: 'Hand over', keys: [], scopes: inMap,
        run: () => withStore((store) => {
            store.choices = { to: 'pdf' }
            void store.save()
        }),
    },
]
