/** What is dragged about in the library. */
export interface Dragged { what: 'map' | 'folder'; id: string }

const TYPE = 'application/x-chalk-tree-shelf'

/** Dragging maps and folders onto folders. */
export function useShelfDrag() {
    function start(event: DragEvent, what: Dragged['what'], id: string): void {
        event.dataTransfer?.setData(TYPE, JSON.stringify({ what, id }))
        if (event.dataTransfer !== null) {
            event.dataTransfer.effectAllowed = 'move'
        }
    }

    return { start }
}

export function takeDragged(event: DragEvent): Dragged | null {
    const data = event.dataTransfer?.getData(TYPE) ?? ''
    return data === '' ? null : (JSON.parse(data) as Dragged)
}
