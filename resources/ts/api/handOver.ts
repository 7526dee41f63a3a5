import { request } from './http'
import type { HandOverAnswer, PlanAnswer } from './wire'

/** Files of maps that take a while; see docs/protocol.md. */
export interface Wished { readonly to: string; readonly choices: Readonly<Record<string, string | number | boolean>>; readonly topic: string | null; readonly chosen: readonly string[]; readonly gaps: readonly string[]; readonly board: string }

export const handOverApi = {
    plan: (map: string, wish: Wished) => request<PlanAnswer>('GET', `maps/${map}/plan?${question(wish)}`),
    begin: (map: string, wish: Wished) => request<HandOverAnswer>('POST', `maps/${map}/handovers`, wish),
    ask: (id: string) => request<HandOverAnswer>('GET', `handovers/${id}`),
    stop: (id: string) => request<{ id: string }>('DELETE', `handovers/${id}`),
}

export const madeAddress = (id: string): string => `/api/handovers/${id}/file`

export const madePageAddress = (id: string, page: number): string => `/api/handovers/${id}/pages/${page}`

function question({ to, choices, topic, chosen, gaps, board }: Wished): string {
    const query = new URLSearchParams({ to, board, ...Object.fromEntries(Object.entries(choices).map(([name, value]) => [name, value === true ? '1' : String(value)])) })
    if (topic !== null) {
        query.set('topic', topic)
    }
    if (chosen.length > 0) {
        query.set('chosen', chosen.join(' '))
    }
    if (gaps.length > 0) {
        query.set('gaps', gaps.join(' '))
    }
    return query.toString()
}

/** The address of what is made at once: outlines, tables, pictures. */
export const wishAddress = (map: string, wish: Wished): string => `/api/maps/${map}/export?${question(wish)}`
