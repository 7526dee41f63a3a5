/** Text nodes of an element, in order. */
function textsIn(element: Element): Text[] {
    const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT)
    const found: Text[] = []
    for (let node = walker.nextNode(); node !== null; node = walker.nextNode()) {
        found.push(node as Text)
    }
    return found
}

const bare = (text: string): string => text.replace(/\s+/g, '')

/**
 * Where a part of a line stands within an element that shows it, wherever that breaks its lines: white space does not count.
 *
 * @returns boxes in the window; none where the line is not there
 */
export function placesOf(element: Element, line: string, at: number, length: number): DOMRect[] {
    const nodes = textsIn(element)
    const wanted = bare(line)
    const begin = nodes.map((node) => bare(node.data)).join('').indexOf(wanted)
    if (wanted === '' || begin === -1) {
        return []
    }
    const from = begin + bare(line.slice(0, at)).length
    const to = from + bare(line.slice(at, at + length)).length
    const boxes: DOMRect[] = []
    let passed = 0
    for (const node of nodes) {
        let [first, last] = [-1, -1]
        for (let i = 0; i < node.data.length; i++) {
            if (/\s/.test(node.data[i] ?? '')) {
                continue
            }
            if (passed >= from && passed < to) {
                first = first === -1 ? i : first
                last = i
            }
            passed++
        }
        if (first !== -1) {
            const range = document.createRange()
            range.setStart(node, first)
            range.setEnd(node, last + 1)
            boxes.push(...range.getClientRects())
        }
    }
    return boxes
}
