// Lays out the tree on standard input with d3-flextree, as often as asked, and prints the milliseconds of each round.
import { flextree } from 'd3-flextree'
import { readFileSync } from 'node:fs'

const data = JSON.parse(readFileSync(0, 'utf8'))
const layout = flextree({ nodeSize: (node) => [node.data.h + 8, node.data.w + 40] })
for (let i = 0; i < Number(process.argv[2]); i++) {
    const begin = process.hrtime.bigint()
    layout(layout.hierarchy(data))
    console.log(Number(process.hrtime.bigint() - begin) / 1e6)
}
