/** How one level is set and spaced; see the core's Look, which the page carries. */
export interface Look {
    readonly type: { readonly size: number; readonly line: number; readonly bold: boolean; readonly isCentred: boolean; readonly ink: string }
    readonly box: { readonly padX: number; readonly padY: number; readonly widest: number; readonly corner: number; readonly spine: number }
    readonly spacing: { readonly gap: number; readonly reach: number }
}

const { levels } = JSON.parse(document.getElementById('looks')?.textContent ?? '{"levels":[]}') as { levels: Look[] }

export const deepestLevel = levels.length - 1

export function lookOf(level: number): Look {
    const look = levels[Math.min(level, deepestLevel)]
    if (look === undefined) {
        throw new Error('The page carries no looks.')
    }
    return look
}
