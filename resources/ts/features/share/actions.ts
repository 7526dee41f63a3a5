import type { Action } from '@/actions/registry'

export const shareActions: readonly Action[] = [
    { id: 'map.share', name: 'Share', what: 'Who may open this map and what they may do; letting somebody in, leaving, handing it on.', group: 'Map', keys: ['Mod+Shift+F4'], scopes: ['board', 'outline', 'field'], opens: '.sharing', run: ({ ui }) => ui.toggleSide('share') },
    {
        id: 'map.follow', name: 'Follow who is here', what: 'Goes along with somebody else who has the map open, from topic to topic; once more with the next of them, and then with nobody.', group: 'Seeing', keys: [], scopes: ['board', 'outline', 'field'],
        available: ({ map }) => map.others.length > 0,
        run: ({ map }) => (map.followed = map.others[map.others.findIndex(({ id }) => id === map.followed) + 1]?.id ?? null),
    },
]
