/** Whether a menu is asked for by a key: browsers give such an event no button, and some a pointer all the same. */
export function isByMenuKey(event: MouseEvent): boolean {
    return event.button === -1 || (event as PointerEvent).pointerType === ''
}
