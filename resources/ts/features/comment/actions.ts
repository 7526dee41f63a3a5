import type { Action, Context } from '@/actions/registry'
import { useComments } from './commentStore'

const mayComment = ({ map }: Context): boolean => map.mayComment

export const commentActions: readonly Action[] = [
    {
        id: 'comment.open', name: 'Comments', what: 'What was said about the chosen topic, with a field to say something, and all that is open in the map.', group: 'Map', keys: ['Mod+Shift+F7'], scopes: ['board', 'outline', 'field'], opens: '.comments-panel', available: mayComment,
        run: ({ ui }) => {
            const comments = useComments()
            if (ui.side === 'comments' && document.activeElement?.closest('.comments-panel') !== null) {
                ui.side = null
                return
            }
            ui.showSide('comments')
            comments.wantsField++
        },
    },
    {
        id: 'comment.next', name: 'Next topic with comments', what: 'Goes on to the next topic about which something open was said.', group: 'Map', keys: ['Mod+Shift+F8'], scopes: ['board', 'outline', 'field'], available: (context) => mayComment(context) && useComments().open.length > 0,
        run: ({ map, ui, camera }) => {
            const topics = [...useComments().counts.keys()]
            const next = topics[(topics.indexOf(map.current ?? '') + 1) % topics.length]
            if (next !== undefined) {
                map.uncover(next, 'board')
                map.choose(next)
                ui.showSide('comments')
                map.afterAnswer(() => camera.reveal(next))
            }
        },
    },
]
