import { request, requestFile, sendLast } from './http'
import type {
    BesideAnswer, BlocksAnswer, CalendarAnswer, CardAnswer, ChecksAnswer, CommentsAnswer, CountAnswer, DaysAnswer, HandAnswer, PassagesAnswer, ReadingAnswer, ReturnedAnswer, ShapeAnswer, TextAnswer, ThreadGridAnswer, Calm, CellsAnswer, ChalkAnswer, ClipAnswer, CompareAnswer, CopyAnswer, DigestAnswer, DraftAnswer, DigestCopy, Draft, DrawingsAnswer, Edit, EditsAnswer, FactsAnswer, Find, FilterAnswer, FindAnswer, HistoryAnswer, HitsAnswer, KindsAnswer, Landed, LegendAnswer, LetterAnswer, LibraryAnswer, LinksAnswer, LookReasonsAnswer, LooksAnswer, MeantAnswer, MeAnswer, OpenAnswer, PageAnswer, PointingAnswer, VersionsAnswer, WordingAnswer, SentencesAnswer,
    Person, PictureAnswer, Place, QuickAnswer, RehearsalAnswer, RemindersAnswer, ReplaceAnswer, RulesAnswer, SharesAnswer, StampsAnswer, StartersAnswer, TableAnswer, TableFileAnswer, TodosAnswer, ToldAnswer, TrashAnswer, TriesAnswer, View,
} from './wire'

interface Entered { person: Person }
/** Or a code is asked for besides the password. */
export type EnteredOrAsked = Entered | { person: null; wants: 'code' }
interface Made { id: string }

/** The second view beside the first is the same page in a frame; it has folds and a scope of its own. */
export const pane = new URLSearchParams(location.search).get('pane') === 'second' ? 'second' : 'first'

/** What is shared: a map, or a folder with all that is in it. */
export interface Shared { sort: 'map' | 'folder'; id: string }

export interface MapChange { folder?: string | null; favourite?: boolean; starter?: boolean }

