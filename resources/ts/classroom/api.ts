import { request } from '@/api/http'
import type { ClassAnswer, ClassesAnswer, CopyState, GivenAnswer, GivenCopy, HandOutAnswer, IdeaQuestion, IdeasAnswer, LaidOverAnswer, PupilAnswer, RubricLine } from '@/api/wire'

interface Wish { map: string; title: string; question: string; due: string | null; byTeam: boolean }
interface Said { title: string; question: string; due: string | null; model: string | null; rubric: readonly RubricLine[] }

/** What classes, their pupils and ideas by a code ask of the server. */
export const classApi = {
    all: () => request<ClassesAnswer>('GET', 'classes'),
    make: (name: string) => request<ClassAnswer>('POST', 'classes', { name }),
    one: (id: string) => request<ClassAnswer>('GET', `classes/${id}`),
    change: (id: string, change: { name?: string; isOpen?: boolean }) => request<ClassAnswer>('PATCH', `classes/${id}`, change),
    remove: (id: string) => request<{ id: string }>('DELETE', `classes/${id}`),
    addPupils: (id: string, names: readonly string[]) => request<ClassAnswer>('POST', `classes/${id}/pupils`, { names }),
    changePupil: (pupil: string, name: string, team: string | null) => request<ClassAnswer>('PATCH', `pupils/${pupil}`, { name, team }),
    removePupil: (pupil: string) => request<ClassAnswer>('DELETE', `pupils/${pupil}`),
    archive: (id: string) => `/api/classes/${id}/archive`,

    give: (id: string, wish: Wish) => request<{ id: string }>('POST', `classes/${id}/hand-outs`, wish),
    handOut: (id: string) => request<HandOutAnswer>('GET', `hand-outs/${id}`),
    say: (id: string, said: Said) => request<HandOutAnswer>('PATCH', `hand-outs/${id}`, said),
    takeBack: (id: string) => request<{ id: string }>('DELETE', `hand-outs/${id}`),
    givePart: (id: string, topic: string) => request<HandOutAnswer>('POST', `hand-outs/${id}/parts`, { topic }),
    sayTo: (id: string, text: string, copy: string | null) => request<{ told: number }>('POST', `hand-outs/${id}/words`, { text, copy }),
    csv: (id: string) => `/api/hand-outs/${id}/table.csv`,
    over: (id: string) => request<LaidOverAnswer>('GET', `hand-outs/${id}/over`),
    overDrawn: (id: string, board: string, turn: number) => `/api/hand-outs/${id}/over?drawn=${board}&turn=${turn}`,
    setState: (copy: string, state: CopyState) => request<HandOutAnswer>('PUT', `copies/${copy}/state`, { state }),
    mark: (copy: string, marks: readonly (number | null)[], words: string) => request<HandOutAnswer>('PUT', `copies/${copy}/marks`, { marks, words }),
    show: (copy: string, how: 'named' | 'nameless' | null) => request<HandOutAnswer>('PUT', `copies/${copy}/shown`, { how }),

    join: (how: { code: string; name: string } | { word: string }) => request<PupilAnswer>('POST', 'join', how),
    desk: () => request<PupilAnswer>('GET', 'pupil'),
    handIn: (copy: string) => request<GivenCopy>('PUT', `copies/${copy}/in`),
    ofMap: (map: string) => request<GivenAnswer>('GET', `maps/${map}/hand-out`),

    ideas: (map: string) => request<IdeasAnswer>('GET', `maps/${map}/ideas`),
    openIdeas: (map: string, topic: string, question: string, isLooked: boolean) => request<IdeasAnswer>('PUT', `maps/${map}/ideas`, { topic, question, isLooked }),
    closeIdeas: (map: string) => request<IdeasAnswer>('DELETE', `maps/${map}/ideas`),
    decide: (idea: string, isIn: boolean) => request<IdeasAnswer>('PUT', `ideas/${idea}`, { isIn }),
    asked: (code: string) => request<IdeaQuestion>('GET', `ideas/${encodeURIComponent(code)}`),
    send: (code: string, text: string) => request<{ isLooked: boolean }>('POST', `ideas/${encodeURIComponent(code)}`, { text }),
}

/** A code as it is read aloud: in fours. */
export const inFours = (code: string): string => code.replace(/(.{4})(?=.)/g, '$1 ')

const day = new Intl.DateTimeFormat(undefined, { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' })

/** A day until which something is wanted, and how far that is; whether it is over. */
export function dueWords(due: string | null): { words: string; isOver: boolean } | null {
    if (due === null) {
        return null
    }
    const today = new Date().toLocaleDateString('sv')
    const days = Math.round((Date.parse(due) - Date.parse(today)) / 86_400_000)
    const far = days === 0 ? 'today' : days === 1 ? 'tomorrow' : days < 0 ? (days === -1 ? 'yesterday' : `${-days} days ago`) : `in ${days} days`
    return { words: `until ${day.format(new Date(due))}, ${far}`, isOver: days < 0 }
}

export const STATES: Readonly<Record<CopyState, string>> = { open: 'Being worked on', in: 'Handed in', back: 'Given back' }
