import type { Action } from '@/actions/registry'
import { notLoaded } from '@/ui/tell'

const inMap = ['board', 'outline', 'field'] as const

/** The rest comes when it is wanted. */
function withStore(run: (store: ReturnType<(typeof import('./handOverStore'))['useHandOver']>) => void): void {
    import('./handOverStore').then(({ useHandOver }) => run(useHandOver())).catch(notLoaded)
}

export const handOverActions: readonly Action[] = [
    { id: 'handover.open', name: 'Hand over …', group: 'Hand over', keys: ['F4'], scopes: inMap, run: () => withStore((store) => store.open()) },
    { id: 'handover.again', name: 'Hand over as last time', group: 'Hand over', keys: ['Shift+F4'], scopes: inMap, run: () => withStore((store) => store.again()) },
    { id: 'handover.print', name: 'Print …', group: 'Hand over', keys: ['Mod+P'], scopes: inMap, run: () => withStore((store) => store.open({ to: 'print' })) },
    { id: 'handover.publish', name: 'Publish …', group: 'Hand over', keys: [], scopes: inMap, run: () => withStore((store) => store.open({ to: 'page' })) },
    { id: 'handover.slides', name: 'Slides as a file …', group: 'Hand over', keys: [], scopes: inMap, run: () => withStore((store) => store.open({ to: 'pptx' })) },
    {
        id: 'handover.picture', name: 'Copy as a picture', group: 'Hand over', keys: [], scopes: inMap,
        run: () => withStore((store) => {
            store.choices = { to: 'png' }
            void store.copy()
        }),
    },
    {
        id: 'handover.docx', name: 'To the word processor (DOCX)', group: 'Hand over', keys: [], scopes: inMap,
        run: () => withStore((store) => {
            store.choices = { to: 'docx' }
            void store.save()
        }),
    },
    {
        id: 'handover.pdf', name: 'As PDF pages', group: 'Hand over', keys: [], scopes: inMap,
        run: () => withStore((store) => {
            store.choices = { to: 'pdf' }
            void store.save()
        }),
    },
]
