/** The ids of the kinds that ship, in their order, which is that of their numbers in every map. A test holds them to ShippedKinds. */
export const shippedKinds: readonly string[] = [
    '0d4fjzq5d5z144kv7t2das9t9g',
    '03aba734fkbh2b7mzevyqcc25h',
    '04e91j7ap69mcfx2eq353wxtt8',
    '0c9jcgc9p1ef1fn0xkhg8xqwgs',
    '0sega4x6nmptmfw5a1anm8y9np',
    '0hhrmjqsf75dv72ce7yb2sg03r',
    '0geyykffww17qbkje48gagy00a',
    '02bwjrst5hr4j62tm80sdspza2',
    '0dtdbc1kf85dfwaeqjj9cvb007',
    '0p79kfxzjpfhwq5kt3sdmt20wf',
    '0hesh190b3tqqpezrntcxhsbxw',
    '0kw6hdq283jg5caat28tg4ae4y',
    '0xamj8sm4q7qwz75s1yaz07prg',
]

/** Those of stories, by the words that never change. */
export const storyKinds = {
    character: '02bwjrst5hr4j62tm80sdspza2',
    place: '0p79kfxzjpfhwq5kt3sdmt20wf',
    object: '0hesh190b3tqqpezrntcxhsbxw',
    source: '0hhrmjqsf75dv72ce7yb2sg03r',
    thread: '0kw6hdq283jg5caat28tg4ae4y',
    chapter: '0xamj8sm4q7qwz75s1yaz07prg',
    scene: '0dtdbc1kf85dfwaeqjj9cvb007',
} as const

/** Fields of scenes. */
export const storyFields = {
    viewpoint: '0ybwb7qhk2n2863wecrkc9hkph',
    place: '0k4c4m9s2ncsv42baye6543x0a',
    inScene: '0ttqbg6pdcpx07md2s8nzzpwcy',
    storyDay: '0fcp150fk6wrkzvfapr0k7rp9z',
    happens: '0pp0nt2nvr1dzb35q96vhs46ct',
    changes: '0235jpxykct1q1vbam8p2mnk1f',
    threads: '0nphwrz3w7y2hr8ns7jj92bsft',
    closes: '0xm97qv22p3wmxe6pmwyjt8v7t',
    tension: '0jja96fx7736054bfp39hpgdxw',
} as const
