import { useCamera } from '@/board/cameraStore'
import { useMap } from '@/stores/map'

/** Where files are brought: into a topic, or to a place on the board. */
export type Target = { readonly topic: string } | { readonly x: number; readonly y: number }

/** A feature that takes files of a sort, or, where it says nothing of the sort, those that no other takes. */
export interface Taker { readonly takes?: (file: File) => boolean; readonly bring: (files: readonly File[], to: Target) => void }
export const takers: Taker[] = []

/** Gives files to those who take them. */
export function bring(files: readonly File[], to: Target): void {
    const shares = new Map<Taker, File[]>()
    for (const file of files) {
        const taker = takers.find(({ takes }) => takes?.(file) === true) ?? takers.find(({ takes }) => takes === undefined)
        if (taker !== undefined) {
            shares.set(taker, [...(shares.get(taker) ?? []), file])
        }
    }
    for (const [taker, share] of shares) {
        taker.bring(share, to)
    }
}

/** The chosen topic, or a free place where none is. */
export const hereOr = (topic: string | null): Target => (topic === null ? useCamera().freePoint() : { topic })

/** Where files go that were dropped or pasted at a point of the window; null where nothing takes them. */
export function targetAt(x: number, y: number): Target | null {
    const map = useMap()
    const element = document.elementFromPoint(x, y)
    const line = element?.closest('.outline [role=treeitem]')?.id
    const topic = element?.closest<HTMLElement>('[data-topic]')?.dataset.topic ?? (line?.startsWith('line-') === true ? line.slice(5) : undefined)
    if (topic !== undefined && map.tree.topics.has(topic)) {
        return { topic }
    }
    const point = element?.closest('[data-region=board]') == null || map.scope !== null ? undefined : useCamera().handle?.toBoard(x, y)
    return point === undefined ? null : { x: point.x, y: point.y }
}
