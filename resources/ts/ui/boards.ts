import type { Calm } from '@/api/wire'

export type BoardName = Calm['board']

/** The boards, as the core's BoardTheme has them. */
export const boards: readonly { readonly name: BoardName; readonly label: string }[] = [
    { name: 'day', label: 'Day' }, { name: 'cream', label: 'Cream' }, { name: 'mint', label: 'Mint' }, { name: 'sky', label: 'Sky' },
    { name: 'rose', label: 'Rose' }, { name: 'grey', label: 'Grey' }, { name: 'slate', label: 'Slate' }, { name: 'contrast', label: 'High contrast' },
]

export const isDark = (board: BoardName): boolean => board === 'slate'
