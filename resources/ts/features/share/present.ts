/** The chalks by which people are told apart, each by their number, so that everybody sees the same. */
const CHALKS = ['tide', 'ember', 'heather', 'kelp', 'marigold', 'dusk'] as const

export const chalkOf = (person: number): string => `var(--${CHALKS[person % CHALKS.length] ?? 'tide'})`

/** The first letters of the first and the last name. */
export function initials(name: string): string {
    const words = name.trim().split(/\s+/)
    return [words[0], words.length > 1 ? words.at(-1) : undefined].map((word) => [...(word ?? '')][0] ?? '').join('').toLocaleUpperCase()
}
