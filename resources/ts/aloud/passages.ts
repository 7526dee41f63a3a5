/** Something to be read in one go. */
export interface Passage {
    readonly topic: string
    /** What is seen of it where it stands: the whole line it is a part of, and where it begins there. */
    readonly line: string
    readonly from: number
    readonly text: string
}

/** Longer ones are read in parts; some voices stop by themselves in long texts, and what is being read is to be seen at a glance. */
const LONGEST = 260

/** Where a text that is too long may be parted: after the last sign of a kind within the bound. */
function parted(text: string): string[] {
    const parts: string[] = []
    let rest = text
    while (rest.length > LONGEST) {
        const head = rest.slice(0, LONGEST)
        const at = Math.max(head.lastIndexOf(', '), head.lastIndexOf('; '), head.lastIndexOf(': '))
        // No sign of two units is parted.
        const most = /[\uD800-\uDBFF]$/.test(head) ? LONGEST - 1 : LONGEST
        const cut = at > 40 ? at + 2 : head.lastIndexOf(' ') > 40 ? head.lastIndexOf(' ') + 1 : most
        parts.push(rest.slice(0, cut))
        rest = rest.slice(cut)
    }
    return rest === '' ? parts : [...parts, rest]
}

/** A line of a topic, sentence by sentence. */
export function passagesOf(topic: string, line: string, language: string): Passage[] {
    const sentences = [...new Intl.Segmenter(language, { granularity: 'sentence' }).segment(line)].map(({ segment }) => segment)
    let from = 0
    return sentences.flatMap(parted).flatMap((part) => {
        const begin = from
        from += part.length
        const text = part.trimEnd()
        return /[\p{L}\p{N}]/u.test(text) ? [{ topic, line, from: begin, text }] : []
    })
}
