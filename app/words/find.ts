import { QUANTITIES, asksFor, hasPlace, placeOf, type Engine, type Place, type Quantity } from '#core'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { STATIONS, type StationName } from './stations'

/** Something that can be found in a build: what it is called, what else it is asked for by, and where it is. */
export interface Found { name: string, where: string, also: string, place: Place }

/** Words of the trade that are no field's or leaf's name, and where they are dealt with. */
const TERMS: readonly [words: string, Place][] = [
  ['compression ratio, CR, static ratio, advertised ratio, claimed ratio, book', { station: 'sheet', leaf: 'section' }],
  ['target, tolerance, wanted ratio', { station: 'sheet', leaf: 'section' }],
  ['gasket, offers, available gaskets, thickness', { station: 'sheet', leaf: 'gaskets' }],
  ['dial, rock, taper, proud, deck height', { station: 'sheet', leaf: 'deck' }],
  ['chamber drawing, outline, plug, STL, 3D', { station: 'sheet', leaf: 'chamber' }],
  ['warp, twist, straightness, head height, roughness, finish, Ra', { station: 'sheet', leaf: 'face' }],
  ['take in, findings, crack, leak track, erosion, painted, photograph, missing parts, who was told', { station: 'sheet', leaf: 'takeIn' }],
  ['burette, syringe, cc, volume, pour, fill, leak, bubble, meniscus', { station: 'pour', leaf: 'spread' }],
  ['spread, even up, grind to the largest', { station: 'pour', leaf: 'even' }],
  ['how to pour, grease, plate', { station: 'pour', leaf: 'steps' }],
  ['unshrouding, shrouding, wall, relief, grind, pin gauge, scribed line, template, PDF, SVG', { station: 'shape', leaf: 'gap' }],
  ['cam, lift table, duration, curtain', { station: 'shape', leaf: 'factor' }],
  ['hot spots, ridge, sharp edges, knock', { station: 'shape', leaf: 'spots' }],
  ['copy to every cylinder, master chamber', { station: 'shape', leaf: 'copy' }],
  ['throat, inside calliper, bowl', { station: 'ports', leaf: 'throats' }],
  ['port volume, pairs, siamesed, poor port', { station: 'ports', leaf: 'volumes' }],
  ['short turn, guide boss, porting, grit, sister ports', { station: 'ports', leaf: 'places' }],
  ['port sections, areas, air speed, Mach index', { station: 'ports', leaf: 'sections' }],
  ['mould, casting compound, cure', { station: 'ports', leaf: 'moulds' }],
  ['flange, port match, step, manifold', { station: 'ports', leaf: 'flange' }],
  ['seat record, run-out, margin, back cut, lapping, leak test, guide', { station: 'ports', leaf: 'seats' }],
  ['valve springs, installed height, coil bind, retainer, seat load, open load, float, shims', { station: 'mockup', leaf: 'springs' }],
  ['mill, surfacing, skim, depth, angle cut, rolled cut', { station: 'cut', leaf: 'face' }],
  ['valve job, seat insert, sunk valve, top cut, margin', { station: 'cut', leaf: 'seats' }],
  ['manifold, dowels, pushrods, chain, cam timing', { station: 'cut', leaf: 'else' }],
  ['solder, squish, quench, running clearance, rod stretch', { station: 'mockup', leaf: 'squish' }],
  ['turned head, lathe, dome, two-stroke, squish band, trapped ratio', { station: 'mockup', leaf: 'turned' }],
  ['degree wheel, TDC, piston stop', { station: 'mockup', leaf: 'tdc' }],
  ['piston to valve, valve to valve, dome to chamber, clay, pocket', { station: 'mockup', leaf: 'clearances' }],
  ['route, plan, way to the target, options, cost, hours, chance, what to do', { station: 'route' }],
  ['flow bench, cfm, depression, discharge coefficient, Cd, curve', { station: 'flow', leaf: 'curves' }],
  ['flow before and after, gain, repeat, bench error', { station: 'flow', leaf: 'compare' }],
  ['new flow run, simulated flow bench, flow CSV', { station: 'flow', leaf: 'run' }],
  ['customer sheet, print, PDF, work order, stop card, full record, write it up, quote, bill of hours', { station: 'papers' }],
  ['undo, correct, strike out, delete, history, notes', { station: 'daybook', leaf: 'entries' }],
  ['job card, order of work, clock, hours, waits for', { station: 'daybook', leaf: 'card' }],
  ['afterwards, power run, knock, float, plugs, came back', { station: 'daybook', leaf: 'after' }],
  ['export, CSV, JSON, backup of a build, rename, put away, casting', { station: 'daybook', leaf: 'entries' }],
  ['lesson, prediction, settlement', { station: 'daybook', leaf: 'settled' }]
]

const whereOf = ({ station, leaf }: Place) => [STATIONS[station].name, STATIONS[station].leaves.find(l => l.key === leaf)?.name].filter(Boolean).join(', ')

/** The trade's own words for a leaf, or for a station that has none. */
const termsOf = ({ station, leaf }: Place) => TERMS.filter(([, at]) => at.station === station && at.leaf === leaf).map(([words]) => words)

/** Everything in a build of an engine that has a name, where such an engine has it; of one that nobody has described, all there is. */
export const findable = (engine?: Engine, cylinders = 1): Found[] => [
  ...(Object.keys(STATIONS) as StationName[]).flatMap((station): Found[] => [
    { name: STATIONS[station].name, where: 'station', also: [STATIONS[station].help.what, ...termsOf({ station })].join(' '), place: { station } },
    ...STATIONS[station].leaves.map(leaf => ({
      name: leaf.name, where: STATIONS[station].name, also: termsOf({ station, leaf: leaf.key }).join(', '), place: { station, leaf: leaf.key }
    }))
  ]),
  ...(Object.keys(QUANTITIES) as Quantity[]).filter(q => asksFor(engine, q)).map(q => ({ name: QUANTITY_WORDS[q].label, where: whereOf(placeOf(q, engine)), also: QUANTITY_WORDS[q].noun, place: placeOf(q, engine) }))
].filter(({ place: { station, leaf } }) => hasPlace(engine, cylinders, station, leaf))

/** How well something answers to what is sought: its own name first, then a word of it, then what else it is asked for by. */
export function matchOf({ name, also }: Pick<Found, 'name' | 'also'>, sought: string): number {
  const [n, a, s] = [name.toLowerCase(), also.toLowerCase(), sought.trim().toLowerCase()]
  if (s === '') return 1
  if (n.startsWith(s)) return 4
  if (n.includes(s)) return 3
  return a.split(/[\s,]+/).some(word => word.startsWith(s)) || a.includes(s) ? 2 : 0
}
