import { request } from './http'
import type { PublishedAnswer, PublishedPagesAnswer } from './wire'

/** Pages of maps at lasting addresses; see docs/protocol.md. */
export const publishedApi = {
    all: (map: string) => request<PublishedPagesAnswer>('GET', `maps/${map}/published`),
    publish: (map: string, wish: { readonly name: string; readonly topic: string | null; readonly choices: Readonly<Record<string, string | number | boolean>>; readonly isFrozen: boolean }) => request<PublishedAnswer>('POST', `maps/${map}/published`, wish),
    change: (page: string, what: { readonly name?: string; readonly isFrozen?: boolean; readonly renew?: true; readonly move?: true }) => request<PublishedAnswer>('PATCH', `published/${page}`, what),
    withdraw: (page: string) => request<{ id: string }>('DELETE', `published/${page}`),
}