/** Every call the application makes, by what it is for. */
export const api = {
    me: () => request<MeAnswer>('GET', 'me'),
    keepKeys: (keys: Readonly<Record<string, readonly string[]>>) => request<{ person: Person }>('PUT', 'me/keys', { keys }),
    register: (name: string, email: string) => request<LetterAnswer>('POST', 'register', { name, email }),
    finishRegistration: (token: string, password: string) => request<Entered>('POST', 'register/finish', { token, password }),
    signIn: (email: string, password: string) => request<EnteredOrAsked>('POST', 'sign-in', { email, password }),
    sayCode: (code: string) => request<Entered>('POST', 'sign-in/code', { code }),
    demo: () => request<Entered>('POST', 'demo'),
    signOut: () => request<{ person: null }>('POST', 'sign-out'),
    forgotPassword: (email: string) => request<LetterAnswer>('POST', 'forgot-password', { email }),
    resetPassword: (token: string, email: string, password: string) =>
        request<EnteredOrAsked>('POST', 'reset-password', { token, email, password }),

    library: () => request<LibraryAnswer>('GET', 'maps'),
    /** The id is chosen here, so that asking again for want of an answer makes no second map; the same for the next two. */
    newMap: (id: string, folder: string | null = null, starter: string | null = null) => request<Made>('POST', 'maps', { id, folder, starter }),
    importFile: (id: string, file: File, folder: string | null = null) =>
        request<Made>('POST', `maps/import?${new URLSearchParams({ id, name: file.name, ...(folder === null ? {} : { folder }) }).toString()}`, file),
    /** The same of a file that came in pieces; see files.ts. */
    importSent: (id: string, upload: string, name: string, folder: string | null = null) =>
        request<Made>('POST', `maps/import?${new URLSearchParams({ id, upload, name, ...(folder === null ? {} : { folder }) }).toString()}`, new Blob()),
    duplicate: (id: string, map: string) => request<Made>('POST', `maps/${map}/duplicate`, { id }),
    changeMap: (map: string, change: MapChange) => request<Made>('PATCH', `maps/${map}`, change),
    trash: (map: string) => request<Made>('DELETE', `maps/${map}`),
    restore: (map: string) => request<Made>('POST', `maps/${map}/restore`),
    emptyTrash: () => request<{ maps: number }>('DELETE', 'trash'),
    starters: () => request<StartersAnswer>('GET', 'starters'),
    newFolder: (name: string, parent: string | null) => request<Made>('POST', 'folders', { name, parent }),
    changeFolder: (folder: string, change: { name?: string; parent?: string | null }) => request<Made>('PATCH', `folders/${folder}`, change),
    removeFolder: (folder: string) => request<Made>('DELETE', `folders/${folder}`),

    /** What people say to each other about topics. */
    comments: (map: string) => request<CommentsAnswer>('GET', `maps/${map}/comments`),
    say: (map: string, comment: { id: string; topic: string; parent: string | null; text: string }) => request<CommentsAnswer>('POST', `maps/${map}/comments`, comment),
    changeComment: (comment: string, text: string) => request<CommentsAnswer>('PATCH', `comments/${comment}`, { text }),
    resolveComment: (comment: string, resolved: boolean) => request<CommentsAnswer>('PUT', `comments/${comment}/resolved`, { resolved }),
    removeComment: (comment: string) => request<CommentsAnswer>('DELETE', `comments/${comment}`),
    told: () => request<ToldAnswer>('GET', 'told'),
    seeComments: (map: string) => request<ToldAnswer>('PUT', `maps/${map}/comments/seen`),

    /** Who may open a map or a folder; letting them in, asking, leaving, handing on, and whom one blocks. */
    shares: (of: Shared) => request<SharesAnswer>('GET', `${of.sort}s/${of.id}/shares`),
    share: (of: Shared, email: string, role: string, words = '') => request<SharesAnswer>('POST', `${of.sort}s/${of.id}/shares`, { email, role, words }),
    changeShare: (share: string, role: string) => request<Made>('PATCH', `shares/${share}`, { role }),
    endShare: (share: string) => request<Made>('DELETE', `shares/${share}`),
    askFor: (map: string, words: string) => request<{ message: string }>('POST', 'asks', { map, words }),
    decline: (map: string, person: number) => request<SharesAnswer>('DELETE', `maps/${map}/asks/${person}`),
    offerMap: (map: string, email: string | null) => request<SharesAnswer>('PUT', `maps/${map}/offer`, { email }),
    takeMap: (map: string) => request<SharesAnswer>('POST', `maps/${map}/take`),
    /** Ways into a map without an account. */
    links: (map: string) => request<LinksAnswer>('GET', `maps/${map}/links`),
    makeLink: (map: string, wish: { topic: string | null; until: string | null; password: string | null; notes: boolean; files: boolean; copying: boolean }) => request<LinksAnswer>('POST', `maps/${map}/links`, wish),
    sendLink: (link: string, email: string, words: string) => request<{ sent: boolean }>('POST', `links/${link}/letter`, { email, words }),
    withdrawLink: (link: string) => request<LinksAnswer>('DELETE', `links/${link}`),
    blocks: () => request<BlocksAnswer>('GET', 'blocks'),
    block: (email: string) => request<BlocksAnswer>('POST', 'blocks', { email }),
    unblock: (block: string) => request<BlocksAnswer>('DELETE', `blocks/${block}`),

    quick: (words: string, map: string) => request<QuickAnswer>('GET', `quick?${new URLSearchParams({ words, ...(map === '' ? {} : { map }) }).toString()}`),
    find: (find: Find, fields: string[], map: string | null, topics: string[] | null) =>
        request<FindAnswer>('POST', map === null ? 'find' : `maps/${map}/find`, { find, fields, ...(topics === null ? {} : { topics }) }),
    replace: (find: Find, fields: string[], text: string, hits: Record<string, string[]>) =>
        request<ReplaceAnswer>('POST', 'replace', { find, fields, with: text, hits }),

    open: (map: string) => request<OpenAnswer>('GET', `maps/${map}?pane=${pane}`),
    edit: (map: string, since: number, edits: Edit[]) => request<EditsAnswer>('POST', `maps/${map}/edits?pane=${pane}`, { since, edits }),
    /** Where others may see one, "at" says where one is; undefined where nobody can. */
    news: (map: string, since: number, at?: string, listening = false) => request<EditsAnswer>('GET', `maps/${map}/edits?since=${since}&pane=${pane}${at === undefined ? '' : `&at=${at}`}${listening ? '&listening=1' : ''}`),
    look: (map: string, since: number, view: View) => request<EditsAnswer>('PUT', `maps/${map}/view?pane=${pane}`, { since, ...view }),
    tries: (map: string, tries: readonly (readonly Edit[])[], board = false, branch: string | null = null) => request<TriesAnswer>('POST', `maps/${map}/tries?pane=${pane}`, { tries, board, branch }),
    why: (map: string, topic: string) => request<LookReasonsAnswer>('GET', `maps/${map}/topics/${topic}/look`),
    looks: () => request<LooksAnswer>('GET', 'looks'),
    kinds: () => request<KindsAnswer>('GET', 'kinds'),
    facts: (map: string, topic: string) => request<FactsAnswer>('GET', `maps/${map}/topics/${topic}/facts`),
    todos: (map: string) => request<TodosAnswer>('GET', `maps/${map}/todos`),
    reminders: () => request<RemindersAnswer>('GET', 'reminders'),
    putReminderAway: (map: string, topic: string) => request<RemindersAnswer>('DELETE', `maps/${map}/topics/${topic}/reminder`),
    rules: (map: string) => request<RulesAnswer>('GET', `maps/${map}/rules`),
    hits: (map: string, when: unknown) => request<HitsAnswer>('POST', `maps/${map}/hits`, { when }),
    /** How words are understood that say which topics are meant, or a filter of the map. */
    filter: (map: string, what: { text?: string; filter?: string; scope: string | null }) => request<FilterAnswer>('POST', `maps/${map}/filter`, what),
    /** Which of the topics in view are meant, which is told sooner. */
    filterAmong: (map: string, text: string, among: readonly string[]) => request<HitsAnswer>('POST', `maps/${map}/filter/among`, { text, among }),
    /** A wording that was kept, beside what its section says now. */
    wording: (map: string, wording: string) => request<WordingAnswer>('GET', `maps/${map}/wordings/${wording}`),
    /** Who and what a section of a draft has to do with; a topic to be read beside it, of any map. */
    hand: (map: string, topic: string) => request<HandAnswer>('GET', `maps/${map}/draft/hand?topic=${topic}`),
    reading: (map: string, topic: string) => request<ReadingAnswer>('GET', `maps/${map}/topics/${topic}/reading`),
    threads: (map: string, branch: string, rows: string, by: string) => request<ThreadGridAnswer>('GET', `maps/${map}/draft/threads?branch=${branch}&rows=${rows}&by=${by}`),
    shape: (map: string, branch: string) => request<ShapeAnswer>('GET', `maps/${map}/draft/shape?branch=${branch}`),
    checks: (map: string, branch: string) => request<ChecksAnswer>('GET', `maps/${map}/draft/checks?branch=${branch}`),
    /** A manuscript that came back, laid against the draft. */
    returned: (map: string, branch: string, file: File) => request<ReturnedAnswer>('POST', `maps/${map}/draft/returned?branch=${branch}`, file),
    /** A text file as a note; passages of notes that are marked by a word. */
    readText: (map: string, file: File, changed: string) => request<TextAnswer>('POST', `maps/${map}/notes/read?${new URLSearchParams({ name: file.name, changed }).toString()}`, file),
    passages: (map: string, mark: string, branch: string | null) => request<PassagesAnswer>('POST', `maps/${map}/passages`, { mark, branch }),
    /** How many words a draft has. */
    writingDays: (map: string) => request<DaysAnswer>('GET', `maps/${map}/draft/days`),
    countWords: (map: string, text: string) => request<CountAnswer>('POST', `maps/${map}/draft/words`, { text }),
    draft: (map: string, branch: string, topic: string) => request<DraftAnswer>('GET', `maps/${map}/draft?branch=${branch}&topic=${topic}`),
    digest: (map: string, topic: string) => request<DigestAnswer>('GET', `maps/${map}/topics/${topic}/digest`),
    table: (map: string, what: { table: string | null; branch: string | null; text: string; topics: readonly string[]; known: string | null; from?: string; to?: string }) => request<TableAnswer>('POST', `maps/${map}/table`, what),
    /** The address at which other calendars read a map: told, made anew, withdrawn. */
    calendar: (map: string, method: 'GET' | 'POST' | 'DELETE') => request<CalendarAnswer>(method, `maps/${map}/calendar`),
    /** The cells of some rows, and nothing else. */
    cells: (map: string, what: { table: string | null; branch: string | null; text: string; topics: readonly string[] }) => request<CellsAnswer>('POST', `maps/${map}/table`, { ...what, only: true }),
    /** What a table in a file would bring. */
    tableFile: (map: string, file: Blob) => request<TableFileAnswer>('POST', `maps/${map}/table/file`, file),
    digestCopy: (map: string, topic: string, trail: boolean) => request<DigestCopy>('GET', `maps/${map}/topics/${topic}/digest/copy?trail=${trail ? 1 : 0}`),
    sendDigest: (map: string, topic: string, to: string, trail: boolean) => request<{ sent: boolean }>('POST', `maps/${map}/topics/${topic}/digest/letter`, { to, trail }),
    /** The topics of all maps that are meant, after those of a map. */
    meant: (text: string, after: string | null) => request<MeantAnswer>('POST', 'meant', { text, after }),
    keepZone: (zone: string) => request<{ person: Person }>('PUT', 'me/zone', { zone }),
    stamps: () => request<StampsAnswer>('GET', 'stamps'),
    legend: (map: string) => request<LegendAnswer>('GET', `maps/${map}/legend`),
    /** What a topic is, or the root of a map, for who is not there. */
    card: (map: string, topic: string | null) => request<CardAnswer>('GET', topic === null ? `maps/${map}/card` : `maps/${map}/topics/${topic}/card`),
    /** Makes a map of a branch, under an id chosen here. */
    ownMap: (map: string, topic: string, id: string) => request<Made>('POST', `maps/${map}/topics/${topic}/own-map`, { id }),
    pointing: (map: string, topic: string) => request<PointingAnswer>('GET', `maps/${map}/topics/${topic}/pointing`),
    page: (map: string, address: string, again = false) => request<PageAnswer>('POST', `maps/${map}/pages`, { address, again }),
    sentences: (map: string, against: string | null = null) => request<SentencesAnswer>('GET', `maps/${map}/sentences${against === null ? '' : `?${new URLSearchParams({ with: against }).toString()}`}`),
    drawings: (words: string) => request<DrawingsAnswer>('GET', `drawings?${new URLSearchParams({ words }).toString()}`),
    bringPicture: (map: string, file: Blob) => request<PictureAnswer>('POST', `maps/${map}/pictures`, file),
    /** How well a colour as “#2b7f86” serves as a chalk. */
    chalk: (colour: string) => request<ChalkAnswer>('GET', `chalks/${colour.slice(1)}`),
    keepCalm: (calm: Calm) => request<{ person: Person }>('PUT', 'me/calm', calm),
    keepFace: (face: string | null) => request<{ person: Person }>('PUT', 'me/face', { face }),
    rehearse: (map: string, edit: Edit) => request<RehearsalAnswer>('POST', `maps/${map}/rehearsal`, { edit }),
    clip: (map: string, text: string, html: string, source: string | null, headings: boolean) =>
        request<ClipAnswer>('POST', `maps/${map}/clip`, { text, html, source, headings }),
    clipDocument: (map: string, file: File) => request<ClipAnswer>('POST', `maps/${map}/clip/document?${new URLSearchParams({ name: file.name.slice(-200) }).toString()}`, file),
    clipPicture: (map: string, as: string, lines: Landed[], board: string) => request<{ picture: string }>('POST', `maps/${map}/clip/picture`, { as, lines, board }),
    copy: (map: string, topics: string[], alone = false) => request<CopyAnswer>('POST', `maps/${map}/copy`, { topics, alone }),
    compare: (map: string, seq: number) => request<CompareAnswer>('GET', `maps/${map}/history/${seq}`),
    /** Another map, or a file, laid beside a map: what is otherwise in it, or both drawn on one board. */
    beside: (map: string, other: string | File, moments: Moments) => request<BesideAnswer>(...besideOf(map, other, moments)),
    besideDrawn: (map: string, other: string | File, moments: Moments, board: string) => requestFile(...besideOf(map, other, moments, board)),
    pastBranch: (map: string, seq: number, topic: string) => request<{ topics: Draft[] }>('GET', `maps/${map}/history/${seq}/branch/${topic}`),
    emptyMapTrash: (map: string) => request<{ topics: number }>('DELETE', `maps/${map}/trash`),
    nameVersion: (map: string, seq: number, name: string | null) => request<VersionsAnswer>('PUT', `maps/${map}/history/${seq}/name`, { name }),
    history: (map: string, before?: number) =>
        request<HistoryAnswer>('GET', `maps/${map}/history${before === undefined ? '' : `?before=${before}`}`),
    removed: (map: string) => request<TrashAnswer>('GET', `maps/${map}/trash`),
}

