import { expose } from 'comlink'
import { coordCenter, decrossTwoLayer, graphStratify, layeringLongestPath, sugiyama } from 'd3-dag'

/** Where a node of a family graph stands: its middle, in pixels. */
export interface Placed {
  id: string
  x: number
  y: number
}
/** A line from a parent to its young, by its bends. */
export interface Drawn {
  from: string
  to: string
  points: [number, number][]
}
/** A family graph with its places, parents to the left of their young. */
export interface FamilyLaid {
  nodes: Placed[]
  links: Drawn[]
  width: number
  height: number
}

/** Room of a node with the air around it: along the generations, and across. */
const ALONG = 158
const ACROSS = 74

/** Lays a graph out in layers (Sugiyama, Tagawa & Toda 1981), by d3-dag. */
function lay(nodes: { id: string; parentIds: string[] }[]): FamilyLaid {
  if (nodes.length === 0) return { nodes: [], links: [], width: 0, height: 0 }
  const graph = graphStratify()(nodes)
  // the package lays from top to bottom: across and along change places
  const laidOut = sugiyama()
    .nodeSize([ACROSS, ALONG])
    // the other layers and places come by a linear program whose solver does not run in a browser's worker
    .layering(layeringLongestPath())
    .decross(decrossTwoLayer())
    .coord(coordCenter())
  const { width, height } = laidOut(graph)
  return {
    nodes: [...graph.nodes()].map(n => ({ id: n.data.id, x: n.y, y: n.x })),
    links: [...graph.links()].map(l => ({
      from: l.source.data.id,
      to: l.target.data.id,
      points: l.points.map(([x, y]): [number, number] => [y, x]),
    })),
    width: height,
    height: width,
  }
}

const api = { lay }
export type FamilyLayoutApi = typeof api
expose(api)
