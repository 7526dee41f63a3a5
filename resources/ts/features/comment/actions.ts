import type { Action, Context } from '@/actions/registry'
import { notLoaded } from '@/ui/tell'
import { useCommentCounts } from './commentCounts'

const mayComment = ({ map }: Context): boolean => map.mayComment

export const commentActions: readonly Action[] = [
    {
        id: 'comment.open', name: 'Comments', group: 'Map', keys: ['Mod+Shift+F7'], scopes: ['board', 'outline', 'field'], opens: '.comments-panel', available: mayComment,
        run: ({ ui }) => {
            if (ui.side === 'comments' && document.activeElement?.closest('.comments-panel') !== null) {
                ui.side = null
                return
            }
            ui.showSide('comments')
            import('./commentStore').then(({ useComments }) => useComments().wantsField++).catch(notLoaded)
        },
    },
    {
        id: 'comment.next', name: 'Next topic with comments', group: 'Map', keys: ['Mod+Shift+F8'], scopes: ['board', 'outline', 'field'], available: (context) => mayComment(context) && useCommentCounts().counts.size > 0,
        run: ({ map, ui, camera }) => {
            const topics = [...useCommentCounts().counts.keys()]
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