/** Which moments of both are meant: of the other map and of the own one, by the numbers of edits; null for as they are. */
export interface Moments { at: number | null; since: number | null }

function besideOf(map: string, other: string | File, { at, since }: Moments, drawn?: string): [method: string, path: string, file?: File] {
    const asked = new URLSearchParams({ ...(drawn === undefined ? {} : { drawn }), ...(other instanceof File ? { name: other.name.slice(-200) } : at === null ? {} : { at: String(at) }), ...(since === null ? {} : { since: String(since) }) }).toString()
    return other instanceof File ? ['POST', `maps/${map}/beside/file?${asked}`, other] : ['GET', `maps/${map}/beside/${other}?${asked}`]
}

/** Sends edits as the page goes away, if they are few enough for that; they are kept and sent again next time. */
export function leaveEdits(map: string, edits: readonly Edit[]): void {
    const body = { since: 0, edits }
    if (JSON.stringify(body).length < 60_000) {
        sendLast(`maps/${map}/edits?pane=${pane}`, body)
    }
}

/** Keeps what is chosen and folded as the page goes away. */
export function leaveView(map: string, since: number, view: View): void {
    sendLast(`maps/${map}/view?pane=${pane}`, { since, ...view }, 'PUT')
}

/** Keeps where the board is left, even as the page goes away. Nobody waits for that, and nothing is lost if it fails. */
export function leavePlace(map: string, place: Place): void {
    sendLast(`maps/${map}/place?pane=${pane}`, place, 'PUT')
}

