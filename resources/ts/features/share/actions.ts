import type { Action } from '@/actions/registry'

export const shareActions: readonly Action[] = [
    { id: 'map.share', name: 'Share', group: 'Map', keys: ['Mod+Shift+F4'], scopes: ['board', 'outline', 'field'], opens: '.sharing', run: ({ ui }) => ui.toggleSide('share') },
    {
        id: 'map.follow', name: 'Follow who is here', group: 'Seeing', keys: [], scopes: ['board', 'outline', 'field'],
        available: ({ map }) => map.others.length > 0,
        run: ({ map }) => (map.followed = map.others[map.others.findIndex(({ id }) => id === map.followed) + 1]?.id ?? null),
    },
]
