import { ulid } from 'ulid'

const chances = new Uint32Array(256)
let nextChance = chances.length

/** Random numbers from 0 up to 1, fetched many at a time: one by one they take as long as drawing a topic. */
function chance(): number {
    if (nextChance === chances.length) {
        crypto.getRandomValues(chances)
        nextChance = 0
    }
    return (chances[nextChance++] ?? 0) / 2 ** 32
}

/** An id for whatever is made here; such as the server makes them. */
export const newId = (): string => ulid(undefined, chance).toLowerCase()
