/** What a look can say, in words; see the core's LookFields. */
export interface Choice { readonly value: string; readonly label: string }

export const shapes: readonly Choice[] = [
    { value: 'slip', label: 'Slip' }, { value: 'plate', label: 'Plate' }, { value: 'plain', label: 'Plain, no box' }, { value: 'rectangle', label: 'Rectangle' },
    { value: 'capsule', label: 'Capsule' }, { value: 'oval', label: 'Oval' }, { value: 'circle', label: 'Circle' }, { value: 'hexagon', label: 'Hexagon' },
    { value: 'rhombus', label: 'Rhombus' }, { value: 'slanted', label: 'Slanted' },
    { value: 'chalked', label: 'Chalked' }, { value: 'swept', label: 'Swept' }, { value: 'underscored', label: 'Underscored' },
]

export const faces: readonly Choice[] = [
    { value: 'clear', label: 'Clear' }, { value: 'reading', label: 'Reading serif' }, { value: 'hand', label: 'Hand' }, { value: 'mono', label: 'Mono' },
    { value: 'spacious', label: 'Spacious, for easy reading' }, { value: 'weighted', label: 'Weighted, for easy reading' },
]

export const chalkNames = ['tide', 'ember', 'heather', 'marigold', 'kelp', 'coral', 'dusk', 'samphire', 'driftwood', 'mussel'] as const

const named = (name: string): string => name.charAt(0).toUpperCase() + name.slice(1)
export const chalks: readonly Choice[] = chalkNames.map((value) => ({ value, label: named(value) }))

const inChalks = (of: readonly Choice[], sort: string, words: (name: string) => string = (name) => name): Choice[] => of.map(({ value, label }) => ({ value: `${sort}:${value}`, label: words(label) }))

/** What can be painted, given the chalks of the map. On all papers text is read at 4.5 to 1 or better. */
export const paints = (of: readonly Choice[]): Readonly<Record<'fill' | 'edge' | 'ink' | 'lineChalk', readonly Choice[]>> => ({
    fill: [
        { value: 'none', label: 'None' }, { value: 'slip', label: 'Paper' }, { value: 'tint', label: 'Tint of its chalk' }, { value: 'plate', label: 'Solid plate' },
        ...inChalks(of, 'tint', (name) => `Tint of ${name}`),
    ],
    edge: [
        { value: 'none', label: 'None' }, { value: 'edge', label: 'Faint' }, { value: 'soft', label: 'Soft' }, { value: 'ink', label: 'Ink' }, { value: 'chalk', label: 'Its chalk' },
        ...inChalks(of, 'chalk'),
    ],
    ink: [{ value: 'ink', label: 'Ink' }, { value: 'soft', label: 'Soft' }, { value: 'text', label: 'Its chalk' }, ...inChalks(of, 'text')],
    lineChalk: [{ value: 'chalk', label: 'Its chalk' }, { value: 'ink', label: 'Ink' }, { value: 'soft', label: 'Soft' }, ...inChalks(of, 'chalk')],
})

export const lines: readonly Choice[] = [{ value: 'curve', label: 'Curve' }, { value: 'straight', label: 'Straight' }, { value: 'corner', label: 'With corners' }, { value: 'none', label: 'None' }]
export const dashes: readonly Choice[] = [{ value: 'solid', label: 'Solid' }, { value: 'dashed', label: 'Dashed' }, { value: 'dotted', label: 'Dotted' }]
export const tapers: readonly Choice[] = [{ value: 'tapered', label: 'Thinner outwards' }, { value: 'even', label: 'Even' }]
export const weights: readonly Choice[] = [{ value: 'regular', label: 'Regular' }, { value: 'bold', label: 'Bold' }]
export const slants: readonly Choice[] = [{ value: 'upright', label: 'Upright' }, { value: 'slanted', label: 'Slanted' }]
export const aligns: readonly Choice[] = [{ value: 'start', label: 'From where it is read' }, { value: 'left', label: 'Left' }, { value: 'centre', label: 'Centre' }, { value: 'right', label: 'Right' }]

export const captionPlaces: readonly Choice[] = [{ value: 'below', label: 'Below the title' }, { value: 'above', label: 'Above the title' }]

/** The whole-map looks, and what each is for. */
export const wholes: readonly (Choice & { what: string })[] = [
    { value: 'work-table', label: 'Work table', what: 'for every day' },
    { value: 'long-read', label: 'Long read', what: 'quiet, for long texts' },
    { value: 'wall-sheet', label: 'Wall sheet', what: 'bold, to be read from the back of a room' },
    { value: 'thin-ink', label: 'Thin ink', what: 'saves ink when printed' },
    { value: 'school-desk', label: 'School desk', what: 'in a hand, for pupils' },
    { value: 'card-box', label: 'Card box', what: 'cards of one width' },
    { value: 'ruled-lines', label: 'Ruled lines', what: 'close, like an outline' },
]

/** Every field of a look by name, with what it is called beside its control. */
export const fieldLabels: Readonly<Record<string, string>> = {
    shape: 'Shape', fill: 'Fill', edge: 'Outline', edgeThick: 'Outline, thickness', edgeDash: 'Outline, dash', corner: 'Corner',
    face: 'Typeface', size: 'Type size', weight: 'Weight', slant: 'Slant', ink: 'Colour of the text', align: 'Alignment', caption: 'Caption', width: 'Width',
    line: 'Connector', lineThick: 'Connector, thickness', lineTaper: 'Connector, taper', lineDash: 'Connector, dash', lineChalk: 'Connector, colour',
    gap: 'Space to siblings', reach: 'Space to the parent',
}
export const fieldNames = Object.keys(fieldLabels)

const all: Readonly<Record<string, readonly Choice[]>> = {
    shape: shapes, edgeDash: dashes, face: faces, weight: weights, slant: slants, align: aligns, caption: captionPlaces,
    line: lines, lineTaper: tapers, lineDash: dashes,
}

/** A value in words, given the chalks of the map. */
export function wordsOf(field: string, value: string | number, of: readonly Choice[]): string {
    if (value === 'plate-ink') {
        return 'Light, as on a plate'
    }
    return ({ ...all, ...paints(of) })[field]?.find((choice) => choice.value === value)?.label ?? (typeof value === 'number' && field !== 'size' ? `${value} px` : String(value))
}
