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
]
