import { isJobStep, type Afterwards, type JobCheck, type JobStep, type JobTemplate, type JobWait } from '#core'
import { digits } from '#shared/figures'

/** What a step of the job card is called, what is used for it in order, and what to mind. */
export const STEP_WORDS: Record<JobStep, { name: string, tools: string, caution?: string }> = {
  takeIn: { name: 'Take in and look', tools: 'straightedge and light, fine file, scriber for the numbers', caution: 'A head is heavy, and its edges cut.' },
  clean: { name: 'Clean and strip', tools: 'solvent, soft scraper, wire wheel off the faces', caution: 'Do not breathe carbon dust or solvent: wear a mask, and keep the door open.' },
  deck: { name: 'Measure the deck clearances', tools: 'dial on a bridge, over the pin’s line' },
  pourReceived: { name: 'Pour the chambers as received', tools: 'burette, plate, thin grease, alcohol', caution: 'Alcohol burns: no spark and no heater beside it.' },
  portsReceived: { name: 'Pour the ports as received', tools: 'burette, valves greased, flange level' },
  throats: { name: 'Measure the throats', tools: 'inside calliper' },
  squishReceived: { name: 'Squish as received', tools: 'solder over the pin’s line and across it', caution: 'Some solder has lead in it: wash your hands before you eat.' },
  flowBefore: { name: 'Flow before the work', tools: 'bench, bore fixture, clay or a radius plate' },
  target: { name: 'Agree the target', tools: 'fuel, boost, cam, use, class rule' },
  scribe: { name: 'Mark the limit', tools: 'dye, the gasket itself, scriber, dowels' },
  rough: { name: 'Rough the chambers', tools: 'sacrificial valves; carbide burr, then 60, 80, 120 grit', caution: 'Metal dust is bad for eyes and lungs: wear glasses and a mask. Sacrificial valves are sharp.' },
  ports: { name: 'Grind the ports', tools: 'carbide burr, then 60, 80 grit; flap for the exhaust', caution: 'Thin walls lie over water: nobody knows how thin until it leaks. Have it pressure tested.' },
  mould: { name: 'Mould a port', tools: 'release agent, compound, the time on its sheet' },
  flange: { name: 'Match the flanges', tools: 'dye, template, scriber, long burr' },
  portsAgain: { name: 'Pour the ports again', tools: 'burette, valves greased, flange level' },
  seats: { name: 'Cut the seats', tools: 'guide pilot, seat, top and throat cutter, blue', caution: 'A cutter that is not square on its pilot spoils the seat: let it turn by hand first.' },
  pourAgain: { name: 'Pour again before the cut', tools: 'burette, plate' },
  face: { name: 'Cut the face', tools: 'work order to whoever cuts; depth at the corners before and after', caution: 'Machining belongs to a qualified machinist. A spinning cutter catches sleeves.' },
  foot: { name: 'Cut the barrel’s foot', tools: 'work order to whoever cuts; barrel’s height at three places before and after', caution: 'Machining belongs to a qualified machinist. A spinning chuck catches sleeves.' },
  dome: { name: 'Turn the dome', tools: 'lathe, mandrel, form tool or template', caution: 'A spinning chuck catches sleeves: roll them up.' },
  deburr: { name: 'Deburr and wash', tools: 'fine file, stone, hot water and soap, air', caution: 'Blown chips fly: wear glasses.' },
  pourLast: { name: 'Pour after the cut', tools: 'burette, plate' },
  squish: { name: 'Measure squish', tools: 'solder, old gasket of known thickness' },
  clearances: { name: 'Valve to piston', tools: 'clay or soft springs, dial' },
  gasket: { name: 'Fit the gasket', tools: 'the gasket chosen, measured as fitted' },
  springs: { name: 'Set up the springs', tools: 'height micrometer, shims' },
  flowAfter: { name: 'Flow after the work', tools: 'same bench, same fixture, same lifts' },
  assemble: { name: 'Assemble', tools: 'torque wrench, oil, the maker’s order and figures' },
  writeUp: { name: 'Write it up', tools: 'Papers' }
}
export const CHECK_WORDS: Record<JobCheck, string> = {
  straight: 'face straight, by file and light', corners: 'depth measured at the corners', tracks: 'gasket tracks looked for', numbering: 'end where numbering begins is marked', twice: 'poured twice',
  dowels: 'gasket located by its dowels', sacrificial: 'sacrificial valves in', seatsTested: 'seats tested for leaks', deburred: 'edges deburred', washed: 'washed and blown out', torque: 'torqued in the maker’s order'
}
export const TEMPLATE_WORDS: Record<JobTemplate, string> = { fourStroke: 'Four-stroke head', chamberOnly: 'Chambers only', turned: 'Turned two-stroke head', intake: 'Intake ports', assembly: 'Assembly' }
export const WAIT_FOR_WORDS: Record<JobWait, string> = { cure: 'a mould to cure', machinist: 'the machinist', customer: 'the customer', parts: 'parts' }
export const AFTERWARDS_WORDS: Record<Afterwards, string> = {
  power: 'power run', float: 'valve float', knock: 'knock', plugs: 'plugs', gasket: 'gasket', returned: 'came back', fine: 'runs well', other: 'something else'
}

/** What a step is called: the shop's own words, or the job's. */
export const sayStep = (step: string): string => isJobStep(step) ? STEP_WORDS[step].name : step

/** Hours as a bench says them, to a tenth; below an hour and a half in minutes where it runs. */
export const sayHours = (hours: number): string => `${digits(hours, 1)} h`
/** A running clock: hours and minutes. */
export const sayRunning = (hours: number): string => `${Math.floor(hours)}:${String(Math.floor(hours * 60) % 60).padStart(2, '0')}`