/** Says where one is in a map, for others to see; nobody waits for that. */
export function sayWhere(map: string, at: string | null, text: 'title' | 'note' | null, caret: number | null): void {
    sendLast(`maps/${map}/here`, { at, in: text, caret }, 'PUT')
}

/** Says that one has a map open no more. */
export function leaveHere(map: string): void {
    sendLast(`maps/${map}/here`, {}, 'DELETE')
}

let early: { map: string; answer: Promise<OpenAnswer> } | null = null

/** Asks for a map before anything is there to show it, so that the answer comes while scripts are still read. */
export function askEarly(map: string): void {
    early = { map, answer: api.open(map) }
    early.answer.catch(() => {
        early = null
    })
}

/** The map that was asked for early, once, or else asked for now. */
export function openMap(map: string): Promise<OpenAnswer> {
    const answer = early?.map === map ? early.answer : api.open(map)
    early = null
    return answer
}

export function exportAddress(map: string, to: string, options: Record<string, string> = {}): string {
    return `/api/maps/${map}/export?${new URLSearchParams({ to, ...options }).toString()}`
}

export function pastPictureAddress(map: string, seq: number, show: 'then' | 'now', board: string): string {
    return `/api/maps/${map}/history/${seq}/picture?${new URLSearchParams({ show, board }).toString()}`
}

export function starterPictureAddress(starter: string, board: string): string {
    return `/api/starters/${starter}/picture?${new URLSearchParams({ board }).toString()}`
}

/** The address under which a topic can be opened from anywhere. */
export function topicAddress(map: string, topic: string): string {
    return `${location.origin}/maps/${map}/topics/${topic}`
}

/** Where a picture in a topic is to be had, as the core's TopicPicture names it; files in three sizes. */
export function sourceAddress(map: string, picture: string, size: 'small' | 'large' | 'original'): string {
    return picture.startsWith('drawing:') ? `/drawings/${picture.slice(8)}.svg` : `/api/maps/${map}/pictures/${picture.slice(5)}/${size}`
}

export function pictureAddress(map: string, seq: number, board: string): string {
    return `/api/maps/${map}/picture?${new URLSearchParams({ board, seq: String(seq) }).toString()}`
}
