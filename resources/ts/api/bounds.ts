/** How much of anything a map takes; the server says it in the page, so that it is decided in one place. */
interface Bounds {
    /** Whether the server tells of itself what is new. */
    live: boolean
    /** Whether what is opened is kept on the device, so that it opens without a network. */
    offline: boolean
    caption: number
    file: number
    picture: number
    smallestPicture: number
    apart: number
    narrowest: number
    widest: number
    number: number
    smallestType: number
    largestType: number
}

export const bounds = JSON.parse(document.getElementById('bounds')?.textContent ?? '{}') as Bounds
