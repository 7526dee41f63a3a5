import type { Action } from '@/actions/registry'

export const shareActions: readonly Action[] = [
    { id: 'map.share', name: 'Share', what: 'Who may open this map and what they may do; letting somebody in, leaving, handing it on.', group: 'Map', keys: ['Mod+Shift+F4'], scopes: ['board', 'outline', 'field'], opens: '.sharing', run: ({ ui }) => ui.toggleSide('share') },
]
