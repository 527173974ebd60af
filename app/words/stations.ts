import type { Place } from '#core'

export type StationName = Place['station']

interface StationWords {
  /** The digit that opens it. A station that is not built yet leaves its number free. */
  key: string
  name: string
  leaves: readonly { key: string, name: string }[]
  /** What it is for, what to do there in order, and what its picture shows. */
  help: { what: string, how: readonly string[], picture: string }
  /** Said in its place where an engine has nothing to do there. */
  lacking?: string
}

/** Every station: what it and its leaves are called, and how a hand works there. */
export const STATIONS: Record<StationName, StationWords> = {
  sheet: {
    key: '1', name: 'Sheet',
    leaves: [{ key: 'section', name: 'Section' }, { key: 'deck', name: 'Deck' }, { key: 'gaskets', name: 'Gaskets' }, { key: 'chamber', name: 'Chamber' }, { key: 'face', name: 'Face' }, { key: 'takeIn', name: 'Take-in' }],
    help: {
      what: 'Everything the engine is made of, each figure with where it comes from: measured, from a book, or assumed.',
      how: [
        'Type bore, stroke, gasket and deck clearance into the fields round the section. A piston that stands proud of the deck has a negative clearance.',
        'Say of each figure whether you measured it. A book figure counts, with a wider ±.',
        'Set the target ratio, and how far off still counts as on target.',
        'Draw the chamber on its leaf, as you see it with the face up and the intake side away: cuts are then exact, and the seats are watched. Where cylinder 1 lies at the other side than the plan says, put the engine right in the Daybook first.'
      ],
      picture: 'Deck clearance: the dial stands over the pin’s line, zeroed on the deck, so that rock of the piston does not count.'
    }
  },
  pour: {
    key: '2', name: 'Pour',
    leaves: [{ key: 'spread', name: 'Chambers' }, { key: 'even', name: 'Even' }, { key: 'steps', name: 'Steps' }],
    help: {
      what: 'What a chamber really holds, read off a burette or a syringe.',
      how: [
        'Seal the valves and the plug, lay the plate on a thin film of grease with its hole at the high corner.',
        'Fill from the glass until the last bubble is out of the hole.',
        'Read at eye level, at the lower edge of the meniscus, and type where the level stands. Enter keeps it.',
        'Pour every chamber twice: two pours show a leak or a trapped bubble.'
      ],
      picture: 'Eye level with the liquid, and the lower edge of its curve on the mark.'
    }
  },
  shape: {
    key: '3', name: 'Shape',
    leaves: [{ key: 'gap', name: 'Clock' }, { key: 'factor', name: 'Lift' }, { key: 'schools', name: 'Schools' }, { key: 'spots', name: 'Hot spots' }, { key: 'copy', name: 'Copy' }, { key: 'body', name: 'Body' }],
    lacking: 'There is nothing to shape on this engine: it has no valves to free, or its barrel is closed.',
    help: {
      what: 'Where the wall is too near an open valve, what to grind away, and what that does to the ratio.',
      how: [
        'Choose how far to relieve, and look at a lift with the slider.',
        'Take what is offered, or drag a square on the wall.',
        'Watch the bar: it shows how many cc may be ground before a face cut could not pay them back.',
        'Plan it, grind to the line and the reading, then enter that it is ground.'
      ],
      picture: 'The gap from the valve’s edge to the wall, measured in the plane of its head at a lift.'
    }
  },
  ports: {
    key: '4', name: 'Ports',
    leaves: [{ key: 'throats', name: 'Throats' }, { key: 'volumes', name: 'Volumes' }, { key: 'places', name: 'Places' }, { key: 'sections', name: 'Sections' }, { key: 'moulds', name: 'Moulds' }, { key: 'flange', name: 'Flange' }, { key: 'seats', name: 'Seats' }],
    lacking: 'This engine has no valves: its ports are in the barrel. Their timing stands on the Sheet.',
    help: {
      what: 'Ports and seats, from the valve to the flange: what they are, what is wanted of them, and what each hour of work gave.',
      how: [
        'Measure each throat with an inside calliper, and choose how large it is to be.',
        'Mark on the drawing where metal comes out, what is only rounded, and what stays as it is.',
        'Pour the ports before and after the work. The table shows what each stage added.',
        'Record each seat: its cuts, where the valve touches, and how high the stem stands.'
      ],
      picture: 'The throat is measured just under the seat, where the port is at its narrowest.'
    }
  },
  cut: {
    key: '5', name: 'Cut',
    leaves: [{ key: 'face', name: 'Face' }, { key: 'seats', name: 'Seat work' }, { key: 'else', name: 'What else moves' }],
    lacking: 'A closed barrel has no face to cut. It comes down by its foot: the Sheet’s Deck leaf has it.',
    help: {
      what: 'How much to take off the face, what the cut meets on the way, and what the glass must show when it is done.',
      how: [
        'Read the depth. The stair marks the seats, top cuts and clearances it would meet.',
        'Drag the handle, or type another depth, and see what each cylinder becomes.',
        'Plan it. A cut past a seat or a minimum asks for a reason.',
        'Enter the depth really taken off, measured at the corners, and pour again.'
      ],
      picture: 'The cut comes off the face; a seat’s low edge is the first thing it meets.'
    }
  },
  mockup: {
    key: '6', name: 'Mock-up',
    leaves: [{ key: 'squish', name: 'Squish' }, { key: 'turned', name: 'Turned head' }, { key: 'tdc', name: 'Top dead centre' }, { key: 'clearances', name: 'Clearances' }, { key: 'springs', name: 'Springs' }],
    help: {
      what: 'How near piston, head and valves come to each other, cold and running.',
      how: [
        'Lay solder across the pin’s line and along it, torque the head, turn the engine by hand over top dead centre.',
        'Measure each strand where it was squeezed, and type it where it lay.',
        'Find top dead centre from both sides: the same drop before it and after it.',
        'Measure the clearances of valves and of a dome with clay, or with soft springs and a dial.'
      ],
      picture: 'Strands over the pin’s line and across it: the mean over the pin is the squish, the difference across is rock.'
    }
  },
  route: {
    key: '7', name: 'Route',
    leaves: [],
    help: {
      what: 'All the ways from where the engine stands to its target, with everything inside its limits.',
      how: [
        'Switch off what you will not do, and set how far each thing may go.',
        'Read the routes: how sure each is, what it takes off, what it costs.',
        'Open one: each stage with the reading to stop at, and what limits it.',
        'Take it. Its work is planned at once, and can be dropped at once. Pour after the first cut, and come back here for the second.'
      ],
      picture: 'Two ways to one target: each is a row of stages, and each stage has a reading to stop at.'
    }
  },
  flow: {
    key: '8', name: 'Flow',
    leaves: [{ key: 'curves', name: 'Curves' }, { key: 'compare', name: 'Before and after' }, { key: 'run', name: 'New run' }],
    lacking: 'This engine has no valves: there is no lift to run its ports at.',
    help: {
      what: 'What a port flows, lift by lift, and whether the work on it changed anything.',
      how: [
        'Write down all that a run depends on: bench, depression, fixture, pipe, entry, valve and air.',
        'Run the head as it came in, take it off, mount it and run it again: the two show how well this bench repeats.',
        'Change one thing, and run it again with all else the same.',
        'Compare the two: a change inside the bench’s own error is no change.'
      ],
      picture: 'Two curves of one port: the work changed something where they lie further apart than the ± of both.'
    }
  },
  daybook: {
    key: '9', name: 'Daybook',
    leaves: [{ key: 'entries', name: 'Entries' }, { key: 'settled', name: 'Predicted and measured' }, { key: 'card', name: 'Job card' }, { key: 'after', name: 'Afterwards' }],
    help: {
      what: 'Everything that was entered, in order; what was predicted beside what was measured; the order of work with its hours; what the engine did afterwards.',
      how: [
        'Begin a job card: the steps that the ledger shows tick themselves, and the clock keeps your hours.',
        'Correct a figure, or strike it out with a reason. Nothing is ever erased.',
        'Take the build away as a file, or the readings as a table.',
        'Bring readings in from a table: each line is checked, and nothing comes in twice.'
      ],
      picture: 'A line that was struck out stays readable, with who did it and why.'
    }
  },
  papers: {
    key: '0', name: 'Papers',
    leaves: [],
    help: {
      what: 'What leaves the shop on paper: for the customer, for whoever cuts, and for whoever checks the figures.',
      how: [
        'Choose a paper: it is shown as it will print.',
        'Read what it says is still open, and settle that first.',
        'Save it as PDF, and print it at its true size.',
        'Print it anew after the next entry: its head says of when it is.'
      ],
      picture: 'A sheet with its head and foot: of which build, of when, and what was open then.'
    }
  }
}

/** What each station is called, by the last word of its address. */
export const STATION_WORDS = Object.fromEntries(Object.entries(STATIONS).map(([path, { name }]) => [path, name])) as Record<StationName, string>
