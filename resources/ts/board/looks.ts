/** How one level is set and spaced; see the core's LevelLook, which the page carries. */
export interface LevelLook {
    size: number
    line: number
    bold: boolean
    padX: number
    padY: number
    widest: number
    gap: number
    reach: number
    corner: number
    spine: number
}

const { levels } = JSON.parse(document.getElementById('looks')?.textContent ?? '{"levels":[]}') as { levels: LevelLook[] }

export const deepestLevel = levels.length - 1

export function lookOf(level: number): LevelLook {
    const look = levels[Math.min(level, deepestLevel)]
    if (look === undefined) {
        throw new Error('The page carries no looks.')
    }
    return look
}
