import { useFileState } from '@/features/file/fileState'
import { filesOf } from '@/features/file/files'
import { useOuts } from '@/features/link/outStore'
import { usePictures } from '@/features/picture/pictureStore'
import { useMap } from '@/stores/map'
import { withoutHeld } from '@/stores/privacy'
import { topicName } from '@/text/titleMarkdown'

/** Something at a topic that can be shown large, or gone to, without leaving the walk. */
export interface Thing {
    readonly key: string
    readonly text: string
    /** The topic it leads to; else it opens. */
    readonly topic: string | null
    readonly open: () => void
}

/** The picture of a topic, its files, the pages and topics it leads to. */
export function thingsAt(topic: string): Thing[] {
    const map = useMap()
    const pictures = usePictures()
    const files = useFileState()
    const outs = useOuts()
    const tree = withoutHeld(map.tree)
    const picture = pictures.pictureOf(topic)
    const things: Thing[] = picture === undefined ? [] : [{ key: 'picture', text: `Picture${typeof picture.fields.about === 'string' && picture.fields.about !== '' ? `: ${picture.fields.about}` : ''}`, topic: null, open: () => (pictures.opened = topic) }]
    for (const file of filesOf(map.tree, topic)) {
        things.push({ key: file.id, text: file.name, topic: null, open: () => files.open(file) })
    }
    for (const out of outs.of(topic)) {
        if (out.kind === 'web') {
            const title = out.title === '' ? out.to : out.title
            things.push({ key: out.id, text: title, topic: null, open: () => (outs.page = { address: out.to, title }) })
        } else if (out.kind === 'here' && tree.topics.has(out.to)) {
            things.push({ key: out.id, text: `To “${topicName(tree.topics.get(out.to)?.title)}”`, topic: out.to, open: () => undefined })
        }
    }
    return things
}

export const isAnyOpen = (): boolean => usePictures().opened !== null || useFileState().opened !== null || useOuts().page !== null

export function closeOpened(): void {
    if (isAnyOpen()) {
        usePictures().opened = null
        useFileState().opened = null
        useOuts().page = null
        document.querySelector<HTMLElement>('.board')?.focus({ preventScroll: true })
    }
}
