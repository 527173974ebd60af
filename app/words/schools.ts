import type { Place, SchoolArea, SchoolTopic } from '#core'

export const AREA_WORDS: Record<SchoolArea, string> = { chamber: 'Chamber', intake: 'Intake', exhaust: 'Exhaust', seats: 'Seats', squish: 'Squish', springs: 'Springs', finish: 'Finish' }

/** One answer to what the trade disagrees on: what it says, for whom it is right, and what speaks against it. */
export interface SchoolWords { name: string, says: string, right: string, against: string }

/** What the trade disagrees on, neither side taken. `at` is where the choice is made on a build. */
export const TOPIC_WORDS: Record<SchoolTopic, { asks: string, at?: Place, schools: Record<string, SchoolWords> }> = {
  unshroud: {
    asks: 'How far is the wall round a valve relieved?', at: { station: 'shape', leaf: 'schools' },
    schools: {
      curtain: { name: 'Match the curtain', says: 'At every lift the gap to the wall offers as much area as the curtain between valve and seat.', right: 'A shrouded intake, and an engine that can spend the ratio.', against: 'It takes the most metal after the gasket line, and every cc is ratio.' },
      pin: { name: 'Pin gauge', says: 'A pin of one size passes all the way round at one lift. Metal comes out only where it touches.', right: 'Chambers that are to be alike, by hand, without a drawing.', against: 'One lift stands for all of them.' },
      line: { name: 'To the gasket line', says: 'The wall goes back to the scribed line everywhere on that side.', right: 'Boost, or a cut that pays the ratio back.', against: 'Nothing is left for a mistake, and the gasket’s edge comes close to the fire.' },
      alone: { name: 'Leave it alone', says: 'Sharp edges are rounded, and that is all.', right: 'A builder who needs every bit of ratio, or an exhaust with open walls.', against: 'A shrouded intake stays shrouded.' }
    }
  },
  even: {
    asks: 'Are chambers made equal, or ratios?', at: { station: 'pour', leaf: 'even' },
    schools: {
      volume: { name: 'Equal chambers', says: 'Every chamber holds the same, and the decks are squared with the block.', right: 'A block that is decked anyway.', against: 'Unequal decks leave unequal ratios.' },
      ratio: { name: 'Equal ratios', says: 'Each chamber makes up for its own deck.', right: 'A block that stays as it is.', against: 'The head fits that block and no other.' }
    }
  },
  order: {
    asks: 'Is the chamber worked before the face is cut, or after it?', at: { station: 'route' },
    schools: {
      chamberFirst: { name: 'Chamber first', says: 'Grind, pour, then cut to the target once.', right: 'A cut of some tenths.', against: 'A deep cut takes the top cuts with it at the end.' },
      faceFirst: { name: 'Face first', says: 'Cut a little past the target, then let the valve job give the cc back.', right: 'A head that must lose much.', against: 'Two things have to land together.' }
    }
  },
  throatSize: {
    asks: 'How large is a throat for its valve?', at: { station: 'ports', leaf: 'throats' },
    schools: {
      asCast: { name: 'As cast', says: 'Clean it, and leave its size: some 85 to 87 % of the valve.', right: 'Low lift, low revs, a good bottom end.', against: 'It chokes a high lift.' },
      usual: { name: 'The usual', says: '88 to 89 % of the valve.', right: 'Most engines.', against: 'Nothing but the work, and a seat that needs its width.' },
      brave: { name: 'The brave', says: '90 to 92 % of the valve.', right: 'High lift and high revs, with a seat insert that has the room.', against: 'The seat gets thin, air slows at low lift, and it can’t be undone.' }
    }
  },
  intakeStep: {
    asks: 'Is the intake flange matched, or does it keep a step?', at: { station: 'ports', leaf: 'flange' },
    schools: {
      matched: { name: 'Matched', says: 'Manifold, gasket and port are one bore.', right: 'A manifold that is dowelled and always goes back the same way.', against: 'Without dowels the match is gone at the next assembly.' },
      smallerManifold: { name: 'Manifold smaller', says: 'The manifold stays a little smaller than the port, so that no wall stands into the stream.', right: 'Bolts with play.', against: 'The stream has a step to get over, if a small one.' }
    }
  },
  intakeWalls: {
    asks: 'Rough or smooth walls for an intake that carries fuel?', at: { station: 'ports', leaf: 'places' },
    schools: {
      rough: { name: 'Rough', says: 'Walls stay as 60 or 80 grit leaves them, so that fuel does not run along them.', right: 'Carburettors and single-point injection.', against: 'What it is worth has seldom been measured alone.' },
      smooth: { name: 'Smooth', says: 'Walls are brought to a fine grit.', right: 'Direct injection and dry ports.', against: 'Hours that a bench seldom shows.' }
    }
  },
  exhaustStep: {
    asks: 'Does the exhaust keep a step at the pipe?', at: { station: 'ports', leaf: 'flange' },
    schools: {
      keepStep: { name: 'Keep the step', says: 'The pipe stays larger than the port: what wants to come back meets a wall.', right: 'Engines that pull from low revs.', against: 'Less at the top with some pipes.' },
      matched: { name: 'Matched', says: 'Port and pipe are one bore.', right: 'A pipe that was made for the port.', against: 'The way back is as open as the way out.' }
    }
  },
  exhaustSize: {
    asks: 'Is an exhaust port opened up?', at: { station: 'ports', leaf: 'volumes' },
    schools: {
      small: { name: 'Keep it small', says: 'Shape the short turn and the boss, and leave its size.', right: 'Most road and river engines.', against: 'It may hold the top end back with a large valve.' },
      open: { name: 'Open it', says: 'Take it to the pipe’s size.', right: 'Boost and very high revs.', against: 'Slow gas cools and comes back. Water lies close.' }
    }
  },
  seatAngle: {
    asks: 'At what angle does a valve seat?', at: { station: 'ports', leaf: 'seats' },
    schools: {
      fortyFive: { name: '45°', says: 'The usual angle flows best while the valve is low.', right: 'Moderate lifts, soft seats.', against: 'At high lift a steeper one may flow more.' },
      steep: { name: '50° and more', says: 'A steeper seat flows more once the valve is high, and its top cut grows the chamber less.', right: 'High lift, hard inserts, sunk valves.', against: 'Less at low lift, more wedging, and the throat is blended anew.' }
    }
  },
  seatCuts: {
    asks: 'How many angles has a seat?', at: { station: 'ports', leaf: 'seats' },
    schools: {
      three: { name: 'Three or four', says: 'Throat, seat and top cut, each wide enough to see.', right: 'Thin inserts; most heads.', against: 'A fourth below may gain a little.' },
      five: { name: 'Five or a radius', says: 'Many narrow cuts come near to a curve.', right: 'Thick inserts, and a cutter made for it.', against: 'A thin insert has no room, and it often flows no more.' }
    }
  },
  squishGap: {
    asks: 'How tight is the squish?', at: { station: 'mockup', leaf: 'squish' },
    schools: {
      tight: { name: 'As tight as it runs', says: 'The gap closes until piston and head just keep clear when it is hot and turning fast.', right: 'Steel rods, known clearances, an engine that is looked into often.', against: 'A loose bearing or one burst of revs, and they touch.' },
      safe: { name: 'With something to spare', says: 'A few tenths more than the tightest.', right: 'Aluminium rods, and whatever has to run for long.', against: 'A lazy squish, and more knock for the same ratio.' }
    }
  },
  springLoad: {
    asks: 'How strong is a valve spring?', at: { station: 'mockup', leaf: 'springs' },
    schools: {
      asNeeded: { name: 'As the cam needs', says: 'Load up to the revs it is built for, and no more.', right: 'Long life, low friction.', against: 'One missed gear and the valves float.' },
      reserve: { name: 'With a reserve', says: 'Some hundred revs more than it is built for.', right: 'Racing.', against: 'Wear of cam and seats, heat, and friction at every turn.' }
    }
  },
  chamberFinish: {
    asks: 'Is a chamber polished?',
    schools: {
      polished: { name: 'Polished', says: 'Deposits hold on less, and no sharp point glows.', right: 'High ratios, engines that are taken apart often.', against: 'Hours, and it is dull again after a day.' },
      asGround: { name: 'As ground', says: 'Edges are rounded, and the rest stays as 120 grit leaves it.', right: 'Most engines.', against: 'Carbon sits sooner.' }
    }
  }
}
