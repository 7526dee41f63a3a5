import type { Action } from '@/actions/registry'
import { useSession } from '@/stores/session'
import { tell } from '@/ui/tell'

const seeing = (face: string | null, name: string, what: string): Action => ({
    id: `see.face-${face ?? 'own'}`, name, what, group: 'Seeing', keys: [], scopes: ['board', 'outline', 'field'],
    available: () => (useSession().person?.face ?? null) !== face,
    run: ({ map }) => {
        useSession().changeFace(face).then(() => map.open(map.id)).catch(() => tell.error('That could not be kept. Check the network and try again.'))
    },
})

/** In which typeface this person sees every map, whatever the maps say. */
export const faceActions: readonly Action[] = [
    seeing('spacious', 'See every map in the spacious face', 'Sets all maps in a wide typeface made for easy reading, for you alone.'),
    seeing('weighted', 'See every map in the weighted face', 'Sets all maps in a typeface with heavy feet, made for easy reading, for you alone.'),
    seeing(null, 'See every map in its own faces', 'Sets each map as it says itself again.'),
]
