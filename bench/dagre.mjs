// Lays out the charts on standard input (a JSON list of {boxes, lines}) with dagre, and prints for each its lines and milliseconds.
import dagre from '@dagrejs/dagre'

let text = ''
for await (const chunk of process.stdin) text += chunk
const charts = JSON.parse(text).map(({ boxes, lines }) => {
  const graph = new dagre.graphlib.Graph({ multigraph: true }).setGraph({ rankdir: 'TB' }).setDefaultEdgeLabel(() => ({}))
  for (const box of boxes) graph.setNode(box.id, { width: box.w, height: box.h })
  for (const line of lines) graph.setEdge(line.from, line.to, { width: line.w, height: line.h, labelpos: 'c' }, line.id)
  const began = performance.now()
  dagre.layout(graph)
  const ms = performance.now() - began
  return { ms, ways: Object.fromEntries(graph.edges().map((edge) => [edge.name, graph.edge(edge).points.map(({ x, y }) => [x, y])])) }
})
process.stdout.write(JSON.stringify(charts))
